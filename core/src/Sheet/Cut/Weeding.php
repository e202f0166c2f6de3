<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Cut;

use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\ScanLines;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Stroke\Offset;

/** O3: a box around what is cut, and straight cuts through the waste alone, so that it comes off in strips that a hand can hold. */
final class Weeding
{
    /** Places that are tried for each line, so that it crosses as little waste as can be: shares of the distance between lines. */
    private const TRIED = [0.0, -0.08, 0.08, -0.16, 0.16, -0.24, 0.24];

    /** mm of waste that are no use to part. */
    private const SHORTEST = 2.0;

    /**
     * A box around all of them.
     *
     * @param  list<Shape>  $pieces
     */
    public static function box(array $pieces, float $margin): ?Box
    {
        $box = Box::around(...array_values(array_filter(array_map(static fn (Shape $piece): ?Box => $piece->box(), $pieces))));

        return $box?->grown($margin);
    }

    /**
     * @param  list<Shape>  $pieces
     * @param  float  $every  longest side of a strip of waste, mm
     * @param  float  $gap  mm that a cut ends before a piece
     * @return list<Contour> straight, none of which touches a piece
     */
    public static function lines(array $pieces, Box $box, float $every, float $gap): array
    {
        if ($pieces === [] || $every <= 0) {
            return [];
        }
        $frame = Shape::of(Contour::rectangle($box->left, $box->top, $box->width(), $box->height()));
        $wide = Offset::outset(Combine::weld($pieces), max(0.05, $gap));
        $waste = Combine::cutAway($frame, [$wide]);
        $lines = [];
        foreach ([0.0, 90.0] as $degrees) {
            $scan = new ScanLines([$waste], $degrees);
            foreach (self::places($scan->top, $scan->bottom, $every) as $y) {
                [$at, $stretches] = self::shortest($scan, $y, $every);
                foreach ($stretches as [$from, $to]) {
                    if ($to - $from > self::SHORTEST) {
                        $lines[] = Contour::polygon([$scan->onBench($from, $at), $scan->onBench($to, $at)], false);
                    }
                }
            }
        }

        return $lines;
    }

    /** @return list<float> where lines lie that part a height into strips of at most a width */
    private static function places(float $top, float $bottom, float $every): array
    {
        $strips = (int) ceil(($bottom - $top) / $every);
        $places = [];
        for ($k = 1; $k < $strips; $k++) {
            $places[] = $top + ($bottom - $top) * $k / $strips;
        }

        return $places;
    }

    /**
     * Near a place, the line that cuts least waste.
     *
     * @return array{float, list<array{float, float}>} where it lies, and its stretches
     */
    private static function shortest(ScanLines $scan, float $y, float $every): array
    {
        $lines = array_map(static fn (float $share): float => $y + $share * $every, self::TRIED);
        sort($lines);
        $best = [$y, [], INF];
        foreach ($scan->along($lines) as $k => $stretches) {
            $length = array_sum(array_map(static fn (array $one): float => $one[1] - $one[0], $stretches));
            // Of two that cut alike the nearer to its place.
            $weight = $length + 0.01 * abs($lines[$k] - $y);
            if ($weight < $best[2]) {
                $best = [$lines[$k], $stretches, $weight];
            }
        }

        return [$best[0], $best[1]];
    }
}
