<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Patience\Patience;

/**
 * Takes segments out of an outcome that are too short for any machine, and leaves its area as it was but for the square
 * of their length: neighbours are led on until they meet, or, where they run side by side, the step between them is
 * made a slope.
 *
 * Only for an outcome of one region: it moves nodes that a neighbouring region would have to share.
 */
final class Tidy
{
    public static function shape(Shape $shape, float $short): Shape
    {
        $tidy = [];
        foreach ($shape->contours as $contour) {
            if (! self::isSpeck($contour, 2 * $short)) {
                $tidy[] = self::contour($contour, $short);
            }
        }

        return new Shape($tidy, $shape->rule);
    }

    /** Whether a whole contour lies within a distance of its start. */
    private static function isSpeck(Contour $contour, float $distance): bool
    {
        [$x, $y] = $contour->coords;
        foreach ($contour->coords as $i => $value) {
            if (abs($value - ($i & 1 ? $y : $x)) > $distance) {
                return false;
            }
        }

        return true;
    }

    /** @param  float  $short  mm */
    public static function contour(Contour $contour, float $short): Contour
    {
        $segments = $contour->segments();
        $n = count($segments);
        $any = false;
        foreach ($segments as $s) {
            Patience::ask();
            if (self::isShort($s, $short)) {
                $any = true;
                break;
            }
        }
        if (! $any || $n < 3) {
            return $contour;
        }
        // Each step takes a segment out or makes one long enough; a few rounds settle what lies side by side.
        for ($round = 0; $round < 4; $round++) {
            $changed = false;
            for ($i = 0; $i < count($segments) && count($segments) > 2; $i++) {
                if (! self::isShort($segments[$i], $short)) {
                    continue;
                }
                $n = count($segments);
                $h = ($i + $n - 1) % $n;
                $j = ($i + 1) % $n;
                if (self::isShort($segments[$j], $short)) {
                    // Two short ones in a row: one straight step.
                    $segments[$i] = Cubic::line($segments[$i][0], $segments[$i][1], $segments[$j][6], $segments[$j][7]);
                    array_splice($segments, $j, 1);
                    $i = max(-1, $i - 2);
                    $changed = true;

                    continue;
                }
                $met = self::met($segments[$h], $segments[$i], $segments[$j], $short);
                if ($met !== null) {
                    [$segments[$h], $segments[$j]] = $met;
                    array_splice($segments, $i, 1);
                    $i--;
                    $changed = true;

                    continue;
                }
                $sloped = self::sloped($segments[$h], $segments[$i], $segments[$j], $short);
                if ($sloped !== null) {
                    [$segments[$h], $segments[$i], $segments[$j]] = $sloped;
                    $changed = true;
                }
            }
            if (! $changed) {
                break;
            }
        }

        $curved = array_filter($segments, static fn (array $s): bool => ! Cubic::isLine($s)) !== [];

        return $curved || count($segments) > 2 ? Contour::ofSegments($segments, true) : $contour;
    }

    /** @param  list<float>  $s */
    private static function isShort(array $s, float $short): bool
    {
        return abs($s[6] - $s[0]) < $short && abs($s[7] - $s[1]) < $short && Cubic::length($s) < $short;
    }

    /**
     * The neighbours of a short segment, led on to where they meet.
     *
     * @param  list<float>  $before
     * @param  list<float>  $s
     * @param  list<float>  $after
     * @return array{list<float>, list<float>}|null null where they do not meet near it
     */
    private static function met(array $before, array $s, array $after, float $short): ?array
    {
        [$ax, $ay] = Cubic::speedOn($before, 1.0);
        [$bx, $by] = Cubic::speedOn($after, 0.0);
        $t = 1.0;
        $u = 0.0;
        $size = sqrt(($ax * $ax + $ay * $ay) * ($bx * $bx + $by * $by));
        if ($size < 1e-18 || abs($ax * $by - $ay * $bx) < 0.05 * $size) {
            return null;
        }
        for ($k = 0; $k < 8; $k++) {
            [$px, $py] = Cubic::placeOn($before, $t);
            [$qx, $qy] = Cubic::placeOn($after, $u);
            [$ax, $ay] = Cubic::speedOn($before, $t);
            [$bx, $by] = Cubic::speedOn($after, $u);
            $det = $ax * $by - $ay * $bx;
            if (abs($det) < 1e-18) {
                return null;
            }
            $ex = $qx - $px;
            $ey = $qy - $py;
            $t += ($ex * $by - $ey * $bx) / $det;
            $u += ($ex * $ay - $ey * $ax) / $det;
        }
        [$x, $y] = Cubic::placeOn($before, $t);
        if ($t < 0.5 || $u > 0.5 || hypot($x - $s[0], $y - $s[1]) > 2 * $short || hypot($x - $s[6], $y - $s[7]) > 2 * $short) {
            return null;
        }
        $before = Cubic::part($before, 0.0, $t);
        $after = Cubic::part($after, $u, 1.0);

        return [self::ending($before, $x, $y), self::beginning($after, $x, $y)];
    }

    /**
     * The step lengthened into a slope: its neighbours give up as much on both sides.
     *
     * @param  list<float>  $before
     * @param  list<float>  $s
     * @param  list<float>  $after
     * @return array{list<float>, list<float>, list<float>}|null null where the neighbours are too short for it
     */
    private static function sloped(array $before, array $s, array $after, float $short): ?array
    {
        $t = 0.7 * $short / max(1e-12, hypot(...Cubic::speedOn($before, 1.0)));
        $u = 0.7 * $short / max(1e-12, hypot(...Cubic::speedOn($after, 0.0)));
        if ($t > 0.3 || $u > 0.3) {
            return null;
        }
        $before = Cubic::part($before, 0.0, 1 - $t);
        $after = Cubic::part($after, $u, 1.0);
        $step = Cubic::line($before[6], $before[7], $after[0], $after[1]);

        // Neighbours that lead back over themselves leave no room for a slope.
        return self::isShort($step, $short) ? null : [$before, $step, $after];
    }

    /**
     * @param  list<float>  $s
     * @return list<float>
     */
    private static function ending(array $s, float $x, float $y): array
    {
        return Cubic::isLine($s) ? Cubic::line($s[0], $s[1], $x, $y) : [...array_slice($s, 0, 6), $x, $y];
    }

    /**
     * @param  list<float>  $s
     * @return list<float>
     */
    private static function beginning(array $s, float $x, float $y): array
    {
        return Cubic::isLine($s) ? Cubic::line($x, $y, $s[6], $s[7]) : [$x, $y, ...array_slice($s, 2)];
    }
}
