<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\Preparation;
use App\Models\ShopJob;
use NeatEdge\Core\Artwork\LineStep;
use NeatEdge\Core\Check\Inspection;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\PlanarMap\MapTooLarge;
use NeatEdge\Core\Prepare\PrepLine;
use NeatEdge\Core\Prepare\Stopped;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Sheet\JobReport;
use NeatEdge\Core\Sheet\Sheet;

/** Runs a job's prep line, says how far it is, and stops when asked. */
final class Preparing
{
    /** Share of the work that measuring lines and gaps is. */
    private const CHECKING = 0.25;

    public static function run(Preparation $preparation): void
    {
        $job = ShopJob::snapshot($preparation->shop_job_id);
        if ($job->version !== $preparation->version) {
            // Something was changed since it was asked for: what is made now is made of that.
            self::end($preparation, ['version' => $job->version], 'running');
        }
        $preparation->update(['began_at' => microtime(true), 'share' => 0.0]);
        $cache = new DatabaseStepCache;
        try {
            $bench = $job->art();
            $source = Seen::of($bench);
            $preparation->update(['steps' => array_map(static fn (LineStep $step): array => $step->toArray(), $bench->line ?? [])]);
            $result = PrepLine::of($bench->line ?? [], $job->limits(), $cache)->run($source, static function (int $done, int $of, string $doing, float $share) use ($preparation): void {
                $preparation->refresh();
                if ($preparation->stop_requested) {
                    throw new Stopped;
                }
                // Checking is one more piece of work after the line.
                $preparation->update(['done' => min($done, $of), 'of' => $of + 1, 'doing' => $doing === 'Done' ? 'Check' : $doing, 'share' => (1 - self::CHECKING) * $share]);
            });
            $findings = Inspection::ofResult($bench, $source, $result, $job->limits());
            $report = JobReport::of($result, Sheet::allOf($result->artwork()), $findings, $job->limits());
        } catch (Stopped) {
            self::end($preparation, ['status' => 'stopped', 'doing' => '']);

            return;
        } catch (MapTooLarge|Refused $tooLarge) {
            self::end($preparation, ['status' => 'failed', 'doing' => '', 'error' => $tooLarge->getMessage()]);

            return;
        }
        foreach ($result->stages as $i => $stage) {
            $report['steps'][$i]['cached'] = $stage['cached'];
        }
        self::end($preparation, [
            'status' => 'done',
            'done' => $preparation->of,
            'share' => 1.0,
            'doing' => '',
            'stage_keys' => $cache->asked,
            'result' => $report,
            'summary' => $preparation->fill(['result' => $report])->summed($job->judged ?? [], $job->width_mm),
        ]);
    }

    /**
     * Ends what is still running, once: a preparation that was stopped or given up meanwhile stays so.
     *
     * @param  array<string, mixed>  $columns
     */
    public static function end(Preparation $preparation, array $columns, string $while = 'running'): void
    {
        $preparation->fill($columns);
        Preparation::query()->whereKey($preparation->id)->where('status', $while)->update($preparation->getDirty());
        $preparation->refresh();
    }
}
