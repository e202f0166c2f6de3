<?php

declare(strict_types=1);

namespace NeatEdge\Core\Stroke;

use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\PlanarMap\FaceRule;
use NeatEdge\Core\PlanarMap\PlanarMap;
use NeatEdge\Core\PlanarMap\Rule\AnyOwner;
use NeatEdge\Core\PlanarMap\Rule\BottomOnly;

/**
 * P7: a shape made larger or smaller by a distance, always from the shape itself, so that no error adds up:
 * outset is the shape united with its outline of twice the width, inset the shape without it.
 */
final class Offset
{
    public const JOINS = ['round' => 'Round', 'miter' => 'Mitred', 'bevel' => 'Bevelled'];

    /** How far a mitre may reach, in distances. */
    private const MITER = 6.0;

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
        if ($distance <= 0.0) {
            return self::clean($shape, $tolerance);
        }

        // Edges inside an outline that overlaps itself add nothing that is not covered.
        return self::with($shape, $distance, $join, $tolerance, new AnyOwner);
    }

    /** @param  float  $distance  mm; nothing is left where the shape is narrower than twice that */
    public static function inset(Shape $shape, float $distance, string $join = 'round', ?Tolerance $tolerance = null): Shape
    {
        $tolerance ??= self::tolerance($shape, $distance);
        $clean = self::clean($shape, $tolerance);

        return $distance <= 0.0 || $clean->isEmpty() ? $clean : self::with($clean, $distance, $join, $tolerance, new BottomOnly);
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
        if (abs($inner - $outer) < 1e-9) {
            return Outliner::outline(self::clean($shape, $tolerance)->contours, self::join($join, $outer), $tolerance);
        }

        return Combine::cutAway(self::outset($shape, $outer, $join, $tolerance), [self::inset($shape, $inner, $join, $tolerance)], $tolerance);
    }

    private static function tolerance(Shape $shape, float $distance): Tolerance
    {
        $box = $shape->box();

        return Tolerance::forExtent($box === null ? 1.0 : max($box->width(), $box->height()) + 2 * $distance);
    }

    /** Without edges inside: those are no sides of the shape. */
    private static function clean(Shape $shape, Tolerance $tolerance): Shape
    {
        return PlanarMap::of([$shape], $tolerance)->region(new AnyOwner);
    }

    /** The shape and its outline of twice the distance in one map. */
    private static function with(Shape $shape, float $distance, string $join, Tolerance $tolerance, FaceRule $rule): Shape
    {
        $style = self::join($join, $distance);

        return Thin::shape(
            PlanarMap::of([$shape, ...Outliner::laid($shape->contours, $style, $tolerance)], Outliner::laidTolerance($style, $tolerance))->region($rule),
            min($tolerance->offset, 0.004 * $distance),
        );
    }
}
