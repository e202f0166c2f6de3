<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Recipe\Border\BorderLine;

/** Of one full picture only the border is cut: where a process prints, that is what limits of widths are held to. */
final class CutBorder
{
    /** mm, as stickers are usually made: border, gaps that are bridged, holes that are dropped, least radius. */
    private const USUAL = [2.0, 1.0, 3.0, 0.5];

    public static function of(Artwork $picture): Artwork
    {
        $areas = array_map(
            static fn (Piece $piece): Shape => $piece->shape,
            array_values(array_filter($picture->pieces, static fn (Piece $piece): bool => $piece->fill !== null && ! $piece->shape->isEmpty())),
        );
        if ($areas === []) {
            return $picture->withPieces([]);
        }
        $tolerance = $picture->tolerance();
        $border = BorderLine::around(Combine::weld($areas, $tolerance), ...[...self::USUAL, $tolerance]);

        return $picture->with(pieces: [new Piece('border', $border, new Paint(new Colour(255, 255, 255)))], apart: true);
    }
}
