<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\Preparation;
use App\Models\ShopJob;
use NeatEdge\Core\Check\Verdict;
use NeatEdge\Core\Measure\LookDifference;

/** What is true of jobs as they were prepared last. */
final class Verdicts
{
    /** Null while nothing is prepared. */
    public static function of(Preparation $preparation, ShopJob $job): ?Verdict
    {
        $result = $preparation->result;
        if ($preparation->status !== 'done' || $result === null) {
            return null;
        }

        return self::judged(
            $preparation,
            $job,
            LookDifference::fromArray($result['look_difference']),
            $preparation->summed($job->judged ?? [], $job->width_mm),
        );
    }

    /**
     * The one rule by which a job is ready, for its page and for the list of all.
     *
     * @param  array{findings: int, sheets: int, serious: int, open?: int, kinds?: array<string, int>}  $summary  see Preparation
     */
    public static function judged(Preparation $preparation, ShopJob $job, LookDifference $look, array $summary): Verdict
    {
        $leftOut = $job->leftOut();

        return Verdict::of(
            $look,
            count($leftOut),
            count(array_filter($leftOut, static fn (array $notice): bool => isset($notice['accepted']))),
            // Before the open ones were kept, all that was found was counted.
            $summary['open'] ?? $summary['findings'],
            $preparation->version !== $job->version,
            $summary['sheets'] === 0,
            $summary['serious'],
            $summary['kinds'] ?? [],
            Approvals::open($job),
        );
    }
}
