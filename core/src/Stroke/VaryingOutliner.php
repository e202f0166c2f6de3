<?php

declare(strict_types=1);

namespace NeatEdge\Core\Stroke;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\CurveThrough;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\PlanarMap\Combine;

/**
 * Outlines a stroke whose width changes along its line: both borders are laid point by point, each at half the width
 * from the line, and curves with few nodes are drawn through them. Corners are rounded by the pen; ends by the cap.
 */
final class VaryingOutliner
{
    /** Cosine of the turn from which a node is a corner. */
    private const CORNER = 0.985;

    /** @param  list<Contour>  $contours */
    public static function outline(array $contours, StrokeStyle $style, WidthStops $stops, ?Tolerance $tolerance = null): Shape
    {
        $tolerance ??= new Tolerance;
        $parts = [];
        foreach ($contours as $contour) {
            $whole = $contour->length();
            if ($whole < 1e-9) {
                continue;
            }
            $walked = 0.0;
            foreach (self::runs($contour) as $run) {
                $samples = self::samples($run, $walked, $whole, $style, $stops);
                $walked += array_sum(array_map(static fn (array $s): float => Cubic::length($s), $run));
                array_push($parts, ...self::bands($samples, $style, $tolerance, $walked >= $whole - 1e-9, $walked, $contour->closed));
            }
        }

        return $parts === [] ? new Shape([]) : Combine::weld(array_map(static fn (Contour $part): Shape => Shape::of($part), $parts), $tolerance);
    }

    /** @return list<list<list<float>>> the segments between corners */
    private static function runs(Contour $contour): array
    {
        $segments = $contour->segments();
        $last = $segments[count($segments) - 1];
        if ($contour->closed && hypot($last[6] - $segments[0][0], $last[7] - $segments[0][1]) > 1e-9) {
            $segments[] = Cubic::line($last[6], $last[7], $segments[0][0], $segments[0][1]);
        }
        $runs = [];
        $before = null;
        foreach ($segments as $s) {
            if (Cubic::length($s) < 1e-9) {
                continue;
            }
            $start = self::direction($s, 0.0);
            if ($before === null || $before[0] * $start[0] + $before[1] * $start[1] < self::CORNER) {
                $runs[] = [];
            }
            $runs[max(0, count($runs) - 1)][] = $s;
            $before = self::direction($s, 1.0);
        }

        return array_values($runs);
    }

    /**
     * @param  list<list<float>>  $run
     * @return list<array{float, float, float, float, float}> x, y, direction x and y, half the width
     */
    private static function samples(array $run, float $walked, float $whole, StrokeStyle $style, WidthStops $stops): array
    {
        $samples = [];
        foreach ($run as $k => $s) {
            $length = Cubic::length($s);
            $count = max(8, min(64, (int) ceil(64 * $length / $whole), (int) ceil($length / 0.02)));
            // A stop inside the segment is met exactly by no sample; as many as fall on it keep its place near enough.
            for ($i = $k === 0 ? 0 : 1; $i <= $count; $i++) {
                $t = $i / $count;
                [$x, $y] = Cubic::placeOn($s, $t);
                [$dx, $dy] = self::direction($s, $t);
                $at = ($walked + Cubic::length($s, 0.0, $t)) / $whole;
                $samples[] = [$x, $y, $dx, $dy, $style->width / 2 * $stops->at(min(1.0, $at))];
            }
            $walked += $length;
        }

        return $samples;
    }

    /**
     * One band along the run, parted where the line bends more tightly than its half width, and a round at each part's ends.
     *
     * @param  list<array{float, float, float, float, float}>  $samples
     * @return list<Contour>
     */
    private static function bands(array $samples, StrokeStyle $style, Tolerance $tolerance, bool $isLast, float $walked, bool $closed): array
    {
        $bands = [];
        $part = [$samples[0]];
        for ($i = 1, $n = count($samples); $i < $n; $i++) {
            [$a, $b] = [$samples[$i - 1], $samples[$i]];
            $step = hypot($b[0] - $a[0], $b[1] - $a[1]);
            $turn = abs($a[2] * $b[3] - $a[3] * $b[2]);
            $part[] = $b;
            $tight = $turn * max($a[4], $b[4]) > 0.9 * $step;
            if ($tight || $i === $n - 1) {
                $bands[] = self::band($part, $tolerance->offset);
                $part = [$b];
                if ($i < $n - 1 && $b[4] > 1e-6) {
                    $bands[] = Contour::circle($b[0], $b[1], $b[4]);
                }
            }
        }
        [$first, $last] = [$samples[0], $samples[count($samples) - 1]];
        $begins = abs($walked - self::lengthOf($samples)) < 1e-6 * max(1.0, $walked);
        array_push(
            $bands,
            ...self::end($first, -1, $begins && ! $closed ? $style->cap : Cap::Round),
            ...self::end($last, 1, $isLast && ! $closed ? $style->cap : Cap::Round),
        );

        return $bands;
    }

    /** @param  list<array{float, float, float, float, float}>  $samples */
    private static function lengthOf(array $samples): float
    {
        $sum = 0.0;
        for ($i = 1, $n = count($samples); $i < $n; $i++) {
            $sum += hypot($samples[$i][0] - $samples[$i - 1][0], $samples[$i][1] - $samples[$i - 1][1]);
        }

        return $sum;
    }

    /**
     * @param  array{float, float, float, float, float}  $at
     * @return list<Contour>
     */
    private static function end(array $at, int $way, Cap $cap): array
    {
        [$x, $y, $dx, $dy, $half] = $at;
        if ($half < 1e-6 || $cap === Cap::Butt) {
            return [];
        }
        if ($cap === Cap::Round) {
            return [Contour::circle($x, $y, $half)];
        }
        [$ex, $ey] = [$dx * $half * $way, $dy * $half * $way];
        [$nx, $ny] = [-$dy * $half, $dx * $half];

        return [Contour::polygon([[$x + $nx, $y + $ny], [$x + $nx + $ex, $y + $ny + $ey], [$x - $nx + $ex, $y - $ny + $ey], [$x - $nx, $y - $ny]])];
    }

    /** @param  list<array{float, float, float, float, float}>  $samples */
    private static function band(array $samples, float $deviation): Contour
    {
        $left = $right = [];
        foreach ($samples as [$x, $y, $dx, $dy, $half]) {
            $left[] = [$x - $dy * $half, $y + $dx * $half];
            $right[] = [$x + $dy * $half, $y - $dx * $half];
        }
        $segments = self::border($left, $deviation);
        $back = self::border(array_reverse($right), $deviation);
        $from = $segments[count($segments) - 1];
        if (hypot($from[6] - $back[0][0], $from[7] - $back[0][1]) > 1e-9) {
            $segments[] = Cubic::line($from[6], $from[7], $back[0][0], $back[0][1]);
        }

        return Contour::ofSegments([...$segments, ...$back], true);
    }

    /**
     * @param  list<array{float, float}>  $points
     * @return non-empty-list<list<float>>
     */
    private static function border(array $points, float $deviation): array
    {
        $kept = [$points[0]];
        foreach ($points as $point) {
            $last = $kept[count($kept) - 1];
            if (hypot($point[0] - $last[0], $point[1] - $last[1]) > 1e-7) {
                $kept[] = $point;
            }
        }
        if (count($kept) < 2) {
            return [Cubic::line($points[0][0], $points[0][1], $points[0][0], $points[0][1])];
        }

        return CurveThrough::fit($kept, $deviation);
    }

    /**
     * @param  list<float>  $s
     * @return array{float, float}
     */
    private static function direction(array $s, float $t): array
    {
        $d = Cubic::speedOn($s, $t);
        $long = hypot($d[0], $d[1]);
        if ($long < 1e-9) {
            $d = Cubic::speedOn($s, $t < 0.5 ? $t + 1e-3 : $t - 1e-3);
            $long = max(1e-12, hypot($d[0], $d[1]));
        }

        return [$d[0] / $long, $d[1] / $long];
    }
}
