<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Soft;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\SoftLook;
use NeatEdge\Core\Described\Refused;

/** A piece with a soft look, or with none where that is all it would be. */
final class Looked
{
    public static function with(Piece $piece, SoftLook $look): Piece
    {
        if ($piece->isSingleCut() && ! $look->isNone()) {
            throw Refused::because('A line that is cut once paints nothing that could be soft.');
        }

        return $piece->with(soft: $look->isNone() ? null : $look);
    }
}
