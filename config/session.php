<?php

declare(strict_types=1);

// A session holds nothing but the token of the page, so it lives in a cookie of its own and asks no database.
return [
    'driver' => 'cookie',
    'lifetime' => 60 * 24 * 30,
    'expire_on_close' => false,
    'encrypt' => false,
    'lottery' => [0, 1],
    'cookie' => 'neat-edge-page',
    'path' => '/',
    'domain' => null,
    'secure' => env('SESSION_SECURE_COOKIE', false),
    'http_only' => true,
    'same_site' => 'strict',
    'partitioned' => false,
];
