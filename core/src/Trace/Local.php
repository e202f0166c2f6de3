<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

/** A few places of a border as a parabola over their way along it: where it is, and where it goes. */
final class Local
{
    /**
     * @param  list<array{float, float, float}>  $places  x, y and the way along from the place that is asked for
     * @return array{float, float, float, float, float} place and direction (of length 1; none where there is none) at no way, and the mean square of
     *                                                 what is left over
     */
    public static function at(array $places): array
    {
        $n = count($places);
        $s1 = $s2 = $s3 = $s4 = $x0 = $x1 = $x2 = $y0 = $y1 = $y2 = 0.0;
        foreach ($places as [$x, $y, $s]) {
            $q = $s * $s;
            $s1 += $s;
            $s2 += $q;
            $s3 += $q * $s;
            $s4 += $q * $q;
            $x0 += $x;
            $x1 += $x * $s;
            $x2 += $x * $q;
            $y0 += $y;
            $y1 += $y * $s;
            $y2 += $y * $q;
        }
        $det = $n * ($s2 * $s4 - $s3 * $s3) - $s1 * ($s1 * $s4 - $s2 * $s3) + $s2 * ($s1 * $s3 - $s2 * $s2);
        $cx = $cy = 0.0;
        if ($n >= 4 && abs($det) > 1e-9) {
            // Cramer's rule on the normal equations.
            $solve = static fn (float $v0, float $v1, float $v2): array => [
                ($v0 * ($s2 * $s4 - $s3 * $s3) - $s1 * ($v1 * $s4 - $s3 * $v2) + $s2 * ($v1 * $s3 - $s2 * $v2)) / $det,
                ($n * ($v1 * $s4 - $s3 * $v2) - $v0 * ($s1 * $s4 - $s2 * $s3) + $s2 * ($s1 * $v2 - $v1 * $s2)) / $det,
                ($n * ($s2 * $v2 - $v1 * $s3) - $s1 * ($s1 * $v2 - $v1 * $s2) + $v0 * ($s1 * $s3 - $s2 * $s2)) / $det,
            ];
            [$ax, $bx, $cx] = $solve($x0, $x1, $x2);
            [$ay, $by, $cy] = $solve($y0, $y1, $y2);
        } else {
            $det = $n * $s2 - $s1 * $s1;
            if (abs($det) < 1e-9) {
                return [$n > 0 ? $x0 / $n : 0.0, $n > 0 ? $y0 / $n : 0.0, 0.0, 0.0, 0.0];
            }
            $ax = ($x0 * $s2 - $x1 * $s1) / $det;
            $bx = ($n * $x1 - $s1 * $x0) / $det;
            $ay = ($y0 * $s2 - $y1 * $s1) / $det;
            $by = ($n * $y1 - $s1 * $y0) / $det;
        }
        $left = 0.0;
        foreach ($places as [$x, $y, $s]) {
            $left += ($ax + ($bx + $cx * $s) * $s - $x) ** 2 + ($ay + ($by + $cy * $s) * $s - $y) ** 2;
        }
        $long = sqrt($bx * $bx + $by * $by);

        return $long < 1e-9 ? [$ax, $ay, 0.0, 0.0, $left / $n] : [$ax, $ay, $bx / $long, $by / $long, $left / $n];
    }

    /**
     * What a cubic over the way along leaves over of places: the mean square. A corner leaves more than chance, a bend does not.
     *
     * @param  list<array{float, float, float}>  $places
     *
     * @source J. Gram, 1883: polynomials that are square to each other on the places themselves
     */
    public static function leftOver(array $places): float
    {
        $n = count($places);
        if ($n < 6) {
            return 0.0;
        }
        $basis = [];
        $xs = array_column($places, 0);
        $ys = array_column($places, 1);
        for ($degree = 0; $degree < 4; $degree++) {
            $one = [];
            foreach ($places as [, , $s]) {
                $one[] = ($s / 8) ** $degree;
            }
            foreach ($basis as $other) {
                $share = 0.0;
                foreach ($one as $i => $value) {
                    $share += $value * $other[$i];
                }
                foreach ($other as $i => $value) {
                    $one[$i] -= $share * $value;
                }
            }
            $long = 0.0;
            foreach ($one as $value) {
                $long += $value * $value;
            }
            if ($long < 1e-12) {
                return 0.0;
            }
            $long = sqrt($long);
            $cx = $cy = 0.0;
            foreach ($one as $i => $value) {
                $one[$i] = $value /= $long;
                $cx += $value * $xs[$i];
                $cy += $value * $ys[$i];
            }
            foreach ($one as $i => $value) {
                $xs[$i] -= $cx * $value;
                $ys[$i] -= $cy * $value;
            }
            $basis[] = $one;
        }
        $sum = 0.0;
        foreach ($xs as $i => $x) {
            $sum += $x * $x + $ys[$i] * $ys[$i];
        }

        return $sum / $n;
    }
}
