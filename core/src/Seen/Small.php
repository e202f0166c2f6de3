<?php

declare(strict_types=1);

namespace NeatEdge\Core\Seen;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;

/** What is seen of art on a picture a few centimetres wide: for lists of many jobs. */
final class Small
{
    /** Pieces that are smaller than this share of the page, both ways, are no dot on it. */
    private const LEAST = 0.004;

    private const MOST = 1500;

    public static function of(Artwork $artwork): Artwork
    {
        $seen = Seen::of($artwork);
        $least = self::LEAST * max($seen->width, $seen->height);
        $sizes = [];
        foreach ($seen->pieces as $i => $piece) {
            $box = $piece->box();
            $size = $box === null ? 0.0 : max($box->width(), $box->height());
            if ($size >= $least) {
                $sizes[$i] = $size;
            }
        }
        if (count($sizes) > self::MOST) {
            arsort($sizes);
            $sizes = array_slice($sizes, 0, self::MOST, true);
        }

        return $sizes === [] ? $seen : $seen->withPieces(array_values(array_filter(
            $seen->pieces,
            static fn (Piece $piece, int $i): bool => isset($sizes[$i]),
            ARRAY_FILTER_USE_BOTH,
        )));
    }
}
