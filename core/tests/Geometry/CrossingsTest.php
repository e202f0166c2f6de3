<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Geometry;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Crossing;
use NeatEdge\Core\Geometry\Crossings;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Warp;
use NeatEdge\Core\Tests\Support\RandomArt;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Where lines cross, to the last digit that matters; and shapes taken through maps. */
final class CrossingsTest extends TestCase
{
    /** @param  list<array{float, float}>  $points */
    private static function line(array $points, bool $closed = false): Contour
    {
        return Contour::polygon($points, $closed);
    }

    #[Test]
    public function two_circles_cross_twice_and_both_places_lie_on_both(): void
    {
        $circles = [Contour::circle(50, 50, 20), Contour::circle(65, 57, 13)];
        $found = Crossings::of($circles);
        self::assertCount(2, $found);
        foreach ($found as $crossing) {
            foreach ([[0, $crossing->g], [1, $crossing->h]] as [$k, $g]) {
                [$x, $y] = Cubic::placeOn($circles[$k]->segment((int) floor($g) % 4), $g - floor($g));
                self::assertEqualsWithDelta([$crossing->x, $crossing->y], [$x, $y], 1e-9);
            }
        }
    }

    #[Test]
    public function a_touch_at_an_end_counts_and_lines_that_run_along_one_another_do_not_cross(): void
    {
        $touch = Crossings::of([self::line([[0, 0], [10, 0]]), self::line([[4, 0], [4, 7]])]);
        self::assertEqualsWithDelta([0.4, 0.0], [$touch[0]->g, $touch[0]->h], 1e-9);
        self::assertCount(1, $touch);
        self::assertSame([], Crossings::of([self::line([[0, 0], [10, 0]]), self::line([[2, 0], [8, 0]])]));
        self::assertSame([], Crossings::of([self::line([[0, 0], [10, 0]]), self::line([[4, 0.001], [4, 7]])]), 'one that stops short does not');
        // Over the line that closes an outline, too.
        self::assertCount(2, Crossings::of([self::line([[0, 0], [10, 0], [10, 10], [0, 10]], true), self::line([[-5, 5], [15, 5]])]));
    }

    #[Test]
    public function a_line_crosses_itself_but_not_at_its_own_nodes(): void
    {
        self::assertSame([], Crossings::of([Contour::circle(0, 0, 5)]));
        self::assertSame([], Crossings::of([self::line([[0, 0], [5, 5], [10, 0]])]));
        $loop = Crossings::of([self::line([[0, 0], [10, 10], [10, 0], [0, 10]])]);
        self::assertCount(1, $loop);
        self::assertEqualsWithDelta([5.0, 5.0], [$loop[0]->x, $loop[0]->y], 1e-12);
        // A curve that crosses itself within one segment.
        $curl = Crossings::of([new Contour([0, 0, 60, 40, -50, 40, 10, 0], false)]);
        self::assertCount(1, $curl);
        self::assertEqualsWithDelta(5.0, $curl[0]->x, 1e-9);
    }

    #[Test]
    public function those_on_one_line_come_in_order_with_that_line_first(): void
    {
        $lines = [self::line([[50, -10], [50, 110]]), self::line([[0, 20], [100, 20]]), self::line([[100, 80], [0, 80]])];
        $on = Crossings::on(0, $lines);
        self::assertSame([1, 2], array_map(static fn (Crossing $c): int => $c->b, $on));
        $across = Crossings::on(2, $lines);
        self::assertSame([[2, 0]], array_map(static fn (Crossing $c): array => [$c->a, $c->b], $across));
        self::assertEqualsWithDelta(0.5, $across[0]->g, 1e-9);
    }

    #[Test]
    public function random_lines_cross_as_often_as_their_equations_say(): void
    {
        for ($seed = 1; $seed <= 40; $seed++) {
            $random = new RandomArt($seed);
            $lines = $ends = [];
            for ($k = 0; $k < 12; $k++) {
                $ends[$k] = [$random->between(0, 100), $random->between(0, 100), $random->between(0, 100), $random->between(0, 100)];
                $lines[] = self::line([[$ends[$k][0], $ends[$k][1]], [$ends[$k][2], $ends[$k][3]]]);
            }
            $expected = 0;
            foreach ($ends as $i => [$ax, $ay, $bx, $by]) {
                foreach (array_slice($ends, $i + 1) as [$cx, $cy, $dx, $dy]) {
                    $side = static fn (float $px, float $py, float $qx, float $qy, float $rx, float $ry): float => ($qx - $px) * ($ry - $py) - ($qy - $py) * ($rx - $px);
                    $expected += $side($ax, $ay, $bx, $by, $cx, $cy) * $side($ax, $ay, $bx, $by, $dx, $dy) < 0
                        && $side($cx, $cy, $dx, $dy, $ax, $ay) * $side($cx, $cy, $dx, $dy, $bx, $by) < 0 ? 1 : 0;
                }
            }
            self::assertCount($expected, Crossings::of($lines), "seed {$seed}");
        }
    }

    #[Test]
    public function a_shape_that_is_bent_lies_within_the_deviation_of_where_the_map_puts_it(): void
    {
        // Polar: nothing of it is a cubic.
        $map = static fn (float $x, float $y): array => [(40 + $y) * cos($x / 25), (40 + $y) * sin($x / 25)];
        foreach ([0.5, 0.02, 0.002] as $deviation) {
            $shape = Shape::of(Contour::circle(30, 0, 12), self::line([[5, -10], [60, 15], [40, -20]], true));
            $bent = Warp::shape($shape, $map, $deviation);
            $nodes[] = $bent->nodeCount();
            foreach ($shape->contours as $k => $contour) {
                $segments = $contour->segments();
                foreach ($segments as $s) {
                    for ($i = 0; $i <= 37; $i++) {
                        [$x, $y] = $map(...Cubic::placeOn($s, $i / 37));
                        $near = INF;
                        foreach ($bent->contours[$k]->segments() as $part) {
                            for ($j = 0; $j <= 400; $j++) {
                                [$px, $py] = Cubic::placeOn($part, $j / 400);
                                $near = min($near, hypot($px - $x, $py - $y));
                            }
                        }
                        self::assertLessThan($deviation + 0.06, $near);
                    }
                }
            }
        }
        self::assertLessThan($nodes[1], $nodes[0], 'a coarser one has fewer nodes');
        self::assertLessThan($nodes[2], $nodes[1]);
        self::assertLessThan(60, $nodes[1]);
    }
}
