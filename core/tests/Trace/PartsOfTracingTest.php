<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Trace;

use Closure;
use NeatEdge\Core\Tests\Support\Painted;
use NeatEdge\Core\Trace\Borders;
use NeatEdge\Core\Trace\Chain;
use NeatEdge\Core\Trace\Corners;
use NeatEdge\Core\Trace\Denoised;
use NeatEdge\Core\Trace\Diagonal;
use NeatEdge\Core\Trace\Ends;
use NeatEdge\Core\Trace\FewCurves;
use NeatEdge\Core\Trace\Ink;
use NeatEdge\Core\Trace\Inks;
use NeatEdge\Core\Trace\Labels;
use NeatEdge\Core\Trace\Light;
use NeatEdge\Core\Trace\Model;
use NeatEdge\Core\Trace\Models;
use NeatEdge\Core\Trace\Noise;
use NeatEdge\Core\Trace\Options;
use NeatEdge\Core\Trace\Places;
use NeatEdge\Core\Trace\Regions;
use NeatEdge\Core\Trace\Scan;
use NeatEdge\Core\Trace\Strands;
use NeatEdge\Core\Trace\Tracing;
use NeatEdge\Core\Trace\Way;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** D14: each part of tracing by itself, on pictures whose truth is known. */
final class PartsOfTracingTest extends TestCase
{
    /** @return list<string> */
    private static function found(Scan $scan, ?int $wanted = null): array
    {
        return array_map(static fn (Ink $ink): string => $ink->colour->hex(), Inks::of($scan, $wanted)->inks);
    }

    /** @return array{Scan, Regions, Borders, array<int, list<array{float, float}>>} */
    private static function bordered(string $bytes, int $speck = 4): array
    {
        $scan = Scan::of($bytes);
        $inks = Inks::of($scan)->inks;
        $labels = Labels::of($scan, $inks);
        $diagonal = new Diagonal($scan, $inks);
        $regions = Regions::of($labels, $scan->width, $scan->height, $speck, $diagonal);
        $borders = Borders::of($regions, $diagonal);
        $places = new Places($scan, $regions, $inks, Light::of($scan, $inks, $labels));

        return [$scan, $regions, $borders, array_map($places->along(...), $borders->chains)];
    }

    /** @return list<array{float, float}> of the longest border that is no frame */
    private static function longest(string $bytes): array
    {
        [, , $borders, $places] = self::bordered($bytes);
        $own = array_filter($places, static fn (int $i): bool => ! $borders->chains[$i]->isFrame(), ARRAY_FILTER_USE_KEY);
        usort($own, static fn (array $a, array $b): int => count($b) <=> count($a));

        return $own[0];
    }

    #[Test]
    public function mixtures_along_edges_found_no_colour(): void
    {
        $rule = static fn (float $x, float $y): int => hypot($x - 60, $y - 60) < 30 ? 0xCC3333 : (hypot($x - 60, $y - 60) < 50 ? 0x1D5C46 : 0xFFFFFF);
        self::assertSame(['#ffffff', '#1d5c46', '#cc3333'], self::found(Scan::of(Painted::picture(120, 120, $rule))));
        $noisy = array_map(static fn (Ink $ink) => $ink->colour, Inks::of(Scan::of(Painted::picture(240, 240, static fn (float $x, float $y): int => $rule($x / 2, $y / 2), 75)))->inks);
        self::assertCount(3, $noisy, 'nor does the noise of JPEG');
    }

    #[Test]
    public function a_line_thinner_than_two_dots_founds_its_own_colour(): void
    {
        $line = static fn (float $x, float $y): int => abs($x - $y) < 0.9 ? 0x000000 : ($x > 60 ? 0xE0A030 : 0xFFFFFF);
        $found = Inks::of(Scan::of(Painted::picture(120, 120, $line)))->inks;
        self::assertCount(3, $found);
        self::assertTrue($found[2]->colour->distanceTo(\NeatEdge\Core\Measure\Colour::fromHex('#000000')) < 60);
    }

    #[Test]
    public function colours_are_joined_until_there_are_as_few_as_wanted(): void
    {
        $bars = static fn (float $x): int => [0x000000, 0xFFFFFF, 0xF0F0E0, 0xCC3333, 0xC02828, 0x2244AA][(int) ($x / 20)];
        $scan = Scan::of(Painted::picture(120, 40, $bars));
        self::assertCount(6, self::found($scan));
        self::assertCount(4, self::found($scan, 4));
        self::assertCount(1, self::found($scan, 1));
        $halves = Scan::of(Painted::picture(120, 40, static fn (float $x): int => $x < 30 ? 0x000000 : 0xC8C8C8));
        self::assertContains(self::found($halves, 1)[0], ['#959595', '#969696', '#979797'], 'the mean of both, by how much there is of each');
        $tiles = (string) file_get_contents(dirname(__DIR__, 3).'/node_modules/@twemoji/svg/1f004.svg');
        self::assertCount(3, self::found(Scan::of(Painted::drawing($tiles, 512, 75))), 'what JPEG tints beside red is no colour of its own');
    }

    #[Test]
    public function what_runs_from_colour_to_colour_is_told_to_be_a_photo(): void
    {
        mt_srand(7);
        $shaded = static fn (float $x, float $y): int => (int) (127 + 120 * sin($x / 13)) << 16 | (int) (127 + 120 * cos($y / 17)) << 8 | (int) (127 + 120 * sin(($x + $y) / 19));
        $inks = Inks::of(Scan::of(Painted::picture(160, 120, static fn (float $x, float $y): int => $shaded(floor($x), floor($y)))));
        self::assertTrue($inks->photo);
        self::assertLessThanOrEqual(6, count($inks->inks));
        self::assertFalse(Inks::of(Scan::of(Painted::picture(60, 60, static fn (float $x): int => $x < 30 ? 0 : 0xFFFFFF)))->photo);
    }

    #[Test]
    public function a_grey_that_is_there_takes_no_dot_of_an_edge_between_black_and_white(): void
    {
        $rule = static fn (float $x, float $y): int => $x < 25 ? 0x808080 : (hypot($x - 80, $y - 50) < 30 ? 0x000000 : 0xFFFFFF);
        [, $regions] = self::bordered(Painted::picture(130, 100, $rule), 1);
        self::assertCount(3, $regions->size, 'grey, white, black: no sliver of grey round the disc');
    }

    #[Test]
    public function a_thin_line_beside_its_ground_alone_is_no_grey_that_lies_elsewhere(): void
    {
        $rule = static fn (float $x, float $y): int => $x < 20 ? 0x808080 : (abs($y - 0.31 * $x - 20.2) < 1.1 && $x > 40 ? 0x000000 : 0xFFFFFF);
        [, $regions] = self::bordered(Painted::picture(150, 90, $rule), 1);
        self::assertCount(3, $regions->size, 'grey, white, the line');
    }

    #[Test]
    public function grain_goes_and_edges_stay_where_they_are(): void
    {
        mt_srand(4);
        $dots = [];
        for ($i = 0; $i < 60 * 60; $i++) {
            $value = ($i % 60 < 30 ? 60 : 200) + mt_rand(-15, 15);
            $dots[] = $value << 16 | $value << 8 | $value;
        }
        $dots[10 * 60 + 45] = 0x000000;
        $smooth = Denoised::of(new Scan(60, 60, array_values($dots)));
        $off = [];
        foreach ($smooth->dots as $i => $dot) {
            $off[] = abs(($dot & 255) - ($i % 60 < 30 ? 60 : 200));
        }
        self::assertLessThan(14, max([0, ...$off]), 'also next to the edge, and the lone dark dot is gone');
        self::assertLessThan(4.0, array_sum($off) / count($off));
    }

    #[Test]
    public function specks_go_into_what_surrounds_them_and_a_thin_line_across_stays_one(): void
    {
        $specks = static fn (float $x, float $y): int => ((int) $x % 20 === 10 && (int) $y % 20 === 10) || abs($x - 50) < 5 ? 0x000000 : 0xFFFFFF;
        [, $regions] = self::bordered(Painted::picture(100, 100, $specks), 4);
        self::assertSame(20, $regions->dropped);
        self::assertCount(3, $regions->size);
        $across = static fn (float $x, float $y): int => abs((int) $x - (int) $y) < 1 && $x > 10 && $x < 90 ? 0x000000 : 0xFFFFFF;
        [$scan, $regions, $borders] = self::bordered(Painted::picture(100, 100, $across), 4);
        self::assertSidesAreTold($scan, $regions, $borders);
        self::assertSame(0, $regions->dropped, 'its dots hang together corner to corner');
        $line = array_search(min([PHP_INT_MAX, ...$regions->size]), $regions->size, true);
        self::assertCount(1, $borders->rings[(int) $line], 'one ring round all of them, no beads');
        self::assertEqualsWithDelta(80, min([PHP_INT_MAX, ...$regions->size]), 1);
    }

    /** At every step of every border the dots on both sides are of its regions. */
    private static function assertSidesAreTold(Scan $scan, Regions $regions, Borders $borders): void
    {
        $at = static fn (int $x, int $y): int => $x < 0 || $y < 0 || $x >= $scan->width || $y >= $scan->height ? -1 : $regions->of[$y * $scan->width + $x];
        foreach ($borders->chains as $chain) {
            [$x, $y] = [$chain->x, $chain->y];
            foreach ($chain->steps as $way) {
                // Of who goes right, down, left, up.
                [$left, $right] = [
                    [$at($x, $y - 1), $at($x, $y)],
                    [$at($x, $y), $at($x - 1, $y)],
                    [$at($x - 1, $y), $at($x - 1, $y - 1)],
                    [$at($x - 1, $y - 1), $at($x, $y - 1)],
                ][$way];
                self::assertSame([$chain->left, $chain->right], [$left, $right]);
                $x += [1, 0, -1, 0][$way];
                $y += [0, 1, 0, -1][$way];
            }
        }
    }

    #[Test]
    public function every_border_is_told_once_and_has_a_region_on_either_side(): void
    {
        $pie = static function (float $x, float $y): int {
            $angle = atan2($y - 50, $x - 50);

            return hypot($x - 50, $y - 50) > 38 ? 0xFFFFFF : ($angle < -2 ? 0xCC3333 : ($angle < 0.5 ? 0x33CC33 : 0x3333CC));
        };
        [$scan, $regions, $borders] = self::bordered(Painted::picture(100, 100, $pie));
        self::assertSidesAreTold($scan, $regions, $borders);
        $edges = [];
        foreach ($borders->chains as $chain) {
            self::assertNotSame($chain->left, $chain->right);
            [$x, $y] = [$chain->x, $chain->y];
            foreach ($chain->steps as $way) {
                [$nx, $ny] = [$x + [1, 0, -1, 0][$way], $y + [0, 1, 0, -1][$way]];
                $edge = min("{$x} {$y} {$nx} {$ny}", "{$nx} {$ny} {$x} {$y}");
                self::assertArrayNotHasKey($edge, $edges);
                $edges[$edge] = true;
                [$x, $y] = [$nx, $ny];
            }
        }
        self::assertSame(4, count(array_filter($borders->chains, static fn (Chain $chain): bool => ! $chain->isFrame() && $chain->left !== 0 && $chain->right !== 0)) + 1);
        $sides = 0;
        foreach ($regions->of as $i => $region) {
            $sides += $i % $scan->width > 0 && $regions->of[$i - 1] !== $region ? 1 : 0;
            $sides += $i >= $scan->width && $regions->of[$i - $scan->width] !== $region ? 1 : 0;
        }
        self::assertCount($sides + 2 * ($scan->width + $scan->height), $edges, 'all of them');
        $used = [];
        foreach ($borders->rings as $region => $rings) {
            foreach ($rings as $ring) {
                foreach ($ring as [$i, $forward]) {
                    self::assertSame($region, $forward ? $borders->chains[$i]->left : $borders->chains[$i]->right);
                    $used[] = 2 * $i + (int) $forward;
                }
            }
        }
        self::assertSame(count($used), count(array_unique($used)), 'no border is used twice by one side');
    }

    #[Test]
    public function borders_meet_where_they_come_in_along_and_go_on_where_they_are_one(): void
    {
        // Three sectors about a place within a dot.
        $sector = static fn (float $x, float $y): int => [0xCC3333, 0x1D5C46, 0x224488][(int) floor(fmod(atan2($y - 49.64, $x - 50.31) + 0.3 + 4 * M_PI, 2 * M_PI) / (2 * M_PI / 3))];
        [, , $borders, $places] = self::bordered(Painted::picture(100, 100, $sector));
        $ends = Ends::of($borders->chains, $places);
        $off = array_map(static fn (array $end): float => hypot($end[0] - 50.31, $end[1] - 49.64), $ends);
        self::assertLessThan(0.12, min([INF, ...$off]));
        foreach ($ends as [$x, $y]) {
            self::assertTrue(hypot($x - 50.31, $y - 49.64) < 1 || $x < 1e-3 || $y < 1e-3 || $x > 99.999 || $y > 99.999, 'the others lie on the frame');
        }
        // A disc over two grounds: its border is one, though it is told in two chains.
        $disc = static fn (float $x, float $y): int => hypot($x - 50, $y - 50) < 30 ? 0xCC3333 : ($y < 43 ? 0x1D5C46 : 0x224488);
        [, , $borders, $places] = self::bordered(Painted::picture(100, 100, $disc));
        $round = array_values(array_filter(Strands::of($borders->chains, $places, Ends::of($borders->chains, $places)), static fn (array $strand): bool => count($strand['chains']) > 1));
        self::assertCount(1, $round);
        self::assertSame([2, true], [count($round[0]['chains']), $round[0]['closed']]);
    }

    #[Test]
    public function what_is_nearly_level_is(): void
    {
        $places = self::longest(Painted::picture(130, 90, static fn (float $x, float $y): int => abs($x - 64.3 + 0.002 * $y) < 40 && abs($y - 45.2 - 0.002 * $x) < 22 ? 0x101010 : 0xFFFFFF));
        self::assertSame(0.0, Models::of(new Way($places, true), 0.03, ['rectangle'])?->turn);
    }

    /** @return array<string, array{bool, int|null, float}> */
    public static function waysOfMixing(): array
    {
        return ['numbers' => [false, null, 0.06], 'light' => [true, null, 0.08], 'JPEG' => [false, 75, 0.5]];
    }

    #[Test]
    #[DataProvider('waysOfMixing')]
    public function a_border_is_told_to_a_part_of_a_dot(bool $light, ?int $quality, float $off): void
    {
        $places = self::longest(Painted::picture(160, 150, static fn (float $x, float $y): int => hypot($x - 80.3, $y - 74.6) < 60.37 ? 0x203050 : 0xF4F4F4, $quality, $light));
        self::assertGreaterThan(300, count($places));
        $sum = 0.0;
        foreach ($places as [$x, $y]) {
            $one = hypot($x - 80.3, $y - 74.6) - 60.37;
            self::assertEqualsWithDelta(0.0, $one, $off);
            $sum += $one;
        }
        self::assertEqualsWithDelta(0.0, $sum / count($places), 0.03, 'neither within nor beyond');
    }

    #[Test]
    public function a_line_thinner_than_a_dot_is_as_wide_as_it_was_drawn(): void
    {
        // Lower right of the middle of its dots: one of them has all of it but a little.
        $places = self::longest(Painted::picture(100, 60, static fn (float $x, float $y): int => abs($y - 30.62) < 0.7 && $x > 10 && $x < 90 ? 0x000000 : 0xFFFFFF));
        $upper = array_filter($places, static fn (array $place): bool => $place[0] > 15 && $place[0] < 85 && $place[1] < 30.62);
        $lower = array_filter($places, static fn (array $place): bool => $place[0] > 15 && $place[0] < 85 && $place[1] > 30.62);
        $mean = static fn (array $all): float => array_sum(array_column($all, 1)) / max(1, count($all));
        self::assertEqualsWithDelta(29.92, $mean($upper), 0.06);
        self::assertEqualsWithDelta(31.32, $mean($lower), 0.06);
        // Nine tenths of a dot wide, most of it in one row and the rest in the next: no dot has all of it. Of which black it is, the bar tells.
        $places = self::longest(Painted::picture(100, 60, static fn (float $x, float $y): int => (abs($y - 30.62) < 0.45 && $x > 5 && $x < 90) || $x > 94 ? 0x000000 : 0xFFFFFF));
        $upper = array_filter($places, static fn (array $place): bool => $place[0] > 15 && $place[0] < 85 && $place[1] < 30.62);
        $lower = array_filter($places, static fn (array $place): bool => $place[0] > 15 && $place[0] < 85 && $place[1] > 30.62);
        self::assertEqualsWithDelta(30.17, $mean($upper), 0.06);
        self::assertEqualsWithDelta(31.07, $mean($lower), 0.06);
    }

    #[Test]
    public function noise_is_told_from_the_places_alone(): void
    {
        mt_srand(3);
        $ring = static fn (float $noise): array => array_map(static function (int $i) use ($noise): array {
            $r = 50 + $noise * sqrt(-2 * log(mt_rand(1, 1000) / 1000)) * cos(2 * M_PI * mt_rand() / mt_getrandmax());

            return [$r * cos($i / 50), $r * sin($i / 50)];
        }, range(0, 313));
        self::assertEqualsWithDelta(0.2, Noise::of([$ring(0.2)]), 0.05);
        self::assertEqualsWithDelta(0.03, Noise::of([$ring(0.0)]), 1e-9, 'a smooth bend is none');
    }

    /** @return array<string, array{int, float, float}> */
    public static function polygons(): array
    {
        return ['triangle' => [3, 45.0, 0.2], 'square' => [4, 40.0, 0.3], 'hexagon' => [6, 42.0, 0.11], 'octagon' => [8, 45.0, 0.4]];
    }

    #[Test]
    #[DataProvider('polygons')]
    public function corners_lie_where_the_sides_cross(int $sides, float $r, float $turn): void
    {
        $inside = static function (float $x, float $y) use ($sides, $r, $turn): bool {
            $angle = fmod(atan2($y - 55.4, $x - 54.7) - $turn + 4 * M_PI, 2 * M_PI / $sides) - M_PI / $sides;

            return hypot($x - 54.7, $y - 55.4) * cos($angle) < $r * cos(M_PI / $sides);
        };
        $places = self::longest(Painted::picture(110, 110, static fn (float $x, float $y): int => $inside($x, $y) ? 0x101010 : 0xFFFFFF));
        $corners = Corners::of(new Way($places, true), 0.03);
        self::assertCount($sides, $corners);
        foreach ($corners as $corner) {
            $off = INF;
            for ($k = 0; $k < $sides; $k++) {
                $angle = $turn + 2 * M_PI * $k / $sides;
                $off = min($off, hypot($corner['x'] - 54.7 - $r * cos($angle), $corner['y'] - 55.4 - $r * sin($angle)));
            }
            self::assertLessThan(0.35, $off);
            self::assertEqualsWithDelta(2 * M_PI / $sides, $corner['turn'], 0.12);
        }
    }

    #[Test]
    public function an_artist_says_how_blunt_a_corner_may_be(): void
    {
        // A long bar that bends in its middle, on both of its sides.
        $bar = static fn (float $bends): Closure => static fn (float $x, float $y): int => $x > 10 && $x < 150
            && abs($y - 40 - ($x > 80 ? tan(deg2rad($bends)) * ($x - 80) : 0.0)) < 12 ? 0x101010 : 0xFFFFFF;
        $count = static fn (float $bends, float $keen): int => count(Corners::of(new Way(self::longest(Painted::picture(160, 100, $bar($bends))), true), 0.03, $keen));
        self::assertSame([4, 6], [$count(10.0, 1.0), $count(10.0, 2.0)]);
        self::assertSame([6, 4], [$count(28.0, 1.0), $count(28.0, 0.4)]);
        $traced = static fn (float $corners): array => Tracing::of(
            Scan::of(Painted::picture(160, 100, $bar(10.0))),
            new Options(corners: $corners),
        )->parts[0]->contours[0]->segments();
        self::assertCount(6, $traced(2.0), 'six lines');
        self::assertNotEquals($traced(2.0), $traced(1.0));
    }

    #[Test]
    public function what_is_round_has_no_corner(): void
    {
        foreach ([5.0, 9.0, 20.0, 60.0] as $r) {
            $size = (int) (2 * $r + 10);
            $places = self::longest(Painted::picture($size, $size, static fn (float $x, float $y): int => hypot($x - $r - 5.2, $y - $r - 4.9) < $r ? 0x101010 : 0xFFFFFF));
            self::assertSame([], Corners::of(new Way($places, true), 0.03), "radius {$r}");
            self::assertGreaterThanOrEqual(4, count((new FewCurves(0.03))->along(new Way($places, true))), 'a quarter round each');
        }
        $round = static function (float $x, float $y): bool {
            [$u, $v] = [max(abs($x - 40.3) - 26, 0.0), max(abs($y - 35.6) - 20, 0.0)];

            return hypot($u, $v) < 3.0;
        };
        $places = self::longest(Painted::picture(80, 70, static fn (float $x, float $y): int => $round($x, $y) ? 0x101010 : 0xFFFFFF));
        self::assertSame([], Corners::of(new Way($places, true), 0.03), 'nor has a rounding of three dots');
    }

    #[Test]
    public function a_border_is_as_few_lines_and_curves_as_a_hand_would_set(): void
    {
        $blob = static fn (float $x, float $y): bool => hypot($x - 60, $y - 60) < 40 + 5 * cos(2 * atan2($y - 60, $x - 60));
        $places = self::longest(Painted::picture(120, 120, static fn (float $x, float $y): int => $blob($x, $y) ? 0x101010 : 0xFFFFFF));
        $segments = (new FewCurves(0.03))->along(new Way($places, true));
        self::assertLessThanOrEqual(8, count($segments));
        self::assertGreaterThanOrEqual(4, count($segments));
        $closer = (new FewCurves(0.03, 4.0))->along(new Way($places, true));
        self::assertGreaterThan(count($segments), count($closer), 'closer takes more nodes');
        $line = array_map(static fn (int $i): array => [(float) $i, 0.3 * $i + 0.02 * ($i % 3)], range(0, 60));
        self::assertCount(1, (new FewCurves(0.03))->along(new Way($line, false)));
    }

    #[Test]
    public function shapes_with_a_name_are_told_and_others_are_not(): void
    {
        $kinds = ['circle', 'ellipse', 'rectangle'];
        $traced = static function (callable $in) use (&$kinds): ?Model {
            return Models::of(
                new Way(self::longest(Painted::picture(130, 110, static fn (float $x, float $y): int => $in($x - 64.3, $y - 55.7) ? 0x101010 : 0xFFFFFF)), true),
                0.03,
                $kinds,
            );
        };
        $circle = $traced(static fn (float $x, float $y): bool => hypot($x, $y) < 41.2);
        self::assertSame('circle', $circle?->kind);
        self::assertEqualsWithDelta([64.3, 55.7, 82.4], [$circle->x, $circle->y, $circle->width], 0.04);
        $kinds = ['ellipse', 'rectangle'];
        self::assertNull($traced(static fn (float $x, float $y): bool => hypot($x, $y) < 41.2), 'a circle that is not to be one is no ellipse');
        $kinds = ['circle', 'ellipse', 'rectangle'];
        $ellipse = $traced(static fn (float $x, float $y): bool => ($x * 0.8 + $y * 0.6) ** 2 / 45 ** 2 + ($y * 0.8 - $x * 0.6) ** 2 / 25 ** 2 < 1);
        self::assertSame('ellipse', $ellipse?->kind);
        self::assertEqualsWithDelta([90.0, 50.0, rad2deg(atan2(0.6, 0.8))], [$ellipse->width, $ellipse->height, $ellipse->turn], 0.2);
        $round = $traced(static function (float $x, float $y): bool {
            [$u, $v] = [max(abs($x) - 38, 0.0), max(abs($y) - 18, 0.0)];

            return hypot($u, $v) < 12;
        });
        self::assertSame('rectangle', $round?->kind);
        self::assertEqualsWithDelta([100.0, 60.0, 12.0, 0.0], [$round->width, $round->height, $round->radius, $round->turn], 0.15);
        $turned = $traced(static fn (float $x, float $y): bool => abs($x * 0.9553 + $y * 0.2955) < 40 && abs($y * 0.9553 - $x * 0.2955) < 22);
        self::assertNotNull($turned);
        self::assertSame(['rectangle', 0.0], [$turned->kind, $turned->radius]);
        self::assertEqualsWithDelta(rad2deg(asin(0.2955)), $turned->turn, 0.1);
        self::assertNull($traced(static fn (float $x, float $y): bool => hypot($x, $y) < 38 + 2 * cos(5 * atan2($y, $x))), 'a blossom is no circle');
        self::assertNull($traced(static fn (float $x, float $y): bool => abs($x) / 50 + abs($y) / 40 < 1), 'a rhombus is no rectangle');
    }
}
