<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap;

use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\PlanarMap\Rule\AnyOwner;
use NeatEdge\Core\PlanarMap\Rule\BottomOnly;
use NeatEdge\Core\PlanarMap\Rule\CountedOwners;
use NeatEdge\Core\PlanarMap\Rule\EachCover;

/** The combinations of shapes that a shop asks for, in its own words. */
final class Combine
{
    /** @param  list<Shape>  $shapes */
    public static function weld(array $shapes, ?Tolerance $tolerance = null): Shape
    {
        return PlanarMap::of($shapes, $tolerance)->region(new AnyOwner);
    }

    /**
     * The bottom shape without what the others cover.
     *
     * @param  list<Shape>  $others
     */
    public static function cutAway(Shape $bottom, array $others, ?Tolerance $tolerance = null): Shape
    {
        return PlanarMap::of([$bottom, ...$others], $tolerance)->region(new BottomOnly);
    }

    /** @param  list<Shape>  $shapes */
    public static function keepOverlap(array $shapes, ?Tolerance $tolerance = null): Shape
    {
        return PlanarMap::of($shapes, $tolerance)->region(CountedOwners::all(count($shapes)));
    }

    /**
     * What an odd number of them covers.
     *
     * @param  list<Shape>  $shapes
     */
    public static function keepDifference(array $shapes, ?Tolerance $tolerance = null): Shape
    {
        return PlanarMap::of($shapes, $tolerance)->region(CountedOwners::oddNumber());
    }

    /**
     * One shape for every set of shapes that lies over some place.
     *
     * @param  list<Shape>  $shapes
     * @return list<array{owners: list<int>, shape: Shape}>
     */
    public static function splitAll(array $shapes, ?Tolerance $tolerance = null): array
    {
        $rule = new EachCover;
        $cells = [];
        foreach (PlanarMap::of($shapes, $tolerance)->regions($rule) as $label => $shape) {
            $cells[] = ['owners' => $rule->covers[$label], 'shape' => $shape];
        }

        return $cells;
    }
}
