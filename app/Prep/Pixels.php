<?php

declare(strict_types=1);

namespace App\Prep;

use NeatEdge\Core\Described\Refused;
use NeatEdge\Pages\Dots;

/** Small pictures in dots for cards, made of our own SVG (see Dots). */
final class Pixels
{
    /** A small picture is as wide and as high as this at most: twice what a card of the page shows, for screens of fine dots. */
    private const SMALL = 160;

    /**
     * A picture for a card: a few kilobytes, whatever lies on the sheet, where its SVG may have a megabyte.
     *
     * @param  string  $svg  as a writer of ours gave it
     * @return string WebP
     *
     * @throws Refused
     */
    public static function small(string $svg): string
    {
        $image = imagecreatefromstring((new Dots)->within($svg, self::SMALL));
        if ($image === false) {
            throw Refused::because('The picture cannot be made.');
        }
        imagesavealpha($image, true);
        ob_start();
        imagewebp($image, null, 85);

        return (string) ob_get_clean();
    }
}
