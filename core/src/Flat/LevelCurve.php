<?php

declare(strict_types=1);

namespace NeatEdge\Core\Flat;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\CurveFit;
use NeatEdge\Core\Geometry\CurveThrough;
use NeatEdge\Core\Patience\Patience;
use NeatEdge\Core\Stroke\Thin;

/** A ring of many places as an outline of few nodes: straight where it is straight, else of curves that are each as long as one can be. */
final class LevelCurve
{
    /** Share of the deviation within which a stretch is taken for straight: what is left is for curves. */
    private const STRAIGHT = 0.15;

    /** Cells that a stretch that is straight has at least. */
    private const LONG = 10;

    /** Places between two stretches of one curve. */
    private const GAP = 3;

    /** Radians that one curve turns by at most: a quarter of a round and a little. */
    private const QUARTER = 1.7;

    /** Share of a stretch that is short beside it. */
    private const SHORT = 0.25;

    /** Radians by which they are turned against each other. */
    private const HARDLY = 0.15;

    /**
     * @param  list<array{float, float}>  $points  a closed ring, mm
     * @param  float  $deviation  mm
     * @param  float  $cell  mm between places, as a rule
     */
    public static function through(array $points, float $deviation, float $cell): ?Contour
    {
        $points = self::apart($points, 0.05 * $cell);
        $n = count($points);
        if ($n < 4 || $points === []) {
            return null;
        }
        $points = self::fromBend($points);
        $runs = self::straight($points, self::STRAIGHT * $deviation, self::LONG * $cell);
        // Where it is begun is no matter: at a stretch that is straight, or at one that lies farthest out.
        $cuts = $runs === [] ? self::farthest($points) : [];
        foreach ($runs as [$from, $to]) {
            array_push($cuts, $from, $to % $n);
        }
        sort($cuts);
        $cuts = array_values(array_unique($cuts));
        $isRun = [];
        foreach ($runs as [$from, $to]) {
            $isRun[$from] = $to;
        }
        $segments = [];
        foreach ($cuts as $k => $from) {
            Patience::ask(4);
            $to = $cuts[($k + 1) % count($cuts)];
            $to += $to <= $from ? $n : 0;
            $stretch = [];
            for ($i = $from; $i <= $to; $i++) {
                $stretch[] = $points[$i % $n];
            }
            if (isset($isRun[$from])) {
                [$a, $b] = [$stretch[0], $stretch[count($stretch) - 1]];
                $segments[] = Cubic::line($a[0], $a[1], $b[0], $b[1]);

                continue;
            }
            // It leaves as what came before arrived, and arrives as what follows leaves.
            $out = self::direction($points, $runs, $from, -1);
            $in = self::direction($points, $runs, $to % $n, 1);
            array_push($segments, ...self::longest($stretch, 0.85 * $deviation, $out, $in));
        }

        return Thin::contour(Contour::ofSegments($segments, true), 0.15 * $deviation);
    }

    /**
     * As few curves as a hand would set: each as long as one can be that keeps to the places and turns no farther than a quarter round.
     *
     * @param  list<array{float, float}>  $points
     * @param  array{float, float}  $out  unit directions at its ends
     * @param  array{float, float}  $in
     * @return list<list<float>> segments
     */
    private static function longest(array $points, float $deviation, array $out, array $in): array
    {
        $n = count($points);
        $segments = [];
        $ways = [];
        for ($i = 1; $i < $n - 1; $i++) {
            $ways[$i] = self::way($points, $i);
        }
        for ($from = 0; $from < $n - 1;) {
            Patience::ask(8);
            $start = $from === 0 ? $out : ($ways[$from] ?? $out);
            $one = static function (int $to) use ($points, $from, $start, $n, $in, $ways): array {
                return CurveFit::through(array_slice($points, $from, $to - $from + 1), $start, $to === $n - 1 ? $in : $ways[$to]);
            };
            // Doubled until it leaves the places, then halved.
            [$good, $bad] = [$from + 1, null];
            $found = null;
            for ($step = 4; $bad === null && $good < $n - 1; $step *= 2) {
                $to = min($n - 1, $from + $step);
                [$segment, $far] = $one($to);
                if ($far <= $deviation && self::turn($start, $to === $n - 1 ? $in : $ways[$to], $ways, $from, $to) <= self::QUARTER) {
                    [$good, $found] = [$to, $segment];
                } else {
                    $bad = $to;
                }
            }
            while ($bad !== null && $bad - $good > 1) {
                $to = intdiv($good + $bad, 2);
                [$segment, $far] = $one($to);
                if ($far <= $deviation && self::turn($start, $ways[$to] ?? $in, $ways, $from, $to) <= self::QUARTER) {
                    [$good, $found] = [$to, $segment];
                } else {
                    $bad = $to;
                }
            }
            $last = $good === $n - 1 ? $in : $ways[$good];
            $segments[] = $found ?? CurveThrough::fit(array_slice($points, $from, $good - $from + 1), $deviation, $start, $last)[0];
            $from = $good;
        }

        return $segments;
    }

    /**
     * @param  array{float, float}  $start
     * @param  array{float, float}  $end
     * @param  array<int, array{float, float}>  $ways
     * @return float radians between directions, by way of the middle
     */
    private static function turn(array $start, array $end, array $ways, int $from, int $to): float
    {
        $middle = $ways[intdiv($from + $to, 2)] ?? $start;
        $between = static fn (array $a, array $b): float => abs(atan2($a[0] * $b[1] - $a[1] * $b[0], $a[0] * $b[0] + $a[1] * $b[1]));

        return $between($start, $middle) + $between($middle, $end);
    }

    /**
     * @param  list<array{float, float}>  $points
     * @return array{float, float} the direction at a place, from two on either side where there are
     */
    private static function way(array $points, int $i): array
    {
        $k = min(2, $i, count($points) - 1 - $i);
        [$a, $b] = [$points[$i - $k], $points[$i + $k]];
        $long = max(1e-12, hypot($b[0] - $a[0], $b[1] - $a[1]));

        return [($b[0] - $a[0]) / $long, ($b[1] - $a[1]) / $long];
    }

    /**
     * @param  list<array{float, float}>  $points
     * @return list<array{float, float}>
     */
    private static function apart(array $points, float $least): array
    {
        $kept = [];
        foreach ($points as $point) {
            $last = $kept[count($kept) - 1] ?? null;
            if ($last === null || hypot($point[0] - $last[0], $point[1] - $last[1]) > $least) {
                $kept[] = $point;
            }
        }

        return $kept;
    }

    /**
     * The same ring from where it bends most, so that no straight stretch goes on beyond its end.
     *
     * @param  non-empty-list<array{float, float}>  $points
     * @return non-empty-list<array{float, float}>
     */
    private static function fromBend(array $points): array
    {
        $n = count($points);
        [$at, $most] = [0, -1.0];
        for ($i = 0; $i < $n; $i++) {
            [$ax, $ay] = $points[($i - 3 + $n) % $n];
            [$bx, $by] = $points[$i];
            [$cx, $cy] = $points[($i + 3) % $n];
            $turn = abs(atan2(($bx - $ax) * ($cy - $by) - ($by - $ay) * ($cx - $bx), ($bx - $ax) * ($cx - $bx) + ($by - $ay) * ($cy - $by)));
            if ($turn > $most) {
                [$at, $most] = [$i, $turn];
            }
        }

        $ring = [...array_slice($points, $at), ...array_slice($points, 0, $at)];

        return $ring === [] ? $points : $ring;
    }

    /**
     * @param  list<array{float, float}>  $points
     * @return list<array{int, int}> numbers of the first and the last place of each stretch that is straight; the last may be counted on beyond the end
     */
    private static function straight(array $points, float $deviation, float $long): array
    {
        $n = count($points);
        $runs = [];
        $end = -1;
        for ($from = 0; $from < $n; $from++) {
            Patience::ask(32);
            if ($from < $end) {
                continue;
            }
            $to = self::reached($points, $from, $deviation);
            // Where it begins in a bend it ends soon: begun a little later it goes on.
            for ($later = $from + 1, $last = min($n - 1, $from + self::LONG); $later <= $last && $to - $from >= self::LONG / 2; $later++) {
                $farther = self::reached($points, $later, $deviation);
                if ($farther > $to + 2) {
                    [$from, $to] = [$later, $farther];
                    $last = min($n - 1, $from + self::LONG);
                }
            }
            [$a, $b] = [$points[$from], $points[$to % $n]];
            if (hypot($b[0] - $a[0], $b[1] - $a[1]) >= $long) {
                // What came first may begin within what comes last.
                if ($runs !== [] && $to >= $n + $runs[0][0]) {
                    $to = $n + $runs[0][0];
                }
                if ($to - $from > 2) {
                    $runs[] = [$from, $to];
                    $end = $to;
                }
            }
        }

        return array_values(array_filter($runs, static fn (array $run, int $k): bool => ! self::bends($points, $runs, $k), ARRAY_FILTER_USE_BOTH));
    }

    /**
     * @param  list<array{float, float}>  $points
     * @return int as far as a line through both ends leaves nothing between them
     */
    private static function reached(array $points, int $from, float $deviation): int
    {
        $n = count($points);
        $to = $from + 2;
        while ($to + 1 < $from + $n && self::isStraight($points, $from, $to + 1, $deviation)) {
            $to++;
        }

        return $to;
    }

    /**
     * Whether a stretch goes on at once into another, hardly turned: a wide curve looks straight for a while everywhere.
     *
     * @param  list<array{float, float}>  $points
     * @param  list<array{int, int}>  $runs
     */
    private static function bends(array $points, array $runs, int $k): bool
    {
        $n = count($points);
        $way = static function (array $run) use ($points, $n): array {
            [$a, $b] = [$points[$run[0]], $points[$run[1] % $n]];

            return [$b[0] - $a[0], $b[1] - $a[1]];
        };
        [$from, $to] = $runs[$k];
        foreach ([-1, 1] as $side) {
            $other = $runs[($k + $side + count($runs)) % count($runs)];
            $gap = $side > 0 ? ($other[0] - $to + 2 * $n) % $n : ($from - $other[1] + 2 * $n) % $n;
            if ($other === $runs[$k] || $gap > self::GAP) {
                continue;
            }
            [$ax, $ay] = $way($runs[$k]);
            [$bx, $by] = $way($other);
            // Beside a long one what is short is its beginning or its end; the long one is straight all the same.
            if (hypot($bx, $by) > self::SHORT * hypot($ax, $ay) && abs(atan2($ax * $by - $ay * $bx, $ax * $bx + $ay * $by)) < self::HARDLY) {
                return true;
            }
        }

        return false;
    }

    /** @param  list<array{float, float}>  $points */
    private static function isStraight(array $points, int $from, int $to, float $deviation): bool
    {
        $n = count($points);
        [$ax, $ay] = $points[$from];
        [$bx, $by] = $points[$to % $n];
        [$dx, $dy] = [$bx - $ax, $by - $ay];
        $long = hypot($dx, $dy);
        if ($long < 1e-12) {
            return false;
        }
        for ($i = $from + 1; $i < $to; $i++) {
            [$x, $y] = $points[$i % $n];
            if (abs(($x - $ax) * $dy - ($y - $ay) * $dx) > $deviation * $long) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  non-empty-list<array{float, float}>  $points
     * @return list<int> where it lies farthest to each of the four sides
     */
    private static function farthest(array $points): array
    {
        $xs = array_column($points, 0);
        $ys = array_column($points, 1);
        $at = [];
        foreach ([[$xs, max($xs)], [$xs, min($xs)], [$ys, max($ys)], [$ys, min($ys)]] as [$values, $value]) {
            $at[] = (int) array_search($value, $values, true);
        }

        return $at;
    }

    /**
     * @param  list<array{float, float}>  $points
     * @param  list<array{int, int}>  $runs
     * @param  int  $side  -1 for what arrives there, 1 for what leaves
     * @return array{float, float} unit direction of travel
     */
    private static function direction(array $points, array $runs, int $at, int $side): array
    {
        $n = count($points);
        foreach ($runs as [$from, $to]) {
            if (($side < 0 && $to % $n === $at) || ($side > 0 && $from === $at)) {
                [$a, $b] = [$points[$from], $points[$to % $n]];
                $long = hypot($b[0] - $a[0], $b[1] - $a[1]);

                return [($b[0] - $a[0]) / $long, ($b[1] - $a[1]) / $long];
            }
        }
        // From two places on either side: noise of one counts less.
        [$a, $b] = [$points[($at - 2 + $n) % $n], $points[($at + 2) % $n]];
        $long = max(1e-12, hypot($b[0] - $a[0], $b[1] - $a[1]));

        return [($b[0] - $a[0]) / $long, ($b[1] - $a[1]) / $long];
    }
}
