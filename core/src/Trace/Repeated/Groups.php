<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Repeated;

use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Trace\Curves;

/** Clusters that may be one another, moved. */
final class Groups
{
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
     * @param  list<Cluster>  $group
     * @param  list<Matrix>  $matrices  from the one that is drawn to each
     * @param  int  $first  number of the one that is drawn
     * @return list<Images>|null of that one on each; null where one of them is another thing
     */
    public static function images(Curves $curves, Lying $lying, array $group, array $matrices, float $within, int $first = 0): ?array
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
     * @param  list<Images>  $images
     * @param  list<Matrix>  $matrices
     * @return float how far off what the dots say all of them are, drawn after the one, see Seen
     */
    public static function off(Curves $curves, array $images, array $matrices): float
    {
        $sum = 0.0;
        foreach ($images as $k => $image) {
            $sum += Seen::image($curves, $image->chains, $matrices[$k]);
        }

        return $sum;
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
