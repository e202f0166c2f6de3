<?php

declare(strict_types=1);

use Monolog\Formatter\JsonFormatter;
use Monolog\Handler\StreamHandler;
use Monolog\Handler\SyslogHandler;

// Beside the framework's own channels one for a collector: a line of JSON an event, with who asked, for which job and work (LOG_CHANNEL=json).
$lines = ['driver' => 'monolog', 'level' => env('LOG_LEVEL', 'info'), 'formatter' => JsonFormatter::class, 'formatter_with' => ['includeStacktraces' => true]];

return [
    'default' => (string) env('LOG_CHANNEL', 'single'),
    'channels' => [
        // The same into the journal of the system, from whatever began it.
        'journal' => [...$lines, 'handler' => SyslogHandler::class, 'handler_with' => ['ident' => 'neat-edge']],
        'json' => [...$lines, 'handler' => StreamHandler::class, 'handler_with' => ['stream' => (string) env('LOG_JSON', 'php://stderr')]],
    ],
];
