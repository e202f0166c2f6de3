<?php

declare(strict_types=1);

namespace NeatEdge\Core\Stroke;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;

/**
 * Cuts a contour into its dashes, by length along the curve.
 *
 * @source SVG 2, 13.5.6
 */
final class Dashes
{
    /** More dashes than this in one contour cannot be told from a solid line. */
    private const MOST = 20_000;

    /** Nor can dashes that are so wide beside their length that they lie over one another all along the line. */
    private const MOST_OVERLAPS = 200_000;

    /** @return list<Contour> open contours; the contour itself when the line is solid */
    public static function of(Contour $contour, StrokeStyle $style): array
    {
        $pattern = array_map(abs(...), $style->dashes);
        if (count($pattern) % 2 === 1) {
            $pattern = [...$pattern, ...$pattern];
        }
        $period = array_sum($pattern);
        $segments = $contour->segments();
        $lengths = array_map(Cubic::length(...), $segments);
        $whole = array_sum($lengths);
        if ($period <= 1e-9 || $whole <= 1e-12 || $whole / $period * count($pattern) > self::MOST
            || $whole / $period * $style->width / $period > self::MOST_OVERLAPS) {
            return [$contour];
        }
        // Positions along the contour where a dash begins and ends.
        $at = -fmod($style->dashOffset, $period);
        if ($at > 0) {
            $at -= $period;
        }
        $spans = [];
        for ($k = 0, $n = count($pattern); $at < $whole; $k++) {
            $on = $pattern[$k % $n];
            if ($k % 2 === 0 && $at + $on >= 0 && ($at + $on > 0 || $on === 0.0)) {
                // A dash without length still has caps, and they need its direction.
                $spans[] = [max(0.0, $at), min($whole, $at + max($on, 1e-4 * $style->width))];
            }
            $at += $on;
        }
        $last = count($spans) - 1;
        if ($last === 0 && $spans[0][0] <= 1e-12 && $spans[0][1] >= $whole - 1e-12) {
            return [$contour];
        }
        // On a closed contour a dash that reaches its end goes on over its start.
        if ($contour->closed && $last > 0 && $spans[0][0] <= 1e-12 && $spans[$last][1] >= $whole - 1e-12) {
            $spans[$last][1] = $whole + $spans[0][1];
            array_shift($spans);
        }

        return array_map(static fn (array $span): Contour => self::between($segments, $lengths, $whole, ...$span), $spans);
    }

    /**
     * @param  list<list<float>>  $segments
     * @param  list<float>  $lengths
     */
    private static function between(array $segments, array $lengths, float $whole, float $from, float $to): Contour
    {
        $coords = [];
        $at = 0.0;
        for ($lap = 0; $lap < 2; $lap++) {
            foreach ($segments as $i => $segment) {
                $length = $lengths[$i];
                $begin = max(0.0, $from - $at);
                $end = min($length, $to - $at);
                if ($begin < $length - 1e-12 && $end > 1e-12 && $end > $begin) {
                    $part = Cubic::part($segment, Cubic::parameterAt($segment, $length, $begin), Cubic::parameterAt($segment, $length, $end));
                    if ($coords === []) {
                        $coords = [$part[0], $part[1]];
                    }
                    array_push($coords, ...array_slice($part, 2));
                }
                $at += $length;
            }
            if ($to <= $whole) {
                break;
            }
        }

        return new Contour($coords === [] ? [$segments[0][0], $segments[0][1]] : $coords, false);
    }
}
