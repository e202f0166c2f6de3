<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Words\Words;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Only our own page may ask for changes, and only under a name of ours: another page in the same browser is refused before anything is read,
 * and a name that somebody else's DNS points here with is not answered at all.
 */
final class OwnPageOnly
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        if (! in_array(self::host($request), self::hosts(), true)) {
            return self::refused('Neat Edge is not served under this name; an administrator can add it to NEAT_EDGE_HOSTS.', 421);
        }
        if (! $request->isMethodSafe() && ! self::isOwn($request)) {
            return self::refused('Only the page of Neat Edge itself may change jobs.', 403);
        }

        return $next($request);
    }

    private static function host(Request $request): string
    {
        // As it was sent: what a proxy may claim does not count.
        $host = strtolower((string) $request->headers->get('Host'));

        return preg_match('/^(\[[0-9a-f:]+\]|[a-z0-9.-]+)(:\d{1,5})?$/', $host, $parts) === 1 ? $parts[1] : '';
    }

    /** @return list<string> */
    private static function hosts(): array
    {
        return array_values(array_filter(array_map(trim(...), explode(',', strtolower((string) config('neat-edge.hosts'))))));
    }

    private static function isOwn(Request $request): bool
    {
        $site = $request->headers->get('Sec-Fetch-Site');
        if ($site !== null && ! in_array($site, ['same-origin', 'none'], true)) {
            return false;
        }
        $origin = $request->headers->get('Origin');

        return $origin === null || $origin === $request->getScheme().'://'.$request->headers->get('Host');
    }

    private static function refused(string $words, int $status): JsonResponse
    {
        return new JsonResponse(['message' => Words::of()->say($words)], $status);
    }
}
