<?php

declare(strict_types=1);

use App\Http\PlainErrors;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__.'/../routes/web.php',
        api: __DIR__.'/../routes/api.php',
        commands: __DIR__.'/../routes/console.php',
    )
    ->withMiddleware(static function (Middleware $middleware): void {
        $middleware->append(App\Http\SafeHeaders::class);
    })
    ->withExceptions(static function (Exceptions $exceptions): void {
        PlainErrors::register($exceptions);
    })
    ->create();
