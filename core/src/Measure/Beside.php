<?php

declare(strict_types=1);

namespace NeatEdge\Core\Measure;

use NeatEdge\Core\Geometry\Box;
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
        $own = new Inside($shape);
        $places = [];
        foreach ($shape->contours as $contour) {
            foreach ($contour->segments() as $s) {
                $chord = hypot($s[6] - $s[0], $s[7] - $s[1]) / 2;
                foreach ([0.25, 0.75] as $t) {
                    [$x, $y] = Cubic::placeOn($s, $t);
                    [$dx, $dy] = Cubic::speedOn($s, $t);
                    $long = hypot($dx, $dy);
                    foreach ($long < 1e-12 ? [] : [self::AWAY, -self::AWAY] as $by) {
                        [$px, $py] = [$x - $by * $dy / $long, $y + $by * $dx / $long];
                        if (! $own->holds($px, $py)) {
                            $places[] = [$px, $py, $chord];
                        }
                    }
                }
            }
        }
        $out = [];
        foreach ($others as $i => $other) {
            $near = $other?->box();
            if ($other === null || $near === null || $box === null || ! $near->overlaps(new Box($box->left - 1, $box->top - 1, $box->right + 1, $box->bottom + 1))) {
                continue;
            }
            $inside = new Inside($other);
            $sum = array_sum(array_map(static fn (array $place): float => $inside->holds($place[0], $place[1]) ? $place[2] : 0.0, $places));
            if ($sum > 0) {
                $out[$i] = (float) $sum;
            }
        }

        return [$out, (float) array_sum(array_column($places, 2))];
    }
}
