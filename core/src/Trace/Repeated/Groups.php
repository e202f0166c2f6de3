<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Repeated;

use Closure;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Trace\Curves;

/** Clusters that may be one another, moved. */
final class Groups
{
    /** Of how many alike parts each is tried as the one after which the others are drawn. */
    private const TRIED = 3;

    /**
     * @param  list<Cluster>  $clusters
     * @return list<non-empty-list<Cluster>>
     */
    public static function of(array $clusters, Curves $curves, float $within): array
    {
        $groups = [];
        foreach ($clusters as $one) {
            foreach ($groups as $k => $group) {
                if ($group[0]->isLike($one, $within) && self::kind($group[0], $curves) === self::kind($one, $curves)) {
                    $groups[$k][] = $one;

                    continue 2;
                }
            }
            $groups[] = [$one];
        }

        return array_values($groups);
    }

    private static function kind(Cluster $one, Curves $curves): string
    {
        return $one->named ? $curves->models[$one->chains[0]]->kind : '';
    }

    /**
     * The one after which all of them keep closest to their dots.
     *
     * @param  list<Cluster>  $group  one after the other
     * @param  Closure(int): Matrix  $move  from one to that so many steps on
     * @return array{list<Images>, list<Matrix>}|null of that one on each, and its moves; null where one of them is another thing
     */
    public static function best(Curves $curves, Lying $lying, array $group, Closure $move, float $within): ?array
    {
        [$best, $least] = [null, INF];
        for ($first = 0; $first < min(self::TRIED, count($group)); $first++) {
            $matrices = array_map(static fn (int $k): Matrix => $move($k - $first), array_keys($group));
            $images = self::images($curves, $lying, $group, $matrices, $within, $first);
            if ($images === null) {
                continue;
            }
            $off = 0.0;
            foreach ($images as $k => $image) {
                $off += Seen::image($curves, $image->chains, $matrices[$k]);
            }
            if ($off < $least) {
                [$best, $least] = [[$images, $matrices], $off];
            }
        }

        return $best;
    }

    /**
     * @param  list<Cluster>  $group
     * @param  list<Matrix>  $matrices  from the one that is drawn to each
     * @param  int  $first  number of the one that is drawn
     * @return list<Images>|null
     */
    private static function images(Curves $curves, Lying $lying, array $group, array $matrices, float $within, int $first): ?array
    {
        $images = [];
        foreach ($group as $k => $one) {
            $image = Images::of($curves, $lying, $group[$first], $matrices[$k], $one, $within);
            if ($image === null) {
                return null;
            }
            $images[] = $image;
        }

        return $images;
    }

    /**
     * By the chains of the first copy those of each.
     *
     * @param  list<Images>  $images
     * @return list<array<int, int>>
     */
    public static function copies(array $images): array
    {
        $copies = [];
        foreach ($images as $image) {
            $copy = [];
            foreach ($image->chains as $chain => [$onto]) {
                $copy[$images[0]->chains[$chain][0]] = $onto;
            }
            $copies[] = $copy;
        }

        return $copies;
    }
}
