<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Meant;

use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Patience\Patience;
use NeatEdge\Core\Trace\Curves;
use NeatEdge\Core\Trace\Repeated\Again;
use NeatEdge\Core\Trace\Repeated\Cluster;
use NeatEdge\Core\Trace\Repeated\Copies;
use NeatEdge\Core\Trace\Repeated\Groups;
use NeatEdge\Core\Trace\Repeated\Images;
use NeatEdge\Core\Trace\Repeated\Lying;
use NeatEdge\Core\Trace\Repeated\Orbits;

/** What nearly comes again about a centre does: a rose, a wheel, petals that stand apart. */
final class AboutCentre implements Rule
{
    private const LONG = 40.0;

    /** Times that something comes again in a round. */
    private const MOST = 24;

    private const LEAST = 3;

    /** Dots within which centres are one. */
    private const ONE = 0.5;

    public static function key(): string
    {
        return 'round';
    }

    public static function label(int $count): string
    {
        return $count === 1 ? '1 part repeated about a centre' : "{$count} parts repeated about a centre";
    }

    public static function apply(Curves $curves, float $noise): array
    {
        $within = Images::within($noise);
        $clusters = Cluster::free($curves);
        if ($clusters === []) {
            return [];
        }
        usort($clusters, static fn (Cluster $a, Cluster $b): int => $b->long <=> $a->long);
        $lying = Lying::of($curves, $clusters);
        $centres = [];
        foreach ($curves->models as $model) {
            if ($model->kind === 'circle') {
                $centres[] = [$model->x, $model->y];
            }
        }
        $found = [];
        foreach ($clusters as $one) {
            if ($one->named || $one->long < self::LONG) {
                continue;
            }
            foreach (self::centres($centres, $one->x, $one->y) as $centre) {
                if (self::itself($curves, $lying, $one, $centre, $within, $found)) {
                    $centres[] = $centre;
                    break;
                }
            }
        }
        foreach (Groups::of($clusters, $curves, $within) as $group) {
            $settled = $curves->settled();
            if (count($group) >= self::LEAST && ! isset($settled[$group[0]->chains[0]])) {
                self::ring($curves, $lying, $group, $centres, $within, $found);
            }
        }

        return $found;
    }

    /**
     * @param  list<array{float, float}>  $centres
     * @return list<array{float, float}> one that is near already, so that all of them share it, and its own
     */
    private static function centres(array $centres, float $x, float $y): array
    {
        foreach ($centres as $centre) {
            if (hypot($centre[0] - $x, $centre[1] - $y) <= self::ONE) {
                return [$centre, [$x, $y]];
            }
        }

        return [[$x, $y]];
    }

    /**
     * @param  array{float, float}  $centre
     * @param  list<array{float, float, float}>  $found
     */
    private static function itself(Curves $curves, Lying $lying, Cluster $one, array $centre, float $within, array &$found): bool
    {
        for ($order = self::MOST; $order >= self::LEAST; $order--) {
            Patience::ask(4);
            $turn = Matrix::rotation(360 / $order, $centre[0], $centre[1]);
            $images = Images::of($curves, $lying, $one, $turn, $one, $within);
            if ($images === null || ! (new Orbits($curves, $images, $turn, $order, $within))->draw()) {
                continue;
            }
            $copies = [];
            $at = array_combine($one->chains, $one->chains);
            for ($k = 0; $k < $order; $k++) {
                $copies[] = $at;
                $at = array_map(static fn (int $chain): int => $images->chains[$chain][0], $at);
            }
            $curves->comesAgain(new Again(Again::RING, $copies, $centre[0], $centre[1], 360 / $order));
            $found[] = [$centre[0], $centre[1], $images->off];

            return true;
        }

        return false;
    }

    /**
     * @param  non-empty-list<Cluster>  $group  that are alike
     * @param  list<array{float, float}>  $centres
     * @param  list<array{float, float, float}>  $found
     */
    private static function ring(Curves $curves, Lying $lying, array $group, array $centres, float $within, array &$found): void
    {
        $count = count($group);
        $x = array_sum(array_column($group, 'x')) / $count;
        $y = array_sum(array_column($group, 'y')) / $count;
        $radius = hypot($group[0]->x - $x, $group[0]->y - $y);
        usort($group, static fn (Cluster $a, Cluster $b): int => atan2($a->y - $y, $a->x - $x) <=> atan2($b->y - $y, $b->x - $x));
        foreach ($group as $one) {
            if (abs(hypot($one->x - $x, $one->y - $y) - $radius) > self::ONE + $within || $radius < 2.0) {
                return;
            }
        }
        foreach (self::centres($centres, $x, $y) as $centre) {
            $move = static fn (int $steps): Matrix => Matrix::rotation(360 * $steps / $count, ...$centre);
            $best = Groups::best($curves, $lying, $group, $move, $within);
            if ($best === null) {
                continue;
            }
            Copies::draw($curves, ...$best);
            $curves->comesAgain(Again::round(Groups::copies($best[0]), ...$centre));
            foreach ($group as $k => $one) {
                $found[] = [$one->x, $one->y, $best[0][$k]->off];
            }

            return;
        }
    }
}
