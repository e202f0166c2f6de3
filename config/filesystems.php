<?php

declare(strict_types=1);

return [
    'default' => 'local',
    'disks' => [
        // Nothing on disk is served: files live in the database.
        'local' => ['driver' => 'local', 'root' => storage_path('app'), 'serve' => false, 'throw' => true],
    ],
];
