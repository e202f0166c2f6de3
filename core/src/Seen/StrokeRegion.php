<?php

declare(strict_types=1);

namespace NeatEdge\Core\Seen;

use NeatEdge\Core\Artwork\Side;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Stroke\Outliner;
use NeatEdge\Core\Stroke\StrokeStyle;
use NeatEdge\Core\Stroke\VaryingOutliner;

/** What a stroke covers, as a filled shape: of any pen, on any side of its line, of even or changing width. */
final class StrokeRegion
{
    /** @param  Tolerance|null  $tolerance  in mm; by the shape's own extent when null */
    public static function of(Shape $shape, Stroke $stroke, ?Tolerance $tolerance = null): Shape
    {
        if ($stroke->isOwnKind()) {
            // In the space where the pen is round, as it is with even strokes: what is stretched later is stretched whole.
            $pen = $stroke->pen;
            $tolerance ??= Tolerance::forExtent(max($shape->box()?->width() ?? 1.0, $shape->box()?->height() ?? 1.0));

            return $pen === null ? self::ownKind($shape, $stroke, $tolerance)
                : self::ownKind($shape->transformed($pen->inverse()), $stroke, self::inPen($pen, $tolerance) ?? $tolerance)->transformed($pen);
        }
        if ($stroke->pen === null) {
            return Outliner::outline($shape->contours, $stroke->style, $tolerance);
        }

        return Outliner::outline(
            $shape->transformed($stroke->pen->inverse())->contours,
            $stroke->style,
            self::inPen($stroke->pen, $tolerance),
        )->transformed($stroke->pen);
    }

    /**
     * The shapes whose union is an even stroke: see Outliner.
     *
     * @return list<Shape>
     */
    public static function laid(Shape $shape, Stroke $stroke, Tolerance $tolerance): array
    {
        $pen = $stroke->pen;
        if ($pen === null) {
            return Outliner::laid($shape->contours, $stroke->style, $tolerance);
        }
        $laid = Outliner::laid($shape->transformed($pen->inverse())->contours, $stroke->style, self::inPen($pen, $tolerance));

        return array_map(static fn (Shape $part): Shape => $part->transformed($pen), $laid);
    }

    private static function ownKind(Shape $shape, Stroke $stroke, Tolerance $tolerance): Shape
    {
        if ($stroke->ends !== null) {
            [$lines, $ends] = $stroke->ends->laid($shape->contours, $stroke->style->width);
            $plain = $stroke->with(ends: null, pen: null);
            $line = $plain->isOwnKind() ? self::ownKind(
                new Shape($lines, $shape->rule),
                $plain,
                $tolerance,
            ) : Outliner::outline($lines, $plain->style, $tolerance);

            return $ends === [] ? $line : Combine::weld([$line, ...$ends], $tolerance);
        }
        if ($stroke->stops !== null) {
            return VaryingOutliner::outline($shape->contours, $stroke->style, $stroke->stops, $tolerance);
        }
        // Twice as wide, and half of it taken away: only a closed line has sides, an open one stays as it is.
        $closed = array_values(array_filter($shape->contours, static fn (Contour $contour): bool => $contour->closed));
        $open = array_values(array_filter($shape->contours, static fn (Contour $contour): bool => ! $contour->closed));
        $region = [];
        if ($closed !== []) {
            $area = new Shape($closed, $shape->rule);
            $style = $stroke->style;
            $wide = Outliner::outline(
                $closed,
                new StrokeStyle(2 * $style->width, $style->cap, $style->join, $style->miterLimit, $style->dashes, $style->dashOffset),
                $tolerance,
            );
            $region[] = $stroke->side === Side::Inside ? Combine::keepOverlap([$wide, $area], $tolerance) : Combine::cutAway($wide, [$area], $tolerance);
        }
        if ($open !== []) {
            $region[] = Outliner::outline($open, $stroke->style, $tolerance);
        }

        return count($region) === 1 ? $region[0] : Combine::weld($region, $tolerance);
    }

    private static function inPen(Matrix $pen, ?Tolerance $tolerance): ?Tolerance
    {
        return $tolerance?->times(1 / max(1e-9, $pen->greatestScale()));
    }
}
