<?php

declare(strict_types=1);

use App\Http\Middleware\OwnPageOnly;
use App\Http\Middleware\PageToken;
use App\Http\Middleware\SafeHeaders;
use App\Http\PlainErrors;
use Illuminate\Cookie\Middleware\AddQueuedCookiesToResponse;
use Illuminate\Cookie\Middleware\EncryptCookies;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Routing\Middleware\SubstituteBindings;
use Illuminate\Session\Middleware\StartSession;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__.'/../routes/web.php',
        api: __DIR__.'/../routes/api.php',
        commands: __DIR__.'/../routes/console.php',
    )
    ->withMiddleware(static function (Middleware $middleware): void {
        $middleware->prepend(OwnPageOnly::class);
        $middleware->append(SafeHeaders::class);
        $middleware->remove(HandleCors::class);
        // Which language somebody reads is chosen in the page, and no secret.
        $middleware->encryptCookies(except: ['language']);
        foreach (['web', 'api'] as $group) {
            $middleware->group(
                $group,
                [EncryptCookies::class, AddQueuedCookiesToResponse::class, StartSession::class, PageToken::class, SubstituteBindings::class],
            );
        }
    })
    ->withExceptions(static function (Exceptions $exceptions): void {
        PlainErrors::register($exceptions);
    })
    ->create();
