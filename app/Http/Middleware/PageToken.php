<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Illuminate\Http\Request;

/** Changes carry the token that the page was given; the framework's own check, switched off only by the settings, not by who runs it. */
final class PageToken extends ValidateCsrfToken
{
    /**
     * A program's own token is no cookie that another page could have sent along.
     *
     * @param  Request  $request
     */
    protected function inExceptArray($request): bool
    {
        return $request->bearerToken() !== null || parent::inExceptArray($request);
    }

    protected function runningUnitTests(): bool
    {
        return ! config('neat-edge.page_token');
    }
}
