<?php

declare(strict_types=1);

// The router of PHP's own web server: files that lie under public/ as they are, everything else through the application.
$path = urldecode(parse_url($_SERVER['REQUEST_URI'] ?? '/', PHP_URL_PATH) ?: '/');
if ($path !== '/' && ! str_contains($path, '..') && is_file(__DIR__.'/public'.$path)) {
    return false;
}

require __DIR__.'/public/index.php';
