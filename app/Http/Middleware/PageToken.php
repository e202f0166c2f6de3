<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;

/** Changes carry the token that the page was given; the framework's own check, switched off only by the settings, not by who runs it. */
final class PageToken extends ValidateCsrfToken
{
    protected function runningUnitTests(): bool
    {
        return ! config('neat-edge.page_token');
    }
}
