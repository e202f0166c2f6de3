<?php

declare(strict_types=1);

namespace NeatEdge\Core\Flat;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Seen\Painted;
use NeatEdge\Core\Seen\Seen;

/** Every stroke as a filled outline that looks the same; a piece with fill and stroke parts into two. */
final class Outlines
{
    public static function of(Artwork $artwork): Artwork
    {
        $tolerance = $artwork->tolerance();
        $taken = array_flip(array_map(static fn (Piece $piece): string => $piece->id, $artwork->pieces));
        $pieces = [];
        foreach ($artwork->pieces as $piece) {
            // What is cut once has no width that could be outlined.
            if ($piece->stroke === null || $piece->isSingleCut()) {
                $pieces[] = $piece;

                continue;
            }
            $filled = $piece->fill !== null && Seen::encloses($piece->shape);
            if ($filled) {
                $pieces[] = new Piece($piece->id, $piece->shape, $piece->fill, null, $piece->name, blend: $piece->blend);
            }
            $outline = Painted::region($piece, $tolerance);
            if (! $outline->isEmpty()) {
                $id = $filled ? Seen::lineId($piece->id, $taken) : $piece->id;
                $pieces[] = new Piece($id, $outline, $piece->stroke->paint, null, $piece->name, blend: $piece->blend);
            }
        }

        return $artwork->withPieces($pieces);
    }
}
