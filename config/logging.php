<?php

declare(strict_types=1);

use Monolog\Formatter\JsonFormatter;
use Monolog\Handler\StreamHandler;
use Monolog\Handler\SyslogHandler;

// Beside the framework's own channels one for a collector: a line of JSON an event, with who asked, for which job and work (LOG_CHANNEL=json).
return [
    'default' => (string) env('LOG_CHANNEL', 'single'),
    'channels' => [
        // The same into the journal of the system, whatever began it.
        'journal' => [
            'driver' => 'monolog',
            'level' => env('LOG_LEVEL', 'info'),
            'handler' => SyslogHandler::class,
            'handler_with' => ['ident' => 'neat-edge'],
            'formatter' => JsonFormatter::class,
            'formatter_with' => ['includeStacktraces' => true],
        ],
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
