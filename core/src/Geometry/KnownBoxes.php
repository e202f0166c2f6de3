<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

use WeakMap;

/** Boxes of shapes that were asked for before: a shape never changes, and its box is asked for again and again. */
final class KnownBoxes
{
    /** @var WeakMap<Shape, Box|null>|null */
    private static ?WeakMap $known = null;

    public static function of(Shape $shape): ?Box
    {
        $known = self::$known ??= new WeakMap;
        // One that is empty has no box, and that costs nothing to see.
        if (! isset($known[$shape])) {
            $known[$shape] = Box::around(...array_map(static fn (Contour $contour): Box => $contour->box(), $shape->contours));
        }

        return $known[$shape];
    }
}
