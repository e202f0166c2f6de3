<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Engrave;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\CurveThrough;
use NeatEdge\Core\Geometry\Parts;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Inscribed;
use NeatEdge\Core\Measure\Thickness;

/** Lines no wider than the head's own are followed along their middle, once, instead of being filled. */
final class Hairlines
{
    /** A middle line may leave the places that were measured by this share of the width. */
    private const FIT = 0.1;

    /** A jump of so many widths parts a row. */
    private const JUMP = 3.0;

    /**
     * @param  Shape  $shape  as the planar map traces it
     * @param  float  $width  mm of a line that is followed
     * @return array{list<Contour>, Shape} middle lines, and what is left to be filled
     */
    public static function of(Shape $shape, float $width): array
    {
        $lines = $rest = [];
        foreach ($width <= 0 || $shape->isEmpty() ? [] : Parts::of($shape) as $part) {
            $middle = 2 * Inscribed::in($part, 0.02)[2] <= $width * 1.15 ? self::middle($part, $width) : [];
            $middle === [] ? array_push($rest, ...$part->contours) : array_push($lines, ...$middle);
        }

        return $width <= 0 ? [[], $shape] : [$lines, new Shape($rest, $shape->rule)];
    }

    /** @return list<Contour> */
    private static function middle(Shape $part, float $width): array
    {
        $lines = [];
        foreach (Thickness::below($part, 1.6 * $width) as $place) {
            foreach ($place->rows as $row) {
                foreach (self::stretches($row, $width) as $points) {
                    $lines[] = count($points) > 2 ? Contour::ofSegments(
                        CurveThrough::fit($points, self::FIT * $width),
                        false,
                    ) : Contour::polygon($points, false);
                }
            }
        }

        return Rows::distinct($lines, $width);
    }

    /**
     * @param  list<array{float, float, float}>  $row
     * @return list<list<array{float, float}>>
     */
    private static function stretches(array $row, float $width): array
    {
        $stretches = [];
        $now = [];
        foreach ($row as [$x, $y]) {
            $last = $now[count($now) - 1] ?? null;
            $away = $last === null ? 0.0 : hypot($x - $last[0], $y - $last[1]);
            if ($last !== null && $away > self::JUMP * $width) {
                $stretches[] = $now;
                $now = [];
            }
            if ($last === null || $away > 0.5 * $width) {
                $now[] = [$x, $y];
            }
        }
        $stretches[] = $now;

        return array_values(array_filter($stretches, static fn (array $points): bool => count($points) > 1));
    }
}
