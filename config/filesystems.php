<?php

declare(strict_types=1);

$database = env('DB_CONNECTION', 'sqlite') === 'sqlite' ? (string) env('DB_DATABASE', database_path('neat-edge.sqlite')) : '';

return [
    'default' => 'contents',
    'disks' => [
        // Large contents of the shop, by their hash; nothing of it is served. Beside the database that names them, so that two shops on one machine never
        // tidy each other's. Any disk that Laravel knows may stand in its place.
        'contents' => [
            'driver' => 'local',
            'root' => (string) env('NEAT_EDGE_CONTENTS', in_array($database, ['', ':memory:'], true) ? storage_path('app/contents') : "{$database}-contents"),
            'serve' => false,
            'throw' => true,
        ],
    ],
];
