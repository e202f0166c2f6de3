<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\PlanarMap;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Pen;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\PlanarMap\PlanarMap;
use NeatEdge\Core\PlanarMap\Rule\TopOwner;
use NeatEdge\Core\Tests\Support\RandomArt;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The awkward cases by name. */
final class CombineTest extends TestCase
{
    private static function square(float $x, float $y, float $side = 10.0): Shape
    {
        return Shape::of(Contour::rectangle($x, $y, $side, $side));
    }

    #[Test]
    public function nothing_gives_nothing(): void
    {
        self::assertTrue(Combine::weld([])->isEmpty());
        self::assertTrue(Combine::weld([new Shape([])])->isEmpty());
        self::assertTrue(Combine::keepOverlap([self::square(0, 0), self::square(50, 50)])->isEmpty());
        self::assertTrue(Combine::keepDifference([self::square(0, 0), self::square(0, 0)])->isEmpty());
    }

    #[Test]
    public function one_untouched_contour_comes_out_exactly_as_it_went_in(): void
    {
        $circle = Contour::circle(1 / 3, M_PI, 2 / 7);
        $out = Combine::weld([Shape::of($circle), self::square(50, 50)]);
        self::assertContains($circle->coords, array_map(static fn (Contour $contour): array => $contour->coords, $out->contours));
    }

    #[Test]
    public function squares_that_share_an_edge_become_one_without_a_seam(): void
    {
        $out = Combine::weld([self::square(0, 0), self::square(10, 0), self::square(10, 10)]);
        self::assertCount(1, $out->contours);
        self::assertSame(6, $out->nodeCount());
        self::assertEqualsWithDelta(300.0, $out->area(), 1e-12);
    }

    #[Test]
    public function squares_that_share_part_of_an_edge_leave_no_doubled_node(): void
    {
        $out = Combine::weld([self::square(0, 0), self::square(10, 3.3)]);
        self::assertSame(8, $out->nodeCount());
        self::assertEqualsWithDelta(200.0, $out->area(), 1e-12);
    }

    #[Test]
    public function squares_that_touch_in_a_corner_stay_apart(): void
    {
        $out = Combine::weld([self::square(0, 0), self::square(10, 10)]);
        self::assertEqualsWithDelta(200.0, $out->area(), 1e-12);
        self::assertSame(8, $out->nodeCount());
    }

    #[Test]
    public function a_hole_keeps_what_lies_in_it_apart(): void
    {
        $ring = new Shape([Contour::rectangle(0, 0, 30, 30), Contour::rectangle(5, 5, 20, 20)], FillRule::Evenodd);
        $out = Combine::weld([$ring, self::square(10, 10)]);
        self::assertCount(3, $out->contours);
        self::assertEqualsWithDelta(900.0 - 400 + 100, $out->area(), 1e-9);
    }

    #[Test]
    public function holes_in_holes_in_holes_are_told_apart(): void
    {
        $contours = [];
        for ($k = 0; $k < 12; $k++) {
            $contours[] = Contour::circle(0, 0, 24 - 2 * $k);
        }
        $out = Combine::weld([new Shape($contours, FillRule::Evenodd)]);
        $expected = 0.0;
        for ($k = 0; $k < 12; $k++) {
            $expected += ($k % 2 === 0 ? 1 : -1) * Contour::circle(0, 0, 24 - 2 * $k)->area();
        }
        self::assertCount(12, $out->contours);
        self::assertEqualsWithDelta($expected, $out->area(), 1e-9);
    }

    #[Test]
    public function a_five_pointed_star_has_a_middle_by_one_rule_and_none_by_the_other(): void
    {
        $star = (new RandomArt(1))->selfCrossingStar(0, 0, 10, 5);
        $full = Combine::weld([new Shape([$star])]);
        $hollow = Combine::weld([new Shape([$star], FillRule::Evenodd)]);
        self::assertSame(10, $full->nodeCount());
        self::assertEqualsWithDelta(112.2570, $full->area(), 1e-3);
        self::assertEqualsWithDelta(77.5677, $hollow->area(), 1e-3);
    }

    #[Test]
    public function many_edges_through_one_point_leave_that_point(): void
    {
        $shapes = [];
        for ($k = 0; $k < 16; $k++) {
            $shapes[] = Shape::of(Contour::polygon([[0, 0], [20, -0.8], [20, 0.8]])->transformed(Matrix::rotation(360 / 16 * $k)));
        }
        $out = Combine::weld($shapes);
        self::assertEqualsWithDelta(16 * 16.0, $out->area(), 1e-4);
    }

    #[Test]
    public function tangent_circles_neither_merge_nor_vanish(): void
    {
        $out = Combine::weld([Shape::of(Contour::circle(0, 0, 10)), Shape::of(Contour::circle(20, 0, 10))]);
        self::assertEqualsWithDelta(2 * Contour::circle(0, 0, 10)->area(), $out->area(), 1e-3);
        $inner = Combine::cutAway(Shape::of(Contour::circle(0, 0, 10)), [Shape::of(Contour::circle(5, 0, 5))]);
        self::assertEqualsWithDelta(Contour::circle(0, 0, 10)->area() - Contour::circle(5, 0, 5)->area(), $inner->area(), 1e-3);
    }

    #[Test]
    public function a_thousand_equal_circles_are_one(): void
    {
        $out = Combine::weld(array_fill(0, 1000, Shape::of(Contour::circle(3, 3, 7))));
        self::assertSame(4, $out->nodeCount());
    }

    #[Test]
    public function three_hundred_copies_each_moved_a_little_become_one_outline(): void
    {
        $shapes = [];
        for ($k = 0; $k < 300; $k++) {
            $shapes[] = Shape::of(Contour::circle(0.05 * $k, 0, 5));
        }
        $out = Combine::weld($shapes);
        self::assertCount(1, $out->contours);
        self::assertEqualsWithDelta(M_PI * 25 + 10 * 0.05 * 299, $out->area(), 0.05);
    }

    #[Test]
    public function no_curve_comes_out_as_a_polyline(): void
    {
        $out = Combine::weld([Shape::of(Contour::circle(0, 0, 10)), Shape::of(Contour::circle(12, 0, 10))]);
        foreach ($out->contours as $contour) {
            foreach ($contour->segments() as $segment) {
                self::assertFalse(Cubic::isLine($segment));
            }
        }
        $meet = [6.0, 8.0];
        $nearest = INF;
        foreach ($out->contours[0]->segments() as $s) {
            $nearest = min($nearest, hypot($s[0] - $meet[0], abs($s[1]) - $meet[1]));
        }
        // A circle of four cubics is off by 0.03 % of its radius at most.
        self::assertLessThan(0.004, $nearest);
    }

    #[Test]
    public function a_straight_curve_comes_out_as_a_line(): void
    {
        $pen = new Pen;
        $pen->moveTo(0, 0);
        $pen->cubicTo(3, 0, 6, 0, 10, 0);
        $pen->cubicTo(10, 4, 10, 6, 10, 10);
        $pen->lineTo(0, 10);
        $pen->close();
        [$contour] = Combine::weld([new Shape($pen->contours())])->contours;
        foreach ($contour->segments() as $segment) {
            self::assertTrue(Cubic::isLine($segment));
        }
    }

    #[Test]
    public function neighbours_share_their_border_bit_for_bit(): void
    {
        $map = PlanarMap::of([Shape::of(Contour::circle(0, 0, 10)), Shape::of(Contour::circle(8, 3, 7)), Shape::of(Contour::circle(2, 9, 6))]);
        $ends = [];
        foreach ($map->regions(new TopOwner(3)) as $shape) {
            foreach ($shape->contours as $contour) {
                foreach ($contour->segments() as $s) {
                    $ends[] = [$s[0], $s[1]];
                }
            }
        }
        foreach ($ends as $i => [$x, $y]) {
            foreach ($ends as $j => [$px, $py]) {
                $apart = hypot($x - $px, $y - $py);
                self::assertTrue($i === $j || $apart === 0.0 || $apart > 1e-3, "{$apart}");
            }
        }
    }

    #[Test]
    public function split_all_gives_every_part_with_its_owners(): void
    {
        $parts = Combine::splitAll([self::square(0, 0), self::square(5, 0), self::square(0, 5)]);
        $areas = [];
        foreach ($parts as ['owners' => $owners, 'shape' => $shape]) {
            $areas[implode('', $owners)] = round($shape->area(), 9);
        }
        self::assertEquals(['0' => 25.0, '1' => 50.0, '2' => 50.0, '01' => 25.0, '02' => 25.0, '012' => 25.0], $areas);
    }

    #[Test]
    public function tiny_and_huge_art_are_combined_alike(): void
    {
        foreach ([1e-3, 1.0, 1e3] as $scale) {
            $a = Shape::of(Contour::circle(0, 0, 5 * $scale));
            $b = Shape::of(Contour::circle(6 * $scale, 0, 5 * $scale));
            $weld = Combine::weld([$a, $b]);
            self::assertSame(8, $weld->nodeCount(), "scale {$scale}");
            self::assertEqualsWithDelta(1.0, ($weld->area() + Combine::keepOverlap([$a, $b])->area()) / ($a->area() + $b->area()), 1e-9);
        }
    }
}
