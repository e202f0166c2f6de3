<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

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
     * @return array{list<float>, float} the segment, and the greatest distance of a point from it
     */
    public static function through(array $points, array $out, array $in, ?array $params = null, int $rounds = 4): array
    {
        $params ??= self::chordLengths($points);
        $best = null;
        $least = INF;
        for ($round = 0; $round < $rounds; $round++) {
            $segment = self::leastSquares($points, $params, $out, $in);
            [$params, $far] = self::project($segment, $points, $params);
            if ($far < $least) {
                [$best, $least] = [$segment, $far];
            } elseif ($round > 1) {
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
        $far = 0.0;
        foreach ($points as $i => [$px, $py]) {
            $t = $params[$i];
            for ($k = 0; $k < 3; $k++) {
                [$x, $y] = Cubic::at($segment, $t);
                [$dx, $dy] = Cubic::derivative($segment, $t);
                [$ddx, $ddy] = Cubic::second($segment, $t);
                $down = $dx * $dx + $dy * $dy + ($x - $px) * $ddx + ($y - $py) * $ddy;
                if ($down <= 1e-30) {
                    break;
                }
                $t = min(1.0, max(0.0, $t - (($x - $px) * $dx + ($y - $py) * $dy) / $down));
            }
            $params[$i] = $t;
            [$x, $y] = Cubic::at($segment, $t);
            $far = max($far, hypot($x - $px, $y - $py));
        }

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
        $out = [0.0];
        for ($i = 1, $n = count($points); $i < $n; $i++) {
            $sum += hypot($points[$i][0] - $points[$i - 1][0], $points[$i][1] - $points[$i - 1][1]);
            $out[] = $sum;
        }

        return $sum > 0 ? array_map(static fn (float $at): float => $at / $sum, $out) : $out;
    }
}
