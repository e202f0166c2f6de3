<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

/**
 * Arithmetic of one cubic Bézier segment, on plain floats because it runs in every hot loop.
 * A segment is eight floats: start, first handle, second handle, end.
 */
final class Cubic
{
    /**
     * @param  list<float>  $s
     * @return array{float, float}
     */
    public static function at(array $s, float $t): array
    {
        $u = 1 - $t;
        $a = $u * $u * $u;
        $b = 3 * $u * $u * $t;
        $c = 3 * $u * $t * $t;
        $d = $t * $t * $t;

        return [
            $a * $s[0] + $b * $s[2] + $c * $s[4] + $d * $s[6],
            $a * $s[1] + $b * $s[3] + $c * $s[5] + $d * $s[7],
        ];
    }

    /**
     * @param  list<float>  $s
     * @return array{float, float} the first derivative
     */
    public static function derivative(array $s, float $t): array
    {
        $u = 1 - $t;
        $a = 3 * $u * $u;
        $b = 6 * $u * $t;
        $c = 3 * $t * $t;

        return [
            $a * ($s[2] - $s[0]) + $b * ($s[4] - $s[2]) + $c * ($s[6] - $s[4]),
            $a * ($s[3] - $s[1]) + $b * ($s[5] - $s[3]) + $c * ($s[7] - $s[5]),
        ];
    }

    /**
     * @param  list<float>  $s
     * @return array{float, float} the second derivative
     */
    public static function second(array $s, float $t): array
    {
        $u = 6 * (1 - $t);
        $v = 6 * $t;

        return [
            $u * ($s[4] - 2 * $s[2] + $s[0]) + $v * ($s[6] - 2 * $s[4] + $s[2]),
            $u * ($s[5] - 2 * $s[3] + $s[1]) + $v * ($s[7] - 2 * $s[5] + $s[3]),
        ];
    }

    /**
     * The part between two parameters, by blossoming; t0 may be greater than t1, which reverses it.
     * A line's parameter is its fraction of length here, as everywhere in the planar map.
     *
     * @param  list<float>  $s
     * @return list<float>
     */
    public static function part(array $s, float $t0, float $t1): array
    {
        if ($t0 === 0.0 && $t1 === 1.0) {
            return $s;
        }
        if (self::isLine($s)) {
            [$ax, $ay] = $t0 === 1.0 ? [$s[6], $s[7]] : [$s[0] + ($s[6] - $s[0]) * $t0, $s[1] + ($s[7] - $s[1]) * $t0];
            [$bx, $by] = $t1 === 1.0 ? [$s[6], $s[7]] : [$s[0] + ($s[6] - $s[0]) * $t1, $s[1] + ($s[7] - $s[1]) * $t1];

            return [$ax, $ay, $ax, $ay, $bx, $by, $bx, $by];
        }
        [$x0, $x1, $x2, $x3] = self::blossoms($s[0], $s[2], $s[4], $s[6], $t0, $t1);
        [$y0, $y1, $y2, $y3] = self::blossoms($s[1], $s[3], $s[5], $s[7], $t0, $t1);
        $part = [$x0, $y0, $x1, $y1, $x2, $y2, $x3, $y3];
        if ($t0 === 0.0) {
            [$part[0], $part[1]] = [$s[0], $s[1]];
        }
        if ($t1 === 1.0) {
            [$part[6], $part[7]] = [$s[6], $s[7]];
        }

        return $part;
    }

    /** @return array{float, float, float, float} the control values of the part between two parameters, for one coordinate */
    private static function blossoms(float $a, float $b, float $c, float $d, float $t0, float $t1): array
    {
        $u0 = 1 - $t0;
        $u1 = 1 - $t1;
        // De Casteljau's first level at both parameters; the blossom values follow from it.
        [$ab0, $bc0, $cd0] = [$u0 * $a + $t0 * $b, $u0 * $b + $t0 * $c, $u0 * $c + $t0 * $d];
        [$ab1, $bc1, $cd1] = [$u1 * $a + $t1 * $b, $u1 * $b + $t1 * $c, $u1 * $c + $t1 * $d];
        [$abc0, $bcd0] = [$u0 * $ab0 + $t0 * $bc0, $u0 * $bc0 + $t0 * $cd0];
        [$abc1, $bcd1] = [$u1 * $ab1 + $t1 * $bc1, $u1 * $bc1 + $t1 * $cd1];

        return [
            $u0 * $abc0 + $t0 * $bcd0,
            $u1 * $abc0 + $t1 * $bcd0,
            $u0 * $abc1 + $t0 * $bcd1,
            $u1 * $abc1 + $t1 * $bcd1,
        ];
    }

    /**
     * A place on a segment, also beyond its ends; t of a line is its share of the length.
     *
     * @param  list<float>  $s
     * @return array{float, float}
     */
    public static function placeOn(array $s, float $t): array
    {
        return self::isLine($s) ? [$s[0] + ($s[6] - $s[0]) * $t, $s[1] + ($s[7] - $s[1]) * $t] : self::at($s, $t);
    }

    /**
     * How fast that place moves with t.
     *
     * @param  list<float>  $s
     * @return array{float, float}
     */
    public static function speedOn(array $s, float $t): array
    {
        return self::isLine($s) ? [$s[6] - $s[0], $s[7] - $s[1]] : self::derivative($s, $t);
    }

    /** @return list<float> a line as a segment: its handles lie on its ends */
    public static function line(float $ax, float $ay, float $bx, float $by): array
    {
        return [$ax, $ay, $ax, $ay, $bx, $by, $bx, $by];
    }

    /**
     * The same segment run through from its end.
     *
     * @param  list<float>  $s
     * @return list<float>
     */
    public static function reversed(array $s): array
    {
        return [$s[6], $s[7], $s[4], $s[5], $s[2], $s[3], $s[0], $s[1]];
    }

    /**
     * The line from the end of a chain back to its start, as the six numbers that are added to its coordinates.
     *
     * @param  list<float>  $c
     * @return list<float> none where it is closed already
     */
    public static function closing(array $c): array
    {
        $n = count($c);

        return $n < 2 || ($c[$n - 2] === $c[0] && $c[$n - 1] === $c[1]) ? [] : [$c[$n - 2], $c[$n - 1], $c[0], $c[1], $c[0], $c[1]];
    }

    /** @param  list<float>  $s */
    public static function isLine(array $s): bool
    {
        return $s[2] === $s[0] && $s[3] === $s[1] && $s[4] === $s[6] && $s[5] === $s[7];
    }

    /**
     * Length by Gauss-Legendre quadrature, halved until two estimates agree.
     *
     * @param  list<float>  $s
     */
    public static function length(array $s, float $t0 = 0.0, float $t1 = 1.0): float
    {
        if (self::isLine($s)) {
            return hypot($s[6] - $s[0], $s[7] - $s[1]) * abs($t1 - $t0);
        }

        return self::lengthBetween($s, $t0, $t1, self::gauss($s, $t0, $t1), 0);
    }

    /** @param  list<float>  $s */
    private static function lengthBetween(array $s, float $t0, float $t1, float $whole, int $depth): float
    {
        $middle = ($t0 + $t1) / 2;
        $left = self::gauss($s, $t0, $middle);
        $right = self::gauss($s, $middle, $t1);
        if ($depth > 12 || abs($left + $right - $whole) < 1e-9 + 1e-10 * $whole) {
            return $left + $right;
        }

        return self::lengthBetween($s, $t0, $middle, $left, $depth + 1)
            + self::lengthBetween($s, $middle, $t1, $right, $depth + 1);
    }

    /** @param  list<float>  $s */
    private static function gauss(array $s, float $t0, float $t1): float
    {
        $half = ($t1 - $t0) / 2;
        $middle = ($t1 + $t0) / 2;
        // The derivative's coefficients, a third of them.
        $ax = $s[2] - $s[0];
        $ay = $s[3] - $s[1];
        $bx = 2 * ($s[4] - $s[2] - $ax);
        $by = 2 * ($s[5] - $s[3] - $ay);
        $cx = $s[6] - 3 * ($s[4] - $s[2]) - $s[0];
        $cy = $s[7] - 3 * ($s[5] - $s[3]) - $s[1];
        $x = $ax + ($bx + $cx * $middle) * $middle;
        $y = $ay + ($by + $cy * $middle) * $middle;
        $sum = 0.5688888888888889 * sqrt($x * $x + $y * $y);
        $near = 0.5384693101056831 * $half;
        $far = 0.906179845938664 * $half;
        $t = $middle + $near;
        $x = $ax + ($bx + $cx * $t) * $t;
        $y = $ay + ($by + $cy * $t) * $t;
        $near = $middle - $near;
        $u = $ax + ($bx + $cx * $near) * $near;
        $v = $ay + ($by + $cy * $near) * $near;
        $sum += 0.47862867049936647 * (sqrt($x * $x + $y * $y) + sqrt($u * $u + $v * $v));
        $t = $middle + $far;
        $x = $ax + ($bx + $cx * $t) * $t;
        $y = $ay + ($by + $cy * $t) * $t;
        $far = $middle - $far;
        $u = $ax + ($bx + $cx * $far) * $far;
        $v = $ay + ($by + $cy * $far) * $far;
        $sum += 0.23692688505618908 * (sqrt($x * $x + $y * $y) + sqrt($u * $u + $v * $v));

        return 3 * $sum * $half;
    }

    /**
     * Twice the signed area between the segment and the origin (Green's theorem), exact for a cubic.
     *
     * @param  list<float>  $s
     */
    public static function doubleArea(array $s): float
    {
        [$x0, $y0, $x1, $y1, $x2, $y2, $x3, $y3] = $s;

        return (
            $x0 * (6 * $y1 + 3 * $y2 + $y3) + 3 * $x1 * (-2 * $y0 + $y2 + $y3)
            + 3 * $x2 * (-$y0 - $y1 + 2 * $y3) + $x3 * (-$y0 - 3 * $y1 - 6 * $y2)
        ) / 10;
    }

    /**
     * Parameters strictly inside the segment where x or y turns.
     *
     * @return list<float>
     */
    public static function turns(float $p0, float $p1, float $p2, float $p3): array
    {
        $a = $p3 - 3 * $p2 + 3 * $p1 - $p0;
        $b = 2 * ($p2 - 2 * $p1 + $p0);
        $c = $p1 - $p0;
        $roots = [];
        if (abs($a) <= 1e-14 * (abs($b) + abs($c))) {
            if ($b != 0.0) {
                $roots[] = -$c / $b;
            }
        } else {
            $disc = $b * $b - 4 * $a * $c;
            if ($disc >= 0) {
                $q = -($b + ($b < 0 ? -1 : 1) * sqrt($disc)) / 2;
                $roots[] = $q / $a;
                if ($q != 0.0) {
                    $roots[] = $c / $q;
                }
            }
        }

        return array_values(array_filter($roots, static fn (float $t): bool => $t > 1e-9 && $t < 1 - 1e-9));
    }

    /**
     * Where a segment crosses the line a x + b y + c = 0: a curve turns at most twice towards it, and between its turns it crosses once or not.
     *
     * @param  list<float>  $s
     * @param  float  $near  a stretch whose end is nearer to the line than this, with a and b of length 1, does not cross it
     * @return list<float> parameters strictly inside the segment, rising; as placeOn() takes them
     */
    public static function crossings(array $s, float $a, float $b, float $c, float $near = 0.0): array
    {
        [$d0, $d1, $d2, $d3] = [
            $a * $s[0] + $b * $s[1] + $c, $a * $s[2] + $b * $s[3] + $c, $a * $s[4] + $b * $s[5] + $c, $a * $s[6] + $b * $s[7] + $c,
        ];
        if (self::isLine($s)) {
            return $d0 * $d3 < 0 && min(abs($d0), abs($d3)) >= $near ? [$d0 / ($d0 - $d3)] : [];
        }
        $at = static fn (float $t): float => (1 - $t) ** 3 * $d0 + 3 * (1 - $t) ** 2 * $t * $d1 + 3 * (1 - $t) * $t * $t * $d2 + $t ** 3 * $d3;
        $stops = [0.0, ...self::turns($d0, $d1, $d2, $d3), 1.0];
        sort($stops);
        $crossings = [];
        for ($k = 1, $n = count($stops); $k < $n; $k++) {
            [$low, $high] = [$stops[$k - 1], $stops[$k]];
            [$before, $after] = [$at($low), $at($high)];
            if ($before * $after >= 0 || min(abs($before), abs($after)) < $near) {
                continue;
            }
            for ($i = 0; $i < 60; $i++) {
                $half = ($low + $high) / 2;
                $at($half) * $before > 0 ? $low = $half : $high = $half;
            }
            $crossings[] = ($low + $high) / 2;
        }

        return $crossings;
    }

    /**
     * @param  list<float>  $segment
     * @param  float  $length  of all of it, known by whoever asks
     * @return float where so much of it was walked, by Newton's way held between bounds
     */
    public static function parameterAt(array $segment, float $length, float $at): float
    {
        if ($at <= 0.0) {
            return 0.0;
        }
        if ($at >= $length) {
            return 1.0;
        }
        $t = $at / $length;
        if (self::isLine($segment)) {
            return $t;
        }
        [$low, $high] = [0.0, 1.0];
        for ($k = 0; $k < 20; $k++) {
            $over = self::length($segment, 0.0, $t) - $at;
            if (abs($over) < 1e-9) {
                break;
            }
            $over > 0 ? $high = $t : $low = $t;
            [$dx, $dy] = self::derivative($segment, $t);
            $speed = hypot($dx, $dy);
            $next = $speed > 0 ? $t - $over / $speed : -1.0;
            $t = $next > $low && $next < $high ? $next : ($low + $high) / 2;
        }

        return $t;
    }
}
