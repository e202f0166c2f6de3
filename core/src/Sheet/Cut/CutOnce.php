<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Cut;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Measure\Cells;
use NeatEdge\Core\Patience\Patience;

/**
 * Borders that two pieces share are cut once: lines are parted where another's node lies on them, what lies on another is left out, and what is left is
 * joined into as few trails as there can be.
 *
 * @source C. Hierholzer, 1873: a trail along all edges, begun at the places where an odd number meets
 */
final class CutOnce
{
    /** mm within which two lines are one. */
    public const SAME = 0.02;

    /**
     * @param  list<Contour>  $lines
     * @return list<Contour> the lines themselves where none is shared
     */
    public static function of(array $lines, float $same = self::SAME): array
    {
        $segments = [];
        foreach ($lines as $line) {
            array_push($segments, ...$line->closedSegments());
        }
        $parted = self::parted($segments, $same);
        $kept = self::distinct($parted, $same);

        // Nothing lies on another: the lines stay as they were, with their nodes.
        return count($kept) === count($parted) ? $lines : self::trails($kept, $same);
    }

    /**
     * Segments parted where the end of another lies on them.
     *
     * @param  list<list<float>>  $segments
     * @return list<list<float>>
     */
    private static function parted(array $segments, float $same): array
    {
        $x = $y = [];
        foreach ($segments as $s) {
            $x[] = $s[0];
            $y[] = $s[1];
        }
        $size = max(8.0, 4 * $same);
        $cells = $x === [] ? [] : Cells::of($x, $y, $size);
        $stretches = [];
        foreach ($segments as $s) {
            $at = [];
            [$left, $right] = [min($s[0], $s[2], $s[4], $s[6]) - $same, max($s[0], $s[2], $s[4], $s[6]) + $same];
            [$top, $bottom] = [min($s[1], $s[3], $s[5], $s[7]) - $same, max($s[1], $s[3], $s[5], $s[7]) + $same];
            foreach (self::near($cells, $size, $left, $top, $right, $bottom) as $i) {
                if ($x[$i] < $left || $x[$i] > $right || $y[$i] < $top || $y[$i] > $bottom
                    || hypot($x[$i] - $s[0], $y[$i] - $s[1]) <= $same || hypot($x[$i] - $s[6], $y[$i] - $s[7]) <= $same) {
                    continue;
                }
                [$t, $away] = self::nearest($s, $x[$i], $y[$i]);
                if ($away <= $same) {
                    $at[] = $t;
                }
            }
            sort($at);
            $from = 0.0;
            $start = [$s[0], $s[1]];
            foreach ($at as $t) {
                $part = Cubic::part($s, $from, $t);
                if (hypot($part[6] - $start[0], $part[7] - $start[1]) > $same) {
                    $stretches[] = $part;
                    $from = $t;
                    $start = [$part[6], $part[7]];
                }
            }
            $stretches[] = $from === 0.0 ? $s : Cubic::part($s, $from, 1.0);
        }

        return $stretches;
    }

    /**
     * @param  array<int, list<int>>  $cells
     * @return iterable<int>
     */
    private static function near(array $cells, float $size, float $left, float $top, float $right, float $bottom): iterable
    {
        $seen = [];
        for ($u = $left; $u < $right + $size; $u += $size) {
            for ($v = $top; $v < $bottom + $size; $v += $size) {
                foreach (Cells::at($cells, $u, $v, $size) as $i) {
                    if (! isset($seen[$i])) {
                        $seen[$i] = true;
                        yield $i;
                    }
                }
            }
        }
    }

    /**
     * @param  list<float>  $s
     * @return array{float, float} parameter of the nearest place on a segment, and how far it is
     */
    private static function nearest(array $s, float $x, float $y): array
    {
        if (Cubic::isLine($s)) {
            $dx = $s[6] - $s[0];
            $dy = $s[7] - $s[1];
            $t = max(0.0, min(1.0, (($x - $s[0]) * $dx + ($y - $s[1]) * $dy) / max(1e-18, $dx * $dx + $dy * $dy)));

            return [$t, hypot($s[0] + $t * $dx - $x, $s[1] + $t * $dy - $y)];
        }
        $best = [0.0, INF];
        for ($k = 0; $k <= 16; $k++) {
            [$px, $py] = Cubic::at($s, $k / 16);
            $d = hypot($px - $x, $py - $y);
            $best = $d < $best[1] ? [$k / 16, $d] : $best;
        }
        for ($step = 1 / 32; $step > 1e-7; $step /= 2) {
            foreach ([$best[0] - $step, $best[0] + $step] as $t) {
                if ($t >= 0 && $t <= 1) {
                    [$px, $py] = Cubic::at($s, $t);
                    $d = hypot($px - $x, $py - $y);
                    $best = $d < $best[1] ? [$t, $d] : $best;
                }
            }
        }

        return $best;
    }

    /**
     * Without those that lie on an earlier one, either way round.
     *
     * @param  list<list<float>>  $segments
     * @return list<list<float>>
     */
    private static function distinct(array $segments, float $same): array
    {
        $x = $y = [];
        foreach ($segments as $s) {
            [$x[], $y[]] = Cubic::placeOn($s, 0.5);
        }
        $cells = $x === [] ? [] : Cells::of($x, $y, 4 * $same);
        $kept = [];
        foreach ($segments as $i => $s) {
            Patience::ask(8);
            $doubled = hypot($s[6] - $s[0], $s[7] - $s[1]) < 1e-9 && Cubic::isLine($s);
            foreach ($doubled ? [] : Cells::at($cells, $x[$i], $y[$i], 4 * $same) as $k) {
                $doubled = $doubled || ($k < $i && self::areSame($segments[$k], $s, $same));
            }
            if (! $doubled) {
                $kept[] = $s;
            }
        }

        return $kept;
    }

    /**
     * @param  list<float>  $a
     * @param  list<float>  $b
     */
    private static function areSame(array $a, array $b, float $same): bool
    {
        foreach ([$b, Cubic::reversed($b)] as $one) {
            $far = max(hypot($a[0] - $one[0], $a[1] - $one[1]), hypot($a[6] - $one[6], $a[7] - $one[7]));
            foreach ([0.25, 0.5, 0.75] as $t) {
                if ($far <= $same) {
                    [$px, $py] = Cubic::placeOn($a, $t);
                    $far = max($far, self::nearest($one, $px, $py)[1]);
                }
            }
            if ($far <= $same) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param  list<list<float>>  $segments
     * @return list<Contour>
     */
    private static function trails(array $segments, float $same): array
    {
        [$ends, $meets] = self::graph($segments, $same);
        [$ends, $meets] = self::evenedOut($ends, $meets);
        $used = [];
        $trails = [];
        foreach (array_keys($meets) as $place) {
            $chain = [];
            $trail = self::trail($place, $ends, $meets, $used);
            // A ring that was closed by jumps is turned to begin after one of them.
            foreach ($trail as $k => [$edge]) {
                if ($edge >= count($segments)) {
                    $trail = [...array_slice($trail, $k + 1), ...array_slice($trail, 0, $k + 1)];
                    break;
                }
            }
            foreach ($trail as [$edge, $back]) {
                if ($edge < count($segments)) {
                    $chain[] = $back ? Cubic::reversed($segments[$edge]) : $segments[$edge];
                } elseif ($chain !== []) {
                    $trails[] = self::chained($chain, $same);
                    $chain = [];
                }
            }
            if ($chain !== []) {
                $trails[] = self::chained($chain, $same);
            }
        }

        return $trails;
    }

    /**
     * Places at which an odd number of lines meets are joined in pairs by jumps in the air, so that a ring runs through all; there are as few jumps as can be.
     *
     * @param  list<array{int, int}>  $ends
     * @param  array<int, list<int>>  $meets
     * @return array{list<array{int, int}>, array<int, list<int>>} with the jumps, which come after all lines
     */
    private static function evenedOut(array $ends, array $meets): array
    {
        $seen = [];
        foreach (array_keys($meets) as $start) {
            $odd = [];
            for ($waiting = [$start]; $waiting !== [];) {
                $place = array_pop($waiting);
                if (isset($seen[$place])) {
                    continue;
                }
                $seen[$place] = true;
                if (count($meets[$place]) % 2 === 1) {
                    $odd[] = $place;
                }
                foreach ($meets[$place] as $edge) {
                    array_push($waiting, ...$ends[$edge]);
                }
            }
            for ($k = 0; $k + 1 < count($odd); $k += 2) {
                $meets[$odd[$k]][] = count($ends);
                $meets[$odd[$k + 1]][] = count($ends);
                $ends[] = [$odd[$k], $odd[$k + 1]];
            }
        }

        return [$ends, $meets];
    }

    /**
     * @param  list<list<float>>  $segments
     * @return array{list<array{int, int}>, array<int, list<int>>} the places where each begins and ends, and the segments that meet at each place
     */
    private static function graph(array $segments, float $same): array
    {
        $x = $y = [];
        $place = static function (float $px, float $py) use (&$x, &$y, &$cells, $same): int {
            $u = (int) floor($px / (2 * $same));
            $v = (int) floor($py / (2 * $same));
            for ($i = $u - 1; $i <= $u + 1; $i++) {
                for ($k = $v - 1; $k <= $v + 1; $k++) {
                    foreach ($cells["{$i} {$k}"] ?? [] as $known) {
                        if (hypot($x[$known] - $px, $y[$known] - $py) <= $same) {
                            return $known;
                        }
                    }
                }
            }
            $x[] = $px;
            $y[] = $py;
            $cells["{$u} {$v}"][] = count($x) - 1;

            return count($x) - 1;
        };
        $cells = [];
        $ends = $meets = [];
        foreach ($segments as $i => $s) {
            $ends[$i] = [$place($s[0], $s[1]), $place($s[6], $s[7])];
            $meets[$ends[$i][0]][] = $i;
            $meets[$ends[$i][1]][] = $i;
        }

        return [array_values($ends), $meets];
    }

    /**
     * @param  list<array{int, int}>  $ends
     * @param  array<int, list<int>>  $meets
     * @param  array<int, true>  $used  brought up to date
     * @return list<array{int, bool}> segments in order, and whether each is run backwards
     */
    private static function trail(int $from, array $ends, array &$meets, array &$used): array
    {
        $stack = [[$from, null, false]];
        $trail = [];
        while ($stack !== []) {
            Patience::ask(4);
            [$place] = $stack[count($stack) - 1];
            $edge = null;
            while ($meets[$place] !== []) {
                $edge = array_pop($meets[$place]);
                if (! isset($used[$edge])) {
                    break;
                }
                $edge = null;
            }
            if ($edge !== null) {
                $used[$edge] = true;
                $back = $ends[$edge][0] !== $place;
                $stack[] = [$back ? $ends[$edge][0] : $ends[$edge][1], $edge, $back];

                continue;
            }
            [, $edge, $back] = array_pop($stack);
            if ($edge !== null) {
                $trail[] = [$edge, $back];
            }
        }

        return array_reverse($trail);
    }

    /** @param  list<list<float>>  $chain */
    private static function chained(array $chain, float $same): Contour
    {
        $n = count($chain);
        $closed = hypot($chain[$n - 1][6] - $chain[0][0], $chain[$n - 1][7] - $chain[0][1]) <= $same;
        if ($closed) {
            $chain[$n - 1] = [...array_slice($chain[$n - 1], 0, 6), $chain[0][0], $chain[0][1]];
        }

        return Contour::ofSegments($chain, $closed);
    }
}
