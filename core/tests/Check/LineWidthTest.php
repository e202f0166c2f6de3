<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Check;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Pen;
use NeatEdge\Core\Geometry\Point;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Thickness;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Stroke\Cap;
use NeatEdge\Core\Stroke\Join;
use NeatEdge\Core\Stroke\Outliner;
use NeatEdge\Core\Stroke\StrokeStyle;
use NeatEdge\Core\Tests\Support\RandomArt;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class LineWidthTest extends TestCase
{
    #[Test]
    #[TestWith([0.1])]
    #[TestWith([0.25])]
    #[TestWith([0.4])]
    #[TestWith([0.48])]
    public function a_thin_line_is_one_finding_with_its_width(float $width): void
    {
        foreach ([0, 17, 45, 88] as $turn) {
            $line = Contour::polygon([[0, 0], [30, 0]], false)->transformed(Matrix::rotation($turn));
            $places = Thickness::below(Outliner::outline([$line], new StrokeStyle($width)), 0.5);
            self::assertCount(1, $places, "turned by {$turn}");
            self::assertEqualsWithDelta($width, $places[0]->width, 0.01 * $width);
            self::assertEqualsWithDelta(30.0, $places[0]->length, 1.0);
            self::assertEqualsWithDelta(
                30.0 * $width,
                abs(Contour::polygon(array_map(static fn (Point $p): array => [$p->x, $p->y], $places[0]->ribbon[0]))->area()),
                0.05 * 30 * $width,
                'the ribbon lies between the walls',
            );
        }
    }

    #[Test]
    #[TestWith([0.15])]
    #[TestWith([0.3])]
    #[TestWith([0.45])]
    public function a_curved_hairline_is_one_finding(float $width): void
    {
        $ring = Outliner::outline([Contour::circle(20, 20, 15)], new StrokeStyle($width));
        $wave = new Pen;
        $wave->moveTo(0, 0);
        $wave->cubicTo(10, 15, 20, -15, 30, 0);
        foreach ([$ring, Outliner::outline($wave->contours(), new StrokeStyle($width, Cap::Round))] as $shape) {
            $places = Thickness::below($shape, 0.5);
            self::assertCount(1, $places);
            self::assertEqualsWithDelta($width, $places[0]->width, 0.01 * $width);
        }
    }

    #[Test]
    public function a_neck_between_two_bodies_is_found_where_it_is_narrowest(): void
    {
        $pen = new Pen;
        $pen->moveTo(0, 0);
        $pen->cubicTo(8, 0, 8, 4.85, 10, 4.85);
        $pen->cubicTo(12, 4.85, 12, 0, 20, 0);
        $pen->lineTo(20, 10);
        $pen->cubicTo(12, 10, 12, 5.15, 10, 5.15);
        $pen->cubicTo(8, 5.15, 8, 10, 0, 10);
        $pen->close();
        $places = Thickness::below(Combine::weld([new Shape($pen->contours())]), 0.5);
        self::assertCount(1, $places);
        self::assertEqualsWithDelta(0.3, $places[0]->width, 0.006);
        self::assertEqualsWithDelta([10.0, 5.0], [$places[0]->at->x, $places[0]->at->y], 0.15);
    }

    #[Test]
    public function two_lines_are_two_findings(): void
    {
        $a = Outliner::outline([Contour::polygon([[0, 0], [20, 0]], false)], new StrokeStyle(0.2));
        $b = Outliner::outline([Contour::polygon([[0, 5], [20, 6]], false)], new StrokeStyle(0.3));
        $places = Thickness::below(new Shape([...$a->contours, ...$b->contours]), 0.5);
        self::assertEqualsWithDelta([0.2, 0.3], array_map(static fn ($place): float => $place->width, $places), 0.006);
    }

    #[Test]
    public function pointed_corners_are_no_thin_lines(): void
    {
        $art = new RandomArt(1);
        foreach ([3, 5, 8, 12] as $points) {
            self::assertSame([], Thickness::below(Combine::weld([Shape::of($art->star(0, 0, 20, $points))]), 0.5), "star of {$points}");
        }
        foreach ([60, 30, 12] as $degrees) {
            $half = tan(deg2rad($degrees / 2)) * 20;
            self::assertSame([], Thickness::below(Shape::of(Contour::polygon([[0, 0], [20, $half], [20, -$half]])), 0.5), "corner of {$degrees} degrees");
        }
    }

    #[Test]
    public function wide_shapes_and_tangent_circles_have_no_finding(): void
    {
        self::assertSame([], Thickness::below(Shape::of(Contour::circle(0, 0, 5)), 0.5));
        self::assertSame([], Thickness::below(Outliner::outline([Contour::rectangle(0, 0, 20, 20)], new StrokeStyle(0.6, Cap::Butt, Join::Miter)), 0.5));
        self::assertSame([], Thickness::below(Shape::of(Contour::rectangle(0, 0, 20, 1)), 0.5));
    }

    #[Test]
    public function gaps_are_measured_between_pieces_and_within_one(): void
    {
        $pair = Combine::weld([Shape::of(Contour::rectangle(0, 0, 10, 10)), Shape::of(Contour::rectangle(10.3, 0, 10, 10))]);
        $gaps = Thickness::below($pair, 0.5, true);
        self::assertCount(1, $gaps);
        self::assertEqualsWithDelta(0.3, $gaps[0]->width, 0.003);
        self::assertEqualsWithDelta(10.0, $gaps[0]->length, 1.0);
        self::assertSame([], Thickness::below($pair, 0.5));
        $slot = Combine::cutAway(Shape::of(Contour::rectangle(0, 0, 20, 20)), [Shape::of(Contour::rectangle(5, 5, 10, 0.2))]);
        self::assertEqualsWithDelta(0.2, Thickness::below($slot, 0.5, true)[0]->width ?? 0, 0.004);
    }

    /** @param  list<array{float, float}>  $points */
    private static function welded(array $points): Shape
    {
        return Combine::weld([Shape::of(Contour::polygon($points))]);
    }

    /** @return array<string, array{list<array{float, float}>, float, array{float, float}}> outline, width, place */
    public static function necks(): array
    {
        return [
            'two pointed notches' => [[[0, 0], [9.2, 0], [10, 0.8], [10.8, 0], [20, 0], [20, 2], [10.8, 2], [10, 1.2], [9.2, 2], [0, 2]], 0.4, [10, 1]],
            'two slots' => [
                [[0, 0], [9.8, 0], [9.8, 0.8], [10.2, 0.8], [10.2, 0], [20, 0], [20, 2], [10.2, 2], [10.2, 1.2], [9.8, 1.2], [9.8, 2], [0, 2]],
                0.4,
                [10, 1],
            ],
            'one notch' => [[[0, 0], [9, 0], [10, 1.6], [11, 0], [20, 0], [20, 2], [0, 2]], 0.4, [10, 1.8]],
            'notches beside each other' => [
                [[0, 0], [9.2, 0], [10, 0.9], [10.8, 0], [20, 0], [20, 2], [11, 2], [10.2, 1.1], [9.4, 2], [0, 2]],
                0.283,
                [10.1, 1],
            ],
        ];
    }

    /**
     * @param  list<array{float, float}>  $outline
     * @param  array{float, float}  $at
     */
    #[Test]
    #[DataProvider('necks')]
    public function a_neck_between_notches_is_found_for_it_tears_first(array $outline, float $width, array $at): void
    {
        foreach ([0, 30, 90] as $turn) {
            $matrix = Matrix::rotation($turn, 10, 1);
            $places = Thickness::below(self::welded($outline)->transformed($matrix), 0.8);
            self::assertCount(1, $places);
            self::assertEqualsWithDelta($width, $places[0]->width, 0.01);
            $to = $matrix->apply($at[0], $at[1]);
            self::assertLessThan(0.3, hypot($places[0]->at->x - $to->x, $places[0]->at->y - $to->y));
        }
        self::assertSame([], Thickness::below(self::welded($outline), 0.9 * $width));
    }

    #[Test]
    public function a_long_point_is_found_and_a_wide_one_is_not(): void
    {
        $point = Thickness::below(self::welded([[0, 0], [25.5, 0], [25.5, 0.8]]), 0.8);
        self::assertCount(1, $point);
        self::assertTrue($point[0]->pointed);
        self::assertEqualsWithDelta(25, $point[0]->length, 1.0);
        self::assertEqualsWithDelta(0.4, $point[0]->typical, 0.05);
        self::assertCount(1, Thickness::below(self::welded([[0, 0], [120, -2], [120, 2]]), 0.8), 'under the limit over 24 mm');
        self::assertSame([], Thickness::below(self::welded([[0, 0], [120, -12], [120, 12]]), 0.8), 'under the limit over 4 mm');
        self::assertSame(
            [],
            Thickness::below(self::welded([[0, 0], [3, 0], [10, 18], [17, 0], [20, 0], [10.15, 20], [9.85, 20]]), 0.8),
            'a blunt tip of two legs',
        );
        self::assertFalse(Thickness::below(self::welded([[0, 0], [50, 0], [50, 0.5], [0, 0.5]]), 0.8)[0]->pointed, 'an end is no point');
    }

    #[Test]
    public function a_line_that_is_thin_at_one_point_is_told_from_one_that_is_thin_all_along(): void
    {
        [$place] = Thickness::below(
            self::welded([[0, 0], [50, 0], [50.5, 0.3], [51, 0], [100, 0], [100, 0.5], [51, 0.5], [50.5, 0.35], [50, 0.5], [0, 0.5]]),
            0.8,
        );
        self::assertEqualsWithDelta([0.05, 0.5, 50.5], [$place->width, $place->typical, $place->at->x], 0.02);
        // Only what is under the limit counts, and all of it is shown.
        [$place] = Thickness::below(
            self::welded([[0, 0], [40, 0], [40, 4], [60, 4], [60, 0], [100, 0], [100, 0.5], [60.6, 0.5], [60.6, 5], [39.4, 5], [39.4, 0.5], [0, 0.5]]),
            0.55,
        );
        $shown = array_sum(array_map(
            static fn (array $ring): float => abs(Contour::polygon(array_map(static fn (Point $p): array => [$p->x, $p->y], $ring))->area()),
            $place->ribbon,
        ));
        self::assertEqualsWithDelta($place->length * 0.5, $shown, 0.06 * $shown);
        self::assertEqualsWithDelta(39.4, $place->length, 1.0);
    }

    #[Test]
    public function two_walls_that_lean_together_from_a_corner_where_they_touch_are_no_gap(): void
    {
        $corner = Combine::cutAway(Shape::of(Contour::rectangle(0, 0, 20, 20)), [Shape::of(Contour::polygon([[0, 5], [20, 5], [10, 20]]))]);
        self::assertSame([], Thickness::below($corner, 0.8, true));
        self::assertSame([], Thickness::below($corner, 0.8));
    }
}
