<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Work;
use Illuminate\Http\Request;

/**
 * Long work of any kind: how far it is, how it ended.
 *
 * @phpstan-type WorkRow array{
 *     id: int,
 *     kind: string,
 *     label: string,
 *     title: string,
 *     job: int|null,
 *     state: WorkStateRow,
 *     // What was asked of it while it runs: stop or pause.
 *     asked: string,
 *     done: int,
 *     of: int,
 *     // Share of it that is done, 0 to 1.
 *     share: float,
 *     doing: string,
 *     // Seconds; null while that cannot be told.
 *     left: int|null,
 *     error: string,
 *     outcome: array<string, mixed>|null,
 *     pauses: bool,
 *     goesOn: bool,
 *     // When it ended; null while it is open.
 *     ended: string|null,
 *     // Who asked for it, where that is known.
 *     by: string|null,
 * }
 * @phpstan-type WorkStateRow 'waiting'|'running'|'paused'|'stopped'|'done'|'failed'
 */
final class WorkResource extends Resource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return self::row($this->resource);
    }

    /** @return array<string, mixed> */
    public static function row(Work $work): array
    {
        $kind = $work->kind();

        return [
            'id' => $work->id,
            'kind' => $work->kind,
            'label' => $kind->label(),
            'title' => $work->title,
            'job' => $work->shop_job_id,
            'state' => $work->state,
            'asked' => $work->asked,
            'done' => $work->done, 'of' => $work->of, 'share' => $work->share, 'doing' => $work->doing, 'left' => $work->secondsLeft(), 'error' => $work->error,
            'outcome' => $work->outcome === null ? null : (object) $work->outcome,
            'pauses' => $kind->pauses(), 'goesOn' => $kind->goesOn($work), 'ended' => $work->isOpen() ? null : $work->updated_at?->toIso8601String(),
            'by' => $work->person?->name,
        ];
    }
}
