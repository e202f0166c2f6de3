<?php

declare(strict_types=1);

namespace NeatEdge\Core\Stroke;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Star;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\PlanarMap\PlanarMap;
use NeatEdge\Core\PlanarMap\Rule\AnyOwner;

/**
 * P7: a shape made larger or smaller by a distance, always from the shape itself, so that no error adds up:
 * outset is the shape united with its outline of twice the width, inset the shape without it. Of that outline only the side that counts is laid.
 */
final class Offset
{
    public const JOINS = ['round' => 'Round', 'miter' => 'Mitred', 'bevel' => 'Bevelled'];

    /** How far a mitre may reach, in distances. */
    public const MITER = 6.0;

    /** How far nodes that are not needed may move the outline, in distances. */
    private const DEVIATION = 0.004;

    public static function join(string $name, float $distance): StrokeStyle
    {
        return match ($name) {
            'miter' => new StrokeStyle(2 * $distance, Cap::Butt, Join::Miter, self::MITER),
            // As the trade means it: the corner is cut off where the distance is reached.
            'bevel' => new StrokeStyle(2 * $distance, Cap::Butt, Join::MiterClip, 1.0),
            default => new StrokeStyle(2 * $distance, Cap::Round, Join::Round),
        };
    }

    /** @param  float  $distance  mm, 0 for the shape itself */
    public static function outset(Shape $shape, float $distance, string $join = 'round', ?Tolerance $tolerance = null): Shape
    {
        $tolerance ??= self::tolerance($shape, $distance);
        $clean = self::clean($shape, $tolerance);

        return $distance <= 0.0 || $clean->isEmpty() ? $clean : self::outsetClean($clean, $distance, $join, $tolerance);
    }

    /** @param  float  $distance  mm; nothing is left where the shape is narrower than twice that */
    public static function inset(Shape $shape, float $distance, string $join = 'round', ?Tolerance $tolerance = null): Shape
    {
        $tolerance ??= self::tolerance($shape, $distance);
        $clean = self::clean($shape, $tolerance);

        return $distance <= 0.0 || $clean->isEmpty() ? $clean : self::insetClean($clean, $distance, $join, $tolerance);
    }

    /**
     * What lies along the outline, inwards by one distance and outwards by another.
     *
     * @param  float  $inner  mm
     * @param  float  $outer  mm
     */
    public static function ring(Shape $shape, float $inner, float $outer, string $join = 'round', ?Tolerance $tolerance = null): Shape
    {
        $tolerance ??= self::tolerance($shape, max($inner, $outer));
        $clean = self::clean($shape, $tolerance);
        if ($clean->isEmpty()) {
            return $clean;
        }
        $outer = $outer > 0.0 ? self::outsetClean($clean, $outer, $join, $tolerance) : $clean;
        $inner = $inner > 0.0 ? self::insetClean($clean, $inner, $join, $tolerance) : $clean;

        // What is smaller lies inside what is larger, and nowhere on its outline.
        return new Shape(
            [...$outer->contours, ...array_map(static fn (Contour $contour): Contour => $contour->reversed(), $inner->contours)],
            FillRule::Nonzero,
        );
    }

    private static function tolerance(Shape $shape, float $distance): Tolerance
    {
        $box = $shape->box();

        return Tolerance::forExtent($box === null ? 1.0 : max($box->width(), $box->height()) + 2 * $distance);
    }

    /** Without edges inside, which are no sides of the shape; what encloses runs clockwise on the bench. */
    private static function clean(Shape $shape, Tolerance $tolerance): Shape
    {
        if (count($shape->contours) === 1 && Star::is($shape->contours[0])) {
            return $shape->contours[0]->area() < 0 ? new Shape([$shape->contours[0]->reversed()]) : $shape;
        }

        return PlanarMap::of([$shape], $tolerance)->region(new AnyOwner);
    }

    /** @param  Shape  $clean  see OneSide */
    private static function outsetClean(Shape $clean, float $distance, string $join, Tolerance $tolerance): Shape
    {
        $style = self::join($join, $distance);

        return self::thin(Combine::weld(OneSide::outside($clean, $style, $tolerance), Outliner::laidTolerance($style, $tolerance)), $distance, $tolerance);
    }

    /** @param  Shape  $clean  see OneSide */
    private static function insetClean(Shape $clean, float $distance, string $join, Tolerance $tolerance): Shape
    {
        $box = $clean->box();
        if ($box === null) {
            return $clean;
        }
        $style = self::join($join, $distance);
        $frame = Contour::rectangle(
            $box->left - 2 * $distance, $box->top - 2 * $distance, $box->width() + 4 * $distance, $box->height() + 4 * $distance,
        );
        $round = Combine::weld(OneSide::inside($clean, $style, $tolerance, $frame), Outliner::laidTolerance($style, $tolerance));
        $left = array_filter($round->contours, static fn (Contour $contour): bool => $contour->box()->left > $box->left - $distance);

        return self::thin(
            new Shape(array_map(static fn (Contour $contour): Contour => $contour->reversed(), array_values($left)), FillRule::Nonzero),
            $distance,
            $tolerance,
        );
    }

    /** In few nodes, without what is no wider than its sides are exact: there two of them ran along each other. */
    private static function thin(Shape $shape, float $distance, Tolerance $tolerance): Shape
    {
        $deviation = min($tolerance->offset, self::DEVIATION * $distance);
        $wide = array_filter($shape->contours, static function (Contour $contour) use ($deviation): bool {
            $box = $contour->box();

            return abs($contour->area()) > 2 * $deviation * max($box->width(), $box->height());
        });

        return Thin::shape(new Shape(array_values($wide), $shape->rule), $deviation);
    }
}
