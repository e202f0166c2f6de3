<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Prepare;

use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Prepare\Colours\Joining;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Which colours become which: what comes out is what comparing all with all at each joining gives. */
final class JoiningTest extends TestCase
{
    #[Test]
    public function each_joining_is_the_cheapest_of_all_pairs_that_are_left(): void
    {
        mt_srand(11);
        for ($round = 0; $round < 12; $round++) {
            $areas = [];
            for ($k = 0; $k < 24; $k++) {
                // Some alike in area, some in colour: ties are settled alike.
                $areas[sprintf('#%02x%02x%02x', 16 * mt_rand(0, 5), 16 * mt_rand(0, 5), 16 * mt_rand(0, 3))] = (float) mt_rand(1, 6);
            }
            $kept = array_map(strval(...), array_slice(array_keys($areas), 2, 3));
            self::assertEqualsWithDelta(self::naive($areas, static fn (array $step): bool => true, 4, true, $kept), Joining::downTo($areas, 4, $kept), 1e-9);
            self::assertEqualsWithDelta(
                self::naive($areas, static fn (array $step): bool => $step['distance'] <= 9.0, 0, false, []),
                Joining::near($areas, 9.0),
                1e-9,
            );
        }
        self::assertSame([], Joining::near([], 5.0));
        // By black and white a difference of lightness counts least: #111111 is 5.06 of L* above black, and 2.93 away.
        self::assertSame([['#111111', '#000000'], ['#f0f0f0', '#ffffff']], array_map(
            static fn (array $step): array => [$step['from'], $step['to']],
            Joining::near(['#000000' => 2.0, '#111111' => 1.0, '#ffffff' => 2.0, '#f0f0f0' => 1.0], 3.2),
        ));
        self::assertSame([], Joining::downTo(['#000000' => 1.0, '#ffffff' => 1.0], 1, ['#000000', '#ffffff']), 'both are kept');
    }

    #[Test]
    public function many_colours_are_no_matter_of_minutes(): void
    {
        mt_srand(3);
        $areas = [];
        for ($k = 0; $k < 360; $k++) {
            $areas[sprintf('#%06x', mt_rand(0, 0xFFFFFF))] = mt_rand(1, 1000) / 10;
        }
        $pairs = 0;
        $steps = Joining::downTo($areas, 12);
        self::assertCount(count($areas) - 12, $steps);
        foreach ($steps as $step) {
            $pairs += $step['cost'] >= 0.0 ? 1 : 0;
        }
        self::assertSame(count($steps), $pairs);
        self::assertCount(count($areas) - 12, Joining::ends($steps));
    }

    /**
     * @param  array<string, float>  $areas
     * @param  callable(array{from: string, to: string, distance: float, cost: float}): bool  $goes
     * @param  list<string>  $kept
     * @return list<array{from: string, to: string, distance: float, cost: float}>
     */
    private static function naive(array $areas, callable $goes, int $least, bool $byArea, array $kept): array
    {
        $out = [];
        while (count($areas) > max(1, $least)) {
            $best = null;
            $names = array_map(strval(...), array_keys($areas));
            foreach ($names as $i => $a) {
                foreach (array_slice($names, $i + 1) as $b) {
                    [$from, $to] = $areas[$a] < $areas[$b] ? [$a, $b] : [$b, $a];
                    $turned = in_array($from, $kept, true);
                    [$from, $to] = $turned ? [$to, $from] : [$from, $to];
                    if (in_array($from, $kept, true)) {
                        continue;
                    }
                    $d = Colour::fromHex($from)->lab()->distanceTo(Colour::fromHex($to)->lab());
                    $price = $byArea ? $areas[$from] * $areas[$to] / ($areas[$from] + $areas[$to]) * $d * $d : $d;
                    $price = $turned ? max($areas[$from] * $d * $d, $price) : $price;
                    if ($best === null || $price < $best['cost']) {
                        $best = ['from' => $from, 'to' => $to, 'distance' => $d, 'cost' => $price];
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
}
