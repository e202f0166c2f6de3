<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Nesting;
use App\Models\ShopJob;
use App\Prep\Broken;
use App\Prep\Laid;
use App\Prep\Made;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Sheet\Make\Laying;
use NeatEdge\Core\Sheet\Nest\Placement;
use Throwable;

/** Searches for a closer way to lay the copies of a job, for as long as it was given; the best so far can be kept at any time. */
final class RunNesting implements ShouldQueue
{
    use Queueable;

    public int $tries = 1;

    /** Seconds between looks at whether to stop. */
    private const LOOK = 0.3;

    public function __construct(private readonly int $nesting)
    {
        $this->onQueue('layout');
    }

    public function handle(): void
    {
        if (Nesting::query()->whereKey($this->nesting)->where('status', 'waiting')->update(['status' => 'running']) === 0) {
            return;
        }
        $nesting = Nesting::query()->findOrFail($this->nesting);
        $job = ShopJob::query()->findOrFail($nesting->shop_job_id);
        try {
            $order = Made::order($job);
            $designs = $order->designs();
            $placements = $progress = [];
            foreach ($designs as $hex => $own) {
                $end = microtime(true) + $nesting->seconds / count($designs);
                $look = 0.0;
                $found = $own === [] ? [] : Laying::of($own, $order, $hex, function (float $length, int $tried) use ($nesting, $hex, $end, &$look, &$progress): bool {
                    $progress[$hex === '' ? 'all' : $hex] = ['length' => round($length, 1), 'tried' => $tried];
                    if (microtime(true) >= $look) {
                        $look = microtime(true) + self::LOOK;
                        $nesting->update(['progress' => $progress]);
                        $nesting->refresh();
                    }

                    return ! $nesting->stop_requested && microtime(true) < $end;
                });
                $placements[$hex === '' ? 'all' : $hex] = array_map(static fn (Placement $one): array => $one->toArray(), $found);
            }
        } catch (Refused $refused) {
            $this->end(['status' => 'failed', 'error' => $refused->getMessage()]);

            return;
        }
        // Only where a job lies is changed: whatever else was chosen meanwhile stays.
        Laid::change($job, 'Nest the copies', static fn (array $making): array => [...$making, 'placements' => $placements]);
        $this->end(['status' => $nesting->stop_requested ? 'stopped' : 'done', 'progress' => $progress]);
    }

    /** @param  array<string, mixed>  $columns */
    private function end(array $columns): void
    {
        $nesting = Nesting::query()->whereKey($this->nesting)->where('status', 'running')->first();
        $nesting?->update($columns);
    }

    public function failed(?Throwable $problem): void
    {
        Broken::ended(fn () => $this->end(['status' => 'failed', 'error' => Broken::why($problem, 'The search broke off').' Where the copies lay before is kept.']));
    }
}
