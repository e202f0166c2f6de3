<?php

declare(strict_types=1);

namespace App\Http;

use App\Prep\Pixels;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Format\Svg\Writer;

/** Pictures of artwork, written by our own writer: nothing of the customer's file is in them but numbers and colours. */
final class Pictures
{
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
     * For a card of the page, in few dots. Who has it already is told so, and nothing is made.
     *
     * @param  string  $svg  as a writer of ours gave it
     */
    public static function small(Request $request, string $svg): Response
    {
        $response = new Response('', 200, ['Content-Type' => 'image/webp', 'Cache-Control' => 'private, no-cache']);
        $response->setEtag(hash('xxh128', $svg));
        if (! $response->isNotModified($request)) {
            $response->setContent(Pixels::small($svg));
        }

        return $response;
    }
}
