<?php

declare(strict_types=1);

use Monolog\Formatter\JsonFormatter;
use Monolog\Handler\StreamHandler;

// Beside the framework's own channels one for a collector: a line of JSON an event, with who asked, for which job and work (LOG_CHANNEL=json).
return [
    'default' => (string) env('LOG_CHANNEL', 'single'),
    'channels' => [
        'json' => [
            'driver' => 'monolog',
            'level' => env('LOG_LEVEL', 'info'),
            'handler' => StreamHandler::class,
            'handler_with' => ['stream' => (string) env('LOG_JSON', 'php://stderr')],
            'formatter' => JsonFormatter::class,
            'formatter_with' => ['includeStacktraces' => true],
        ],
    ],
];
