<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Artwork;
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
    public static function between(Artwork $before, Artwork $after): LookDifference
    {
        $areas = Painted::areas($before);
        $split = count($areas);
        array_push($areas, ...Painted::areas($after));
        if ($areas === []) {
            return new LookDifference(0.0, 0.0);
        }
        $map = PlanarMap::of(array_map(static fn (Painted $area): Shape => $area->shape, $areas), $before->tolerance());

        return new LookDifference(
            $map->region(new LookChange($areas, $split))->area() + StrokeProbe::missed($before),
            $map->region(new AnyOwner)->area(),
        );
    }
}
