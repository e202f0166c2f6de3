<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Stroke;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\PathData;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Star;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\Stroke\Offset;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** P7: larger, smaller, along the outline. Judged by polygons of this test's own and distances between points, not by the planar map. */
final class OffsetTest extends TestCase
{
    private const EXACT = 0.012;

    private const SAMPLES = 32;

    /** @return iterable<string, array{Shape}> */
    public static function shapes(): iterable
    {
        yield 'a rectangle' => [Shape::of(Contour::rectangle(0, 0, 30, 20))];
        yield 'a round' => [Shape::of(Contour::circle(10, 10, 10))];
        yield 'a star' => [Shape::of(Contour::polygon(array_map(
            static fn (int $i): array => [20 + ($i % 2 === 0 ? 16 : 6) * cos(M_PI * $i / 5), 20 + ($i % 2 === 0 ? 16 : 6) * sin(M_PI * $i / 5)],
            range(0, 9),
        )))];
        yield 'a star the other way round' => [Shape::of(Contour::polygon(array_map(
            static fn (int $i): array => [20 + ($i % 2 === 0 ? 16 : 6) * cos(-M_PI * $i / 5), 20 + ($i % 2 === 0 ? 16 : 6) * sin(-M_PI * $i / 5)],
            range(0, 9),
        )))];
        yield 'a plate with holes, one of them narrow' => [new Shape([
            Contour::rectangle(0, 0, 40, 30), Contour::circle(12, 15, 8)->reversed(), Contour::rectangle(25, 5, 2, 20)->reversed(),
        ], FillRule::Evenodd)];
        yield 'a hook with a hollow' => [Shape::of(Contour::polygon([[0, 0], [30, 0], [30, 6], [7, 6], [7, 20], [30, 20], [30, 26], [0, 26]]))];
        yield 'what lies over itself' => [Shape::of(Contour::polygon([[0, 0], [30, 30], [30, 0], [0, 30]]))];
        yield 'two that overlap' => [new Shape([Contour::circle(10, 10, 10), Contour::circle(20, 14, 9)])];
        yield 'an outline that is left open' => [Shape::of(Contour::polygon([[0, 0], [30, 0], [30, 20], [14, 9]], false))];
        // Both sides of the tip run straight down into it.
        yield 'a tip whose line turns right back' => [self::drawn('M0 0C1 9 6 17 14 19C18 20 20 20.5 20 24C20 20.5 22 20 26 19C34 17 39 9 40 0Z')];
        yield 'a slit whose line turns right back' => [self::drawn('M0 0L40 0L40 30L0 30L0 20C14 19 22 17.5 22 14C22 14.5 14 13 0 12Z')];
        yield 'a line that stops and turns round on its way' => [self::drawn('M0 0C20 20 0 20 20 0L20 -10L0 -10Z')];
        yield 'a drop that ends in nothing' => [self::drawn('M15 0C15 12 30 14 30 24C30 32 22 36 15 36C8 36 0 32 0 24C0 14 15 12 15 0Z')];
        yield 'a handle a thousandth long that points elsewhere' => [self::drawn(
            'M142.48668 49.04224C142.48668 49.04444 143.54224 48.69332 143.18888 47.64668C142.83556 46.59776 141.93776 46.79776 141.93776 47.14668L100 47L100 80L155 72Z',
        )];
        yield 'the same, mirrored' => [self::drawn(
            'M-142.48668 49.04224C-142.48668 49.04444 -143.54224 48.69332 -143.18888 47.64668C-142.83556 46.59776 -141.93776 46.79776 -141.93776 47.14668L-100 47L-100 80L-155 72Z',
        )];
        yield 'corners rounder than nothing and less than the distance' => [self::drawn('M2 0L38 0A2 2 0 0 1 40 2L40 28A2 2 0 0 1 38 30L2 30A2 2 0 0 1 0 28L0 2A2 2 0 0 1 2 0Z')];
        yield 'narrow teeth' => [self::drawn('M0 0L40 0L40 20L36 20L36 19L34 19L34 20L32 20L32 19L30 19L30 26L29 26L29 19L26 19L26 20L0 20Z')];
        yield 'bends tighter than the distance' => [self::drawn('M0 0L28 0C30 0 30 1 29 2C20 12 20 14 29 24C30 25 30 26 28 26L0 26C6 20 8 15 8 13C8 11 6 6 0 0Z')];
    }

    private static function drawn(string $path): Shape
    {
        return new Shape(PathData::parse($path)[0]);
    }

    #[Test]
    #[DataProvider('shapes')]
    public function a_round_offset_holds_what_is_near_enough_and_nothing_else(Shape $shape): void
    {
        $edges = self::edges($shape);
        $border = self::border($edges, $shape->rule);
        mt_srand(7);
        foreach ([0.4, 1.5, 4.0] as $distance) {
            [$larger, $smaller] = [Offset::outset($shape, $distance), Offset::inset($shape, $distance)];
            $ring = Offset::ring($shape, $distance, $distance);
            [$out, $in, $band] = [self::edges($larger), self::edges($smaller), self::edges($ring)];
            [$outer, $inner] = [self::edges(Offset::ring($shape, 0.0, $distance)), self::edges(Offset::ring($shape, $distance, 0.0))];
            $box = $shape->box();
            self::assertNotNull($box);
            $told = 0;
            $places = self::roundNodes($shape, $distance);
            for ($i = 0; $i < 80; $i++) {
                $places[] = [
                    $box->left - 1.5 * $distance + ($box->width() + 3 * $distance) * mt_rand() / mt_getrandmax(),
                    $box->top - 1.5 * $distance + ($box->height() + 3 * $distance) * mt_rand() / mt_getrandmax(),
                ];
            }
            foreach ($places as [$x, $y]) {
                $far = self::far($border, $x, $y);
                if (abs($far - $distance) < self::EXACT || $far < self::EXACT) {
                    continue;
                }
                $told++;
                $inside = self::holds($edges, $x, $y, $shape->rule);
                $said = sprintf('%.3F, %.3F lies %.3F from the outline; distance %.1F', $x, $y, $far, $distance);
                self::assertSame($inside || $far < $distance, self::holds($out, $x, $y, $larger->rule), "larger: {$said}");
                self::assertSame($inside && $far > $distance, self::holds($in, $x, $y, $smaller->rule), "smaller: {$said}");
                self::assertSame($far < $distance, self::holds($band, $x, $y, $ring->rule), "ring: {$said}");
                self::assertSame(! $inside && $far < $distance, self::holds($outer, $x, $y, $ring->rule), "outer ring: {$said}");
                self::assertSame($inside && $far < $distance, self::holds($inner, $x, $y, $ring->rule), "inner ring: {$said}");
            }
            self::assertGreaterThan(80, $told);
        }
    }

    #[Test]
    #[DataProvider('shapes')]
    public function nothing_is_left_but_parts_with_a_width(Shape $shape): void
    {
        foreach ([0.4, 1.5, 4.0] as $distance) {
            foreach (['round', 'miter', 'bevel'] as $join) {
                foreach ([Offset::outset($shape, $distance, $join), Offset::inset($shape, $distance, $join)] as $made) {
                    foreach ($made->contours as $contour) {
                        self::assertTrue($contour->closed);
                        self::assertGreaterThan(0.002 * max($contour->box()->width(), $contour->box()->height()), abs($contour->area()));
                    }
                }
            }
        }
    }

    #[Test]
    #[DataProvider('shapes')]
    public function nothing_is_left_of_what_is_narrower(Shape $shape): void
    {
        foreach (['round', 'miter', 'bevel'] as $join) {
            foreach ([16.0, 30.0] as $distance) {
                self::assertSame([], Offset::inset($shape, $distance, $join)->contours, "{$join} {$distance}");
            }
        }
    }

    #[Test]
    public function a_mitre_reaches_its_tip_and_a_hollow_has_none(): void
    {
        // In a hollow corner both sides come together; a mitre of the inner side would stick out of the outline.
        $shape = Shape::of(Contour::polygon([[0, 0], [30, 0], [30, 10], [20, 9.5], [30, 9], [30, 20], [0, 20]]));
        $box = Offset::outset($shape, 5.0, 'miter')->box();
        self::assertNotNull($box);
        self::assertEqualsWithDelta([-5.0, -5.0, 35.0, 25.0], [$box->left, $box->top, $box->right, $box->bottom], 0.01);
    }

    #[Test]
    public function only_outlines_that_are_seen_whole_from_their_middle_are_known_to_be_plain(): void
    {
        $tolerance = Tolerance::forExtent(40);
        foreach (self::shapes() as $name => [$shape]) {
            $plain = count($shape->contours) === 1 && Star::is($shape->contours[0]);
            self::assertSame(in_array($name, ['a rectangle', 'a round', 'a star', 'a star the other way round', 'bends tighter than the distance', 'corners rounder than nothing and less than the distance'], true), $plain, $name);
            $made = Offset::outset($shape, 0.0, 'round', $tolerance);
            self::assertSame($plain && $shape->contours[0]->area() > 0, $made === $shape, $name);
        }
        // Once round in all, but back a little on the way; twice round; a handle that leads back.
        self::assertFalse(Star::is(Contour::polygon([[10, 0], [6, 8], [7, 7], [-10, 0], [0, -10]])));
        self::assertFalse(Star::is(Contour::polygon(array_map(static fn (int $i): array => [10 * cos(0.8 * M_PI * $i), 10 * sin(0.8 * M_PI * $i)], range(0, 4)))));
        self::assertFalse(Star::is(new Contour([0, -10, 30, 10, -30, 10, 0, -10], true)));
        self::assertFalse(Star::is(new Contour([10, 0, 10, 8, 12, -6, 0, 10, -4, 8, -8, 4, -10, 0, -8, -8, 8, -8, 10, 0], true)));
    }

    /** @return list<array{float, float}> places round every node, nearer and farther than a distance */
    private static function roundNodes(Shape $shape, float $distance): array
    {
        $places = [];
        foreach ($shape->contours as $contour) {
            foreach ($contour->segments() as $s) {
                for ($k = 0; $k < 32; $k++) {
                    $reach = $distance * [0.2, 0.6, 0.96, 1.1][$k % 4];
                    $places[] = [$s[0] + $reach * cos(2 * M_PI * $k / 32), $s[1] + $reach * sin(2 * M_PI * $k / 32)];
                }
            }
        }

        return $places;
    }

    /** @return list<list<array{float, float}>> each contour as points that lie close */
    private static function edges(Shape $shape): array
    {
        return array_map(static function (Contour $contour): array {
            $points = [];
            foreach ($contour->closedSegments() as $s) {
                for ($k = 0; $k < self::SAMPLES; $k++) {
                    $t = $k / self::SAMPLES;
                    $u = 1 - $t;
                    $points[] = [
                        $u ** 3 * $s[0] + 3 * $u * $u * $t * $s[2] + 3 * $u * $t * $t * $s[4] + $t ** 3 * $s[6],
                        $u ** 3 * $s[1] + 3 * $u * $u * $t * $s[3] + 3 * $u * $t * $t * $s[5] + $t ** 3 * $s[7],
                    ];
                }
            }

            return $points;
        }, $shape->contours);
    }

    /**
     * The edges that border what is covered: one with the inside on both its sides does not.
     *
     * @param  list<list<array{float, float}>>  $edges
     * @return list<array{float, float, float, float}>
     */
    private static function border(array $edges, FillRule $rule): array
    {
        $border = [];
        foreach ($edges as $points) {
            $n = count($points);
            for ($i = 0; $i < $n; $i++) {
                [[$ax, $ay], [$bx, $by]] = [$points[$i], $points[($i + 1) % $n]];
                $length = hypot($bx - $ax, $by - $ay);
                if ($length > 0) {
                    // A hair to either side of it.
                    [$nx, $ny] = [-($by - $ay) / $length * 1e-4, ($bx - $ax) / $length * 1e-4];
                    [$x, $y] = [($ax + $bx) / 2, ($ay + $by) / 2];
                    if (self::holds($edges, $x + $nx, $y + $ny, $rule) !== self::holds($edges, $x - $nx, $y - $ny, $rule)) {
                        $border[] = [$ax, $ay, $bx, $by];
                    }
                }
            }
        }

        return $border;
    }

    /** @param  list<array{float, float, float, float}>  $border */
    private static function far(array $border, float $x, float $y): float
    {
        $least = INF;
        foreach ($border as [$ax, $ay, $bx, $by]) {
            $u = (($x - $ax) * ($bx - $ax) + ($y - $ay) * ($by - $ay)) / (($bx - $ax) ** 2 + ($by - $ay) ** 2);
            $u = max(0.0, min(1.0, $u));
            $least = min($least, hypot($ax + $u * ($bx - $ax) - $x, $ay + $u * ($by - $ay) - $y));
        }

        return $least;
    }

    /** @param  list<list<array{float, float}>>  $edges */
    private static function holds(array $edges, float $x, float $y, FillRule $rule): bool
    {
        $winding = 0;
        foreach ($edges as $points) {
            $n = count($points);
            for ($i = 0; $i < $n; $i++) {
                [[$ax, $ay], [$bx, $by]] = [$points[$i], $points[($i + 1) % $n]];
                if (($ay <= $y) !== ($by <= $y) && ($x - $ax) * ($by - $ay) / ($by - $ay) < ($bx - $ax) * ($y - $ay) / ($by - $ay)) {
                    $winding += $ay <= $y ? 1 : -1;
                }
            }
        }

        return $rule === FillRule::Evenodd ? $winding % 2 !== 0 : $winding !== 0;
    }
}
