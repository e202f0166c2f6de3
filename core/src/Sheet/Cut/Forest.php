<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Cut;

use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\BoxGrid;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Inside;
use NeatEdge\Core\Patience\Patience;

/** What lies in what, among cut lines: what is cut free first takes all in it along. */
final class Forest
{
    /**
     * @param  list<Contour>  $lines
     * @return array<int, list<int>> the lines right inside each, by number; under -1 those that lie in none
     */
    public static function of(array $lines): array
    {
        $boxes = array_map(static fn (Contour $line): Box => $line->box(), $lines);
        $size = array_map(static fn (Box $box): float => $box->width() * $box->height(), $boxes);
        // From the smallest up, so that the first that holds another is the one right around it.
        $order = array_keys($lines);
        usort($order, static fn (int $a, int $b): int => [$size[$a], $a] <=> [$size[$b], $b]);
        $rank = array_flip($order);
        $grid = new BoxGrid(array_map(static fn (Contour $line, Box $box): ?Box => $line->closed ? $box : null, $lines, $boxes));
        $inside = [];
        $within = [-1 => []];
        foreach ($order as $i) {
            Patience::ask(8);
            $parent = -1;
            $around = [];
            foreach ($grid->at($boxes[$i]->left, $boxes[$i]->top) as $outer) {
                if ($size[$outer] > $size[$i] && $boxes[$outer]->contains($boxes[$i])) {
                    $around[$rank[$outer]] = $outer;
                }
            }
            ksort($around);
            foreach ($around as $outer) {
                $inside[$outer] ??= new Inside(Shape::of($lines[$outer]));
                if (self::holds($inside[$outer], $lines[$i])) {
                    $parent = $outer;
                    break;
                }
            }
            $within[$parent][] = $i;
        }

        return $within;
    }

    /** Whether most of a line's nodes lie within: one that only touches the border is told by the others. */
    private static function holds(Inside $outer, Contour $line): bool
    {
        $in = $all = 0;
        $c = $line->coords;
        for ($i = 0, $n = count($c), $step = 6 * max(1, intdiv($n, 6 * 7)); $i < $n; $i += $step) {
            $all++;
            $in += $outer->holds($c[$i], $c[$i + 1]) ? 1 : 0;
        }

        return 2 * $in > $all;
    }
}
