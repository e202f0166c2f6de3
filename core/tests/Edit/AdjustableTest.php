<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Edit;

use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Recipe\Basic\ShapeKind;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Seen\StrokeRegion;
use NeatEdge\Core\Tests\Support\Bench;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class AdjustableTest extends TestCase
{
    private Bench $bench;

    protected function setUp(): void
    {
        $this->bench = new Bench;
    }

    /** @return iterable<string, array{ShapeKind}> */
    public static function kinds(): iterable
    {
        foreach (ShapeKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[Test]
    #[DataProvider('kinds')]
    public function every_shape_has_the_size_that_is_typed_also_after_it_was_stretched(ShapeKind $kind): void
    {
        $round = in_array($kind, [ShapeKind::Polygon, ShapeKind::Star], true);
        $id = $this->bench->shape($kind->value, 100, 75, 60, 40);
        $box = $this->bench->box($id);
        // The points of polygons and stars lie on the ellipse of that size.
        $round ? self::assertLessThanOrEqual([60.000001, 40.000001], [$box[2], $box[3]]) : self::assertEqualsWithDelta([70.0, 55.0, 60.0, 40.0], $box, 1e-6);
        $this->bench->do('transform', ['pieces' => [$id], 'matrix' => [2, 0, 0, 0.5, 0, 0]]);
        self::assertEqualsWithDelta([2 * $box[2], 0.5 * $box[3]], array_slice($this->bench->box($id), 2), 1e-6);
        $this->bench->do('shape-values', ['pieces' => [$id], 'width' => '60mm', 'height' => '40mm']);
        self::assertEqualsWithDelta([$box[2], $box[3]], array_slice($this->bench->box($id), 2), 1e-6);
    }

    #[Test]
    public function a_ring_a_pie_and_rounded_shapes_have_the_areas_that_geometry_gives_them(): void
    {
        $ring = $this->bench->shape('ellipse', 50, 50, 40, 40, ['inner' => 0.5]);
        self::assertEqualsWithDelta(M_PI * (400 - 100), $this->bench->piece($ring)->shape->area(), 0.5);
        $pie = $this->bench->shape('ellipse', 50, 50, 40, 40, ['start' => 30, 'sweep' => '360/3']);
        self::assertEqualsWithDelta(M_PI * 400 / 3, $this->bench->piece($pie)->shape->area(), 0.2);
        $arc = $this->bench->shape('ellipse', 50, 50, 40, 40, ['sweep' => 90, 'ends' => 'arc']);
        self::assertEqualsWithDelta(10 * M_PI, $this->bench->piece($arc)->shape->contours[0]->length(), 0.01);
        $round = $this->bench->shape('rectangle', 50, 50, 40, 20, ['topLeft' => 5, 'bottomRight' => 100]);
        $held = $this->bench->piece($round)->shape->area();
        self::assertTrue($held < 800 && $held > 600, 'radii that would meet are held');
        $triangle = $this->bench->shape('polygon', 50, 50, 40, 40, ['sides' => 3, 'round' => 1000]);
        self::assertEqualsWithDelta(M_PI * 100, $this->bench->piece($triangle)->shape->area(), 1.0, 'the circle inside the triangle');
    }

    #[Test]
    public function the_ribbon_banner_lies_flat_no_part_of_it_over_another(): void
    {
        $id = $this->bench->shape('banner', 100, 75, 100, 30);
        $shape = $this->bench->piece($id)->shape;
        self::assertCount(5, $shape->contours);
        $sum = array_sum(array_map(static fn (Contour $contour): float => abs($contour->area()), $shape->contours));
        self::assertEqualsWithDelta($sum, Combine::weld([$shape])->area(), 1e-6);
    }

    #[Test]
    public function a_half_drawn_by_hand_gives_one_closed_outline_with_single_nodes_on_the_axis(): void
    {
        $id = $this->bench->line([99.6, 20, 110, 20, 130, 30, 130, 50, 130, 70, 120, 80, 100.3, 90]);
        $this->bench->do('mirror-half', ['pieces' => [$id], 'x' => 100, 'angle' => 90]);
        $contours = $this->bench->piece($id)->shape->contours;
        self::assertCount(1, $contours);
        self::assertSame([true, 4], [$contours[0]->closed, $contours[0]->nodeCount()]);
        self::assertEqualsWithDelta([70.0, 60.0], [$this->bench->box($id)[0], $this->bench->box($id)[2]], 0.02);
        $onAxis = array_filter(range(0, 3), static fn (int $i): bool => abs($contours[0]->coords[6 * $i] - 100) < 1e-9);
        self::assertCount(2, $onAxis);
        // It follows: the half's node moves, and its image with it.
        $this->bench->do('move-nodes', ['piece' => $id, 'nodes' => [[0, 1]], 'x' => 20, 'y' => 0]);
        self::assertEqualsWithDelta(100.0, $this->bench->box($id)[0] + $this->bench->box($id)[2] / 2, 1e-9);
        self::assertGreaterThan(98.0, $this->bench->box($id)[2]);
        $this->bench->do('mirror-half', ['pieces' => [$id], 'x' => 100, 'y' => 75, 'angle' => 90, 'off' => true]);
        self::assertFalse($this->bench->piece($id)->shape->contours[0]->closed);
    }

    #[Test]
    public function what_runs_over_the_axis_is_cut_there_and_a_closed_half_closes_without_a_seam(): void
    {
        $over = $this->bench->line([90, 20, 90, 20, 140, 20, 140, 20, 140, 20, 140, 60, 140, 60, 140, 60, 95, 60, 95, 60]);
        $this->bench->do('mirror-half', ['pieces' => [$over], 'x' => 100]);
        $shape = $this->bench->piece($over)->shape;
        self::assertSame([1, 4], [count($shape->contours), $shape->nodeCount()]);
        self::assertEqualsWithDelta(80 * 40, $shape->area(), 1e-6);
        $rectangle = $this->bench->shape('rectangle', 115, 75, 40, 20);
        $this->bench->do('mirror-half', ['pieces' => [$rectangle], 'x' => 100]);
        $shape = $this->bench->piece($rectangle)->shape;
        self::assertSame([1, 4], [count($shape->contours), $shape->nodeCount()]);
        self::assertEqualsWithDelta(70 * 20, $shape->area(), 1e-6);
        $apart = $this->bench->shape('star', 160, 100, 20, 20);
        $area = $this->bench->piece($apart)->shape->area();
        $this->bench->do('mirror-half', ['pieces' => [$apart], 'x' => 100, 'angle' => 45, 'y' => 75]);
        self::assertCount(2, $this->bench->piece($apart)->shape->contours);
        self::assertEqualsWithDelta(2 * $area, Combine::weld([$this->bench->piece($apart)->shape])->area(), 1e-6);
    }

    #[Test]
    public function step_and_repeat_keeps_count_and_place_live_and_baked(): void
    {
        $row = $this->bench->shape('rectangle', 10, 10, 4, 4);
        $this->bench->do('repeat', ['pieces' => [$row], 'as' => 'row', 'count' => 7, 'stepX' => '1cm']);
        self::assertEqualsWithDelta([8.0, 8.0, 64.0, 4.0], $this->bench->box($row), 1e-9);
        $this->bench->do('repeat', ['pieces' => [$row], 'as' => 'grid', 'count' => 3, 'rows' => 2, 'stepX' => 6, 'stepY' => 9]);
        self::assertEqualsWithDelta([8.0, 8.0, 16.0, 13.0], $this->bench->box($row), 1e-9);
        $ray = $this->bench->shape('rectangle', 100, 20, 4, 20);
        $this->bench->do('repeat', ['pieces' => [$ray], 'as' => 'ring', 'count' => 12, 'centreX' => 100, 'centreY' => 75, 'sweep' => 360]);
        $shape = $this->bench->piece($ray)->shape;
        self::assertCount(12, $shape->contours);
        foreach ($shape->contours as $contour) {
            $middle = $contour->box()->middle();
            self::assertEqualsWithDelta(55.0, hypot($middle->x - 100, $middle->y - 75), 1e-6);
        }
        $this->bench->do('shape-values', ['pieces' => [$ray], 'width' => 6]);
        self::assertEqualsWithDelta(12 * 6 * 20, $this->bench->piece($ray)->shape->area(), 1e-6, 'the source is still adjustable');
        $this->bench->do('bake', ['pieces' => [$ray]])->do('separate', ['pieces' => [$ray]]);
        self::assertCount(11, $this->bench->made);
        $this->expectException(Refused::class);
        $this->bench->do('repeat', ['pieces' => [$ray], 'as' => 'grid', 'count' => 1000, 'rows' => 1000]);
    }

    #[Test]
    public function a_stroke_inside_or_outside_stays_on_its_side_of_the_edge(): void
    {
        $id = $this->bench->shape('rectangle', 50, 50, 40, 20, ['fill' => 'none', 'line' => '#000000', 'lineWidth' => 2]);
        foreach ([
            'inside' => [40.0, 20.0, 40 * 20 - 36 * 16],
            'outside' => [44.0, 24.0, 44 * 24 - 40 * 20],
            'centre' => [42.0, 22.0, 42 * 22 - 38 * 18],
        ] as $side => [$width, $height, $area]) {
            $this->bench->do('stroke', ['pieces' => [$id], 'side' => $side]);
            $flat = StrokeRegion::of(
                $this->bench->piece($id)->shape,
                $this->bench->piece($id)->stroke ?? throw new \LogicException,
                $this->bench->art->tolerance(),
            );
            self::assertEqualsWithDelta([$width, $height, (float) $area], [$flat->box()?->width(), $flat->box()?->height(), $flat->area()], 1e-4, $side);
        }
    }

    #[Test]
    public function a_width_that_changes_is_as_wide_as_its_stops_say(): void
    {
        $id = $this->bench->line([20, 50, 20, 50, 120, 50, 120, 50]);
        $this->bench->do('stroke', ['pieces' => [$id], 'width' => '4mm', 'cap' => 'butt', 'stops' => [[0, 0.5], [0.5, 1], [1, 0]]]);
        $flat = Seen::of($this->bench->art)->pieces[0]->shape;
        self::assertSame(1, count($flat->contours));
        foreach ([[21, 2.0], [70, 4.0], [45, 3.0], [95, 2.0]] as [$x, $width]) {
            $strip = Combine::keepOverlap([$flat, \NeatEdge\Core\Geometry\Shape::of(Contour::rectangle($x - 0.01, 0, 0.02, 100))]);
            self::assertEqualsWithDelta($width, $strip->area() / 0.02, 0.05, "at {$x}");
        }
        $this->bench->do('stroke', ['pieces' => [$id], 'profile' => 'even']);
        self::assertNull($this->bench->piece($id)->stroke?->stops);
    }

    #[Test]
    public function a_brush_line_is_smoothed_into_few_nodes_within_its_deviation(): void
    {
        $points = [];
        for ($i = 0; $i <= 200; $i++) {
            array_push($points, 20 + 0.7 * $i, 75 + 30 * sin($i / 30) + 0.1 * sin($i * 7.3));
        }
        $id = $this->bench->do('brush-line', ['points' => $points, 'smoothing' => '0.5mm', 'lineWidth' => 3])->made[0];
        $contour = $this->bench->piece($id)->shape->contours[0];
        self::assertLessThan(12, $contour->nodeCount());
        foreach ($contour->segments() as $s) {
            [$x, $y] = \NeatEdge\Core\Geometry\Cubic::at($s, 0.5);
            self::assertEqualsWithDelta(75 + 30 * sin(($x - 20) / 0.7 / 30), $y, 0.8);
        }
    }
}
