<?php

declare(strict_types=1);

namespace NeatEdge\Core\Flat;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Patience\Patience;
use NeatEdge\Core\Stroke\Thin;

/** Doubled nodes, tiny segments, flat curves and nodes that the outline does not need are taken out, within a deviation. */
final readonly class Cleaning
{
    public const USUAL = 0.005;

    /** Segments shorter than this are taken out, mm. */
    private const TINY = 0.002;

    /** @param  float  $deviation  how far an outline may move, mm */
    public function __construct(private float $deviation = self::USUAL)
    {
    }

    public function shape(Shape $shape): Shape
    {
        $contours = [];
        foreach ($shape->contours as $contour) {
            Patience::ask(32);
            $contour = Thin::contour($this->withoutSpecks($contour), $this->deviation);
            if ($contour->segmentCount() > 1) {
                $contours[] = $contour;
            }
        }

        return new Shape($contours, $shape->rule);
    }

    private function withoutSpecks(Contour $contour): Contour
    {
        $segments = $contour->segments();
        $tiny = min(self::TINY, $this->deviation);
        $kept = [];
        foreach ($segments as $s) {
            Patience::ask(4);
            $reach = max(abs($s[2] - $s[0]), abs($s[3] - $s[1]), abs($s[4] - $s[0]), abs($s[5] - $s[1]), abs($s[6] - $s[0]), abs($s[7] - $s[1]));
            if ($reach < $tiny && count($segments) > 3) {
                continue;
            }
            $kept[] = $this->isFlat($s) ? [$s[0], $s[1], $s[0], $s[1], $s[6], $s[7], $s[6], $s[7]] : $s;
        }
        if ($kept === []) {
            return $contour;
        }
        $coords = [$kept[0][0], $kept[0][1]];
        foreach ($kept as $s) {
            $n = count($coords);
            Cubic::isLine($s)
                ? array_push($coords, $coords[$n - 2], $coords[$n - 1], $s[6], $s[7], $s[6], $s[7])
                : array_push($coords, $s[2], $s[3], $s[4], $s[5], $s[6], $s[7]);
        }
        if ($contour->closed) {
            // A speck left out at the start or the end must not leave the contour open.
            $n = count($coords);
            if ($coords[$n - 4] === $coords[$n - 2] && $coords[$n - 3] === $coords[$n - 1]) {
                [$coords[$n - 4], $coords[$n - 3]] = [$coords[0], $coords[1]];
            }
            [$coords[$n - 2], $coords[$n - 1]] = [$coords[0], $coords[1]];
        }

        return new Contour($coords, $contour->closed);
    }

    /** @param  list<float>  $s */
    private function isFlat(array $s): bool
    {
        $dx = $s[6] - $s[0];
        $dy = $s[7] - $s[1];
        $length = hypot($dx, $dy);
        if ($length < 1e-9 || Cubic::isLine($s)) {
            return false;
        }
        foreach ([2, 4] as $i) {
            $along = ($dx * ($s[$i] - $s[0]) + $dy * ($s[$i + 1] - $s[1])) / $length;
            $off = abs($dx * ($s[$i + 1] - $s[1]) - $dy * ($s[$i] - $s[0])) / $length;
            if ($along < 0 || $along > $length || $off > 0.2 * $this->deviation) {
                return false;
            }
        }

        return true;
    }
}
