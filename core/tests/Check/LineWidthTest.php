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
            self::assertEqualsWithDelta(30.0 * $width, abs(Contour::polygon(array_map(static fn (Point $p): array => [$p->x, $p->y], $places[0]->ribbon))->area()), 0.05 * 30 * $width, 'the ribbon lies between the walls');
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
}
