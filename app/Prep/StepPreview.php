<?php

declare(strict_types=1);

namespace App\Prep;

use App\Drawn\PageArt;
use App\Models\ShopJob;
use NeatEdge\Core\Artwork\LineStep;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Line\Steps;
use NeatEdge\Core\Prepare\Applied;
use NeatEdge\Core\Prepare\StepReport;
use NeatEdge\Core\Prepare\TellsDeeds;
use NeatEdge\Core\Prepare\UnderLimits;
use NeatEdge\Core\Seen\Seen;

/** What a step of the line would give with other values; nothing is stored but what the steps before it gave. */
final class StepPreview
{
    /**
     * @param  string  $id  of the step in the line
     * @param  array<string, mixed>  $values  as they were typed; the others are as they were
     * @return array{art: array<string, mixed>, report: array<string, mixed>}
     */
    public static function of(ShopJob $job, string $id, array $values): array
    {
        $bench = $job->art();
        $line = $bench->line ?? [];
        $at = array_search($id, array_map(static fn (LineStep $step): string => $step->id, $line), true);
        if ($at === false) {
            throw Refused::because('That step is not in the line any more.');
        }
        $before = PrepLine::of(array_slice($line, 0, (int) $at), $job->limits(), new DatabaseStepCache)->outcome(Seen::of($bench));
        $step = Steps::make($line[$at]->kind, [...$line[$at]->values, ...$values], $job->unit);
        $step = $step instanceof UnderLimits ? $step->under($job->limits()) : $step;
        $cured = $step instanceof TellsDeeds ? Applied::cure($step, $before) : null;
        $after = $cured->artwork ?? Applied::step($step, $before);

        return ['art' => PageArt::of($after), 'report' => StepReport::of($step, $before, $after, 0, $cured)->toArray()];
    }
}
