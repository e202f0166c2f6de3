<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\ShopJob;
use App\Models\Work;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Context;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\Response;

/**
 * Every request has a number, which its answer and all that is logged of it carry, with who asked, for which job and work. What stands in an address is not
 * logged, only which address it is: links of customers and to passwords are secrets.
 */
final class Told
{
    public const HEADER = 'X-Request-Id';

    private const BEGAN = 'began-at';

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $id = (string) Str::uuid();
        Context::add('request', $id);
        $request->attributes->set(self::BEGAN, microtime(true));
        $response = $next($request);
        $response->headers->set(self::HEADER, $id);

        return $response;
    }

    public function terminate(Request $request, Response $response): void
    {
        $began = $request->attributes->get(self::BEGAN);
        foreach (['job' => ShopJob::class, 'work' => Work::class] as $name => $class) {
            $bound = $request->route($name);
            ! $bound instanceof $class ?: Context::add($name, $bound->getKey());
        }
        Log::info('asked', [
            'method' => $request->method(), 'address' => $request->route()?->uri(), 'status' => $response->getStatusCode(),
            'ms' => is_float($began) ? (int) round(1000 * (microtime(true) - $began)) : null,
        ]);
    }
}
