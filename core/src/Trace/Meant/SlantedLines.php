<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Meant;

use NeatEdge\Core\Trace\Curves;

/** Lines at an angle that are nearly parallel or square to each other are. */
final class SlantedLines implements Rule
{
    /** Dots by which an end of a line may move at least. */
    private const WITHIN = 0.3;

    /** Dots of the shortest line whose direction means something. */
    private const LONG = 8.0;

    /** Degrees beyond which nobody meant it, however short the line is. */
    private const STEEP = 2.0;

    /** Sine of the least angle at which two lines cross well. */
    private const CROSSES = 0.2;

    public static function key(): string
    {
        return 'parallel';
    }

    public static function label(int $count): string
    {
        return "{$count} parallel or square lines";
    }

    public static function apply(Curves $curves, float $noise): array
    {
        $within = max(self::WITHIN, 2.5 * $noise);
        [$lines, $at] = self::lines($curves);
        $turned = [];
        foreach (self::groups($lines, $within) as [$angle, $group]) {
            foreach ($group as $i) {
                // One of the two directions of the group: along it or square to it.
                $turned[$i] = $angle + 90 * round(($lines[$i]['angle'] - $angle) / 90);
            }
        }
        $places = self::places($curves, $lines, $at, $turned);
        $found = [];
        foreach ($turned as $i => $angle) {
            [$from, $to] = $lines[$i]['nodes'];
            $moves = 0.0;
            foreach ([$from, $to] as $node) {
                $moves = max($moves, hypot($places[$node][0] - $curves->nodes[$node][0], $places[$node][1] - $curves->nodes[$node][1]));
            }
            $found[] = [($places[$from][0] + $places[$to][0]) / 2, ($places[$from][1] + $places[$to][1]) / 2, $moves];
        }
        // Where lines cross at an edge, a small turn may move their end far: then nobody meant it.
        if ($found !== [] && max(array_column($found, 2)) > 2 * $within) {
            return [];
        }
        foreach ($places as $node => $place) {
            $curves->nodes[$node] = $place;
        }

        return $found;
    }

    /**
     * @return array{array<int, array{nodes: array{int, int}, angle: float, long: float, level: bool}>, array<int, list<int>>} lines that may turn or hold
     *         others, and which of them end at a node
     */
    private static function lines(Curves $curves): array
    {
        $lines = $at = $ends = [];
        foreach ($curves->chains as $chain => $segments) {
            foreach ($segments as [$from, $to, , , , , $line]) {
                $ends[$from] = ($ends[$from] ?? 0) + 1;
                $ends[$to] = ($ends[$to] ?? 0) + 1;
                if (! $line || isset($curves->models[$chain]) || isset($curves->kept[$from]) || isset($curves->kept[$to])) {
                    continue;
                }
                [$dx, $dy] = [$curves->nodes[$to][0] - $curves->nodes[$from][0], $curves->nodes[$to][1] - $curves->nodes[$from][1]];
                $level = abs($dx) < 1e-9 || abs($dy) < 1e-9;
                $lines[] = ['nodes' => [$from, $to], 'angle' => rad2deg(atan2($dy, $dx)), 'long' => hypot($dx, $dy), 'level' => $level];
            }
        }
        foreach ($lines as $i => ['nodes' => $nodes]) {
            foreach ($nodes as $node) {
                // Where three meet none of them is free to turn.
                $ends[$node] > 2 ? $lines[$i]['long'] = 0.0 : $at[$node][] = $i;
            }
        }

        return [$lines, $at];
    }

    /**
     * @param  array<int, array{nodes: array{int, int}, angle: float, long: float, level: bool}>  $lines
     * @return list<array{float, non-empty-list<int>}> degrees that each group has, and its lines, two at least
     */
    private static function groups(array $lines, float $within): array
    {
        $left = array_filter($lines, static fn (array $line): bool => ! $line['level'] && $line['long'] >= self::LONG);
        uasort($left, static fn (array $a, array $b): int => $b['long'] <=> $a['long']);
        $groups = [];
        while ($left !== []) {
            $first = reset($left);
            [$sum, $weight] = [0.0, 0.0];
            $group = [];
            foreach ($left as $i => $line) {
                $off = $line['angle'] - $first['angle'];
                $off -= 90 * round($off / 90);
                if (abs($off) <= min(self::STEEP, rad2deg($within / $line['long'] + $within / $first['long']))) {
                    $group[] = $i;
                    // A direction is told by the square of the length.
                    $sum += $line['long'] ** 2 * $off;
                    $weight += $line['long'] ** 2;
                    unset($left[$i]);
                }
            }
            if (count($group) > 1) {
                $groups[] = [$first['angle'] + $sum / $weight, $group];
            }
        }

        return $groups;
    }

    /**
     * @param  array<int, array{nodes: array{int, int}, angle: float, long: float, level: bool}>  $lines
     * @param  array<int, list<int>>  $at  lines that end at each node
     * @param  array<int, float>  $turned  degrees that lines get
     * @return array<int, array{float, float}> where their ends come to lie
     */
    private static function places(Curves $curves, array $lines, array $at, array $turned): array
    {
        $places = [];
        foreach ($turned as $i => $angle) {
            foreach ($lines[$i]['nodes'] as $node) {
                $through = [];
                foreach ($at[$node] ?? [] as $k) {
                    [$from, $to] = $lines[$k]['nodes'];
                    $degrees = $turned[$k] ?? $lines[$k]['angle'];
                    $through[] = [
                        ($curves->nodes[$from][0] + $curves->nodes[$to][0]) / 2,
                        ($curves->nodes[$from][1] + $curves->nodes[$to][1]) / 2,
                        cos(deg2rad($degrees)),
                        sin(deg2rad($degrees)),
                    ];
                }
                $places[$node] = self::crossing($through) ?? self::onto($curves->nodes[$node], $lines[$i], $angle, $curves);
            }
        }

        return $places;
    }

    /**
     * @param  list<array{float, float, float, float}>  $through  a place of each line, and its direction
     * @return array{float, float}|null
     */
    private static function crossing(array $through): ?array
    {
        if (count($through) !== 2) {
            return null;
        }
        [[$ax, $ay, $ux, $uy], [$bx, $by, $vx, $vy]] = $through;
        $sine = $ux * $vy - $uy * $vx;
        if (abs($sine) < self::CROSSES) {
            return null;
        }
        $t = (($bx - $ax) * $vy - ($by - $ay) * $vx) / $sine;

        return [$ax + $t * $ux, $ay + $t * $uy];
    }

    /**
     * @param  array{float, float}  $place
     * @param  array{nodes: array{int, int}, angle: float, long: float, level: bool}  $line
     * @return array{float, float} of a line that is turned about its middle
     */
    private static function onto(array $place, array $line, float $angle, Curves $curves): array
    {
        [$from, $to] = $line['nodes'];
        $x = ($curves->nodes[$from][0] + $curves->nodes[$to][0]) / 2;
        $y = ($curves->nodes[$from][1] + $curves->nodes[$to][1]) / 2;
        [$ux, $uy] = [cos(deg2rad($angle)), sin(deg2rad($angle))];
        $t = ($place[0] - $x) * $ux + ($place[1] - $y) * $uy;

        return [$x + $t * $ux, $y + $t * $uy];
    }
}
