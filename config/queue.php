<?php

declare(strict_types=1);

return [
    'default' => env('QUEUE_CONNECTION', 'database'),
    'connections' => [
        'sync' => ['driver' => 'sync'],
        'database' => [
            'driver' => 'database',
            'connection' => env('DB_QUEUE_CONNECTION'),
            // "jobs" are the shop's; what waits for the worker is kept apart.
            'table' => 'queued_work',
            'queue' => 'default',
            // What is brought twice is taken once (App\Works): a cut takes an hour, a batch longer, and neither is begun anew beside itself.
            'retry_after' => 90,
            'after_commit' => true,
        ],
        'redis' => [
            'driver' => 'redis',
            'connection' => 'default',
            'queue' => 'default',
            'retry_after' => 90,
            'block_for' => null,
            'after_commit' => true,
        ],
    ],
    'batching' => ['database' => env('DB_CONNECTION', 'sqlite'), 'table' => 'queued_batches'],
    'failed' => ['driver' => 'database-uuids', 'database' => env('DB_CONNECTION', 'sqlite'), 'table' => 'failed_work'],
];
