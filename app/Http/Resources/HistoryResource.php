<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\ShopJob;
use Illuminate\Http\Request;

/**
 * Where a job stands in its states.
 *
 * @phpstan-type HistoryRow array{
 *     label: string,
 *     canUndo: bool,
 *     canRedo: bool,
 *     nextLabel: string|null,
 *     number: int,
 *     // What the change that was made last was called by who made it.
 *     key: string,
 *     // Another wherever the job is laid out otherwise.
 *     laid: string,
 * }
 */
final class HistoryResource extends Resource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return self::row($this->resource);
    }

    /** @return array<string, mixed> */
    public static function row(ShopJob $job): array
    {
        $current = $job->current();
        $next = $job->revisions()->where('parent', $current->number)->orderByDesc('number')->first();

        return [
            'label' => $current->label,
            'canUndo' => $current->parent !== null,
            'canRedo' => $next !== null,
            'nextLabel' => $next?->label,
            'number' => $current->number,
            'key' => $job->last_key,
            'laid' => hash('xxh32', (string) ($job->getAttributes()['making'] ?? '')),
        ];
    }
}
