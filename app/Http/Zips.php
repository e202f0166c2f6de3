<?php

declare(strict_types=1);

namespace App\Http;

use App\Prep\Zip;
use Closure;
use Illuminate\Http\Response;

/** Several files as one. */
final class Zips
{
    /**
     * @param  array<string, string>  $files  bytes by name
     * @param  iterable<string, Closure(): string>  $more  what gives the bytes of further files, one by one, by their names in the ZIP
     */
    public static function of(array $files, string $name, iterable $more = []): Response
    {
        return self::sent(Zip::bytes($files, $more), $name);
    }

    public static function sent(string $bytes, string $name): Response
    {
        return new Response($bytes, 200, ['Content-Type' => 'application/zip', 'Content-Disposition' => "attachment; filename=\"{$name}.zip\""]);
    }
}
