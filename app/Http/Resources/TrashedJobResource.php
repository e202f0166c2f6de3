<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\ShopJob;
use Illuminate\Http\Request;

/**
 * A job in the trash: what it was, since when it is there and when it is gone for good.
 *
 * @phpstan-type TrashedJobRow array{id: int, title: string, processLabel: string, deleted: string, gone: string}
 */
final class TrashedJobResource extends Resource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return self::row($this->resource);
    }

    /** @return array<string, mixed> */
    public static function row(ShopJob $job): array
    {
        return [
            'id' => $job->id, 'title' => $job->title, 'processLabel' => $job->process->label(), 'deleted' => $job->deleted_at?->toIso8601String(),
            'gone' => $job->deleted_at?->copy()->addDays((int) config('neat-edge.trash_days'))->toIso8601String(),
        ];
    }
}
