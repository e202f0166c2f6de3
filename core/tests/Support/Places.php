<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Support;

use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Shape;

/** Whether a place lies in a shape, found without the planar map: the winding number of its finely flattened contours. */
final class Places
{
    /** @var list<list<array{float, float}>> */
    private array $polygons = [];

    public function __construct(private readonly Shape $shape)
    {
        foreach ($shape->contours as $contour) {
            $points = [];
            foreach ($contour->segments() as $segment) {
                $steps = Cubic::isLine($segment) ? 1 : 64;
                for ($k = 0; $k < $steps; $k++) {
                    $points[] = $steps === 1 ? [$segment[0], $segment[1]] : Cubic::at($segment, $k / $steps);
                }
            }
            $last = count($contour->coords) - 2;
            $points[] = [$contour->coords[$last], $contour->coords[$last + 1]];
            $this->polygons[] = $points;
        }
    }

    public function contains(float $x, float $y): bool
    {
        $winding = 0;
        foreach ($this->polygons as $points) {
            [$ax, $ay] = $points[count($points) - 1];
            foreach ($points as [$bx, $by]) {
                if (($ay <= $y) !== ($by <= $y)) {
                    $side = ($bx - $ax) * ($y - $ay) - ($by - $ay) * ($x - $ax);
                    if ($by > $ay ? $side > 0 : $side < 0) {
                        $winding += $by > $ay ? 1 : -1;
                    }
                }
                [$ax, $ay] = [$bx, $by];
            }
        }

        return $this->shape->rule === FillRule::Evenodd ? ($winding & 1) === 1 : $winding !== 0;
    }

    /** How far the nearest flattened edge is: near an edge, who is inside is a matter of rounding. */
    public function edgeDistance(float $x, float $y): float
    {
        $near = INF;
        foreach ($this->polygons as $points) {
            [$ax, $ay] = $points[count($points) - 1];
            foreach ($points as [$bx, $by]) {
                $square = ($bx - $ax) ** 2 + ($by - $ay) ** 2;
                $t = $square > 0 ? max(0.0, min(1.0, (($x - $ax) * ($bx - $ax) + ($y - $ay) * ($by - $ay)) / $square)) : 0.0;
                $near = min($near, hypot($x - $ax - $t * ($bx - $ax), $y - $ay - $t * ($by - $ay)));
                [$ax, $ay] = [$bx, $by];
            }
        }

        return $near;
    }
}
