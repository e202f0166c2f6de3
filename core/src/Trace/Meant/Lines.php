<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Meant;

use NeatEdge\Core\Trace\Curves;

/** Straight parts of borders that run nearly along one of the picture's sides do so exactly. */
final class Lines
{
    /** Dots by which an end of a line may move at least. */
    private const WITHIN = 0.3;

    /** Tangent of the angle beyond which nobody meant it, however short the line is. */
    private const STEEP = 0.05;

    /** Dots of the shortest line that is told. */
    private const LONG = 4.0;

    /**
     * @param  0|1  $axis  of which both ends get one value: 1 for what is level
     * @return list<array{float, float, float}>
     */
    public static function along(Curves $curves, float $noise, int $axis): array
    {
        $within = max(self::WITHIN, 2.5 * $noise);
        $parent = [];
        $lines = [];
        foreach ($curves->chains as $chain => $segments) {
            if (isset($curves->models[$chain])) {
                continue;
            }
            foreach ($segments as [$from, $to, , , , , $line]) {
                if (! $line || isset($curves->kept[$from]) || isset($curves->kept[$to])) {
                    continue;
                }
                $off = abs($curves->nodes[$to][$axis] - $curves->nodes[$from][$axis]);
                $long = abs($curves->nodes[$to][1 - $axis] - $curves->nodes[$from][1 - $axis]);
                if ($long >= self::LONG && $off <= 2 * $within && $off <= self::STEEP * $long) {
                    $lines[] = [$from, $to, $long];
                    $parent[self::root($parent, $from)] = self::root($parent, $to);
                }
            }
        }
        $groups = [];
        foreach ($lines as $line) {
            $groups[self::root($parent, $line[0])][] = $line;
        }
        $found = [];
        foreach ($groups as $group) {
            array_push($found, ...self::levelled($curves, $group, $axis, $within));
        }

        return $found;
    }

    /**
     * @param  list<array{int, int, float}>  $group  lines that hang together: one after the other
     * @return list<array{float, float, float}>
     */
    private static function levelled(Curves $curves, array $group, int $axis, float $within): array
    {
        [$sum, $weight] = [0.0, 0.0];
        foreach ($group as [$from, $to, $long]) {
            $sum += $long * ($curves->nodes[$from][$axis] + $curves->nodes[$to][$axis]) / 2;
            $weight += $long;
        }
        $value = $sum / $weight;
        $moves = 0.0;
        foreach ($group as [$from, $to]) {
            $moves = max($moves, abs($curves->nodes[$from][$axis] - $value), abs($curves->nodes[$to][$axis] - $value));
        }
        // A flight of steps, each nearly level, is none.
        if ($moves > $within) {
            return [];
        }
        $found = [];
        foreach ($group as [$from, $to]) {
            foreach ([$from, $to] as $node) {
                [$x, $y] = $curves->nodes[$node];
                $curves->nodes[$node] = $axis === 0 ? [$value, $y] : [$x, $value];
            }
            $found[] = [
                ($curves->nodes[$from][0] + $curves->nodes[$to][0]) / 2,
                ($curves->nodes[$from][1] + $curves->nodes[$to][1]) / 2,
                $moves,
            ];
        }

        return $found;
    }

    /** @param  array<int, int>  $parent */
    private static function root(array &$parent, int $node): int
    {
        while (($parent[$node] ?? $node) !== $node) {
            $node = $parent[$node];
        }
        $parent[$node] ??= $node;

        return $node;
    }
}
