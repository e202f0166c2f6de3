<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Resources\TokenResource;
use Illuminate\Http\Request;

/** Who asks from this machine's own page, or by hand, gets what changes must be sent with. */
final class TokenController
{
    /** Brings a new token, in the answer and by its cookie. */
    #[Answers(TokenResource::class)]
    public function show(Request $request): TokenResource
    {
        return new TokenResource(['token' => $request->session()->token()]);
    }
}
