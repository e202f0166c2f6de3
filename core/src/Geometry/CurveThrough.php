<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

/**
 * Few cubics through many points, within a deviation.
 *
 * @source Schneider, "An algorithm for automatically fitting digitized curves", Graphics Gems, 1990
 */
final class CurveThrough
{
    /**
     * @param  list<array{float, float}>  $points  at least two, no two in a row the same, mm
     * @param  float  $deviation  mm
     * @param  array{float, float}|null  $out  unit direction at the start; from the points when null
     * @param  array{float, float}|null  $in  unit direction at the end, along the curve
     * @return non-empty-list<list<float>> segments
     */
    public static function fit(array $points, float $deviation, ?array $out = null, ?array $in = null): array
    {
        $n = count($points);
        $out ??= self::direction($points, 0, 1);
        $in ??= self::direction($points, $n - 1, -1);
        if ($n === 2) {
            [[$ax, $ay], [$bx, $by]] = $points;
            $chord = hypot($bx - $ax, $by - $ay);
            $k = $chord / 3;
            $straight = $chord < 1e-12
                || (abs($out[0] * ($by - $ay) - $out[1] * ($bx - $ax)) < 1e-6 * $chord && abs($in[0] * ($by - $ay) - $in[1] * ($bx - $ax)) < 1e-6 * $chord);

            return [$straight ? Cubic::line($ax, $ay, $bx, $by) : [
                $ax, $ay, $ax + $k * $out[0], $ay + $k * $out[1], $bx - $k * $in[0], $by - $k * $in[1], $bx, $by,
            ]];
        }
        [$segment, $far] = CurveFit::through($points, $out, $in, null, $deviation);
        if ($far <= $deviation) {
            return [self::flat($points, $deviation) ? Cubic::line($segment[0], $segment[1], $segment[6], $segment[7]) : $segment];
        }
        $at = self::farthest($segment, $points);
        $tangent = self::through($points, $at);

        return [
            ...self::fit(array_slice($points, 0, $at + 1), $deviation, $out, $tangent),
            ...self::fit(array_slice($points, $at), $deviation, $tangent, $in),
        ];
    }

    /** @param  list<array{float, float}>  $points */
    private static function flat(array $points, float $deviation): bool
    {
        [$ax, $ay] = $points[0];
        [$bx, $by] = $points[count($points) - 1];
        $long = hypot($bx - $ax, $by - $ay);
        foreach ($points as [$x, $y]) {
            if ($long < 1e-12 || abs(($x - $ax) * ($by - $ay) - ($y - $ay) * ($bx - $ax)) > 0.02 * $deviation * $long) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  list<float>  $segment
     * @param  list<array{float, float}>  $points
     * @return int an inner point
     */
    private static function farthest(array $segment, array $points): int
    {
        $walked = [0.0];
        for ($i = 1, $n = count($points); $i < $n; $i++) {
            $walked[] = $walked[$i - 1] + hypot($points[$i][0] - $points[$i - 1][0], $points[$i][1] - $points[$i - 1][1]);
        }
        $params = array_map(static fn (float $at): float => $at / $walked[count($walked) - 1], $walked);
        [$params] = CurveFit::project($segment, $points, $params);
        $at = intdiv(count($points), 2);
        $far = -1.0;
        for ($i = 1, $n = count($points) - 1; $i < $n; $i++) {
            [$x, $y] = Cubic::at($segment, $params[$i]);
            $off = hypot($x - $points[$i][0], $y - $points[$i][1]);
            if ($off > $far) {
                [$far, $at] = [$off, $i];
            }
        }

        return $at;
    }

    /**
     * The direction at a point from both its neighbours, the nearer counting more: the tangent of the circle through all three.
     *
     * @param  list<array{float, float}>  $points
     * @return array{float, float}
     */
    public static function through(array $points, int $i): array
    {
        [$ax, $ay] = [$points[$i][0] - $points[$i - 1][0], $points[$i][1] - $points[$i - 1][1]];
        [$bx, $by] = [$points[$i + 1][0] - $points[$i][0], $points[$i + 1][1] - $points[$i][1]];
        $a = max(1e-12, hypot($ax, $ay));
        $b = max(1e-12, hypot($bx, $by));
        [$x, $y] = [$ax / $a * $b + $bx / $b * $a, $ay / $a * $b + $by / $b * $a];
        $long = hypot($x, $y);

        return $long < 1e-12 ? [$ax / $a, $ay / $a] : [$x / $long, $y / $long];
    }

    /**
     * @param  list<array{float, float}>  $points
     * @return array{float, float} the direction of travel at an end, from the circle through its three points
     */
    private static function direction(array $points, int $end, int $step): array
    {
        [$ax, $ay] = $points[$end];
        [$bx, $by] = $points[$end + $step];
        [$x, $y] = [($bx - $ax) * $step, ($by - $ay) * $step];
        $far = $points[$end + 2 * $step] ?? null;
        if ($far !== null) {
            $middle = $step > 0 ? self::through([$points[$end], $points[$end + 1], $far], 1) : self::through([$far, $points[$end - 1], $points[$end]], 1);
            $long = max(1e-12, hypot($x, $y));
            $dot = 2 * ($middle[0] * $x + $middle[1] * $y) / $long;
            // The tangent at the end is that at the next point reflected in the chord between them.
            [$x, $y] = [$dot * $x / $long - $middle[0], $dot * $y / $long - $middle[1]];
        }
        $long = max(1e-12, hypot($x, $y));

        return [$x / $long, $y / $long];
    }
}
