<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Release;
use Illuminate\Http\Request;

/**
 * Who let a job go that was not ready, and why.
 *
 * @phpstan-type ReleaseRow array{by: string, reason: string, at: string|null, open: list<string>}
 */
final class ReleaseResource extends Resource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return self::row($this->resource);
    }

    /** @return array<string, mixed> */
    public static function row(Release $release): array
    {
        return ['by' => $release->by, 'reason' => $release->reason, 'at' => $release->created_at?->toIso8601String(), 'open' => $release->open];
    }
}
