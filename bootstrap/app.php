<?php

declare(strict_types=1);

use App\Http\Middleware\BroughtToday;
use App\Http\Middleware\OwnPageOnly;
use App\Http\Middleware\PageToken;
use App\Http\Middleware\SafeHeaders;
use App\Http\Middleware\SignedIn;
use App\Http\Middleware\Told;
use App\Http\Middleware\WhoAsks;
use App\Http\PlainErrors;
use Illuminate\Cookie\Middleware\AddQueuedCookiesToResponse;
use Illuminate\Cookie\Middleware\EncryptCookies;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Routing\Middleware\SubstituteBindings;
use Illuminate\Routing\Middleware\ThrottleRequests;
use Illuminate\Session\Middleware\StartSession;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__.'/../routes/web.php',
        api: __DIR__.'/../routes/api.php',
        commands: __DIR__.'/../routes/console.php',
    )
    ->withMiddleware(static function (Middleware $middleware): void {
        $middleware->prepend(OwnPageOnly::class);
        $middleware->prepend(Told::class);
        $middleware->append(SafeHeaders::class);
        $middleware->remove(HandleCors::class);
        // Which language somebody reads is chosen in the page, and no secret.
        $middleware->encryptCookies(except: ['language']);
        $middleware->alias(['signed-in' => SignedIn::class, 'brought' => BroughtToday::class]);
        // Who asks is known before they are counted, and nothing is looked up for who is not known.
        $middleware->prependToPriorityList(ThrottleRequests::class, WhoAsks::class);
        $middleware->prependToPriorityList(SubstituteBindings::class, SignedIn::class);
        foreach (['web' => [], 'api' => [WhoAsks::class]] as $group => $more) {
            $middleware->group(
                $group,
                [EncryptCookies::class, AddQueuedCookiesToResponse::class, StartSession::class, PageToken::class, ...$more, SubstituteBindings::class],
            );
        }
    })
    ->withExceptions(static function (Exceptions $exceptions): void {
        PlainErrors::register($exceptions);
    })
    ->create();
