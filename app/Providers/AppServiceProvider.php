<?php

declare(strict_types=1);

namespace App\Providers;

use App\Listeners\KeepList;
use App\Mail\StandInMailbox;
use App\Models\Database;
use App\People\Staff;
use App\Prep\DatabaseStepCache;
use App\Works\Works;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\ServiceProvider;
use Illuminate\Validation\Rules\Password;
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
        // By person, or by the address where nobody is asked who they are; a page in use stays far below these.
        $who = static fn (Request $request): string => Auth::id() === null ? (string) $request->ip() : 'person '.Auth::id();
        RateLimiter::for('asks', static fn (Request $request): Limit => Limit::perMinute((int) config('neat-edge.asks_a_minute'))->by($who($request)));
        RateLimiter::for('files', static fn (Request $request): Limit => Limit::perMinute((int) config('neat-edge.files_a_minute'))
            ->by('files '.$who($request)));
        // Passwords are not tried out: neither many of one person, nor one of many.
        RateLimiter::for('doors', static function (Request $request): array {
            $tries = (int) config('neat-edge.sign_ins_a_minute');
            $name = $request->input('address');

            return [
                Limit::perMinute($tries)->by('doors '.$request->ip()),
                Limit::perMinute(max(1, intdiv($tries, 5)))->by('doors '.$request->ip().' '.Staff::address(is_string($name) ? $name : '')),
            ];
        });
        Password::defaults(static fn (): Password => Password::min(Staff::LEAST)->max(Staff::MOST));
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
