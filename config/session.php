<?php

declare(strict_types=1);

// A session holds the token of the page and by what somebody is signed in (App\People\SigningIn, which can be ended): it lives in an encrypted cookie.
return [
    'driver' => 'cookie',
    'lifetime' => 60 * 24 * 30,
    'expire_on_close' => false,
    'encrypt' => false,
    'lottery' => [0, 1],
    'cookie' => 'neat-edge-page',
    'path' => '/',
    'domain' => null,
    // Where nothing is said, by how the page was asked for.
    'secure' => env('SESSION_SECURE_COOKIE'),
    'http_only' => true,
    'same_site' => 'strict',
    'partitioned' => false,
];
