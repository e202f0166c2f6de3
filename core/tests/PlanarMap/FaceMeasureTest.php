<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\PlanarMap;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\PlanarMap\MapTooLarge;
use NeatEdge\Core\PlanarMap\MeasuredPart;
use NeatEdge\Core\PlanarMap\PlanarMap;
use NeatEdge\Core\PlanarMap\Rule\AnyOwner;
use NeatEdge\Core\PlanarMap\Rule\EachCover;
use NeatEdge\Core\PlanarMap\Rule\Laid;
use NeatEdge\Core\PlanarMap\Rule\SeenOwners;
use NeatEdge\Core\PlanarMap\Rule\TopOwner;
use NeatEdge\Core\Prepare\Look;
use NeatEdge\Core\Tests\Support\RandomArt;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Areas that are told without drawing anything, against areas of what is drawn, of sums, and of curves walked step by step. */
final class FaceMeasureTest extends TestCase
{
    /** @param  list<MeasuredPart>  $parts */
    private static function area(array $parts): float
    {
        return array_sum(array_map(static fn (MeasuredPart $part): float => $part->area, $parts));
    }

    #[Test]
    public function a_ring_is_one_part_with_both_its_borders_and_two_rings_are_two(): void
    {
        $ring = static fn (float $x): array => [Contour::circle($x, 20, 10), Contour::circle($x, 20, 5)->reversed()];
        $parts = PlanarMap::of([new Shape([...$ring(20), ...$ring(60)])])->parts(new AnyOwner)[0];
        self::assertCount(2, $parts);
        foreach ($parts as $part) {
            self::assertEqualsWithDelta(Contour::circle(0, 0, 10)->area() - Contour::circle(0, 0, 5)->area(), $part->area, 1e-4);
            self::assertEqualsWithDelta(30 * M_PI, $part->border, 0.1);
            self::assertEqualsWithDelta([10.0, 30.0], [$part->box->top, $part->box->bottom], 0.02);
        }
    }

    #[Test]
    public function it_agrees_with_what_is_drawn_at_any_flatness(): void
    {
        for ($seed = 1; $seed <= 40; $seed++) {
            $art = new RandomArt($seed);
            $shapes = [$art->shape(), $art->shape(), $art->shape()];
            $drawn = array_map(static fn (Shape $shape): float => $shape->area(), PlanarMap::of($shapes)->regions(new EachCover));
            foreach ([0.005, 0.02] as $flatness) {
                $told = array_map(self::area(...), PlanarMap::of($shapes, new Tolerance($flatness, refine: false))->parts(new EachCover));
                self::assertEqualsWithDelta(array_sum($drawn), array_sum($told), 0.3 * $flatness + 1e-5 * array_sum($drawn), "seed {$seed}");
            }
        }
    }

    #[Test]
    public function the_area_between_two_curves_that_run_within_each_others_chords_is_true(): void
    {
        $rough = Contour::circle(150, 150, 100);
        $fine = [];
        for ($k = 0, $n = 16; $k < $n; $k++) {
            [$a, $b, $h] = [2 * M_PI * $k / $n, 2 * M_PI * ($k + 1) / $n, 4 / 3 * tan(M_PI / $n / 2) * 100];
            $fine[] = [
                150 + 100 * cos($a), 150 + 100 * sin($a), 150 + 100 * cos($a) - $h * sin($a), 150 + 100 * sin($a) + $h * cos($a),
                150 + 100 * cos($b) + $h * sin($b), 150 + 100 * sin($b) - $h * cos($b), 150 + 100 * cos($b), 150 + 100 * sin($b),
            ];
        }
        $true = 0.0;
        foreach ($rough->segments() as $s) {
            for ($k = 0; $k < 2000; $k++) {
                [[$x, $y], [$dx, $dy]] = [Cubic::at($s, ($k + 0.5) / 2000), Cubic::derivative($s, ($k + 0.5) / 2000)];
                $r2 = ($x - 150) ** 2 + ($y - 150) ** 2;
                $true += abs($r2 - 10000) / 2 * abs((($x - 150) * $dy - ($y - 150) * $dx) / $r2 / 2000);
            }
        }
        $piece = static fn (Contour $contour): Artwork => new Artwork(300, 300, [new Piece('a', Shape::of($contour), new Paint(new Colour(0, 0, 0)))]);
        self::assertEqualsWithDelta($true, Look::between($piece($rough), $piece(Contour::ofSegments($fine, true)))->area, 0.01 * $true);
    }

    #[Test]
    public function what_is_seen_through_lies_over_all_that_is_under_it_and_under_what_hides_it(): void
    {
        $square = static fn (float $x, float $y, float $side): Shape => Shape::of(Contour::rectangle($x, $y, $side, $side));
        // Two solid ones, a veil over both, a solid one over a part of the veil, and a veil over all.
        $shapes = [$square(0, 0, 20), $square(20, 0, 20), $square(10, 5, 20), $square(25, 5, 5), $square(0, 0, 40)];
        $hides = [true, true, false, true, false];
        $areas = array_map(static fn (Shape $shape): float => round($shape->area(), 3), PlanarMap::of($shapes)->regions(new SeenOwners($hides)));
        self::assertSame([400.0, 375.0, 375.0, 25.0, 1600.0], $areas);
        // Solid ones alone as the topmost rule gives them, whatever lies over them.
        $solid = PlanarMap::of([$shapes[0], $shapes[1], $shapes[3]])->regions(new TopOwner(3));
        self::assertSame([400.0, 375.0, 25.0], array_map(static fn (Shape $shape): float => round($shape->area(), 3), $solid));
        $grouped = PlanarMap::of($shapes)->regions(new SeenOwners($hides, [0, 0, 1, 0, 2]));
        self::assertSame([800.0, 375.0, 1600.0], array_map(static fn (Shape $shape): float => round($shape->area(), 3), $grouped));
        self::assertCount(1, $grouped[0]->contours, 'where they meet there is no border');
        // One that lies wholly over a solid piece is seen whole too.
        $inside = PlanarMap::of([$square(0, 0, 20), $square(5, 5, 4)])->regions(new SeenOwners([true, false]));
        self::assertSame([400.0, 16.0], array_map(static fn (Shape $shape): float => round($shape->area(), 3), $inside));
    }

    #[Test]
    public function what_a_veil_lies_on_is_told_from_the_bare_ground(): void
    {
        $shapes = [Shape::of(Contour::rectangle(0, 0, 20, 20)), Shape::of(Contour::rectangle(10, 10, 20, 20)), Shape::of(Contour::rectangle(50, 0, 5, 5))];
        $parts = PlanarMap::of($shapes)->parts(new Laid([true, false, false]));
        self::assertEqualsWithDelta(
            [100.0, 300.0, 25.0],
            [self::area($parts[Laid::over(1)]), self::area($parts[Laid::bare(1)]), self::area($parts[Laid::bare(2)])],
            1e-4,
        );
        self::assertArrayNotHasKey(Laid::over(2), $parts);
    }

    #[Test]
    public function long_lines_over_one_another_without_end_are_refused_with_the_measure(): void
    {
        $art = new RandomArt(9);
        $points = [];
        for ($k = 0; $k < 30_000; $k++) {
            $points[] = [$art->between(0, 100), 50 + $art->between(-0.5, 0.5)];
        }
        $began = microtime(true);
        try {
            PlanarMap::of([Shape::of(Contour::polygon($points))]);
            self::fail('it is worked on');
        } catch (MapTooLarge $tooLarge) {
            self::assertMatchesRegularExpression('/\d[\d,]+ ?(million )?(comparisons|places)/', $tooLarge->getMessage());
        }
        self::assertLessThan(20.0, microtime(true) - $began);
    }
}
