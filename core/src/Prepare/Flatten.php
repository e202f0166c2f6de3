<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Side;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Stroke\Outliner;
use NeatEdge\Core\Stroke\StrokeStyle;
use NeatEdge\Core\Stroke\VaryingOutliner;

/**
 * What there is to see of a bench, in plain fills and strokes: what is hidden is left out, what is clipped is cut, and
 * strokes on one side of their line, or of changing width, are outlines. Guides and the reference picture stay behind.
 */
final class Flatten
{
    public static function of(Artwork $artwork): Artwork
    {
        $tolerance = $artwork->tolerance();
        $out = [];
        foreach ($artwork->pieces as $piece) {
            if (! $artwork->hides($piece)) {
                array_push($out, ...self::piece($piece, $tolerance));
            }
        }

        return new Artwork($artwork->width, $artwork->height, $out);
    }

    /** @return list<Piece> */
    private static function piece(Piece $piece, Tolerance $tolerance): array
    {
        $plain = $piece->with(recipe: null, clip: null);
        $parts = [$plain];
        $stroke = $piece->stroke;
        if ($stroke !== null && ($stroke->isOwnKind() || $piece->clip !== null)) {
            $outline = self::outline($piece->shape, $stroke, $tolerance);
            $parts = $piece->fill === null ? [] : [$plain->with(stroke: null)];
            if (! $outline->isEmpty()) {
                $parts[] = $plain->with(id: $parts === [] ? $piece->id : "{$piece->id}-line", shape: $outline, fill: $stroke->paint, stroke: null);
            }
        }
        if ($piece->clip === null) {
            return $parts;
        }
        $cut = [];
        foreach ($parts as $part) {
            $shape = Combine::keepOverlap([$part->shape, $piece->clip->shape], $tolerance);
            if (! $shape->isEmpty()) {
                $cut[] = $part->with(shape: $shape);
            }
        }

        return $cut;
    }

    /** The filled outline of any stroke. */
    public static function outline(Shape $shape, Stroke $stroke, Tolerance $tolerance): Shape
    {
        if ($stroke->stops !== null) {
            return VaryingOutliner::outline($shape->contours, $stroke->style, $stroke->stops, $tolerance);
        }
        if ($stroke->side === Side::Centre) {
            return OutlineStrokes::outline($shape, $stroke, $tolerance);
        }
        // Twice as wide, and half of it taken away: only a closed line has sides, an open one stays as it is.
        $closed = array_values(array_filter($shape->contours, static fn (Contour $contour): bool => $contour->closed));
        $open = array_values(array_filter($shape->contours, static fn (Contour $contour): bool => ! $contour->closed));
        $out = [];
        if ($closed !== []) {
            $area = new Shape($closed, $shape->rule);
            $style = $stroke->style;
            $wide = Outliner::outline($closed, new StrokeStyle(2 * $style->width, $style->cap, $style->join, $style->miterLimit, $style->dashes, $style->dashOffset), $tolerance);
            $out[] = $stroke->side === Side::Inside ? Combine::keepOverlap([$wide, $area], $tolerance) : Combine::cutAway($wide, [$area], $tolerance);
        }
        if ($open !== []) {
            $out[] = OutlineStrokes::outline(new Shape($open, $shape->rule), $stroke->with(side: Side::Centre), $tolerance);
        }

        return count($out) === 1 ? $out[0] : Combine::weld($out, $tolerance);
    }
}
