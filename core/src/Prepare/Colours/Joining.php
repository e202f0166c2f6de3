<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Colours;

use NeatEdge\Core\Artwork\Colour;
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

    /**
     * Pairs that are nearer than a distance become one, the nearest first, the smaller the larger.
     *
     * @param  array<string, float>  $areas  mm² by hex
     * @return list<array{from: string, to: string, distance: float, cost: float}>
     */
    public static function near(array $areas, float $distance): array
    {
        return self::steps($areas, static fn (array $step): bool => $step['distance'] <= $distance, 0, static fn (float $a, float $b, float $d): float => $d);
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
     * @return list<array{from: string, to: string, distance: float, cost: float}>
     */
    private static function steps(array $areas, callable $goes, int $least, callable $cost, array $kept = []): array
    {
        $lab = array_map(static fn (string $hex): Lab => Colour::fromHex($hex)->lab(), array_combine(array_keys($areas), array_map(strval(...), array_keys($areas))));
        $out = [];
        while (count($areas) > max(1, $least)) {
            $best = null;
            $names = array_map(strval(...), array_keys($areas));
            foreach ($names as $i => $a) {
                for ($k = $i + 1, $n = count($names); $k < $n; $k++) {
                    $b = $names[$k];
                    [$from, $to] = $areas[$a] < $areas[$b] ? [$a, $b] : [$b, $a];
                    $turned = in_array($from, $kept, true);
                    if ($turned) {
                        [$from, $to] = [$to, $from];
                    }
                    if (in_array($from, $kept, true)) {
                        continue;
                    }
                    $distance = $lab[$from]->distanceTo($lab[$to]);
                    // Where the larger must give way to a smaller that is kept, all of it changes.
                    $price = $turned ? max($areas[$from] * $distance * $distance, $cost($areas[$from], $areas[$to], $distance)) : $cost($areas[$from], $areas[$to], $distance);
                    if ($best === null || $price < $best['cost']) {
                        $best = ['from' => $from, 'to' => $to, 'distance' => $distance, 'cost' => $price];
                    }
                }
            }
            if ($best === null || ! $goes($best)) {
                break;
            }
            $areas[$best['to']] += $areas[$best['from']];
            unset($areas[$best['from']]);
            $out[] = $best;
        }

        return $out;
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
