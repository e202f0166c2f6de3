<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Requests\SayRequest;
use App\Http\Resources\ShownResource;
use App\Http\ShownLinks;
use App\Prep\Approvals;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** What a customer sees by a link, and says: it leads to this one proof and to nothing else. */
final class ShownController
{
    /** The proof and its facts. */
    #[Answers(ShownResource::class)]
    public function show(Request $request, string $secret): ShownResource
    {
        $approval = ShownLinks::found($request, $secret);
        if ($approval->seen_at === null) {
            $approval->update(['seen_at' => now()]);
        }

        return new ShownResource($approval);
    }

    /** Its picture. */
    #[Answers(type: 'image/png')]
    public function picture(Request $request, string $secret): Response
    {
        return new Response(ShownLinks::found($request, $secret)->picture, 200, ['Content-Type' => 'image/png', 'Cache-Control' => 'private, no-store']);
    }

    /** Says yes, or what is to be changed. */
    #[Answers(ShownResource::class, 201)]
    public function answer(SayRequest $request, string $secret): ShownResource
    {
        $approval = $request->approval();
        Approvals::answer($approval, $request->said());

        return (new ShownResource($approval->refresh()))->status(201);
    }
}
