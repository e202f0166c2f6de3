<?php

declare(strict_types=1);

namespace NeatEdge\Core\Measure;

use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Shape;

/** Who lies right beside the outline of a shape, and along how much of it. */
final class Beside
{
    /** mm beside a border at which is asked. */
    private const AWAY = 0.01;

    /**
     * @param  array<int|string, Shape|null>  $others  null for one that is not asked
     * @return array{array<int|string, float>, float} mm of the outline along which each lies, and the length of all of it, as the chords go
     */
    public static function along(Shape $shape, array $others): array
    {
        $box = $shape->box();
        $places = self::places($shape);
        $along = [];
        foreach ($others as $i => $other) {
            $near = $other?->box();
            if ($other === null || $near === null || $box === null || ! $near->overlaps($box->grown(1.0))) {
                continue;
            }
            $sum = self::within($places, new Inside($other));
            if ($sum > 0) {
                $along[$i] = $sum;
            }
        }

        return [$along, (float) array_sum(array_column($places, 2))];
    }

    /** mm of a shape's outline along which one other lies, which is asked for many shapes. */
    public static function one(Shape $shape, Inside $other): float
    {
        return self::within(self::places($shape), $other);
    }

    /** @param  list<array{float, float, float}>  $places */
    private static function within(array $places, Inside $other): float
    {
        return (float) array_sum(array_map(static fn (array $place): float => $other->holds($place[0], $place[1]) ? $place[2] : 0.0, $places));
    }

    /** @return list<array{float, float, float}> places right outside the outline, and mm of it that each stands for */
    private static function places(Shape $shape): array
    {
        $own = new Inside($shape);
        $places = [];
        foreach ($shape->contours as $contour) {
            foreach ($contour->segments() as $s) {
                // By the way along it: a curve that comes back to its start has no chord.
                $stretch = Cubic::length($s) / 2;
                foreach ([0.25, 0.75] as $t) {
                    [$x, $y] = Cubic::placeOn($s, $t);
                    [$dx, $dy] = Cubic::speedOn($s, $t);
                    $long = hypot($dx, $dy);
                    foreach ($long < 1e-12 ? [] : [self::AWAY, -self::AWAY] as $by) {
                        [$px, $py] = [$x - $by * $dy / $long, $y + $by * $dx / $long];
                        if (! $own->holds($px, $py)) {
                            $places[] = [$px, $py, $stretch];
                        }
                    }
                }
            }
        }

        return $places;
    }
}
