<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Cure;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\CurveThrough;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\Measure\ThinPlace;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Stroke\Cap;
use NeatEdge\Core\Stroke\Join;
use NeatEdge\Core\Stroke\Outliner;
use NeatEdge\Core\Stroke\StrokeStyle;

/** What blunts a tip: all from where it is as wide as is needed is taken, but for a circle of that width. */
final class Tip
{
    /**
     * @param  float  $width  mm
     * @return array{Shape, Shape} what is taken, and what of it stays; both empty where no tip can be told
     */
    public static function of(ThinPlace $place, float $width, Tolerance $tolerance): array
    {
        $cuts = $stays = [];
        foreach ($place->rows as $row) {
            $n = count($row);
            if ($n < 3) {
                continue;
            }
            // From the wide end to the tip.
            $line = $row[0][2] < $row[$n - 1][2] ? array_reverse($row) : $row;
            $points = [];
            foreach ($line as [$x, $y]) {
                $k = count($points);
                if ($k === 0 || hypot($x - $points[$k - 1][0], $y - $points[$k - 1][1]) > $width / 6) {
                    $points[] = [$x, $y];
                }
            }
            $k = count($points) - 1;
            if ($k < 1) {
                continue;
            }
            [$dx, $dy] = [$points[$k][0] - $points[$k - 1][0], $points[$k][1] - $points[$k - 1][1]];
            $long = max(1e-9, hypot($dx, $dy));
            $points[] = [$points[$k][0] + 2 * $width * $dx / $long, $points[$k][1] + 2 * $width * $dy / $long];
            $cuts[] = Outliner::outline(
                [Contour::ofSegments(CurveThrough::fit($points, 0.05 * $width), false)],
                new StrokeStyle(1.3 * $width, Cap::Butt, Join::Round),
                $tolerance,
            );
            $stays[] = Shape::of(Contour::circle($points[0][0], $points[0][1], $width / 2));
        }

        return $cuts === [] ? [new Shape([]), new Shape([])] : [Combine::weld($cuts, $tolerance), Combine::weld($stays, $tolerance)];
    }
}
