<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\Preparation;
use App\Models\ShopJob;
use App\Works\Hold;
use NeatEdge\Core\Artwork\LineStep;
use NeatEdge\Core\Check\Inspection;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Sheet\JobReport;
use NeatEdge\Core\Sheet\Sheet;

/** Runs a job's prep line, and says how far it is. */
final class Preparing
{
    /** Share of the work that measuring lines and gaps is. */
    private const CHECKING = 0.25;

    public static function run(Preparation $preparation, Hold $hold): void
    {
        $job = ShopJob::snapshot($preparation->shop_job_id);
        $cache = new DatabaseStepCache;
        $bench = $job->art();
        $source = Seen::of($bench);
        // Where something was changed since it was asked for, what is made now is made of that.
        $preparation->update(['version' => $job->version, 'steps' => array_map(static fn (LineStep $step): array => $step->toArray(), $bench->line ?? [])]);
        $parts = 1;
        $result = PrepLine::of($bench->line ?? [], $job->limits(), $cache)->run($source, static function (
            int $done,
            int $of,
            string $doing,
            float $share,
        ) use ($hold, &$parts): void {
            // Checking is one more piece of work after the line.
            $parts = $of + 1;
            $hold->tell(min($done, $of), $parts, $doing === 'Done' ? 'Check' : $doing, (1 - self::CHECKING) * $share);
        });
        $findings = Inspection::ofResult($bench, $source, $result, $job->limits());
        $report = JobReport::of($result, Sheet::allOf($result->artwork()), $findings, $job->limits());
        foreach ($result->stages as $i => $stage) {
            $report['steps'][$i]['cached'] = $stage['cached'];
        }
        // Only who still holds it says what came of it.
        $hold->tell($parts, $parts, 'Check', 1.0);
        $preparation->update([
            'stage_keys' => $cache->asked,
            'result' => $report,
            'summary' => $preparation->fill(['result' => $report])->summed($job->judged ?? [], $job->width_mm),
        ]);
    }
}
