<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\RateLimiter;
use NeatEdge\Core\Described\Refused;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\Response;

/** Of several people none fills the disk of all: what one brings in a day is counted. Where nobody is asked who they are, nobody is held. */
final class BroughtToday
{
    private const DAY = 86_400;

    /** Bytes from which on a request is counted: an act at the bench is smaller. */
    private const COUNTED = 10_000;

    /** @throws Refused where it is more than one may bring in a day: nothing of it is taken, and it is not counted */
    public function handle(Request $request, Closure $next): Response
    {
        $most = (int) config('neat-edge.bytes_a_day');
        $bytes = $most > 0 && Auth::id() !== null && ! $request->isMethodSafe() ? self::bytes($request) : 0;
        if ($bytes >= self::COUNTED) {
            $key = 'brought by '.Auth::id();
            if (RateLimiter::increment($key, self::DAY, $bytes) > $most) {
                RateLimiter::decrement($key, self::DAY, $bytes);
                throw Refused::because(sprintf(
                    'You have brought %d MB in a day, and one person may bring %d; go on tomorrow, or ask the owner of the shop.',
                    intdiv((int) RateLimiter::attempts($key), 1_000_000),
                    intdiv($most, 1_000_000),
                ));
            }
        }

        return $next($request);
    }

    private static function bytes(Request $request): int
    {
        // Of a form with files what is read is not there as one; then its files are what counts.
        $bytes = strlen((string) $request->getContent());
        $files = $request->files->all();
        array_walk_recursive($files, static function (mixed $file) use (&$bytes): void {
            $bytes += $file instanceof UploadedFile && $file->isFile() ? (int) $file->getSize() : 0;
        });

        return $bytes;
    }
}
