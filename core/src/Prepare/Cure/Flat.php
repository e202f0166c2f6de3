<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Cure;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Prepare\RemoveHidden;

/** Plain fills of which no two solid ones overlap: what cures are made on. Art that is so already stays as it is. */
final class Flat
{
    public static function of(Artwork $artwork): Artwork
    {
        return $artwork->apart && array_filter(
            $artwork->pieces,
            static fn (Piece $piece): bool => $piece->stroke !== null && ! $piece->isSingleCut(),
        ) === [] ? $artwork : (new RemoveHidden)->apply($artwork);
    }
}
