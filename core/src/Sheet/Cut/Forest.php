<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Cut;

use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Inside;

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
        $cells = self::cells($lines, $boxes);
        $inside = [];
        $out = [-1 => []];
        foreach ($order as $i) {
            $parent = -1;
            $around = [];
            foreach ($cells as $level => $own) {
                foreach ($own[self::cell($boxes[$i]->left, $boxes[$i]->top, $level)] ?? [] as $outer) {
                    if ($size[$outer] > $size[$i] && $boxes[$outer]->contains($boxes[$i])) {
                        $around[$rank[$outer]] = $outer;
                    }
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
            $out[$parent][] = $i;
        }

        return $out;
    }

    /**
     * Closed lines by the cells that their boxes reach into: for each power of two mm a grid of its own, with the lines that are about as large, so that each
     * stands in few cells, however large it is, and those around a place stand in one cell of each grid.
     *
     * @param  list<Contour>  $lines
     * @param  list<Box>  $boxes
     * @return array<int, array<string, list<int>>> numbers of lines, by power and cell
     */
    private static function cells(array $lines, array $boxes): array
    {
        $out = [];
        foreach ($lines as $i => $line) {
            if (! $line->closed) {
                continue;
            }
            $box = $boxes[$i];
            $level = (int) ceil(log(max(1e-3, $box->width(), $box->height()), 2));
            $side = 2.0 ** $level;
            for ($x = floor($box->left / $side); $x <= floor($box->right / $side); $x++) {
                for ($y = floor($box->top / $side); $y <= floor($box->bottom / $side); $y++) {
                    $out[$level]["{$x} {$y}"][] = $i;
                }
            }
        }

        return $out;
    }

    private static function cell(float $x, float $y, int $level): string
    {
        $side = 2.0 ** $level;

        return floor($x / $side).' '.floor($y / $side);
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
