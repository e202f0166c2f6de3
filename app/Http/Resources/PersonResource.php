<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Person;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;

/**
 * Somebody who works in the shop.
 *
 * @phpstan-type PersonRow array{
 *     id: int, name: string, address: string, role: 'owner'|'artist'|'operator',
 *     // Whether a password was chosen.
 *     ready: bool,
 *     left: bool,
 *     // When they were here last, as far as it is kept.
 *     seen: string|null,
 * }
 */
final class PersonResource extends Resource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return self::row($this->resource);
    }

    /** @return array<string, mixed> */
    public static function row(Person $person): array
    {
        $seen = $person->getAttribute('sign_ins_max_seen_at');

        return [
            'id' => $person->id, 'name' => $person->name, 'address' => $person->email, 'role' => $person->role->value,
            'ready' => $person->password !== null, 'left' => $person->left_at !== null,
            'seen' => $seen === null ? null : Carbon::parse($seen)->toIso8601String(),
        ];
    }
}
