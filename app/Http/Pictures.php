<?php

declare(strict_types=1);

namespace App\Http;

use App\Prep\Pixels;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Cache;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Format\Svg\Writer;

/** Pictures of artwork, written by our own writer: nothing of the customer's file is in them but numbers and colours. */
final class Pictures
{
    /** Seconds that a small picture is kept. */
    private const KEPT = 86_400;

    public static function svg(Artwork $artwork, ?string $downloadAs = null): Response
    {
        return self::text(Writer::write($artwork), $downloadAs);
    }

    /** @param  string  $svg  as a writer of ours gave it */
    public static function text(string $svg, ?string $downloadAs = null): Response
    {
        $headers = ['Content-Type' => 'image/svg+xml', 'Cache-Control' => 'private, no-cache'];
        if ($downloadAs !== null) {
            $headers['Content-Disposition'] = "attachment; filename=\"{$downloadAs}\"";
        }

        return new Response($svg, 200, $headers);
    }

    /** @param  string  $format  png or pdf, which is how the name ends, too */
    public static function file(string $bytes, string $name, string $format): Response
    {
        return new Response($bytes, 200, [
            'Content-Type' => $format === 'png' ? 'image/png' : 'application/pdf',
            'Content-Disposition' => "attachment; filename=\"{$name}.{$format}\"",
            'Cache-Control' => 'private, no-cache',
        ]);
    }

    /**
     * For a card of the page, in few dots, kept for who asks next. Who has it already is told so, and nothing is read or made.
     *
     * @param  string  $of  a name that another picture never has
     * @param  callable(): string  $svg  as a writer of ours gives it
     */
    public static function small(Request $request, string $of, callable $svg): Response
    {
        $response = new Response('', 200, ['Content-Type' => 'image/webp', 'Cache-Control' => 'private, no-cache']);
        $name = hash('xxh128', $of);
        $response->setEtag($name);
        if (! $response->isNotModified($request)) {
            $response->setContent(Cache::remember("small {$name}", self::KEPT, static fn (): string => Pixels::small($svg())));
        }

        return $response;
    }
}
