<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;

/** Pieces as part of a larger SVG: ids of their definitions keep apart from those of other parts. */
final class Embedded
{
    /** @param  list<Piece>  $areas */
    public static function areas(array $areas, float $width, float $height, string $id): string
    {
        $text = Writer::write(new Artwork($width, $height, $areas));
        $body = substr($text, (int) strpos($text, "\n", (int) strpos($text, '<svg')) + 1, -strlen("</svg>\n"));

        return preg_replace(
            ['/ id="(gradient|frame)-/', '/url\(#/'],
            [" id=\"{$id}-\$1-", "url(#{$id}-"],
            preg_replace('/<path id="[^"]*"/', '<path', $body) ?? '',
        ) ?? '';
    }
}
