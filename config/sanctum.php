<?php

declare(strict_types=1);

// Tokens of programs are kept by it; who comes with one is let in by our own door (App\Http\Middleware\WhoAsks), never by a cookie beside it.
return [
    'stateful' => [],
    'guard' => [],
    'expiration' => null,
    // By this a token that lies about is found by programs that look for such.
    'token_prefix' => 'edge_',
    'routes' => false,
];
