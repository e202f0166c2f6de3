<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Stroke;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Pen;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Stroke\Cap;
use NeatEdge\Core\Stroke\Join;
use NeatEdge\Core\Stroke\Outliner;
use NeatEdge\Core\Stroke\StrokeStyle;
use NeatEdge\Core\Tests\Support\RandomArt;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class OutlinerTest extends TestCase
{
    private static function line(float ...$coords): Contour
    {
        $points = array_chunk($coords, 2);

        return Contour::polygon(array_map(static fn (array $p): array => [$p[0], $p[1] ?? 0.0], $points), false);
    }

    #[Test]
    public function a_circle_becomes_two_circles_of_four_nodes(): void
    {
        $ring = Outliner::outline([Contour::circle(0, 0, 10)], new StrokeStyle(4));
        self::assertSame(8, $ring->nodeCount());
        self::assertEqualsWithDelta(M_PI * (144 - 64), $ring->area(), 0.1);
    }

    #[Test]
    #[TestWith([90.0, 1.2])]
    #[TestWith([30.0, 2.0])]
    #[TestWith([150.0, 1.05])]
    #[TestWith([90.0, 4.0])]
    public function a_clipped_miter_ends_at_the_limit_instead_of_at_the_corner(float $angle, float $limit): void
    {
        $line = self::line(30, 0, 0, 0, 30 * cos(deg2rad($angle)), 30 * sin(deg2rad($angle)));
        $area = static fn (Join $join, float $limit): float => Outliner::outline([$line], new StrokeStyle(4, Cap::Butt, $join, $limit))->area();
        $bevel = $area(Join::Bevel, 1);
        $full = $area(Join::Miter, 100);
        // The tip is a triangle over the bevel; what lies beyond the limit is a similar triangle.
        $tip = 2 / sin(deg2rad($angle / 2));
        $base = 2 * sin(deg2rad($angle / 2));
        $cut = max(0.0, $tip - $limit * 2) / ($tip - $base);
        self::assertEqualsWithDelta($full - ($full - $bevel) * $cut ** 2, $area(Join::MiterClip, $limit), 1e-6);
    }

    #[Test]
    #[TestWith([3.0, 1.0])]
    #[TestWith([3.0, 1.5])]
    #[TestWith([2.0, 2.9])]
    public function an_arc_tighter_than_half_the_width_fills_in(float $width, float $turn): void
    {
        // Radius 1: outwards it reaches 1 + w/2, and over its own middle, on the other side, w/2 - 1.
        $pen = new Pen;
        $pen->moveTo(1, 0);
        $pen->arcTo(1, 1, 0, $turn > M_PI, true, cos($turn), sin($turn));
        $area = Outliner::outline($pen->contours(), new StrokeStyle($width, Cap::Butt))->area();
        self::assertEqualsWithDelta($turn / 2 * ((1 + $width / 2) ** 2 + ($width / 2 - 1) ** 2), $area, 0.02);
    }

    #[Test]
    #[TestWith([Cap::Butt, 40.0])]
    #[TestWith([Cap::Square, 56.0])]
    #[TestWith([Cap::Round, 52.566])]
    public function caps_end_a_line(Cap $cap, float $area): void
    {
        $outline = Outliner::outline([self::line(0, 0, 10, 0)], new StrokeStyle(4, $cap));
        self::assertEqualsWithDelta($area, $outline->area(), 0.01);
    }

    #[Test]
    #[TestWith([Join::Miter, 80.0])]
    #[TestWith([Join::Bevel, 79.5])]
    #[TestWith([Join::Round, 79.7854])]
    public function joins_fill_a_corner(Join $join, float $area): void
    {
        $outline = Outliner::outline([self::line(0, 0, 20, 0, 20, 20)], new StrokeStyle(2, Cap::Butt, $join));
        self::assertEqualsWithDelta($area, $outline->area(), 0.001);
    }

    #[Test]
    public function a_miter_past_its_limit_is_a_bevel(): void
    {
        $sharp = [self::line(0, 0, 20, 1, 0, 2)];
        $bevel = Outliner::outline($sharp, new StrokeStyle(1, Cap::Butt, Join::Bevel));
        $cut = Outliner::outline($sharp, new StrokeStyle(1, Cap::Butt, Join::Miter, 4));
        $full = Outliner::outline($sharp, new StrokeStyle(1, Cap::Butt, Join::Miter, 40));
        self::assertEqualsWithDelta($bevel->area(), $cut->area(), 1e-6);
        self::assertGreaterThan($bevel->area() + 2, $full->area());
    }

    #[Test]
    #[TestWith([Cap::Butt, 0.0])]
    #[TestWith([Cap::Round, 12.566])]
    #[TestWith([Cap::Square, 16.0])]
    public function a_point_shows_only_its_caps(Cap $cap, float $area): void
    {
        foreach ([new Contour([5.0, 5.0, 5.0, 5.0, 5.0, 5.0, 5.0, 5.0], false), new Contour([5.0, 5.0, 5.0, 5.0, 5.0, 5.0, 5.0, 5.0], true)] as $point) {
            self::assertEqualsWithDelta($area, Outliner::outline([$point], new StrokeStyle(4, $cap))->area(), 0.01);
        }
    }

    #[Test]
    public function a_dashed_stroke_leaves_one_outline_per_dash(): void
    {
        $style = new StrokeStyle(2, Cap::Butt, Join::Miter, 4, [4.0, 6.0]);
        $outline = Outliner::outline([self::line(0, 0, 40, 0)], $style);
        self::assertCount(4, $outline->contours);
        self::assertEqualsWithDelta(32.0, $outline->area(), 1e-6);
    }

    #[Test]
    #[TestWith([2.0, 5, 18.0])]
    #[TestWith([-3.0, 4, 16.0])]
    #[TestWith([7.0, 4, 16.0])]
    public function dashes_begin_at_their_offset(float $offset, int $dashes, float $inked): void
    {
        $style = new StrokeStyle(2, Cap::Butt, Join::Miter, 4, [4.0, 6.0], $offset);
        $outline = Outliner::outline([self::line(0, 0, 42, 0)], $style);
        self::assertCount($dashes, $outline->contours);
        self::assertEqualsWithDelta(2 * $inked, $outline->area(), 1e-6);
    }

    #[Test]
    public function a_dash_that_meets_the_start_of_a_closed_line_goes_on_over_it(): void
    {
        $square = Contour::rectangle(0, 0, 10, 10);
        $outline = Outliner::outline([$square], new StrokeStyle(1, Cap::Butt, Join::Miter, 4, [10.0, 10.0], 5.0));
        self::assertCount(2, $outline->contours);
    }

    #[Test]
    public function dots_are_dashes_without_length_and_round_caps(): void
    {
        $outline = Outliner::outline([self::line(0, 0, 31, 0)], new StrokeStyle(2, Cap::Round, Join::Miter, 4, [0.0, 5.0]));
        self::assertCount(7, $outline->contours);
        self::assertEqualsWithDelta(7 * M_PI, $outline->area(), 0.05);
    }

    #[Test]
    public function a_loop_tighter_than_the_width_has_no_hole_in_it(): void
    {
        $pen = new Pen;
        $pen->moveTo(0, 10);
        $pen->cubicTo(30, -8, -20, -8, 10, 10);
        $outline = Outliner::outline($pen->contours(), new StrokeStyle(9));
        self::assertCount(1, $outline->contours);
    }

    #[Test]
    public function a_cusp_is_rounded_and_covered(): void
    {
        $pen = new Pen;
        $pen->moveTo(0, 14);
        $pen->cubicTo(14, 0, 0, 0, 14, 14);
        $outline = Outliner::outline($pen->contours(), new StrokeStyle(3));
        self::assertCount(1, $outline->contours);
        $tip = Shape::of(Contour::circle(7, 3.5, 1.45));
        self::assertEqualsWithDelta($tip->area(), Combine::keepOverlap([$outline, $tip])->area(), 0.02);
    }

    /** The law of a stroke: its outline is everywhere half a width away from the line. */
    #[Test]
    public function the_outline_keeps_its_distance_within_a_hundredth(): void
    {
        for ($seed = 1; $seed <= 120; $seed++) {
            $art = new RandomArt($seed);
            $pen = new Pen;
            $pen->moveTo($art->between(0, 60), $art->between(0, 60));
            for ($k = 0; $k < 3; $k++) {
                $pen->cubicTo(
                    $art->between(0, 60),
                    $art->between(0, 60),
                    $art->between(0, 60),
                    $art->between(0, 60),
                    $art->between(0, 60),
                    $art->between(0, 60),
                );
            }
            $line = $pen->contours()[0];
            $width = $art->between(0.5, 12);
            $outline = Outliner::outline([$line], new StrokeStyle($width, Cap::Round, Join::Round));
            $samples = [];
            foreach ($line->segments() as $segment) {
                for ($t = 0; $t <= 400; $t++) {
                    $samples[] = Cubic::at($segment, $t / 400);
                }
            }
            foreach ($outline->contours as $contour) {
                foreach ($contour->segments() as $segment) {
                    foreach ([0.25, 0.6] as $t) {
                        [$x, $y] = Cubic::isLine($segment)
                            ? [$segment[0] + $t * ($segment[6] - $segment[0]), $segment[1] + $t * ($segment[7] - $segment[1])]
                            : Cubic::at($segment, $t);
                        $near = INF;
                        foreach ($samples as [$px, $py]) {
                            $near = min($near, ($px - $x) ** 2 + ($py - $y) ** 2);
                        }
                        // The samples lie up to 0.2 mm apart, which makes the distance to them a little longer.
                        self::assertEqualsWithDelta($width / 2, sqrt($near), 0.012 + 0.04 / $width, "seed {$seed} width {$width}");
                    }
                }
            }
        }
    }
}
