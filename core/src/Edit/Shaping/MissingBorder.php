<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use Closure;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Cells;
use NeatEdge\Core\PlanarMap\PlanarMap;

/** Where lines are open that should enclose something, by the widest gap that must be bridged: gaps are closed in growing order until something is enclosed. */
final class MissingBorder
{
    /** mm: gaps that are wider are no gaps of a border. */
    private const WIDEST = 10.0;

    /**
     * @param  list<Piece>  $pieces
     * @param  Closure(Cells): bool  $encloses  whether that is enclosed which is asked for
     */
    public static function of(array $pieces, Closure $encloses): ?LooseEnd
    {
        $contours = Lines::of($pieces)->contours;
        $gaps = array_values(array_filter(LooseEnds::among($contours, self::WIDEST), static fn (LooseEnd $end): bool => $end->short));
        usort($gaps, static fn (LooseEnd $a, LooseEnd $b): int => $a->by <=> $b->by);
        $borders = array_map(static fn (Contour $contour): Shape => Shape::of($contour), $contours);
        $closes = static function (int $count) use ($borders, $gaps, $encloses): bool {
            foreach (array_slice($gaps, 0, $count) as $gap) {
                $borders[] = Shape::of(Contour::polygon([[$gap->x, $gap->y], $gap->to], false));
            }

            return $encloses(PlanarMap::of([], null, $borders)->cells());
        };
        if ($gaps === [] || ! $closes(count($gaps))) {
            return null;
        }
        [$low, $high] = [1, count($gaps)];
        while ($low < $high) {
            $middle = intdiv($low + $high, 2);
            $closes($middle) ? $high = $middle : $low = $middle + 1;
        }

        return $gaps[$low - 1];
    }
}
