<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\Middleware\WhoAsks;
use App\Models\SignIn;
use Illuminate\Http\Request;

/**
 * Where somebody is signed in.
 *
 * @phpstan-type SignInRow array{
 *     id: int,
 *     // An address, and what the browser says of itself.
 *     from: string, with: string,
 *     since: string, seen: string,
 *     // Whether it is the browser that asks.
 *     here: bool,
 * }
 */
final class SignInResource extends Resource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return self::row($this->resource, WhoAsks::signIn($request)?->id);
    }

    /** @return array<string, mixed> */
    public static function row(SignIn $signIn, ?int $here): array
    {
        return [
            'id' => $signIn->id, 'from' => $signIn->from, 'with' => $signIn->with, 'since' => $signIn->created_at->toIso8601String(),
            'seen' => $signIn->seen_at->toIso8601String(), 'here' => $signIn->id === $here,
        ];
    }
}
