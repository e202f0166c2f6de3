<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Approval;
use App\Prep\Approvals;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Http\Exceptions\ThrottleRequestsException;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\RateLimiter;

/** Links by which customers see proofs: whoever guesses at them waits. */
final class ShownLinks
{
    /** Wrong links that one address may try in ten minutes. */
    private const WRONG = 20;

    public static function address(string $secret): string
    {
        return url("/shown/{$secret}");
    }

    /** @throws ModelNotFoundException|ThrottleRequestsException where it leads nowhere, and when it is guessed at */
    public static function found(Request $request, string $secret): Approval
    {
        $key = 'wrong links of '.$request->ip();
        if (RateLimiter::tooManyAttempts($key, self::WRONG)) {
            throw new ThrottleRequestsException('', null, ['Retry-After' => (string) RateLimiter::availableIn($key)]);
        }
        try {
            return Approvals::shown($secret);
        } catch (ModelNotFoundException $nowhere) {
            RateLimiter::hit($key, 600);
            throw $nowhere;
        }
    }
}
