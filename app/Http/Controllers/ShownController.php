<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Requests\SayRequest;
use App\Http\Resources\ShownResource;
use App\Models\Approval;
use App\Prep\Approvals;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Http\Exceptions\ThrottleRequestsException;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\RateLimiter;

/** What a customer sees by a link, and says: it leads to this one proof and to nothing else. */
final class ShownController
{
    /** Wrong links that one address may try in ten minutes. */
    private const WRONG = 20;

    /** The proof and its facts. */
    #[Answers(ShownResource::class)]
    public function show(Request $request, string $secret): ShownResource
    {
        $approval = self::found($request, $secret);
        if ($approval->seen_at === null) {
            $approval->update(['seen_at' => now()]);
        }

        return new ShownResource($approval);
    }

    /** Its picture. */
    #[Answers(type: 'image/png')]
    public function picture(Request $request, string $secret): Response
    {
        return new Response(self::found($request, $secret)->picture, 200, ['Content-Type' => 'image/png', 'Cache-Control' => 'private, no-store']);
    }

    /** Says yes, or what is to be changed. */
    #[Answers(ShownResource::class, 201)]
    public function answer(SayRequest $request, string $secret): ShownResource
    {
        $approval = self::found($request, $secret);
        Approvals::answer($approval, $request->said());

        return (new ShownResource($approval->refresh()))->status(201);
    }

    /** @throws ModelNotFoundException|ThrottleRequestsException when it is guessed at */
    private static function found(Request $request, string $secret): Approval
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
