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
            // A cut takes an hour, a batch longer: what a worker that died held is taken up by the commands that recover, never handed out beside it.
            'retry_after' => 7 * 86400,
            'after_commit' => true,
        ],
    ],
    'batching' => ['database' => env('DB_CONNECTION', 'sqlite'), 'table' => 'queued_batches'],
    'failed' => ['driver' => 'database-uuids', 'database' => env('DB_CONNECTION', 'sqlite'), 'table' => 'failed_work'],
];
