<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Colours;

use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Measure\Lab;

/**
 * Which colours become which: step by step the pair that costs least.
 *
 * @source J. H. Ward, "Hierarchical grouping to optimize an objective function", 1963
 */
final class Joining
{
    /** L* under which, with chroma under the next, a colour is near black. */
    public const DARK = 12.0;

    public const GREY = 6.0;

    /** By how much L* of two colours may differ for each unit of CIEDE2000 that they are apart: what its weight of lightness comes to at black and white. */
    private const LIGHTNESS = 1.75;

    /**
     * Pairs that are nearer than a distance become one, the nearest first, the smaller the larger.
     *
     * @param  array<string, float>  $areas  mm² by hex
     * @return list<array{from: string, to: string, distance: float, cost: float}>
     */
    public static function near(array $areas, float $distance): array
    {
        return self::steps(
            $areas,
            static fn (array $step): bool => $step['distance'] <= $distance,
            0,
            static fn (float $a, float $b, float $d): float => $d,
            reach: self::LIGHTNESS * $distance,
        );
    }

    /**
     * Until so many are left: the pair of which joining changes the picture least.
     *
     * @param  array<string, float>  $areas
     * @param  list<string>  $kept  hex of those that become no other
     * @return list<array{from: string, to: string, distance: float, cost: float}>
     */
    public static function downTo(array $areas, int $count, array $kept = []): array
    {
        return self::steps($areas, static fn (): bool => true, $count, static fn (float $a, float $b, float $d): float => $a * $b / ($a + $b) * $d * $d, $kept);
    }

    public static function isNearBlack(Colour $colour): bool
    {
        $lab = $colour->lab();

        return $lab->l < self::DARK && $lab->chroma() < self::GREY;
    }

    /**
     * @param  array<string, float>  $areas
     * @param  callable(array{from: string, to: string, distance: float, cost: float}): bool  $goes
     * @param  callable(float, float, float): float  $cost  of two areas and a distance
     * @param  list<string>  $kept
     * @param  float  $reach  L* by which those that are not to be joined anyway differ: they are not compared
     * @return list<array{from: string, to: string, distance: float, cost: float}>
     */
    private static function steps(array $areas, callable $goes, int $least, callable $cost, array $kept = [], float $reach = INF): array
    {
        $names = array_map(strval(...), array_keys($areas));
        $lab = array_map(static fn (string $hex): Lab => Colour::fromHex($hex)->lab(), $names);
        $area = array_values($areas);
        $stays = array_map(static fn (string $hex): bool => in_array($hex, $kept, true), $names);
        // Each colour knows its best partner among those after it; a joining changes few of them, so that not all pairs are looked at for each.
        $best = [];
        $left = array_keys($names);
        foreach ($left as $i) {
            $best[$i] = self::best($i, $left, $lab, $area, $stays, $cost, $reach);
        }
        $steps = [];
        while (count($left) > max(1, $least)) {
            $first = self::cheapest($best);
            if ($first === null) {
                break;
            }
            [$price, $distance, $from, $to] = $first;
            $step = ['from' => $names[$from], 'to' => $names[$to], 'distance' => $distance, 'cost' => $price];
            if (! $goes($step)) {
                break;
            }
            $steps[] = $step;
            $area[$to] += $area[$from];
            unset($best[$from]);
            $left = array_values(array_filter($left, static fn (int $i): bool => $i !== $from));
            foreach ($left as $i) {
                $own = $best[$i];
                if ($i === $to || ($own !== null && ($own[2] === $from || $own[3] === $from || $own[2] === $to || $own[3] === $to))) {
                    $best[$i] = self::best($i, $left, $lab, $area, $stays, $cost, $reach);
                } elseif ($i < $to) {
                    $new = abs($lab[$i]->l - $lab[$to]->l) > $reach ? null : self::pair($i, $to, $lab, $area, $stays, $cost);
                    if ($new !== null && ($own === null || $new[0] < $own[0] || ($new[0] === $own[0] && $to < max($own[2], $own[3])))) {
                        $best[$i] = $new;
                    }
                }
            }
        }

        return $steps;
    }

    /**
     * @param  array<int, array{float, float, int, int}|null>  $best  of each colour
     * @return array{float, float, int, int}|null the first of several
     */
    private static function cheapest(array $best): ?array
    {
        $first = null;
        foreach ($best as $one) {
            $first = $one !== null && ($first === null || $one[0] < $first[0]) ? $one : $first;
        }

        return $first;
    }

    /**
     * The cheapest joining of a colour with one after it, the first of several.
     *
     * @param  list<int>  $left
     * @param  list<Lab>  $lab
     * @param  array<int, float>  $area
     * @param  list<bool>  $stays
     * @param  callable(float, float, float): float  $cost
     * @return array{float, float, int, int}|null see pair()
     */
    private static function best(int $i, array $left, array $lab, array $area, array $stays, callable $cost, float $reach): ?array
    {
        $best = null;
        $light = $lab[$i]->l;
        foreach ($left as $k) {
            if ($k > $i && abs($light - $lab[$k]->l) <= $reach) {
                $one = self::pair($i, $k, $lab, $area, $stays, $cost);
                $best = $one !== null && ($best === null || $one[0] < $best[0]) ? $one : $best;
            }
        }

        return $best;
    }

    /**
     * @param  list<Lab>  $lab
     * @param  array<int, float>  $area
     * @param  list<bool>  $stays
     * @param  callable(float, float, float): float  $cost
     * @return array{float, float, int, int}|null what it costs, how far they are apart, which becomes the other; null where both are kept
     */
    private static function pair(int $a, int $b, array $lab, array $area, array $stays, callable $cost): ?array
    {
        [$from, $to] = $area[$a] < $area[$b] ? [$a, $b] : [$b, $a];
        $turned = $stays[$from];
        if ($turned) {
            [$from, $to] = [$to, $from];
        }
        if ($stays[$from]) {
            return null;
        }
        $distance = $lab[$from]->distanceTo($lab[$to]);
        $price = $cost($area[$from], $area[$to], $distance);

        // Where the larger must give way to a smaller that is kept, all of it changes.
        return [$turned ? max($area[$from] * $distance * $distance, $price) : $price, $distance, $from, $to];
    }

    /**
     * @param  list<array{from: string, to: string, distance: float, cost: float}>  $steps
     * @return array<string, string> hex by hex, each led to where it ends
     */
    public static function ends(array $steps): array
    {
        $to = [];
        foreach (array_reverse($steps) as $step) {
            $to[$step['from']] = $to[$step['to']] ?? $step['to'];
        }

        return $to;
    }
}
