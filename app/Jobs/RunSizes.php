<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\ShopJob;
use App\Models\SizeRun;
use App\Prep\Broken;
use App\Prep\DatabaseStepCache;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Check\FindingGroups;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\PlanarMap\MapTooLarge;
use NeatEdge\Core\Prepare\PrepLine;
use NeatEdge\Core\Prepare\Stopped;
use NeatEdge\Core\Sheet\Prepared;
use Throwable;

/** O9: the same art at other finished sizes, each taken through the line and checked by itself. What came of a size is stored before the next is begun. */
final class RunSizes implements ShouldQueue
{
    use Queueable;

    public int $tries = 1;

    public function __construct(private readonly int $run)
    {
        $this->onQueue('layout');
    }

    public function handle(): void
    {
        if (SizeRun::query()->whereKey($this->run)->where('status', 'waiting')->update(['status' => 'running']) === 0) {
            return;
        }
        $run = SizeRun::query()->findOrFail($this->run);
        $job = ShopJob::snapshot($run->shop_job_id);
        $run->update(['version' => $job->version]);
        $art = $job->art();
        try {
            foreach ($run->rows as $i => $row) {
                $rows = $run->rows;
                $rows[$i] = $this->checked($run, $job, $art, $row);
                $run->update(['rows' => $rows]);
            }
        } catch (Stopped) {
            $run->update(['status' => 'stopped', 'doing' => '']);

            return;
        }
        $run->update(['status' => 'done', 'doing' => '']);
    }

    /**
     * @param  array{typed: string, width?: float}  $row
     * @return array<string, mixed>
     *
     * @throws Stopped
     */
    private function checked(SizeRun $run, ShopJob $job, Artwork $art, array $row): array
    {
        if (! isset($row['width'])) {
            return $row;
        }
        $sized = $art->atWidth($row['width']);
        $tell = static function (int $done, int $of, string $doing) use ($run, $row): void {
            if (SizeRun::query()->whereKey($run->id)->value('stop_requested')) {
                throw new Stopped;
            }
            $run->update(['doing' => sprintf('%s: %s', $row['typed'], lcfirst($doing === 'Done' ? 'Check' : $doing))]);
        };
        try {
            $prepared = Prepared::of($sized, [], PrepLine::of($art->line ?? [], $job->limits(), new DatabaseStepCache), $job->limits(), $tell);
        } catch (MapTooLarge|Refused $refused) {
            return ['typed' => $row['typed'], 'error' => $refused->getMessage()];
        }
        $report = $prepared->report();

        return [
            'typed' => $row['typed'], 'width' => round($sized->width, 3), 'height' => round($sized->height, 3), 'sheets' => count($prepared->sheets), 'verdict' => $report['verdict'], 'look' => $report['look_difference'],
            'groups' => array_map(static fn (array $group): array => self::group($group, $report['findings'], $job->width_mm / $sized->width), FindingGroups::of($report['findings'])),
        ];
    }

    /**
     * A group with the worst of its findings, whose place is told as it lies on the bench.
     *
     * @param  array<string, mixed>  $group
     * @param  list<array<string, mixed>>  $findings
     * @return array<string, mixed>
     */
    private static function group(array $group, array $findings, float $scale): array
    {
        $worst = $findings[$group['findings'][0]];

        return [
            'kind' => $group['kind'], 'sheet' => $group['sheet'], 'severity' => $group['severity'], 'count' => count($group['findings']), 'least_mm' => $group['least_mm'], 'message' => $worst['message'],
            'at' => isset($worst['at']) ? array_map(static fn (float|int $mm): float => round($mm * $scale, 3), $worst['at']) : null,
        ];
    }

    public function failed(?Throwable $problem): void
    {
        Broken::ended(fn () => SizeRun::query()->whereKey($this->run)->where('status', 'running')->update(['status' => 'failed', 'doing' => '']));
    }
}
