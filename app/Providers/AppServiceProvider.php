<?php

declare(strict_types=1);

namespace App\Providers;

use App\Listeners\KeepList;
use App\Mail\StandInMailbox;
use App\Models\Database;
use App\Prep\DatabaseStepCache;
use App\Works\Works;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\ServiceProvider;
use NeatEdge\Core\Line\StepCache;

final class AppServiceProvider extends ServiceProvider
{
    /** Seconds between two looks. */
    private const LOOK = 2.0;

    public function register(): void
    {
        Database::register();
        $this->app->bind(StepCache::class, DatabaseStepCache::class);
    }

    /** Between two works, and while there are none, workers look for what a process that died left behind. */
    public function boot(): void
    {
        Event::subscribe(KeepList::class);
        JsonResource::withoutWrapping();
        // Who asks is known by the address alone; a page in use stays far below these.
        RateLimiter::for('asks', static fn (Request $request): Limit => Limit::perMinute((int) config('neat-edge.asks_a_minute'))->by((string) $request->ip()));
        RateLimiter::for('files', static fn (Request $request): Limit => Limit::perMinute((int) config('neat-edge.files_a_minute'))
            ->by('files '.$request->ip()));
        // Who was sent a link looks at it, and no more.
        RateLimiter::for('shown', static fn (Request $request): Limit => Limit::perMinute((int) config('neat-edge.looks_a_minute'))
            ->by('shown '.$request->ip()));
        Mail::extend('stand-in', static fn (): StandInMailbox => new StandInMailbox);
        $looked = 0.0;
        Queue::looping(static function () use (&$looked): void {
            if (microtime(true) - $looked >= self::LOOK) {
                $looked = microtime(true);
                Works::sweep();
            }
        });
    }
}
