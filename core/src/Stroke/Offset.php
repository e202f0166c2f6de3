<?php

declare(strict_types=1);

namespace NeatEdge\Core\Stroke;

use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\PlanarMap\PlanarMap;
use NeatEdge\Core\PlanarMap\Rule\AnyOwner;

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
        return self::moved($shape, $distance, $join, $tolerance, true);
    }

    /** @param  float  $distance  mm; nothing is left where the shape is narrower than twice that */
    public static function inset(Shape $shape, float $distance, string $join = 'round', ?Tolerance $tolerance = null): Shape
    {
        return self::moved($shape, $distance, $join, $tolerance, false);
    }

    private static function moved(Shape $shape, float $distance, string $join, ?Tolerance $tolerance, bool $out): Shape
    {
        $box = $shape->box();
        if ($box === null) {
            return $shape;
        }
        $tolerance ??= Tolerance::forExtent(max($box->width(), $box->height()) + 2 * $distance);
        // Outlines that overlap themselves have edges inside: those are no sides of the shape.
        $clean = PlanarMap::of([$shape], $tolerance)->region(new AnyOwner);
        if ($distance <= 0.0 || $clean->isEmpty()) {
            return $clean;
        }
        $band = Outliner::outline($clean->contours, self::join($join, $distance), $tolerance);
        $made = $out ? Combine::weld([$clean, $band], $tolerance) : Combine::cutAway($clean, [$band], $tolerance);

        return Thin::shape($made, min($tolerance->offset, 0.004 * $distance));
    }
}
