<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

use NeatEdge\Core\Patience\Patience;

/** A contour as chords that leave it by no more than a tolerance: what a machine that knows only straight lines is told. */
final class Polyline
{
    /** Chords of one segment at most. */
    private const MOST = 400;

    /**
     * @param  float  $tolerance  mm that a chord may leave its curve by
     * @return list<array{float, float}> points in order; a closed contour ends where it begins
     *
     * @source the distance of a curve from its chord is at most a eighth of its second derivative's size; L. Piegl and W. Tiller, "The NURBS Book", 1997, 5.4
     */
    public static function of(Contour $contour, float $tolerance): array
    {
        $c = $contour->coords;
        $points = [[$c[0], $c[1]]];
        for ($i = 0, $n = count($c) - 2; $i < $n; $i += 6) {
            Patience::ask(2);
            $s = array_slice($c, $i, 8);
            for ($k = 1, $chords = self::chords($s, $tolerance); $k < $chords; $k++) {
                $points[] = Cubic::at($s, $k / $chords);
            }
            $points[] = [$s[6], $s[7]];
        }
        $last = $points[count($points) - 1];
        if ($contour->closed && ($last[0] !== $c[0] || $last[1] !== $c[1])) {
            // What misses its start by the exactness of numbers alone has reached it.
            if (hypot($last[0] - $c[0], $last[1] - $c[1]) < 1e-7) {
                array_pop($points);
            }
            $points[] = [$c[0], $c[1]];
        }

        return $points;
    }

    /** @param  list<float>  $s a segment, see Cubic */
    public static function chords(array $s, float $tolerance): int
    {
        if (Cubic::isLine($s)) {
            return 1;
        }
        $bend = max(
            hypot($s[4] - 2 * $s[2] + $s[0], $s[5] - 2 * $s[3] + $s[1]),
            hypot($s[6] - 2 * $s[4] + $s[2], $s[7] - 2 * $s[5] + $s[3]),
        );

        return max(1, min(self::MOST, (int) ceil(sqrt(0.75 * $bend / max(1e-9, $tolerance)))));
    }

    /** @param  list<array{float, float}>  $points */
    public static function length(array $points): float
    {
        $sum = 0.0;
        for ($i = 1, $n = count($points); $i < $n; $i++) {
            $sum += hypot($points[$i][0] - $points[$i - 1][0], $points[$i][1] - $points[$i - 1][1]);
        }

        return $sum;
    }

    /**
     * Points that stand on one another are one.
     *
     * @param  list<array{float, float}>  $points
     * @return list<array{float, float}>
     */
    public static function distinct(array $points, float $least = 1e-9): array
    {
        $kept = [];
        foreach ($points as $p) {
            $last = $kept[count($kept) - 1] ?? null;
            if ($last === null || hypot($p[0] - $last[0], $p[1] - $last[1]) > $least) {
                $kept[] = $p;
            }
        }

        return $kept;
    }
}
