<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Dxf;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\CurveThrough;

/** What a drawing in exchange format tells of curves, as contours. */
final class Curves
{
    /** Places that stand for a curve that is no cubic. */
    private const SAMPLES = 12;

    /** Counter-clockwise between two angles, degrees. */
    public static function arc(float $x, float $y, float $r, float $from, float $to): ?Contour
    {
        $sweep = fmod($to - $from, 360.0);
        $sweep = $sweep <= 0 ? $sweep + 360.0 : $sweep;

        return $r <= 0 ? null : Contour::ofSegments(self::around($x, $y, $r, deg2rad($from), deg2rad($sweep)), false);
    }

    public static function ellipse(Entity $e): ?Contour
    {
        // Seen from below, its shorter axis lies on the other side of the longer.
        [$x, $y, $mx, $my, $ratio] = [$e->number(10), $e->number(20), $e->number(11), $e->number(21), $e->number(40) * ($e->number(230, 1.0) < 0 ? -1 : 1)];
        $from = $e->number(41);
        $sweep = $e->number(42, 2 * M_PI) - $from;
        $sweep = $sweep <= 1e-9 ? $sweep + 2 * M_PI : $sweep;
        if (hypot($mx, $my) <= 0 || abs($ratio) <= 0) {
            return null;
        }
        $segments = array_map(static function (array $s) use ($x, $y, $mx, $my, $ratio): array {
            $ellipse = [];
            for ($i = 0; $i < 8; $i += 2) {
                $ellipse[] = $x + $s[$i] * $mx - $s[$i + 1] * $ratio * $my;
                $ellipse[] = $y + $s[$i] * $my + $s[$i + 1] * $ratio * $mx;
            }

            return $ellipse;
        }, self::around(0.0, 0.0, 1.0, $from, $sweep));

        return Contour::ofSegments($segments, $sweep > 2 * M_PI - 1e-6);
    }

    /**
     * @param  list<array{float, float, float}>  $places  with the bulge after each: the tangent of a quarter of the arc's angle
     */
    public static function polyline(array $places, bool $closed): ?Contour
    {
        $segments = [];
        $n = count($places);
        for ($i = 0; $i < $n - ($closed ? 0 : 1); $i++) {
            [$ax, $ay, $bulge] = $places[$i];
            [$bx, $by] = $places[($i + 1) % $n];
            if (hypot($bx - $ax, $by - $ay) < 1e-12) {
                continue;
            }
            if (abs($bulge) < 1e-9) {
                $segments[] = Cubic::line($ax, $ay, $bx, $by);

                continue;
            }
            // The middle lies off the chord's middle by a share of it that the bulge tells.
            $off = (1 - $bulge * $bulge) / (4 * $bulge);
            $cx = ($ax + $bx) / 2 - ($by - $ay) * $off;
            $cy = ($ay + $by) / 2 + ($bx - $ax) * $off;
            $arc = self::around($cx, $cy, hypot($ax - $cx, $ay - $cy), atan2($ay - $cy, $ax - $cx), 4 * atan($bulge));
            $arc[0][0] = $ax;
            $arc[0][1] = $ay;
            $last = count($arc) - 1;
            $arc[$last][6] = $bx;
            $arc[$last][7] = $by;
            array_push($segments, ...$arc);
        }

        return $segments === [] ? null : Contour::ofSegments($segments, $closed);
    }

    /**
     * A cubic B-spline becomes its Bézier segments; one of another degree, or with weights, becomes places along it; one of which only places are told that it
     * runs through becomes a curve through them.
     *
     * @source W. Boehm, 1980: knots are put in until each stands three times
     */
    public static function spline(Entity $e): ?Contour
    {
        $degree = (int) $e->number(71, 3.0);
        $knots = $e->numbers(40);
        $points = array_map(static fn (array $p): array => [$p[0], $p[1]], $e->places());
        $weights = $e->numbers(41);
        $closed = ((int) $e->number(70) & 1) === 1;
        $n = count($points);
        if ($points === []) {
            return self::through(array_map(static fn (array $p): array => [$p[0], $p[1]], $e->places(11)), $closed, $e);
        }
        if ($degree < 1 || $degree > 10 || $n <= $degree || count($knots) !== $n + $degree + 1) {
            return null;
        }
        sort($knots);
        $rational = array_filter($weights, static fn (float $w): bool => abs($w - $weights[0]) > 1e-9) !== [];
        if ($degree === 3 && ! $rational) {
            $segments = self::beziers($knots, $points);
        } else {
            $weights = count($weights) === $n ? $weights : array_fill(0, $n, 1.0);
            $segments = [];
            $last = null;
            $steps = self::SAMPLES * $n;
            for ($k = 0; $k <= $steps; $k++) {
                $p = self::at($knots[$degree] + ($knots[$n] - $knots[$degree]) * $k / $steps, $degree, $knots, $points, $weights);
                if ($last !== null) {
                    $segments[] = Cubic::line($last[0], $last[1], $p[0], $p[1]);
                }
                $last = $p;
            }
        }

        return $segments === [] ? null : Contour::ofSegments(
            $segments,
            $closed && hypot($segments[count($segments) - 1][6] - $segments[0][0], $segments[count($segments) - 1][7] - $segments[0][1]) < 1e-3,
        );
    }

    /**
     * A smooth curve through places: the tangent at each is that of the circle through it and its neighbours; at the ends what the file says.
     *
     * @param  list<array{float, float}>  $places
     */
    private static function through(array $places, bool $closed, Entity $e): ?Contour
    {
        $own = [];
        foreach ($places as $p) {
            if ($own === [] || hypot($p[0] - $own[count($own) - 1][0], $p[1] - $own[count($own) - 1][1]) > 1e-9) {
                $own[] = $p;
            }
        }
        $n = count($own);
        if ($n < 2) {
            return null;
        }
        if ($closed && $n > 2 && hypot($own[0][0] - $own[$n - 1][0], $own[0][1] - $own[$n - 1][1]) < 1e-9) {
            array_pop($own);
            $n--;
        }
        $around = $closed && $n > 2 ? [$own[$n - 1], ...$own, $own[0], $own[1]] : $own;
        $tangent = static function (int $code) use ($e): ?array {
            $long = hypot($e->number($code), $e->number($code + 10));

            return $long < 1e-9 ? null : [$e->number($code) / $long, $e->number($code + 10) / $long];
        };
        $segments = [];
        $last = $closed && $n > 2 ? $n : $n - 1;
        for ($i = 0; $i < $last; $i++) {
            $k = $closed && $n > 2 ? $i + 1 : $i;
            $out = isset($around[$k - 1]) ? CurveThrough::through($around, $k) : $tangent(12);
            $in = isset($around[$k + 2]) ? CurveThrough::through($around, $k + 1) : $tangent(13);
            array_push($segments, ...self::between($around[$k], $around[$k + 1], $out, $in));
        }

        return Contour::ofSegments($segments, $closed && $n > 2);
    }

    /**
     * @param  array{float, float}  $a
     * @param  array{float, float}  $b
     * @param  array{float, float}|null  $out  unit direction at the first; as the other end bends when null
     * @param  array{float, float}|null  $in
     * @return list<list<float>>
     */
    private static function between(array $a, array $b, ?array $out, ?array $in): array
    {
        $long = max(1e-12, hypot($b[0] - $a[0], $b[1] - $a[1]));
        $chord = [($b[0] - $a[0]) / $long, ($b[1] - $a[1]) / $long];
        $mirrored = static function (array $d) use ($chord): array {
            $dot = 2 * ($d[0] * $chord[0] + $d[1] * $chord[1]);

            return [$dot * $chord[0] - $d[0], $dot * $chord[1] - $d[1]];
        };
        $out ??= $in === null ? $chord : $mirrored($in);
        $in ??= $mirrored($out);
        // Handles of the arc that has this chord and these tangents.
        $half = acos(max(-1.0, min(1.0, $out[0] * $in[0] + $out[1] * $in[1]))) / 2;
        $h = $half < 1e-6 ? $long / 3 : min($long, $long * 2 / 3 * tan($half / 2) / max(1e-9, sin($half)));

        return [[$a[0], $a[1], $a[0] + $h * $out[0], $a[1] + $h * $out[1], $b[0] - $h * $in[0], $b[1] - $h * $in[1], $b[0], $b[1]]];
    }

    /**
     * @param  list<float>  $knots
     * @param  list<array{float, float}>  $points
     * @return list<list<float>>
     */
    private static function beziers(array $knots, array $points): array
    {
        $from = $knots[3];
        $to = $knots[count($points)];
        foreach (array_unique(array_map(static fn (float $t): string => sprintf('%.12F', $t), $knots)) as $text) {
            $t = (float) $text;
            if ($t < $from - 1e-12 || $t > $to + 1e-12) {
                continue;
            }
            $times = count(array_filter($knots, static fn (float $k): bool => abs($k - $t) < 1e-9));
            for (; $times < 3; $times++) {
                [$knots, $points] = self::inserted($t, $knots, $points);
            }
        }
        // The first control place of what lies between the ends stands where its knot first does.
        $first = 0;
        foreach ($knots as $i => $k) {
            if ($k >= $from - 1e-9) {
                $first = max(0, $i + (count(array_filter($knots, static fn (float $o): bool => abs($o - $from) < 1e-9)) >= 4 ? 0 : -1));
                break;
            }
        }
        $beziers = [];
        for ($i = $first; $i + 3 < count($points); $i += 3) {
            if ($knots[$i + 3] < $from - 1e-9 || ($knots[$i + 4] ?? INF) > $to + 1e-9) {
                continue;
            }
            $beziers[] = [...$points[$i], ...$points[$i + 1], ...$points[$i + 2], ...$points[$i + 3]];
        }

        return $beziers;
    }

    /**
     * @param  list<float>  $knots
     * @param  list<array{float, float}>  $points
     * @return array{list<float>, list<array{float, float}>}
     */
    private static function inserted(float $t, array $knots, array $points): array
    {
        $span = 3;
        for ($i = 3; $i < count($points); $i++) {
            if ($knots[$i] <= $t + 1e-12) {
                $span = $i;
            }
        }
        $inserted = [];
        for ($i = 0; $i <= count($points); $i++) {
            if ($i <= $span - 3) {
                $inserted[] = $points[$i];
            } elseif ($i > $span) {
                $inserted[] = $points[$i - 1];
            } else {
                $whole = $knots[$i + 3] - $knots[$i];
                $a = $whole < 1e-12 ? 0.0 : ($t - $knots[$i]) / $whole;
                $inserted[] = [
                    (1 - $a) * $points[$i - 1][0] + $a * ($points[$i][0] ?? $points[$i - 1][0]),
                    (1 - $a) * $points[$i - 1][1] + $a * ($points[$i][1] ?? $points[$i - 1][1]),
                ];
            }
        }
        array_splice($knots, $span + 1, 0, [$t]);

        return [$knots, $inserted];
    }

    /**
     * A place on a spline with weights (C. de Boor, 1972).
     *
     * @param  list<float>  $knots
     * @param  list<array{float, float}>  $points
     * @param  list<float>  $weights
     * @return array{float, float}
     */
    private static function at(float $t, int $degree, array $knots, array $points, array $weights): array
    {
        $span = $degree;
        while ($span < count($points) - 1 && $t >= $knots[$span + 1]) {
            $span++;
        }
        $d = [];
        for ($j = 0; $j <= $degree; $j++) {
            $i = $span - $degree + $j;
            $d[$j] = [$points[$i][0] * $weights[$i], $points[$i][1] * $weights[$i], $weights[$i]];
        }
        for ($r = 1; $r <= $degree; $r++) {
            for ($j = $degree; $j >= $r; $j--) {
                $i = $span - $degree + $j;
                $whole = $knots[$i + $degree - $r + 1] - $knots[$i];
                $a = $whole < 1e-12 ? 0.0 : ($t - $knots[$i]) / $whole;
                [[$px, $py, $pw], [$qx, $qy, $qw]] = [$d[$j - 1], $d[$j]];
                $d[$j] = [$px + $a * ($qx - $px), $py + $a * ($qy - $py), $pw + $a * ($qw - $pw)];
            }
        }
        $w = abs($d[$degree][2]) < 1e-12 ? 1.0 : $d[$degree][2];

        return [$d[$degree][0] / $w, $d[$degree][1] / $w];
    }

    /**
     * An arc as cubic segments of at most a quarter.
     *
     * @return list<list<float>>
     */
    private static function around(float $x, float $y, float $r, float $from, float $sweep): array
    {
        $parts = max(1, (int) ceil(abs($sweep) / (M_PI / 2) - 1e-9));
        $step = $sweep / $parts;
        $h = 4 / 3 * tan($step / 4) * $r;
        $segments = [];
        for ($k = 0; $k < $parts; $k++) {
            [$a, $b] = [$from + $k * $step, $from + ($k + 1) * $step];
            $segments[] = [
                $x + $r * cos($a), $y + $r * sin($a), $x + $r * cos($a) - $h * sin($a), $y + $r * sin($a) + $h * cos($a),
                $x + $r * cos($b) + $h * sin($b), $y + $r * sin($b) - $h * cos($b), $x + $r * cos($b), $y + $r * sin($b),
            ];
        }

        return $segments;
    }
}
