<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\Request;
use Laravel\Sanctum\PersonalAccessToken;

/**
 * A token that was given to a program. What it is, is told once, as it is made; kept is what it comes to.
 *
 * @phpstan-type ProgramTokenRow array{
 *     id: int, name: string, scope: 'look'|'jobs'|'machines',
 *     made: string, used: string|null, ends: string|null,
 *     token?: string,
 * }
 */
final class ProgramTokenResource extends Resource
{
    private ?string $told = null;

    /** @return $this with the token itself */
    public function telling(string $token): static
    {
        $this->told = $token;

        return $this;
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [...self::row($this->resource), ...($this->told === null ? [] : ['token' => $this->told])];
    }

    /** @return array<string, mixed> */
    public static function row(PersonalAccessToken $token): array
    {
        return [
            'id' => (int) $token->getKey(), 'name' => $token->name, 'scope' => (string) ($token->abilities[0] ?? ''),
            'made' => $token->created_at?->toIso8601String(), 'used' => $token->last_used_at?->toIso8601String(),
            'ends' => $token->expires_at?->toIso8601String(),
        ];
    }
}
