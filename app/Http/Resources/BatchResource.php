<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Batch;
use Illuminate\Http\Request;
use NeatEdge\Core\Process\Processes;

/**
 * Many files through one preset.
 *
 * @phpstan-import-type WorkRow from WorkResource
 *
 * @phpstan-type BatchRow array{
 *     id: int,
 *     title: string,
 *     work: WorkRow|null,
 *     process: string,
 *     processLabel: string,
 *     preset: string,
 *     width: string,
 *     files: int,
 *     // Files that were no drawings.
 *     notTaken: list<string>,
 *     made: string|null,
 *     // These two only where one is asked for.
 *     rows?: list<BatchFileRow>,
 *     done?: int,
 * }
 * @phpstan-type BatchFileRow array{
 *     file: string,
 *     state: 'waiting'|'done'|'failed',
 *     width_mm?: float,
 *     height_mm?: float,
 *     sheets?: int,
 *     findings?: int,
 *     serious?: int,
 *     verdict?: string,
 *     ready?: bool,
 *     error?: string,
 *     ...
 * }
 */
final class BatchResource extends Resource
{
    /** @return array<string, mixed> with its files */
    public function toArray(Request $request): array
    {
        $rows = array_map(static fn (array $row): array => array_diff_key($row, ['key' => 1]), $this->resource->rows());

        return [
            ...self::row($this->resource),
            'rows' => $rows,
            'done' => count(array_filter($rows, static fn (array $row): bool => $row['state'] !== 'waiting')),
        ];
    }

    /** @return array<string, mixed> as a list has it */
    public static function row(Batch $batch): array
    {
        return [
            'id' => $batch->id,
            'title' => $batch->title,
            'work' => $batch->work === null ? null : WorkResource::row($batch->work),
            'process' => $batch->process,
            'processLabel' => Processes::of($batch->process)->label(), 'preset' => PresetResource::called($batch->preset), 'width' => $batch->width,
            'files' => $batch->files, 'notTaken' => $batch->not_taken ?? [], 'made' => $batch->created_at?->toIso8601String(),
        ];
    }
}
