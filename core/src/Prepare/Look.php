<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Colour;
use NeatEdge\Core\Geometry\Parts;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\LookDifference;
use NeatEdge\Core\PlanarMap\PlanarMap;
use NeatEdge\Core\PlanarMap\Rule\AnyOwner;
use NeatEdge\Core\Seen\Painted;
use NeatEdge\Core\Seen\StrokeProbe;

/**
 * Measures the look difference between two states of an artwork by geometry, not by pixels. What each state paints is taken from its pieces as they
 * stand, never by a step of preparation; what a stroke covers is probed along its line, so that a part lost in outlining counts.
 */
final class Look
{
    /** mm of mean width, or a share of the art where that is less: a hair's, which is also what a sliver may have that goes to its neighbour. */
    private const HAIR = 0.05;

    private const HAIR_SHARE = 5e-4;

    /** Contours beyond which parts are not told apart. */
    private const MOST_CONTOURS = 3000;

    /** @param  Colour|null  $ground  what shows through see-through colours, where a job has said so */
    public static function between(Artwork $before, Artwork $after, ?Colour $ground = null): LookDifference
    {
        $areas = Painted::areas($before);
        $split = count($areas);
        array_push($areas, ...Painted::areas($after));
        if ($areas === []) {
            return new LookDifference(0.0, 0.0);
        }
        $map = PlanarMap::of(array_map(static fn (Painted $area): Shape => $area->shape, $areas), $before->tolerance());

        $changed = $map->region(new LookChange($areas, $split, $ground));
        $missed = StrokeProbe::missed($before);

        return new LookDifference($changed->area() + $missed, $map->region(new AnyOwner)->area(), self::seen($changed, min(self::HAIR, self::HAIR_SHARE * max($before->width, $before->height))) + $missed);
    }

    /** mm² of the parts that are at least as wide as a hair in the mean. */
    private static function seen(Shape $changed, float $hair): float
    {
        $sum = 0.0;
        foreach (count($changed->contours) > self::MOST_CONTOURS ? array_map(Shape::of(...), $changed->contours) : Parts::of($changed) as $part) {
            if (2 * $part->area() >= $hair * $part->length()) {
                $sum += $part->area();
            }
        }

        return $sum;
    }
}
