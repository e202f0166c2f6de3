<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Geometry;

use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Tests\Support\RandomArt;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Judged by sums over many short chords, which know nothing of the formulas. */
final class CubicTest extends TestCase
{
    /** @return iterable<string, array{list<float>}> */
    public static function segments(): iterable
    {
        yield 'a hill' => [[0.0, 0.0, 3.0, 8.0, 7.0, 8.0, 10.0, 0.0]];
        yield 'a wave' => [[0.0, 0.0, 3.0, 9.0, 8.0, -4.0, 10.0, 2.0]];
        yield 'a loop' => [[0.0, 0.0, 14.0, 9.0, -4.0, 9.0, 10.0, 0.0]];
        yield 'a cusp' => [[0.0, 0.0, 10.0, 10.0, 0.0, 10.0, 10.0, 0.0]];
        yield 'with a handle on its start' => [[1.0, 1.0, 1.0, 1.0, 6.0, 9.0, 9.0, 3.0]];
        yield 'straight with handles along it' => [[0.0, 0.0, 1.0, 2.0, 3.0, 6.0, 5.0, 10.0]];
        $art = new RandomArt(55);
        for ($i = 0; $i < 4; $i++) {
            yield "by chance {$i}" => [array_map(static fn (): float => $art->between(-20, 20), range(1, 8))];
        }
    }

    /** @param  list<float>  $s */
    #[Test, DataProvider('segments')]
    public function a_length_is_that_of_many_chords(array $s): void
    {
        self::assertEqualsWithDelta(self::chords($s, 0.0, 1.0), Cubic::length($s), 1e-4);
        self::assertEqualsWithDelta(self::chords($s, 0.2, 0.7), Cubic::length($s, 0.2, 0.7), 1e-4);
        self::assertEqualsWithDelta(Cubic::length($s), Cubic::length($s, 0.0, 0.3) + Cubic::length($s, 0.3, 1.0), 1e-6);
    }

    /** @param  list<float>  $s */
    #[Test, DataProvider('segments')]
    public function derivatives_are_the_limits_of_differences(array $s): void
    {
        $h = 1e-5;
        foreach ([0.1, 0.5, 0.83] as $t) {
            [$a, $b] = [Cubic::at($s, $t - $h), Cubic::at($s, $t + $h)];
            self::assertEqualsWithDelta([($b[0] - $a[0]) / 2 / $h, ($b[1] - $a[1]) / 2 / $h], Cubic::derivative($s, $t), 1e-5);
            [$a, $b] = [Cubic::derivative($s, $t - $h), Cubic::derivative($s, $t + $h)];
            self::assertEqualsWithDelta([($b[0] - $a[0]) / 2 / $h, ($b[1] - $a[1]) / 2 / $h], Cubic::second($s, $t), 1e-5);
        }
    }

    /** @param  list<float>  $s */
    #[Test, DataProvider('segments')]
    public function the_area_to_the_origin_is_that_of_many_triangles(array $s): void
    {
        $sum = 0.0;
        for ($i = 0, $n = 4000; $i < $n; $i++) {
            [$a, $b] = [Cubic::at($s, $i / $n), Cubic::at($s, ($i + 1) / $n)];
            $sum += $a[0] * $b[1] - $a[1] * $b[0];
        }
        self::assertEqualsWithDelta($sum, Cubic::doubleArea($s), 1e-3);
        $back = [$s[6], $s[7], $s[4], $s[5], $s[2], $s[3], $s[0], $s[1]];
        self::assertEqualsWithDelta(-Cubic::doubleArea($s), Cubic::doubleArea($back), 1e-9);
    }

    /** @param  list<float>  $s */
    #[Test, DataProvider('segments')]
    public function between_its_turns_a_coordinate_only_rises_or_only_falls(array $s): void
    {
        $turns = Cubic::turns($s[0], $s[2], $s[4], $s[6]);
        sort($turns);
        self::assertLessThanOrEqual(2, count($turns));
        foreach ($turns as $t) {
            self::assertEqualsWithDelta(0.0, Cubic::derivative($s, $t)[0], 1e-6);
        }
        $ends = [0.0, ...$turns, 1.0];
        for ($i = 1; $i < count($ends); $i++) {
            $way = Cubic::at($s, $ends[$i])[0] <=> Cubic::at($s, $ends[$i - 1])[0];
            for ($k = 1; $k <= 20; $k++) {
                $from = Cubic::at($s, $ends[$i - 1] + ($ends[$i] - $ends[$i - 1]) * ($k - 1) / 20)[0];
                $to = Cubic::at($s, $ends[$i - 1] + ($ends[$i] - $ends[$i - 1]) * $k / 20)[0];
                self::assertGreaterThanOrEqual(-1e-9, $way * ($to - $from));
            }
        }
    }

    /** @param  list<float>  $s */
    #[Test, DataProvider('segments')]
    public function a_part_backwards_is_the_part_turned_round(array $s): void
    {
        $forth = Cubic::part($s, 0.25, 0.9);
        $back = Cubic::part($s, 0.9, 0.25);
        self::assertEqualsWithDelta($forth, [$back[6], $back[7], $back[4], $back[5], $back[2], $back[3], $back[0], $back[1]], 1e-12);
        foreach ([0.0, 0.3, 1.0] as $share) {
            self::assertEqualsWithDelta(Cubic::at($s, 0.25 + 0.65 * $share), Cubic::at($forth, $share), 1e-10);
        }
        // Ends that nobody cut are the very same numbers.
        self::assertSame(array_slice($s, 0, 2), array_slice(Cubic::part($s, 0.0, 0.4), 0, 2));
        self::assertSame(array_slice($s, 6), array_slice(Cubic::part($s, 0.4, 1.0), 6));
    }

    #[Test]
    public function on_a_line_a_parameter_is_a_share_of_the_length(): void
    {
        $line = Cubic::line(2, 3, 14, 8);
        self::assertTrue(Cubic::isLine($line));
        self::assertEqualsWithDelta([5.0, 4.25], Cubic::placeOn($line, 0.25), 1e-12);
        self::assertEqualsWithDelta([12.0, 5.0], Cubic::speedOn($line, 0.6), 1e-12);
        self::assertEqualsWithDelta(13.0, Cubic::length($line), 1e-12);
        self::assertTrue(Cubic::isLine(Cubic::part($line, 0.1, 0.4)));
        self::assertFalse(Cubic::isLine([0.0, 0.0, 1.0, 2.0, 3.0, 6.0, 5.0, 10.0]));
    }

    /** @param  list<float>  $s */
    private static function chords(array $s, float $from, float $to): float
    {
        $sum = 0.0;
        $before = Cubic::at($s, $from);
        for ($i = 1, $n = 20_000; $i <= $n; $i++) {
            $at = Cubic::at($s, $from + ($to - $from) * $i / $n);
            $sum += hypot($at[0] - $before[0], $at[1] - $before[1]);
            $before = $at;
        }

        return $sum;
    }

    /** @param  list<float>  $s */
    #[Test]
    #[DataProvider('segments')]
    public function it_crosses_a_line_wherever_its_places_change_sides(array $s): void
    {
        foreach ([[1.0, 0.0, -4.0], [0.0, 1.0, -3.1], [0.6, -0.8, -0.7]] as [$a, $b, $c]) {
            $side = static function (float $t) use ($s, $a, $b, $c): float {
                [$x, $y] = Cubic::placeOn($s, $t);

                return $a * $x + $b * $y + $c;
            };
            $found = Cubic::crossings($s, $a, $b, $c);
            $changes = 0;
            for ($i = 0; $i < 997; $i++) {
                $changes += $side($i / 997) * $side(($i + 1) / 997) < 0 ? 1 : 0;
            }
            self::assertCount($changes, $found);
            foreach ($found as $t) {
                self::assertEqualsWithDelta(0.0, $side($t), 1e-9);
            }
        }
    }

    #[Test]
    public function a_line_is_crossed_at_its_share_of_length_and_not_where_it_only_begins(): void
    {
        self::assertEqualsWithDelta([0.25], Cubic::crossings(Cubic::line(-1.0, 5.0, 3.0, 9.0), 1.0, 0.0, 0.0), 1e-12);
        foreach ([Cubic::line(0.0, 5.0, 3.0, 9.0), [0.0, 5.0, 1.0, 0.0, 2.0, 1.0, 3.0, 9.0]] as $begins) {
            self::assertSame([], Cubic::crossings($begins, 1.0, 0.0, 0.0));
            $begins[0] = -1e-10;
            $begins[2] -= $begins[2] === 0.0 ? 1e-10 : 0.0;
            self::assertCount(1, Cubic::crossings($begins, 1.0, 0.0, 0.0));
            self::assertSame([], Cubic::crossings($begins, 1.0, 0.0, 0.0, 1e-9));
        }
    }
}
