<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

use NeatEdge\Core\Patience\Patience;

/**
 * One cubic through many points, with its ends and its directions there given.
 *
 * @source Schneider, "An algorithm for automatically fitting digitized curves", Graphics Gems, 1990: least squares on
 *         the two handle lengths, parameters improved by Newton's method between rounds
 */
final class CurveFit
{
    /**
     * @param  list<array{float, float}>  $points  first and last are the ends, mm
     * @param  array{float, float}  $out  unit direction at the start, along the curve
     * @param  array{float, float}  $in  unit direction at the end, along the curve
     * @param  list<float>|null  $params  first guess of each point's parameter, chord lengths when null
     * @param  float  $enough  a distance, mm, at which no better fit is sought; and none when the first is a hundred times as far
     * @return array{list<float>, float} the segment, and the greatest distance of a point from it
     */
    public static function through(array $points, array $out, array $in, ?array $params = null, float $enough = 0.0): array
    {
        $params ??= self::chordLengths($points);
        $best = null;
        $least = INF;
        for ($round = 0; $round < 4; $round++) {
            Patience::ask(32);
            $segment = self::leastSquares($points, $params, $out, $in);
            [$params, $far] = self::project($segment, $points, $params);
            if ($far < $least) {
                [$best, $least] = [$segment, $far];
            } elseif ($round > 1) {
                break;
            }
            if ($least <= $enough || ($round === 0 && $enough > 0.0 && $least > 100 * $enough)) {
                break;
            }
        }

        return [$best ?? self::leastSquares($points, $params, $out, $in), $least];
    }

    /**
     * The greatest distance of the points from the segment, each sought near its parameter.
     *
     * @param  list<float>  $segment
     * @param  list<array{float, float}>  $points
     * @param  list<float>  $params
     * @return array{list<float>, float} improved parameters, distance in mm
     */
    public static function project(array $segment, array $points, array $params): array
    {
        [$x0, $y0, $x1, $y1, $x2, $y2, $x3, $y3] = $segment;
        $ax = $x3 - 3 * $x2 + 3 * $x1 - $x0;
        $ay = $y3 - 3 * $y2 + 3 * $y1 - $y0;
        $bx = 3 * ($x2 - 2 * $x1 + $x0);
        $by = 3 * ($y2 - 2 * $y1 + $y0);
        $cx = 3 * ($x1 - $x0);
        $cy = 3 * ($y1 - $y0);
        $far = 0.0;
        foreach ($points as $i => $point) {
            $px = $point[0] - $x0;
            $py = $point[1] - $y0;
            $t = $params[$i];
            $ex = (($ax * $t + $bx) * $t + $cx) * $t - $px;
            $ey = (($ay * $t + $by) * $t + $cy) * $t - $py;
            for ($k = 0; $k < 3; $k++) {
                $dx = (3 * $ax * $t + 2 * $bx) * $t + $cx;
                $dy = (3 * $ay * $t + 2 * $by) * $t + $cy;
                $down = $dx * $dx + $dy * $dy + $ex * (6 * $ax * $t + 2 * $bx) + $ey * (6 * $ay * $t + 2 * $by);
                if ($down <= 1e-30) {
                    break;
                }
                $next = $t - ($ex * $dx + $ey * $dy) / $down;
                $next = $next < 0.0 ? 0.0 : ($next > 1.0 ? 1.0 : $next);
                $step = $next - $t;
                $t = $next;
                $ex = (($ax * $t + $bx) * $t + $cx) * $t - $px;
                $ey = (($ay * $t + $by) * $t + $cy) * $t - $py;
                if ($step < 1e-6 && $step > -1e-6) {
                    break;
                }
            }
            $params[$i] = $t;
            $square = $ex * $ex + $ey * $ey;
            $far = $square > $far ? $square : $far;
        }
        $far = sqrt($far);

        return [$params, $far];
    }

    /**
     * @param  list<array{float, float}>  $points
     * @param  list<float>  $params
     * @param  array{float, float}  $out
     * @param  array{float, float}  $in
     * @return list<float>
     */
    private static function leastSquares(array $points, array $params, array $out, array $in): array
    {
        $last = count($points) - 1;
        [$x0, $y0] = $points[0];
        [$x3, $y3] = $points[$last];
        $c00 = $c01 = $c11 = $r0 = $r1 = 0.0;
        foreach ($points as $i => [$px, $py]) {
            $t = $params[$i];
            $u = 1 - $t;
            $b1 = 3 * $u * $u * $t;
            $b2 = 3 * $u * $t * $t;
            $b0 = $u * $u * $u + $b1;
            $b3 = $t * $t * $t + $b2;
            $ex = $px - $b0 * $x0 - $b3 * $x3;
            $ey = $py - $b0 * $y0 - $b3 * $y3;
            // The end handle points back, against the direction of travel.
            $c00 += $b1 * $b1;
            $c01 -= $b1 * $b2 * ($out[0] * $in[0] + $out[1] * $in[1]);
            $c11 += $b2 * $b2;
            $r0 += $b1 * ($ex * $out[0] + $ey * $out[1]);
            $r1 -= $b2 * ($ex * $in[0] + $ey * $in[1]);
        }
        $det = $c00 * $c11 - $c01 * $c01;
        $chord = hypot($x3 - $x0, $y3 - $y0);
        $a = $b = $chord / 3;
        if (abs($det) > 1e-12 * $c00 * $c11) {
            $a = ($r0 * $c11 - $r1 * $c01) / $det;
            $b = ($c00 * $r1 - $c01 * $r0) / $det;
        }
        if ($a < 1e-4 * $chord || $b < 1e-4 * $chord || $a > 10 * $chord + 1e-9 || $b > 10 * $chord + 1e-9) {
            $a = $b = $chord / 3;
        }

        return [$x0, $y0, $x0 + $a * $out[0], $y0 + $a * $out[1], $x3 - $b * $in[0], $y3 - $b * $in[1], $x3, $y3];
    }

    /**
     * @param  list<array{float, float}>  $points
     * @return list<float>
     */
    private static function chordLengths(array $points): array
    {
        $sum = 0.0;
        $lengths = [0.0];
        for ($i = 1, $n = count($points); $i < $n; $i++) {
            $sum += hypot($points[$i][0] - $points[$i - 1][0], $points[$i][1] - $points[$i - 1][1]);
            $lengths[] = $sum;
        }

        return $sum > 0 ? array_map(static fn (float $at): float => $at / $sum, $lengths) : $lengths;
    }
}
