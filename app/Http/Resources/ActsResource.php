<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\Request;

/**
 * What was done to a job, the newest first: what was taken back and can be done again, the act that is in force, and those before it.
 *
 * @phpstan-type ActsRow array{acts: list<array{number: int, label: string, at: string, by: string|null, state: 'done'|'now'|'undone'}>}
 */
final class ActsResource extends Resource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return ['acts' => $this->resource];
    }
}
