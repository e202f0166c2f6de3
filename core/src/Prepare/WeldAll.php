<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Flat\Outlines;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Seen\SingleCuts;
use NeatEdge\Core\Seen\StrokeRegion;
use NeatEdge\Core\Stroke\Thin;

/** Everything that is painted, fills and strokes, becomes one shape, whatever its colours. */
final class WeldAll
{
    public static function of(Artwork $artwork): Artwork
    {
        [$painted, $cuts] = SingleCuts::apart($artwork);

        return SingleCuts::laidOn(self::painted($painted), $cuts);
    }

    private static function painted(Artwork $artwork): Artwork
    {
        $tolerance = $artwork->tolerance();
        $strokes = array_filter($artwork->pieces, static fn (Piece $piece): bool => $piece->stroke !== null);
        $onlyStrokes = $strokes !== [] && array_filter($artwork->pieces, static fn (Piece $piece): bool => $piece->fill !== null) === [];
        if ($onlyStrokes) {
            // No outline of a single stroke is asked for, so all are laid into one map, as they are.
            $shapes = [];
            foreach ($strokes as $piece) {
                if ($piece->stroke !== null) {
                    array_push($shapes, ...StrokeRegion::laid($piece->shape, $piece->stroke, $tolerance));
                }
            }
            $fitted = new Tolerance($tolerance->flatness, $tolerance->flatness * 0.1, $tolerance->offset, false);
            $shape = Thin::shape(Combine::weld($shapes, $fitted), $tolerance->offset);
            $first = array_values($strokes)[0];
            $paint = $first->stroke?->paint;
        } else {
            $pieces = array_values(array_filter(Outlines::of($artwork)->pieces, static fn (Piece $piece): bool => $piece->fill !== null));
            if ($pieces === []) {
                return $artwork->withPieces([]);
            }
            $shape = Combine::weld(array_map(static fn (Piece $piece): Shape => $piece->shape, $pieces), $tolerance);
            $first = $pieces[0];
            $paint = $first->fill;
        }

        return $artwork->withPieces($shape->isEmpty() ? [] : [new Piece($first->id, $shape, $paint, null, $first->name)]);
    }
}
