<?php

declare(strict_types=1);

return [
    'default' => env('CACHE_STORE', 'database'),
    // How often somebody asked is counted beside the database, which is not written for it.
    'limiter' => env('CACHE_LIMITER', 'counts'),
    'stores' => [
        'counts' => ['driver' => 'file', 'path' => storage_path('framework/cache/counts')],
        'array' => ['driver' => 'array', 'serialize' => false],
        'redis' => ['driver' => 'redis', 'connection' => 'default', 'lock_connection' => 'default'],
        'database' => [
            'driver' => 'database',
            'connection' => env('DB_CACHE_CONNECTION'),
            'table' => 'cache',
            'lock_connection' => null,
            'lock_table' => 'cache_locks',
        ],
    ],
    'prefix' => 'neat-edge',
];
