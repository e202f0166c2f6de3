<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Meant;

use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Patience\Patience;
use NeatEdge\Core\Trace\Curves;
use NeatEdge\Core\Trace\Repeated\Again;
use NeatEdge\Core\Trace\Repeated\Cluster;
use NeatEdge\Core\Trace\Repeated\Copies;
use NeatEdge\Core\Trace\Repeated\Images;
use NeatEdge\Core\Trace\Repeated\Lying;
use NeatEdge\Core\Trace\Repeated\Orbits;
use NeatEdge\Core\Trace\Repeated\Seen;

/** Halves that nearly mirror each other do: what lies on both sides of an axis, and pairs across one. */
final class Halves implements Rule
{
    /** Dots of all that is drawn of the least that is told: a dot of ink mirrors itself whatever was meant. */
    private const LONG = 30.0;

    /** Dots within which axes are one. */
    private const ONE = 0.6;

    /** Axes at an angle that are tried, the longest parts first. */
    private const SLANTED = 6;

    public static function key(): string
    {
        return 'halves';
    }

    public static function label(int $count): string
    {
        return $count === 1 ? '1 part with mirrored halves' : "{$count} parts with mirrored halves";
    }

    public static function apply(Curves $curves, float $noise): array
    {
        $within = Images::within($noise);
        $left = array_filter(Cluster::free($curves), static fn (Cluster $one): bool => $one->long >= self::LONG);
        if ($left === []) {
            return [];
        }
        $lying = Lying::of($curves, array_values($left));
        $found = [];
        foreach (self::axes($left) as [$x, $y, $angle]) {
            foreach (self::about($curves, $lying, $left, $x, $y, $angle, $within) as $place) {
                $found[] = $place;
            }
            if ($left === []) {
                break;
            }
        }

        return $found;
    }

    /**
     * @param  array<int, Cluster>  $clusters
     * @return list<array{float, float, float}> a place on each axis that is tried and its degrees, what most of the drawing lies about first
     */
    private static function axes(array $clusters): array
    {
        $box = [INF, INF, -INF, -INF];
        $middles = [90 => [], 0 => []];
        foreach ($clusters as $one) {
            $box = [min($box[0], $one->box[0]), min($box[1], $one->box[1]), max($box[2], $one->box[2]), max($box[3], $one->box[3])];
            $middles[90][] = [($one->box[0] + $one->box[2]) / 2, $one->long];
            $middles[0][] = [($one->box[1] + $one->box[3]) / 2, $one->long];
        }
        $axes = [];
        foreach ([90 => ($box[0] + $box[2]) / 2, 0 => ($box[1] + $box[3]) / 2] as $angle => $middle) {
            $groups = [[$middle, INF]];
            usort($middles[$angle], static fn (array $a, array $b): int => $a[0] <=> $b[0]);
            $values = [];
            foreach ([...$middles[$angle], [INF, 0.0]] as [$at, $long]) {
                if ($values !== [] && $at - $values[0][0] > self::ONE) {
                    $weight = array_sum(array_column($values, 1));
                    $groups[] = [array_sum(array_map(static fn (array $v): float => $v[0] * $v[1], $values)) / $weight, $weight];
                    $values = [];
                }
                $values[] = [$at, $long];
            }
            foreach ($groups as [$at, $weight]) {
                $axes[] = [$angle === 90 ? $at : 0.0, $angle === 90 ? 0.0 : $at, (float) $angle, $weight];
            }
        }
        usort($axes, static fn (array $a, array $b): int => [$b[3], $b[2]] <=> [$a[3], $a[2]]);
        usort($clusters, static fn (Cluster $a, Cluster $b): int => $b->long <=> $a->long);
        foreach (array_slice($clusters, 0, self::SLANTED) as $one) {
            foreach ([$one->slant, $one->slant + 90] as $angle) {
                $off = abs($angle - 90 * round($angle / 90));
                if (! $one->named && $off > 0.5) {
                    $axes[] = [$one->x, $one->y, $angle, 0.0];
                }
            }
        }

        return array_map(static fn (array $axis): array => [$axis[0], $axis[1], $axis[2]], $axes);
    }

    /**
     * @param  array<int, Cluster>  $left  what mirrors itself or another about the axis is taken out
     * @return list<array{float, float, float}>
     */
    private static function about(Curves $curves, Lying $lying, array &$left, float $x, float $y, float $angle, float $within): array
    {
        $mirror = self::mirror($x, $y, $angle);
        $found = [];
        foreach (self::pairs($curves, $lying, $left, $mirror, $within) as $i => [$k, $images]) {
            $one = $left[$i] ?? null;
            if ($one === null || ! isset($left[$k])) {
                continue;
            }
            $drawn = $k === $i ? (new Orbits($curves, $images, $mirror, 2, $within))->draw()
                : self::pair($curves, $lying, $one, $left[$k], $images, $mirror, $within);
            if (! $drawn) {
                continue;
            }
            $onto = array_map(static fn (array $image): int => $image[0], $images->chains);
            $onto += array_flip($onto);
            $curves->comesAgain(new Again(Again::MIRROR, [array_combine(array_keys($onto), array_keys($onto)), $onto], $x, $y, $angle));
            if ($k !== $i || ! $one->named) {
                $found[] = [$one->x, $one->y, $images->off];
            }
            unset($left[$i], $left[$k]);
        }

        return $found;
    }

    /** A reflection about an axis through a place. */
    private static function mirror(float $x, float $y, float $angle): Matrix
    {
        [$cos, $sin] = [cos(deg2rad(2 * $angle)), sin(deg2rad(2 * $angle))];

        return new Matrix($cos, $sin, $sin, -$cos, $x - $cos * $x - $sin * $y, $y - $sin * $x + $cos * $y);
    }

    /**
     * @param  array<int, Cluster>  $clusters
     * @return array<int, array{int, Images}> by each its image, which may be itself; none where only shapes with a name mirror themselves
     */
    private static function pairs(Curves $curves, Lying $lying, array $clusters, Matrix $mirror, float $within): array
    {
        $pairs = [];
        $meant = false;
        foreach ($clusters as $i => $one) {
            Patience::ask(16);
            $image = $mirror->apply($one->x, $one->y);
            foreach ($clusters as $k => $other) {
                if ($k < $i || hypot($image->x - $other->x, $image->y - $other->y) > 2 * self::ONE + $within || ! $one->isLike($other, $within)) {
                    continue;
                }
                $images = Images::of($curves, $lying, $one, $mirror, $other, $within);
                if ($images !== null) {
                    $pairs[$i] = [$k, $images];
                    // Every circle mirrors itself about its middle.
                    $meant = $meant || $k !== $i || ! $one->named;
                    break;
                }
            }
        }

        return $meant ? $pairs : [];
    }

    private static function pair(Curves $curves, Lying $lying, Cluster $one, Cluster $other, Images $images, Matrix $mirror, float $within): bool
    {
        $own = Images::of($curves, $lying, $one, Matrix::identity(), $one, $within);
        if ($own === null) {
            return false;
        }
        $back = Images::of($curves, $lying, $other, $mirror, $one, $within);
        $still = Images::of($curves, $lying, $other, Matrix::identity(), $other, $within);
        // The one that is the better image of the other is kept.
        $swap = $back !== null && $still !== null && Seen::image($curves, $back->chains, $mirror) < Seen::image($curves, $images->chains, $mirror);
        Copies::draw($curves, $swap ? [$still, $back] : [$own, $images], [Matrix::identity(), $mirror]);

        return true;
    }
}
