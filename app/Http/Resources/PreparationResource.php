<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Preparation;
use App\Models\ShopJob;
use App\Prep\Gate;
use App\Prep\Verdicts;
use Illuminate\Http\Request;
use NeatEdge\Core\Artwork\LineStep;
use NeatEdge\Core\Check\FindingGroups;
use NeatEdge\Core\Check\Judgements;

/**
 * One run of a job's line, with what came of it.
 *
 * @phpstan-import-type FindingRow from FindingResource
 * @phpstan-import-type FindingGroupRow from FindingResource
 * @phpstan-import-type LookDifferenceRow from LookDifferenceResource
 * @phpstan-import-type ReleaseRow from ReleaseResource
 * @phpstan-import-type WorkRow from WorkResource
 * @phpstan-import-type WorkStateRow from WorkResource
 *
 * @phpstan-type PreparationRow array{
 *     id: int,
 *     status: WorkStateRow,
 *     steps: list<array{id: string, kind: string, on: bool}>,
 *     // How far it is, and how it ended; null of one from before works were kept.
 *     work: WorkRow|null,
 *     stale: bool,
 *     // These three are not sent along with edits: those do not change what was made before.
 *     verdict?: VerdictRow|null,
 *     groups?: list<FindingGroupRow>,
 *     result?: PreparedRow|null,
 * }
 * @phpstan-type PreparedRow array{
 *     steps: list<StepReportRow>,
 *     sheets: list<SheetRow>,
 *     findings: list<FindingRow>,
 *     look_difference: LookDifferenceRow,
 *     // What the line changed of what was drawn, in words.
 *     changes?: list<string>,
 *     limits: array{line_mm: float, gap_mm: float, ...},
 *     ...
 * }
 * @phpstan-type StepReportRow array{
 *     id?: string,
 *     step: string,
 *     label: string,
 *     pieces: BeforeAfterRow,
 *     nodes: BeforeAfterRow,
 *     strokes: BeforeAfterRow,
 *     slivers: int,
 *     done?: int,
 *     left?: list<DeedRow>,
 *     told?: list<mixed>,
 *     look_difference?: LookDifferenceRow,
 *     cached?: bool,
 *     ...
 * }
 * @phpstan-type BeforeAfterRow array{before: int, after: int}
 * @phpstan-type DeedRow array{
 *     kind: string,
 *     at: array{float, float}|null,
 *     measured: float|null,
 *     // How it was brought to its limit, or why it was not.
 *     how: string,
 *     ...
 * }
 * @phpstan-type SheetRow array{
 *     file: string,
 *     colour: string,
 *     opacity: float,
 *     key: string,
 *     paint: 'flat'|'gradient'|'picture',
 *     width_mm: float,
 *     height_mm: float,
 *     pieces: int,
 *     single_cuts?: int,
 *     nodes: int,
 *     cut_length_mm: float,
 *     area_mm2: float,
 *     ...
 * }
 * @phpstan-type VerdictRow array{
 *     sentence: string,
 *     ready: bool,
 *     open: list<string>,
 *     // Whether there is nothing that could be ready or not.
 *     empty: bool,
 *     // Whether the first that is open is that the job was changed since.
 *     stale: bool,
 *     // Who let it go though it is not ready, in this state.
 *     released: ReleaseRow|null,
 * }
 */
final class PreparationResource extends Resource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return self::row($this->resource, $this->resource->job()->firstOrFail());
    }

    /** @return array<string, mixed> how far it is */
    public static function brief(Preparation $preparation, ShopJob $job): array
    {
        return [
            'id' => $preparation->id,
            'status' => $preparation->status,
            'work' => $preparation->work === null ? null : WorkResource::row($preparation->work),
            'steps' => array_map(static fn (LineStep $step): array => ['id' => $step->id, 'kind' => $step->kind, 'on' => $step->on], $preparation->line()),
            'stale' => $preparation->version !== $job->version,
        ];
    }

    /** @return array<string, mixed> with its outcome */
    public static function row(Preparation $preparation, ShopJob $job): array
    {
        $findings = Judgements::on($preparation->findings(), $job->judged ?? [], $job->width_mm);
        $verdict = Verdicts::of($preparation, $job);
        $released = $verdict === null || $verdict->isReady() ? null : Gate::released($job, $verdict);

        return self::brief($preparation, $job) + [
            'result' => $preparation->result === null ? null : ['findings' => $findings] + $preparation->result,
            'groups' => FindingGroups::of([...$job->placedNotices(), ...$findings]),
            'verdict' => $verdict === null ? null : [...$verdict->toArray(), 'released' => $released === null ? null : ReleaseResource::row($released)],
        ];
    }
}
