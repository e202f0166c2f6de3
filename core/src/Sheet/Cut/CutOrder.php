<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Cut;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Patience\Patience;

/** The order of cuts: what lies inside before what lies around it, with little way between, each from a place where its seam does not show. */
final class CutOrder
{
    /** Ways through places and places to begin at are settled in turn, so often. */
    private const ROUNDS = 2;

    /** Share of the way that may be added so that starts do not line up. */
    private const SPREADS = 0.06;

    /** mm within which starts one after the other stand in a line along or across the sheet. */
    private const IN_LINE = 0.5;

    /**
     * @param  list<Contour>  $lines
     * @param  array{float, float}  $from  where the head stands, mm
     * @return list<Contour> the same lines in order, closed ones beginning where their cut does, open ones perhaps run the other way
     */
    public static function of(array $lines, array $from = [0.0, 0.0], float $effort = 1.0): array
    {
        if ($lines === []) {
            return [];
        }
        $inside = Forest::of($lines);
        $starts = array_map(static fn (Contour $line): array => $line->closed ? StartPoints::of($line) : [0, 1], $lines);
        $places = array_map(static fn (Contour $line, array $own): array => self::place($line, $own[0]), $lines, $starts);
        $best = [[], [], INF];
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $order = self::ordered(-1, $inside, $places, $from, $effort);
            [$chosen, $way] = self::startsAlong($order, $lines, $starts, $from);
            if ($way < $best[2]) {
                $best = [$order, $chosen, $way];
            }
            foreach ($chosen as $i => $start) {
                $places[$i] = self::place($lines[$i], $start);
            }
        }
        [$order, $chosen, $way] = $best;
        $chosen = self::spread($order, $chosen, $lines, $starts, self::SPREADS * $way);

        return array_map(static function (int $i) use ($lines, $chosen): Contour {
            $line = $lines[$i];

            return $line->closed ? StartPoints::from($line, $chosen[$i]) : ($chosen[$i] === 1 ? $line->reversed() : $line);
        }, $order);
    }

    /**
     * mm that the head goes in the air.
     *
     * @param  list<Contour>  $lines
     * @param  array{float, float}  $from
     */
    public static function travel(array $lines, array $from = [0.0, 0.0]): float
    {
        $sum = 0.0;
        [$x, $y] = $from;
        foreach ($lines as $line) {
            $c = $line->coords;
            $sum += hypot($c[0] - $x, $c[1] - $y);
            [$x, $y] = $line->closed ? [$c[0], $c[1]] : [$c[count($c) - 2], $c[count($c) - 1]];
        }

        return $sum;
    }

    /** @return array{float, float} where a cut begins: at a node of a closed line, at the start (0) or the end (1) of an open one */
    private static function place(Contour $line, int $start): array
    {
        $at = $line->closed ? 6 * $start : ($start === 0 ? 0 : count($line->coords) - 2);

        return isset($line->coords[$at + 1]) ? [$line->coords[$at], $line->coords[$at + 1]] : [$line->coords[0], $line->coords[1]];
    }

    /**
     * @param  array<int, list<int>>  $inside  see Forest
     * @param  list<array{float, float}>  $places
     * @param  array{float, float}  $from
     * @return list<int> all lines in a line, then the line itself
     */
    private static function ordered(int $line, array $inside, array $places, array $from, float $effort): array
    {
        $own = $inside[$line] ?? [];
        $order = [];
        foreach (Tour::through(array_map(static fn (int $i): array => $places[$i], $own), $from, $effort) as $k) {
            $i = $own[$k];
            array_push($order, ...(isset($inside[$i]) ? self::ordered($i, $inside, $places, $from, $effort) : []), ...[$i]);
            $from = $places[$i];
        }

        return $order;
    }

    /**
     * Where seams stand in a row the film tears along them: a line whose start is in one line with the two before it begins elsewhere, if that costs little
     * way.
     *
     * @param  list<int>  $order
     * @param  array<int, int>  $chosen  starts, by number of the line
     * @param  list<Contour>  $lines
     * @param  list<non-empty-list<int>>  $starts
     * @param  float  $more  mm of way that may be added
     * @return array<int, int>
     */
    private static function spread(array $order, array $chosen, array $lines, array $starts, float $more): array
    {
        $places = array_map(static fn (int $i): array => self::place($lines[$i], $chosen[$i]), $order);
        for ($k = 2, $n = count($order); $k < $n; $k++) {
            Patience::ask(8);
            $i = $order[$k];
            if (! $lines[$i]->closed || ! self::inLine($places[$k], $places[$k - 1], $places[$k - 2])) {
                continue;
            }
            $way = static fn (array $p): float => hypot(
                $p[0] - $places[$k - 1][0],
                $p[1] - $places[$k - 1][1],
            ) + ($k + 1 < $n ? hypot($p[0] - $places[$k + 1][0], $p[1] - $places[$k + 1][1]) : 0.0);
            $now = $way($places[$k]);
            $least = INF;
            foreach ($starts[$i] as $start) {
                $place = self::place($lines[$i], $start);
                $adds = $way($place) - $now;
                if ($adds <= $more && $adds < $least && ! self::inLine($place, $places[$k - 1], $places[$k - 2])) {
                    [$least, $chosen[$i], $places[$k]] = [$adds, $start, $place];
                }
            }
            $more -= is_finite($least) ? max(0.0, $least) : 0.0;
        }

        return $chosen;
    }

    /**
     * @param  array{float, float}  $a
     * @param  array{float, float}  $b
     * @param  array{float, float}  $c
     */
    private static function inLine(array $a, array $b, array $c): bool
    {
        foreach ([0, 1] as $axis) {
            if (max($a[$axis], $b[$axis], $c[$axis]) - min($a[$axis], $b[$axis], $c[$axis]) < self::IN_LINE) {
                return true;
            }
        }

        return false;
    }

    /**
     * For each line, in their order, the place to begin at so that the whole way is shortest.
     *
     * @param  list<int>  $order
     * @param  list<Contour>  $lines
     * @param  list<non-empty-list<int>>  $starts
     * @param  array{float, float}  $from
     * @return array{array<int, int>, float} by number of the line, and the way in mm
     */
    private static function startsAlong(array $order, array $lines, array $starts, array $from): array
    {
        $before = [[$from, 0.0]];
        $back = [];
        foreach ($order as $step => $i) {
            Patience::ask(16);
            $now = [];
            foreach ($starts[$i] as $k => $start) {
                $in = self::place($lines[$i], $start);
                $along = $lines[$i]->closed ? $in : self::place($lines[$i], 1 - $start);
                $least = INF;
                $came = 0;
                foreach ($before as $b => [$p, $way]) {
                    $d = $way + hypot($in[0] - $p[0], $in[1] - $p[1]);
                    if ($d < $least) {
                        $least = $d;
                        $came = $b;
                    }
                }
                $now[] = [$along, $least];
                $back[$step][$k] = $came;
            }
            $before = $now;
        }
        $ways = array_column($before, 1);
        $k = (int) array_search(min($ways), $ways, true);
        $chosen = [];
        for ($step = count($order) - 1; $step >= 0; $step--) {
            $chosen[$order[$step]] = $starts[$order[$step]][$k];
            $k = $back[$step][$k];
        }

        return [$chosen, min($ways)];
    }
}
