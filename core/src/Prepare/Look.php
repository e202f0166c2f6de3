<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\LookDifference;
use NeatEdge\Core\PlanarMap\PlanarMap;
use NeatEdge\Core\PlanarMap\Rule\AnyOwner;

/** Measures the look difference between two states of an artwork by geometry, not by pixels. */
final class Look
{
    public static function between(Artwork $before, Artwork $after): LookDifference
    {
        [$shapes, $paints] = self::painted($before);
        $split = count($shapes);
        [$more, $morePaints] = self::painted($after);
        $shapes = [...$shapes, ...$more];
        if ($shapes === []) {
            return new LookDifference(0.0, 0.0);
        }
        $map = PlanarMap::of($shapes, $before->tolerance());

        return new LookDifference(
            $map->region(new LookChange([...$paints, ...$morePaints], $split))->area(),
            $map->region(new AnyOwner)->area(),
        );
    }

    /** @return array{list<Shape>, list<Paint>} */
    private static function painted(Artwork $artwork): array
    {
        $shapes = [];
        $paints = [];
        foreach ((new OutlineStrokes)->apply($artwork)->pieces as $piece) {
            if ($piece->fill !== null && ! $piece->shape->isEmpty()) {
                $shapes[] = $piece->shape;
                $paints[] = $piece->fill;
            }
        }

        return [$shapes, $paints];
    }
}
