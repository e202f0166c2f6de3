<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Geometry\Parts;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Stroke\Offset;

/** Shapes that a gap of a hair keeps apart, welded over it; corners and curves elsewhere stay where they are. */
final class Bridged
{
    /** mm of mean width under which what closing adds is the inexactness of two offsets, not a gap. */
    private const NOISE = 0.006;

    /**
     * @param  list<Shape>  $shapes
     * @param  float  $gap  mm; what is narrower is closed
     *
     * @source J. Serra, Image Analysis and Mathematical Morphology, 1982: closing, here with mitred corners, which come back as they were
     */
    public static function weld(array $shapes, float $gap, Tolerance $tolerance): Shape
    {
        $whole = Combine::weld($shapes, $tolerance);
        $closed = Offset::inset(Offset::outset($whole, $gap / 2, 'miter', $tolerance), $gap / 2, 'miter', $tolerance);
        $bridges = array_values(array_filter(
            Parts::of(Combine::cutAway($closed, [$whole], $tolerance)),
            static fn (Shape $part): bool => 2 * $part->area() > self::NOISE * $part->roughLength(),
        ));

        return $bridges === [] ? $whole : Combine::weld([$whole, ...$bridges], $tolerance);
    }
}
