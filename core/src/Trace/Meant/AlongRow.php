<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Meant;

use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Trace\Curves;
use NeatEdge\Core\Trace\Repeated\Again;
use NeatEdge\Core\Trace\Repeated\Cluster;
use NeatEdge\Core\Trace\Repeated\Copies;
use NeatEdge\Core\Trace\Repeated\Groups;
use NeatEdge\Core\Trace\Repeated\Images;
use NeatEdge\Core\Trace\Repeated\Lying;

/** What nearly comes again along a row, at even steps, does. */
final class AlongRow implements Rule
{
    private const LEAST = 3;

    /** Dots by which a place in the row may be off. */
    private const OFF = 0.5;

    public static function key(): string
    {
        return 'row';
    }

    public static function label(int $count): string
    {
        return "{$count} parts repeated along a row";
    }

    public static function apply(Curves $curves, float $noise): array
    {
        $within = Images::within($noise);
        $clusters = Cluster::free($curves);
        if (count($clusters) < self::LEAST) {
            return [];
        }
        $lying = Lying::of($curves, $clusters);
        $found = [];
        foreach (Groups::of($clusters, $curves, $within) as $group) {
            if (count($group) >= self::LEAST) {
                array_push($found, ...self::row($curves, $lying, $group, $within));
            }
        }

        return $found;
    }

    /**
     * @param  non-empty-list<Cluster>  $group  that are alike
     * @return list<array{float, float, float}>
     */
    private static function row(Curves $curves, Lying $lying, array $group, float $within): array
    {
        $wide = max(array_map(static fn (Cluster $one): float => $one->x, $group)) - min(array_map(static fn (Cluster $one): float => $one->x, $group));
        $high = max(array_map(static fn (Cluster $one): float => $one->y, $group)) - min(array_map(static fn (Cluster $one): float => $one->y, $group));
        usort($group, static fn (Cluster $a, Cluster $b): int => $wide >= $high ? $a->x <=> $b->x : $a->y <=> $b->y);
        $last = count($group) - 1;
        $dx = ($group[$last]->x - $group[0]->x) / $last;
        $dy = ($group[$last]->y - $group[0]->y) / $last;
        foreach ($group as $k => $one) {
            if (hypot($group[0]->x + $k * $dx - $one->x, $group[0]->y + $k * $dy - $one->y) > self::OFF) {
                return [];
            }
        }
        $best = Groups::best($curves, $lying, $group, static fn (int $steps): Matrix => Matrix::translation($steps * $dx, $steps * $dy), $within);
        if ($best === null) {
            return [];
        }
        Copies::draw($curves, ...$best);
        // They are told from the first of the row on, whichever of them was drawn.
        $curves->comesAgain(new Again(Again::ROW, Groups::copies($best[0]), $dx, $dy));

        return array_map(static fn (Cluster $one, Images $image): array => [$one->x, $one->y, $image->off], $group, $best[0]);
    }
}
