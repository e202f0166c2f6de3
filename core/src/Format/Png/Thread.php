<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Png;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Polyline;

/**
 * A line of little width as an area of pixels: its chords shifted to both sides and joined by mitres. Where it bends more sharply than it is wide its inner
 * side
 * folds over, by less than that width; that is as good as a pixel is and a tenth of the work of a true outline.
 */
final class Thread
{
    /** A mitre reaches so many half widths at most. */
    private const MITER = 2.0;

    /** mm that chords leave curves by. */
    private const FLAT = 0.03;

    /** @return list<Contour> closed; filled by the nonzero rule */
    public static function of(Contour $line, float $width): array
    {
        $points = Polyline::distinct(Polyline::of($line, self::FLAT), 1e-6);
        $n = count($points);
        $closed = $line->closed || ($n > 2 && hypot($points[$n - 1][0] - $points[0][0], $points[$n - 1][1] - $points[0][1]) < 1e-6);
        if ($closed && $n > 2 && hypot($points[$n - 1][0] - $points[0][0], $points[$n - 1][1] - $points[0][1]) < 1e-6) {
            array_pop($points);
            $n--;
        }
        if ($n < 2) {
            return [];
        }
        $left = $right = [];
        for ($i = 0; $i < $n; $i++) {
            $before = $i > 0 ? $points[$i - 1] : ($closed ? $points[$n - 1] : null);
            $after = $i + 1 < $n ? $points[$i + 1] : ($closed ? $points[0] : null);
            [$dx, $dy] = self::aside($before, $points[$i], $after, $width / 2);
            $left[] = [$points[$i][0] + $dx, $points[$i][1] + $dy];
            $right[] = [$points[$i][0] - $dx, $points[$i][1] - $dy];
        }

        return $closed
            ? [Contour::polygon($left, true), Contour::polygon(array_reverse($right), true)]
            : [Contour::polygon([...$left, ...array_reverse($right)], true)];
    }

    /**
     * From a point of a line to its side.
     *
     * @param  array{float, float}|null  $a  the point before
     * @param  array{float, float}  $b
     * @param  array{float, float}|null  $c  the point after
     * @return array{float, float}
     */
    private static function aside(?array $a, array $b, ?array $c, float $by): array
    {
        $ux = $uy = $vx = $vy = 0.0;
        if ($a !== null) {
            $length = hypot($b[0] - $a[0], $b[1] - $a[1]);
            [$ux, $uy] = [($b[1] - $a[1]) / $length, ($a[0] - $b[0]) / $length];
        }
        if ($c !== null) {
            $length = hypot($c[0] - $b[0], $c[1] - $b[1]);
            [$vx, $vy] = [($c[1] - $b[1]) / $length, ($b[0] - $c[0]) / $length];
        }
        [$sx, $sy] = [$ux + $vx, $uy + $vy];
        $length = hypot($sx, $sy);
        if ($a === null || $c === null) {
            return [$by * $sx, $by * $sy];
        }
        if ($length < 1e-9) {
            return [$by * $ux, $by * $uy];
        }
        // Half the sum of both normals is as long as the cosine of half the turn.
        $reach = min(self::MITER, 2 / $length);

        return [$by * $reach * $sx / $length, $by * $reach * $sy / $length];
    }
}
