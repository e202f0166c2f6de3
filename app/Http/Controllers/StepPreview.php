<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\PageArt;
use App\Models\ShopJob;
use App\Prep\DatabaseStepCache;
use Closure;
use Illuminate\Http\Request;
use NeatEdge\Core\Artwork\LineStep;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Prepare\PrepLine;
use NeatEdge\Core\Prepare\StepReport;
use NeatEdge\Core\Prepare\Steps;
use NeatEdge\Core\Prepare\TellsDeeds;
use NeatEdge\Core\Prepare\UnderLimits;
use NeatEdge\Core\Seen\Seen;

/** What a step of the line would give with other values; nothing is stored but what the steps before it gave. */
final class StepPreview
{
    /** @return Closure(): array<string, mixed> */
    public static function of(Request $request, ShopJob $job): Closure
    {
        $fields = $request->validate(['step' => ['required', 'array'], 'step.id' => ['required', 'string', 'max:40'], 'step.values' => ['sometimes', 'array']], ['*' => 'Say which step, and its values.'])['step'];

        return static function () use ($fields, $job): array {
            $bench = $job->art();
            $line = $bench->line ?? [];
            $at = array_search($fields['id'], array_map(static fn (LineStep $step): string => $step->id, $line), true);
            if ($at === false) {
                throw Refused::because('That step is not in the line any more.');
            }
            $before = PrepLine::of(array_slice($line, 0, (int) $at), $job->limits(), new DatabaseStepCache)->outcome(Seen::of($bench));
            $step = Steps::make($line[$at]->kind, [...$line[$at]->values, ...(array) ($fields['values'] ?? [])], $job->unit);
            $step = $step instanceof UnderLimits ? $step->under($job->limits()) : $step;
            $cured = $step instanceof TellsDeeds ? $step->cure($before) : null;
            $after = $cured->artwork ?? $step->apply($before);

            return ['art' => PageArt::of($after), 'report' => StepReport::of($step, $before, $after, 0, $cured)->toArray()];
        };
    }
}
