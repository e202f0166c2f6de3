<?php

declare(strict_types=1);

namespace NeatEdge\Core\Seen;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Tolerance;

/** How far art reaches: its painted areas, strokes with their width, and lines that are cut once. */
final class Extent
{
    /** The box of all that is seen; null when that is nothing. */
    public static function of(Artwork $artwork): ?Box
    {
        $seen = Seen::of($artwork);
        $tolerance = $artwork->tolerance();

        return Box::around(...array_values(array_filter(array_map(static fn (Piece $piece): ?Box => self::piece($piece, $tolerance), $seen->pieces))));
    }

    /** The box of what a piece paints; null for one that paints nothing. */
    public static function piece(Piece $piece, Tolerance $tolerance): ?Box
    {
        $boxes = [];
        // A single cut has no width: it reaches as far as its line.
        if ($piece->fill !== null || $piece->stroke?->cut === true) {
            $boxes[] = $piece->box();
        }
        if ($piece->stroke !== null) {
            $boxes[] = Painted::region($piece, $tolerance)->box();
        }

        return Box::around(...array_values(array_filter($boxes)));
    }
}
