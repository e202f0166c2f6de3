<?php

declare(strict_types=1);

// The router of PHP's own web server: files that lie under public/ as they are, everything else through the application.
$types = [
    'js' => 'text/javascript',
    'css' => 'text/css',
    'svg' => 'image/svg+xml',
    'png' => 'image/png',
    'woff' => 'font/woff',
    'woff2' => 'font/woff2',
    'ico' => 'image/x-icon',
    'json' => 'application/json',
    'txt' => 'text/plain',
];
$path = urldecode(parse_url($_SERVER['REQUEST_URI'] ?? '/', PHP_URL_PATH) ?: '/');
$file = realpath(__DIR__.'/public'.$path);
$type = $types[strtolower(pathinfo($path, PATHINFO_EXTENSION))] ?? null;
if ($file !== false && $type !== null && is_file($file) && str_starts_with($file, __DIR__.'/public/')) {
    header("Content-Type: {$type}");
    header('X-Content-Type-Options: nosniff');
    header('Referrer-Policy: no-referrer');
    header("Content-Security-Policy: default-src 'none'; style-src 'unsafe-inline'; frame-ancestors 'none'");
    // What is built is named by its content and never changes.
    header('Cache-Control: '.(str_starts_with($path, '/build/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache'));
    header('Content-Length: '.filesize($file));
    if (($_SERVER['REQUEST_METHOD'] ?? 'GET') !== 'HEAD') {
        readfile($file);
    }

    return;
}

require __DIR__.'/public/index.php';
