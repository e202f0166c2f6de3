<?php

declare(strict_types=1);

$database = env('DB_CONNECTION', 'sqlite') === 'sqlite' ? (string) env('DB_DATABASE', database_path('neat-edge.sqlite')) : '';

return [
    'default' => 'contents',
    'disks' => [
        // Large contents of the shop, by their hash; nothing of it is served. Beside the database that names them, so that two shops on one machine never
        // tidy each other's. Any disk that Laravel knows may stand in its place.
        'contents' => env('NEAT_EDGE_CONTENTS_DISK', 'folder') === 's3' ? [
            // Any store that speaks S3, for a shop on several hosts.
            'driver' => 's3',
            'key' => env('AWS_ACCESS_KEY_ID'),
            'secret' => env('AWS_SECRET_ACCESS_KEY'),
            'region' => env('AWS_DEFAULT_REGION', 'us-east-1'),
            'bucket' => env('AWS_BUCKET', 'neat-edge'),
            'endpoint' => env('AWS_ENDPOINT'),
            'use_path_style_endpoint' => (bool) env('AWS_USE_PATH_STYLE_ENDPOINT', true),
            'throw' => true,
            'whole' => true,
        ] : [
            'driver' => 'local',
            'root' => (string) env('NEAT_EDGE_CONTENTS', in_array($database, ['', ':memory:'], true) ? storage_path('app/contents') : "{$database}-contents"),
            'serve' => false,
            'throw' => true,
        ],
    ],
];
