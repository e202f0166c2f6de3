<?php

declare(strict_types=1);

namespace NeatEdge\Core\Stroke;

use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\CurveFit;

/**
 * Curves at a fixed distance beside a cubic segment.
 *
 * The offset of a cubic is no cubic, so it is fitted: first with the derivatives of the true offset at both ends (exact
 * for arcs of circles), then by least squares on the two handles, then in halves.
 *
 * @source Tiller and Hanson, "Offsets of two-dimensional profiles", 1984; Hermite start as in Elber, Lee and Kim,
 *         "Comparing offset curve approximation methods", 1997
 */
final class OffsetCurve
{
    private const DEEPEST = 8;

    /**
     * @param  list<float>  $s  a segment without cusp
     * @param  float  $d  distance to the side of the normal (-ty, tx), mm; negative for the other side
     * @param  float  $tolerance  greatest deviation, mm
     * @return list<list<float>> segments from start to end
     */
    public static function of(array $s, float $d, float $tolerance, int $depth = 0): array
    {
        [$t0x, $t0y] = self::tangent($s, 0.0);
        [$t1x, $t1y] = self::tangent($s, 1.0);
        $start = [$s[0] - $d * $t0y, $s[1] + $d * $t0x];
        $end = [$s[6] - $d * $t1y, $s[7] + $d * $t1x];
        if (Cubic::isLine($s)) {
            return [[...$start, ...$start, ...$end, ...$end]];
        }
        $points = [$start];
        $params = [0.0];
        [$x0, $y0, $x1, $y1, $x2, $y2, $x3, $y3] = $s;
        $ax = $x3 - 3 * $x2 + 3 * $x1 - $x0;
        $ay = $y3 - 3 * $y2 + 3 * $y1 - $y0;
        $bx = 3 * ($x2 - 2 * $x1 + $x0);
        $by = 3 * ($y2 - 2 * $y1 + $y0);
        $cx = 3 * ($x1 - $x0);
        $cy = 3 * ($y1 - $y0);
        $least = 1e-14 * ($cx * $cx + $cy * $cy + $bx * $bx + $by * $by);
        for ($k = 1; $k < 10; $k++) {
            $t = $k / 10;
            $tx = (3 * $ax * $t + 2 * $bx) * $t + $cx;
            $ty = (3 * $ay * $t + 2 * $by) * $t + $cy;
            $square = $tx * $tx + $ty * $ty;
            if ($square > $least) {
                $scale = $d / sqrt($square);
                $tx *= $scale;
                $ty *= $scale;
            } else {
                [$tx, $ty] = self::tangent($s, $t);
                $tx *= $d;
                $ty *= $d;
            }
            $points[] = [(($ax * $t + $bx) * $t + $cx) * $t + $x0 - $ty, (($ay * $t + $by) * $t + $cy) * $t + $y0 + $tx];
            $params[] = $t;
        }
        $points[] = $end;
        $params[] = 1.0;

        // The offset's derivative is the curve's, times 1 - curvature x d: where that is negative it runs backwards.
        $h0 = hypot($s[2] - $s[0], $s[3] - $s[1]) * (1 - self::curvature($s, 0.0) * $d);
        $h1 = hypot($s[6] - $s[4], $s[7] - $s[5]) * (1 - self::curvature($s, 1.0) * $d);
        $hermite = [
            $start[0], $start[1], $start[0] + $h0 * $t0x, $start[1] + $h0 * $t0y,
            $end[0] - $h1 * $t1x, $end[1] - $h1 * $t1y, $end[0], $end[1],
        ];
        if (is_finite($h0) && is_finite($h1) && CurveFit::project($hermite, $points, $params)[1] <= $tolerance) {
            return [$hermite];
        }
        $sign = 1 - self::curvature($s, 0.5) * $d < 0 ? -1 : 1;
        [$fit, $far] = CurveFit::through($points, [$sign * $t0x, $sign * $t0y], [$sign * $t1x, $sign * $t1y], $params, $tolerance);
        if ($far <= $tolerance || $depth >= self::DEEPEST) {
            return [$fit];
        }

        return [
            ...self::of(Cubic::part($s, 0.0, 0.5), $d, $tolerance, $depth + 1),
            ...self::of(Cubic::part($s, 0.5, 1.0), $d, $tolerance, $depth + 1),
        ];
    }

    /**
     * Unit direction of travel; where the derivative vanishes, the direction of what follows or precedes.
     *
     * @param  list<float>  $s
     * @return array{float, float}
     */
    public static function tangent(array $s, float $t): array
    {
        if (Cubic::isLine($s)) {
            [$dx, $dy] = [$s[6] - $s[0], $s[7] - $s[1]];
        } else {
            [$dx, $dy] = Cubic::derivative($s, $t);
            $size = abs($s[2] - $s[0]) + abs($s[3] - $s[1]) + abs($s[6] - $s[4]) + abs($s[7] - $s[5]) + abs($s[6] - $s[0]) + abs($s[7] - $s[1]);
            if (abs($dx) + abs($dy) < 1e-7 * $size) {
                [$dx, $dy] = Cubic::second($s, $t);
                if ($t > 0.5) {
                    [$dx, $dy] = [-$dx, -$dy];
                }
                if (abs($dx) + abs($dy) < 1e-7 * $size) {
                    [$dx, $dy] = [$s[6] - $s[0], $s[7] - $s[1]];
                }
            }
        }
        $length = sqrt($dx * $dx + $dy * $dy);

        return $length > 0 ? [$dx / $length, $dy / $length] : [1.0, 0.0];
    }

    /**
     * @param  list<float>  $s
     * @return float 1/mm, positive where the curve turns towards the normal (-ty, tx); huge at a cusp
     */
    public static function curvature(array $s, float $t): float
    {
        [$dx, $dy] = Cubic::derivative($s, $t);
        [$ddx, $ddy] = Cubic::second($s, $t);
        $speed = $dx * $dx + $dy * $dy;
        $cross = $dx * $ddy - $dy * $ddx;

        return $speed < 1e-24 ? ($cross < 0 ? -1e12 : 1e12) : $cross / ($speed * sqrt($speed));
    }
}
