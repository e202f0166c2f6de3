<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Stroke;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\CurveFit;
use NeatEdge\Core\Geometry\Pen;
use NeatEdge\Core\Stroke\Dashes;
use NeatEdge\Core\Stroke\OffsetCurve;
use NeatEdge\Core\Stroke\StrokeStyle;
use NeatEdge\Core\Stroke\Thin;
use NeatEdge\Core\Tests\Support\RandomArt;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class OffsetCurveTest extends TestCase
{
    #[Test]
    public function a_line_stays_a_line_and_an_arc_an_arc(): void
    {
        self::assertSame([[0.0, 2.0, 0.0, 2.0, 10.0, 2.0, 10.0, 2.0]], OffsetCurve::of([0.0, 0.0, 0.0, 0.0, 10.0, 0.0, 10.0, 0.0], 2.0, 0.01));
        $quarter = Contour::circle(0, 0, 10)->segment(0);
        foreach ([2.0, -3.0, 5.0] as $d) {
            $offset = OffsetCurve::of($quarter, $d, 0.005);
            self::assertCount(1, $offset);
            self::assertEqualsWithDelta(Contour::circle(0, 0, 10 - $d)->segment(0), $offset[0], 3e-3);
        }
    }

    #[Test]
    public function a_gentle_curve_takes_few_segments_and_keeps_its_distance(): void
    {
        $count = 0;
        for ($seed = 1; $seed <= 60; $seed++) {
            $art = new RandomArt($seed);
            $s = [0.0, 0.0, $art->between(5, 15), $art->between(-10, 10), $art->between(25, 35), $art->between(-10, 10), 40.0, $art->between(-5, 5)];
            $parts = OffsetCurve::of($s, 2.0, 0.005);
            $count += count($parts);
            foreach ($parts as $part) {
                foreach ([0.2, 0.5, 0.85] as $t) {
                    [$x, $y] = Cubic::at($part, $t);
                    $near = INF;
                    for ($k = 0; $k <= 2000; $k++) {
                        [$px, $py] = Cubic::at($s, $k / 2000);
                        $near = min($near, hypot($px - $x, $py - $y));
                    }
                    self::assertEqualsWithDelta(2.0, $near, 0.01, "seed {$seed}");
                }
            }
        }
        self::assertLessThanOrEqual(4 * 60, $count);
    }

    #[Test]
    public function one_cubic_is_found_again_from_points_on_it(): void
    {
        $s = [0.0, 0.0, 4.0, 9.0, 12.0, 9.0, 20.0, 1.0];
        $points = array_map(static fn (int $k): array => Cubic::at($s, $k / 12), range(0, 12));
        [$found, $far] = CurveFit::through($points, OffsetCurve::tangent($s, 0.0), OffsetCurve::tangent($s, 1.0));
        self::assertLessThan(0.4, $far);
        // With the right parameters to begin with it is found at once.
        self::assertLessThan(
            1e-9,
            CurveFit::through(
                $points,
                OffsetCurve::tangent($s, 0.0),
                OffsetCurve::tangent($s, 1.0),
                array_map(static fn (int $k): float => (float) $k / 12, range(0, 12)),
            )[1],
        );
    }

    #[Test]
    public function a_curve_cut_in_pieces_is_one_again_after_thinning(): void
    {
        $arc = Contour::circle(0, 0, 10)->segment(0);
        $pen = new Pen;
        $pen->moveTo($arc[0], $arc[1]);
        foreach ([[0.0, 0.3], [0.3, 0.55], [0.55, 1.0]] as [$from, $to]) {
            $pen->cubicTo(...array_slice(Cubic::part($arc, $from, $to), 2));
        }
        $pen->lineTo(-5, 10);
        $pen->lineTo(-10, 10);
        $pen->lineTo(-10, 0);
        $pen->close();
        [$contour] = $pen->contours();
        $thin = Thin::contour($contour, 0.01);
        self::assertSame(4, $thin->nodeCount());
        self::assertEqualsWithDelta($contour->area(), $thin->area(), 0.05);
        self::assertSame(4, Thin::contour(Contour::circle(0, 0, 10), 0.01)->nodeCount());
    }

    #[Test]
    public function dashes_have_their_length_along_a_curve(): void
    {
        $circle = Contour::circle(0, 0, 10);
        $dashes = Dashes::of($circle, new StrokeStyle(1, dashes: [3.0, 2.0]));
        // The thirteenth begins before the end and goes on over the start, into the first.
        self::assertCount(12, $dashes);
        self::assertEqualsWithDelta($circle->length() - 60 + 3, $dashes[11]->length(), 1e-6);
        foreach (array_slice($dashes, 0, -1) as $dash) {
            self::assertEqualsWithDelta(3.0, $dash->length(), 1e-6);
        }
        self::assertSame([$circle], Dashes::of($circle, new StrokeStyle(1, dashes: [0.0, 0.0])));
        self::assertSame([$circle], Dashes::of($circle, new StrokeStyle(1, dashes: [1e-6, 1e-6])));
        self::assertSame([$circle], Dashes::of($circle, new StrokeStyle(1, dashes: [500.0, 1.0])));
    }
}
