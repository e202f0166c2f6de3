<?php

declare(strict_types=1);

namespace NeatEdge\Core\Flat;

use NeatEdge\Core\Patience\Patience;
use NeatEdge\Core\Seen\ToneGrid;

/**
 * The closed lines along which a lattice of tones has one tone.
 *
 * @source Lorensen and Cline, "Marching cubes", 1987, in the plane; places between two cells from the cubic through four, so that a wide cell does not flatten
 *         what is round
 */
final class LevelLine
{
    /**
     * @return list<list<array{float, float}>> closed rings without their first point again, mm; what is seen lies on one side throughout
     */
    public static function along(ToneGrid $tones, float $level): array
    {
        // Cells are corners of squares, their middles the places; a rim of bare ones all round closes every line.
        $next = [];
        for ($j = -1; $j < $tones->rows; $j++) {
            Patience::ask(8);
            for ($i = -1; $i < $tones->columns; $i++) {
                $a = $tones->cell($i, $j) >= $level;
                $b = $tones->cell($i + 1, $j) >= $level;
                $c = $tones->cell($i + 1, $j + 1) >= $level;
                $d = $tones->cell($i, $j + 1) >= $level;
                if ($a === $b && $b === $c && $c === $d) {
                    continue;
                }
                // Edges of the square by a name that both squares beside it give it.
                [$top, $right, $bottom, $left] = ["{$i} {$j} h", ($i + 1)." {$j} v", "{$i} ".($j + 1).' h', "{$i} {$j} v"];
                $ways = self::ways([$a, $b, $c, $d], $top, $right, $bottom, $left);
                foreach ($ways as [$from, $to]) {
                    $next[$from] = $to;
                }
            }
        }
        $rings = [];
        while ($next !== []) {
            $start = array_key_first($next);
            $ring = [];
            for ($at = $start; isset($next[$at]);) {
                $ring[] = self::place($tones, $at, $level);
                $to = $next[$at];
                unset($next[$at]);
                $at = $to;
            }
            if (count($ring) > 3) {
                $rings[] = $ring;
            }
        }

        return $rings;
    }

    /**
     * Where the line goes through a square, by its edges; what is seen lies to the right of the way.
     *
     * @param  array{bool, bool, bool, bool}  $seen  whether its corners are, clockwise from the upper left
     * @return list<array{string, string}>
     */
    private static function ways(array $seen, string $top, string $right, string $bottom, string $left): array
    {
        return match ($seen) {
            [true, false, false, false] => [[$top, $left]],
            [false, true, false, false] => [[$right, $top]],
            [false, false, true, false] => [[$bottom, $right]],
            [false, false, false, true] => [[$left, $bottom]],
            [true, true, false, false] => [[$right, $left]],
            [false, true, true, false] => [[$bottom, $top]],
            [false, false, true, true] => [[$left, $right]],
            [true, false, false, true] => [[$top, $bottom]],
            [false, true, true, true] => [[$left, $top]],
            [true, false, true, true] => [[$top, $right]],
            [true, true, false, true] => [[$right, $bottom]],
            [true, true, true, false] => [[$bottom, $left]],
            [true, false, true, false] => [[$top, $left], [$bottom, $right]],
            default => [[$right, $top], [$left, $bottom]],
        };
    }

    /** @return array{float, float} where the level lies on an edge between the middles of two cells */
    private static function place(ToneGrid $tones, string $edge, float $level): array
    {
        [$i, $j, $way] = explode(' ', $edge);
        [$i, $j] = [(int) $i, (int) $j];
        [$di, $dj] = $way === 'h' ? [1, 0] : [0, 1];
        $p = static fn (int $k): float => $tones->cell($i + $k * $di, $j + $k * $dj);
        [$before, $from, $to, $after] = [$p(-1), $p(0), $p(1), $p(2)];
        [$least, $most] = [0.0, 1.0];
        $up = $to > $from;
        // The cubic through four (Catmull and Rom), halved until the place is found.
        for ($round = 0; $round < 30; $round++) {
            $t = ($least + $most) / 2;
            $value = $from + $t / 2 * ($to - $before + $t * (2 * $before - 5 * $from + 4 * $to - $after + $t * (3 * ($from - $to) + $after - $before)));
            ($value < $level) === $up ? $least = $t : $most = $t;
        }
        $t = ($least + $most) / 2;

        return [$tones->left + ($i + 0.5 + $t * $di) * $tones->cell, $tones->top + ($j + 0.5 + $t * $dj) * $tones->cell];
    }
}
