<?php

declare(strict_types=1);

namespace NeatEdge\Core\Stroke;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\CurveFit;
use NeatEdge\Core\Geometry\Shape;

/**
 * Takes out nodes that are not needed: neighbouring curves that run on smoothly become one, within a deviation.
 */
final class Thin
{
    /** Sine of the greatest kink that still counts as smooth. */
    private const SMOOTH = 0.01;

    /** One curve turns by less than this, in radians, so that arcs keep their quarters and extrema stay marked. */
    private const MOST_TURN = 1.75;

    public static function shape(Shape $shape, float $deviation): Shape
    {
        return new Shape(
            array_map(static fn (Contour $contour): Contour => self::contour($contour, $deviation), $shape->contours),
            $shape->rule,
        );
    }

    public static function contour(Contour $contour, float $deviation): Contour
    {
        $segments = $contour->segments();
        $n = count($segments);
        if ($n < 3) {
            return $contour;
        }
        // Start at a joint that stays, so that no pair is missed over the contour's own start.
        $first = 0;
        if ($contour->closed) {
            for ($i = 0; $i < $n; $i++) {
                if (self::merged([$segments[($i + $n - 1) % $n]], $segments[$i], $deviation) === null) {
                    $first = $i;
                    break;
                }
            }
            $segments = [...array_slice($segments, $first), ...array_slice($segments, 0, $first)];
        }
        $thin = [];
        $run = [$segments[0]];
        $fit = $segments[0];
        for ($i = 1; $i < $n; $i++) {
            $more = self::merged($run, $segments[$i], $deviation);
            if ($more === null) {
                $thin[] = $fit;
                $run = [];
                $more = $segments[$i];
            }
            $run[] = $segments[$i];
            $fit = $more;
        }
        $thin[] = $fit;
        if (count($thin) === $n || ($contour->closed && count($thin) < 2)) {
            return $contour;
        }

        return Contour::ofSegments($thin, $contour->closed);
    }

    /**
     * One segment for a run of segments and the next, or null where it cannot be had.
     *
     * @param  non-empty-list<list<float>>  $run
     * @param  list<float>  $next
     * @return list<float>|null
     */
    private static function merged(array $run, array $next, float $deviation): ?array
    {
        $last = $run[count($run) - 1];
        if (Cubic::isLine($last) !== Cubic::isLine($next)) {
            return null;
        }
        [$ax, $ay] = OffsetCurve::tangent($last, 1.0);
        [$bx, $by] = OffsetCurve::tangent($next, 0.0);
        if (abs($ax * $by - $ay * $bx) > self::SMOOTH || $ax * $bx + $ay * $by < 0) {
            return null;
        }
        $start = $run[0];
        if (Cubic::isLine($last)) {
            $dx = $next[6] - $start[0];
            $dy = $next[7] - $start[1];
            $length = hypot($dx, $dy);
            foreach ($run as $s) {
                if ($length === 0.0 || abs($dx * ($s[7] - $start[1]) - $dy * ($s[6] - $start[0])) > 0.1 * $deviation * $length) {
                    return null;
                }
            }

            return [$start[0], $start[1], $start[0], $start[1], $next[6], $next[7], $next[6], $next[7]];
        }
        $turn = 0.0;
        foreach ([...$run, $next] as $s) {
            [$px, $py] = OffsetCurve::tangent($s, 0.0);
            [$qx, $qy] = OffsetCurve::tangent($s, 1.0);
            $turn += abs(atan2($px * $qy - $py * $qx, $px * $qx + $py * $qy));
        }
        if ($turn > self::MOST_TURN) {
            return null;
        }
        $points = [[$start[0], $start[1]]];
        foreach ([...$run, $next] as $s) {
            for ($k = 1; $k <= 6; $k++) {
                $points[] = Cubic::at($s, $k / 6);
            }
        }
        [$fit, $far] = CurveFit::through($points, OffsetCurve::tangent($start, 0.0), OffsetCurve::tangent($next, 1.0), null, 0.5 * $deviation);

        return $far <= 0.5 * $deviation ? $fit : null;
    }
}
