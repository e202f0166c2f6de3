<?php

declare(strict_types=1);

return [
    // "stand-in" keeps mail in the shop, on a page of its own; "smtp" sends it by a server.
    'default' => (string) env('MAIL_MAILER', 'stand-in'),
    'mailers' => [
        'stand-in' => ['transport' => 'stand-in'],
        'smtp' => [
            'transport' => 'smtp',
            'scheme' => env('MAIL_SCHEME'),
            'host' => (string) env('MAIL_HOST', '127.0.0.1'),
            'port' => (int) env('MAIL_PORT', 25),
            'username' => env('MAIL_USERNAME'),
            'password' => env('MAIL_PASSWORD'),
        ],
        'array' => ['transport' => 'array'],
    ],
    'from' => ['address' => (string) env('MAIL_FROM_ADDRESS', 'proofs@neat-edge.test'), 'name' => (string) env('MAIL_FROM_NAME', 'Neat Edge')],
];
