<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Sheet;

use NeatEdge\Core\Geometry\Arc;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Polyline;
use NeatEdge\Core\Geometry\ScanLines;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Inside;
use NeatEdge\Core\Sheet\Cut\CutOnce;
use NeatEdge\Core\Sheet\Cut\CutOrder;
use NeatEdge\Core\Sheet\Cut\DragKnife;
use NeatEdge\Core\Sheet\Cut\Forest;
use NeatEdge\Core\Sheet\Cut\LeadIn;
use NeatEdge\Core\Sheet\Cut\MachineTime;
use NeatEdge\Core\Sheet\Cut\Overcut;
use NeatEdge\Core\Sheet\Cut\StartPoints;
use NeatEdge\Core\Sheet\Cut\Weeding;
use NeatEdge\Core\Sheet\Engrave\Hairlines;
use NeatEdge\Core\Sheet\Engrave\Hatch;
use NeatEdge\Core\Stroke\Offset;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Cuts as a machine makes them: order, starts, blades, weeding, hatches. */
final class CutTest extends TestCase
{
    #[Test]
    public function what_lies_inside_is_cut_before_what_lies_around_it(): void
    {
        $lines = [
            Contour::rectangle(0, 0, 100, 100),
            Contour::rectangle(10, 10, 50, 50),
            Contour::circle(30, 30, 5),
            Contour::circle(90, 90, 4),
            Contour::rectangle(120, 0, 10, 10),
        ];
        self::assertEquals([-1 => [4, 0], 1 => [2], 0 => [3, 1]], Forest::of($lines));
        $ell = Contour::polygon([[0.0, 0.0], [40.0, 0.0], [40.0, 10.0], [10.0, 10.0], [10.0, 40.0], [0.0, 40.0]]);
        self::assertSame([-1 => [1, 0]], Forest::of([$ell, Contour::rectangle(20, 20, 10, 10)]), 'within its box, yet beside it');
        $areas = array_map(static fn (Contour $line): float => round(abs($line->area())), CutOrder::of($lines));
        $at = array_flip(array_map(strval(...), $areas));
        self::assertLessThan($at['10000'], $at['2500']);
        self::assertLessThan($at['2500'], $at['79']);
        self::assertLessThan($at['10000'], $at['50']);
    }

    #[Test]
    public function no_line_is_lost_by_ordering_and_travel_is_far_under_that_of_file_order(): void
    {
        mt_srand(7);
        $lines = [];
        for ($i = 0; $i < 120; $i++) {
            [$x, $y] = [mt_rand(0, 5000) / 10, mt_rand(0, 3000) / 10];
            $lines[] = $i % 4 === 0 ? Contour::polygon([[$x, $y], [$x + 6, $y + 2]], false)
                : ($i % 2 === 0 ? Contour::circle($x, $y, 2) : Contour::rectangle($x, $y, 4, 3));
        }
        $ordered = CutOrder::of($lines);
        self::assertEqualsWithDelta(
            array_sum(array_map(static fn (Contour $line): float => $line->length(), $lines)),
            array_sum(array_map(static fn (Contour $line): float => $line->length(), $ordered)),
            1e-6,
        );
        self::assertCount(120, $ordered);
        self::assertLessThan(0.4 * CutOrder::travel($lines), CutOrder::travel($ordered));
    }

    #[Test]
    public function a_cut_begins_at_a_corner_and_never_on_a_tip(): void
    {
        $house = Contour::polygon([[0.0, 0.0], [20.0, 0.0], [20.0, 10.0], [10.0, 60.0], [0.0, 10.0]]);
        self::assertNotContains(3, StartPoints::of($house), 'the roof is a tip');
        self::assertContains(0, StartPoints::of($house));
        $drop = new Contour([0.0, 0.0, 3.0, 20.0, 20.0, 40.0, 0.0, 40.0, -20.0, 40.0, -3.0, 20.0, 0.0, 0.0], true);
        self::assertSame([1], StartPoints::of($drop), 'the round end, not the point');
        $from = StartPoints::from($house, 2);
        self::assertSame([20.0, 10.0], [$from->coords[0], $from->coords[1]]);
        self::assertEqualsWithDelta($house->area(), $from->area(), 1e-9);
    }

    #[Test]
    public function overcut_goes_on_past_the_start_by_so_many_mm(): void
    {
        foreach ([Contour::rectangle(0, 0, 10, 6), Contour::circle(0, 0, 5)] as $line) {
            $over = Overcut::of($line, 1.7);
            self::assertFalse($over->closed);
            self::assertEqualsWithDelta($line->length() + 1.7, $over->length(), 1e-4);
        }
        self::assertEqualsWithDelta(32 + 12.5, Overcut::of(Contour::rectangle(0, 0, 10, 6), 12.5)->length(), 1e-6, 'round a corner too');
        self::assertSame(2, Overcut::of(Contour::polygon([[0.0, 0.0], [5.0, 0.0]], false), 1.0)->nodeCount(), 'an open line has no seam');
    }

    #[Test]
    public function the_tip_of_a_drag_knife_goes_where_the_line_is(): void
    {
        $square = Contour::rectangle(20, 20, 30, 20);
        $lines = (new DragKnife(0.3, 20.0))->steer([Overcut::of($square, 0.5), Contour::circle(80, 40, 9)]);
        self::assertCount(3, $lines, 'a first stroke in the waste turns the blade');
        // A tip drawn along behind the axis, as a caster is.
        [$tx, $ty, $heading] = [0.0, 0.0, 2.0];
        $worst = 0.0;
        foreach ($lines as $number => $line) {
            $points = $line->points;
            [$tx, $ty] = [$points[0][0] - 0.3 * cos($heading), $points[0][1] - 0.3 * sin($heading)];
            for ($i = 1; $i < count($points); $i++) {
                $steps = max(1, (int) ceil(hypot($points[$i][0] - $points[$i - 1][0], $points[$i][1] - $points[$i - 1][1]) / 0.02));
                for ($k = 1; $k <= $steps; $k++) {
                    $ax = $points[$i - 1][0] + ($points[$i][0] - $points[$i - 1][0]) * $k / $steps;
                    $ay = $points[$i - 1][1] + ($points[$i][1] - $points[$i - 1][1]) * $k / $steps;
                    $heading = atan2($ay - $ty, $ax - $tx);
                    [$tx, $ty] = [$ax - 0.3 * cos($heading), $ay - 0.3 * sin($heading)];
                    if ($number > 0) {
                        $worst = max($worst, $number === 1
                            ? min(max(abs($tx - 35) - 15, abs($ty - 30) - 10) > -0.5 ? abs(max(abs($tx - 35) - 15, abs($ty - 30) - 10)) : 9.0, 9.0)
                            : abs(hypot($tx - 80, $ty - 40) - 9));
                    }
                }
            }
        }
        self::assertLessThan(0.05, $worst, 'mm off the line');
    }

    #[Test]
    public function lines_that_lie_on_each_other_are_in_none_of_each_other_and_none_is_lost(): void
    {
        $twice = [Contour::rectangle(10, 10, 20, 20), Contour::rectangle(10, 10, 20, 20), Contour::circle(20, 20, 5)];
        $inside = Forest::of($twice);
        self::assertCount(2, $inside[-1]);
        self::assertCount(3, CutOrder::of($twice));
        self::assertEqualsWithDelta($twice[2]->length(), CutOrder::of($twice)[0]->length(), 1e-9, 'what lies in them first');
        // Nested deep, and of very different sizes.
        $deep = array_map(static fn (int $k): Contour => Contour::rectangle(100 - 1.7 ** $k, 100 - 1.7 ** $k, 2 * 1.7 ** $k, 2 * 1.7 ** $k), range(0, 8));
        $inside = Forest::of($deep);
        for ($k = 1; $k < 9; $k++) {
            self::assertSame([$k - 1], $inside[$k]);
        }
    }

    #[Test]
    public function a_blade_that_swivels_lightly_does_so_at_corners_only_and_goes_the_same_way(): void
    {
        $square = [Overcut::of(Contour::rectangle(20, 20, 30, 20), 0.5)];
        $deep = (new DragKnife(0.3, 20.0))->steer($square);
        $light = (new DragKnife(0.3, 20.0, true))->steer($square);
        self::assertEquals(array_column($deep, 'points'), array_column($light, 'points'));
        self::assertSame([], $deep[1]->light);
        foreach ($light[1]->points as $number => [$x, $y]) {
            // Along a side the axis is on its line, 0.3 mm ahead of the tip; while it swivels it is 0.3 mm from a corner of the square.
            $corner = min(array_map(static fn (array $c): float => hypot($x - $c[0], $y - $c[1]), [[20, 20], [50, 20], [50, 40], [20, 40]]));
            if (isset($light[1]->light[$number])) {
                self::assertEqualsWithDelta(0.3, $corner, 1e-9);
            }
        }
        self::assertGreaterThanOrEqual(4 * 7, count($light[1]->light), 'chords of at most 12 degrees round each corner, and into the first side');
        self::assertSame(
            [],
            array_filter(
                $light[1]->points,
                static fn (array $p, int $k): bool => $k > 0 && ! isset($light[1]->light[$k]) && hypot(
                    $p[0] - $light[1]->points[$k - 1][0],
                    $p[1] - $light[1]->points[$k - 1][1],
                ) < 0.2,
                ARRAY_FILTER_USE_BOTH,
            ),
            'no swivel at depth',
        );
    }

    #[Test]
    public function a_lead_in_comes_through_waste_alone_in_the_direction_of_the_cut(): void
    {
        $ring = new Shape([...Shape::of(Contour::circle(30, 30, 20))->contours, Contour::circle(30, 30, 10)->reversed()]);
        $near = Shape::of(Contour::rectangle(50.5, 5, 10, 50));
        $lines = array_map(static fn (Contour $c): Contour => new Contour($c->coords, true), [...$ring->contours, ...$near->contours]);
        $kept = new Inside(new Shape([...$ring->contours, ...$near->contours]));
        $led = (new LeadIn([$ring, $near], 2.0))->before($lines);
        self::assertCount(3, $led);
        foreach ($led as $i => $line) {
            $c = $line->coords;
            self::assertFalse($line->closed);
            self::assertEqualsWithDelta($lines[$i]->length() + hypot($c[6] - $c[0], $c[7] - $c[1]), $line->length(), 1e-6, 'once round and the way in');
            self::assertLessThanOrEqual(2.0 + 1e-9, hypot($c[6] - $c[0], $c[7] - $c[1]));
            foreach ([0.0, 0.2, 0.5, 0.8, 0.95] as $t) {
                self::assertFalse($kept->holds($c[0] + $t * ($c[6] - $c[0]), $c[1] + $t * ($c[7] - $c[1])), 'no piece is cut into');
            }
            [$hx, $hy] = StartPoints::heading($line->segments()[1]);
            self::assertGreaterThan(
                0.25,
                (($c[6] - $c[0]) * $hx + ($c[7] - $c[1]) * $hy) / hypot($c[6] - $c[0], $c[7] - $c[1]) / hypot($hx, $hy),
                'it goes on rather than back',
            );
            self::assertEqualsWithDelta($line->length() + 0.8, Overcut::of($line, 0.8)->length(), 1e-6, 'it is overcut past where the round began');
        }
        self::assertEquals($lines, (new LeadIn([$ring, $near], 0.0))->before($lines));
        $open = Contour::polygon([[0.0, 0.0], [5.0, 0.0], [5.0, 5.0]], false);
        self::assertEquals([$open], (new LeadIn([$ring], 2.0))->before([$open]), 'what is open has no start to lead to');
        // Walled in on all sides there is no waste to come through.
        $wall = new Shape([Contour::rectangle(0, 0, 60, 60), Contour::rectangle(20, 20, 20, 20)]);
        self::assertTrue((new LeadIn([$wall], 2.0))->before([Contour::rectangle(20, 20, 20, 20)])[0]->closed);
    }

    #[Test]
    public function starts_do_not_stand_in_a_row_and_cost_little_more_way_for_it(): void
    {
        $row = [];
        for ($k = 0; $k < 12; $k++) {
            $row[] = Contour::rectangle(10 + 14 * $k, 20, 10, 30);
        }
        $cut = CutOrder::of($row, [0.0, 60.0]);
        self::assertCount(12, $cut);
        $threes = 0;
        for ($k = 2; $k < 12; $k++) {
            $y = array_map(static fn (Contour $line): float => $line->coords[1], [$cut[$k - 2], $cut[$k - 1], $cut[$k]]);
            $threes += max($y) - min($y) < 0.5 ? 1 : 0;
        }
        self::assertGreaterThan(7, $threes, 'a start on the other side of a bar costs more way than it may');
        self::assertLessThan(1.07 * 11 * 14 + 15, CutOrder::travel($cut, [0.0, 60.0]));
        // Where it costs little they stand apart.
        $low = array_map(static fn (int $k): Contour => Contour::rectangle(10 + 40 * $k, 20, 30, 4), range(0, 9));
        $cut = CutOrder::of($low, [0.0, 22.0]);
        $threes = 0;
        for ($k = 2; $k < 10; $k++) {
            $y = array_map(static fn (Contour $line): float => $line->coords[1], [$cut[$k - 2], $cut[$k - 1], $cut[$k]]);
            $threes += max($y) - min($y) < 0.5 ? 1 : 0;
        }
        self::assertLessThan(3, $threes);
    }

    #[Test]
    public function a_border_that_two_pieces_share_is_cut_once_and_lines_that_share_none_stay_as_they_are(): void
    {
        // Three tiles side by side, the last as high as two halves: their borders meet in the middle of its side.
        $tiles = [Contour::rectangle(0, 0, 20, 10), Contour::rectangle(0, 10, 20, 10), Contour::rectangle(20, 0, 20, 20)];
        $once = CutOnce::of($tiles);
        self::assertEqualsWithDelta(60 + 60 + 80 - 20 - 20, array_sum(array_map(static fn (Contour $line): float => $line->length(), $once)), 1e-6);
        self::assertLessThanOrEqual(2, count($once), 'as few trails as there can be');
        $apart = [Contour::rectangle(0, 0, 5, 5), Contour::circle(20, 5, 3)];
        self::assertSame($apart, CutOnce::of($apart));
        $half = new Contour([0.0, 0.0, 0.0, 10.0, 20.0, 10.0, 20.0, 0.0, 20.0, 0.0, 0.0, 0.0, 0.0, 0.0], true);
        $other = new Contour([0.0, 0.0, 0.0, 10.0, 20.0, 10.0, 20.0, 0.0, 20.0, 30.0, 0.0, 30.0, 0.0, 0.0], true);
        $sum = array_sum(array_map(static fn (Contour $line): float => $line->length(), CutOnce::of([$half, $other])));
        self::assertEqualsWithDelta($half->length() + $other->length() - ($half->length() - 20), $sum, 1e-3, 'curves too');
    }

    #[Test]
    public function a_fill_is_travelled_in_a_short_order_and_nothing_of_it_is_lost(): void
    {
        $areas = [];
        for ($k = 0; $k < 6; $k++) {
            $areas[] = new Shape([Contour::rectangle(10 + 12 * $k, 10, 8, 30), Contour::rectangle(12 + 12 * $k, 20, 4, 10)->reversed()]);
            $areas[] = Shape::of(Contour::circle(14 + 12 * $k, 60, 4));
        }
        $hatch = Hatch::of($areas, 0.0, 0.5);
        $way = $long = 0.0;
        for ($i = 0, $n = count($hatch); $i < $n; $i += 4) {
            $long += hypot($hatch[$i + 2] - $hatch[$i], $hatch[$i + 3] - $hatch[$i + 1]);
            $way += $i === 0 ? 0.0 : hypot($hatch[$i] - $hatch[$i - 2], $hatch[$i + 1] - $hatch[$i - 1]);
        }
        self::assertEqualsWithDelta(6 * (8 * 30 - 4 * 10) + 6 * M_PI * 16, 0.5 * $long, 6.0);
        // Down a field line by line, and from field to field: rows right across all of them would be 3,500 mm.
        self::assertLessThan(self::WAY, $way);
    }

    /** mm in the air between the lines of that fill, with a hundredth to spare. */
    private const WAY = 504.0;

    #[Test]
    public function weeding_lines_cross_no_piece_and_leave_no_strip_that_is_too_long(): void
    {
        $pieces = [Shape::of(Contour::circle(40, 40, 25)), Shape::of(Contour::rectangle(90, 20, 30, 60)), Shape::of(Contour::circle(150, 50, 8))];
        $box = Weeding::box($pieces, 5.0);
        self::assertEquals(new Box(10.0, 10.0, 163.0, 85.0), $box);
        $lines = Weeding::lines($pieces, $box ?? new Box(0, 0, 1, 1), 30.0, 0.6);
        self::assertGreaterThan(6, count($lines));
        foreach ($lines as $line) {
            foreach ($pieces as $piece) {
                $inside = new Inside(Offset::outset($piece, 0.58));
                for ($k = 0; $k <= 40; $k++) {
                    self::assertFalse($inside->holds(
                        $line->coords[0] + ($line->coords[6] - $line->coords[0]) * $k / 40,
                        $line->coords[1] + ($line->coords[7] - $line->coords[1]) * $k / 40,
                    ));
                }
            }
            self::assertTrue($line->box()->left >= 9.99 && $line->box()->right <= 163.01 && $line->box()->top >= 9.99 && $line->box()->bottom <= 85.01);
        }
        self::assertSame([], Weeding::lines($pieces, new Box(0, 0, 200, 100), 0.0, 0.6));
    }

    #[Test]
    public function lines_across_shapes_tell_what_lies_inside_holes_left_out(): void
    {
        $ring = new Shape([Contour::circle(0, 0, 10), Contour::circle(0, 0, 5)->reversed()]);
        foreach ([0.0, 30.0, 90.0] as $turn) {
            $found = iterator_to_array((new ScanLines([$ring], $turn, 1e-4))->along([-20.0, 0.0, 7.0]));
            self::assertSame([], $found[0]);
            self::assertCount(2, $found[1]);
            self::assertEqualsWithDelta([-10.0, -5.0, 5.0, 10.0], array_merge(...$found[1]), 0.01);
            self::assertEqualsWithDelta([-sqrt(51), sqrt(51)], $found[2][0], 0.01);
        }
        $two = new ScanLines([Shape::of(Contour::rectangle(0, 0, 10, 10)), Shape::of(Contour::rectangle(5, 0, 10, 10))]);
        self::assertEquals([[0.0, 15.0]], iterator_to_array($two->along([5.0]))[0], 'together');
    }

    #[Test]
    public function a_hatch_covers_its_area_and_goes_there_and_back(): void
    {
        foreach ([0.0, 45.0, 90.0] as $angle) {
            $hatch = Hatch::of([new Shape([Contour::rectangle(0, 0, 40, 30), Contour::rectangle(10, 10, 10, 10)->reversed()])], $angle, 0.25);
            $length = 0.0;
            for ($i = 0; $i < count($hatch); $i += 4) {
                $length += hypot($hatch[$i + 2] - $hatch[$i], $hatch[$i + 3] - $hatch[$i + 1]);
            }
            self::assertEqualsWithDelta(1100.0, $length * 0.25, 4.0, 'lines times pitch is the area');
        }
        $rows = Hatch::of([Shape::of(Contour::rectangle(0, 0, 40, 1))], 0.0, 0.5);
        self::assertEqualsWithDelta([0.0, 0.25, 40.0, 0.25, 40.0, 0.75, 0.0, 0.75], $rows, 1e-9);
        self::assertSame([], Hatch::of([], 0.0, 0.5));
    }

    #[Test]
    public function hairlines_are_followed_along_their_middle_once_and_wider_shapes_are_left_to_be_filled(): void
    {
        $hair = Contour::polygon([[10.0, 10.0], [60.0, 10.0], [60.0, 10.2], [10.0, 10.2]]);
        $plate = Contour::rectangle(10, 20, 20, 10);
        [$lines, $rest] = Hairlines::of(new Shape([$hair, $plate]), 0.3);
        self::assertCount(1, $lines);
        self::assertEqualsWithDelta(50.0, $lines[0]->length(), 0.7);
        foreach (Polyline::of($lines[0], 0.01) as [$x, $y]) {
            self::assertEqualsWithDelta(10.1, $y, 0.03);
        }
        self::assertEqualsWithDelta(200.0, $rest->area(), 1e-6);
        $bent = new Shape([Contour::polygon([[10.0, 40.0], [40.0, 40.0], [40.0, 60.0], [39.8, 60.0], [39.8, 40.2], [10.0, 40.2]])]);
        self::assertEqualsWithDelta(
            49.8,
            array_sum(array_map(static fn (Contour $line): float => $line->length(), Hairlines::of($bent, 0.3)[0])),
            2.0,
            'both walls tell of one middle',
        );
        self::assertSame([], Hairlines::of(new Shape([$hair]), 0.0)[0]);
    }

    #[Test]
    public function an_arc_is_known_for_one_and_a_curve_that_is_none_is_not(): void
    {
        $quarter = Contour::circle(10, 20, 5)->segment(0);
        $arc = Arc::of($quarter, 0.005);
        self::assertNotNull($arc);
        self::assertEqualsWithDelta([10.0, 20.0, 5.0, M_PI / 2], [$arc->x, $arc->y, $arc->radius, $arc->sweep], 0.003);
        self::assertEqualsWithDelta(tan(M_PI / 8), $arc->bulge(), 1e-3);
        self::assertLessThan(
            0,
            Arc::of([$quarter[6], $quarter[7], $quarter[4], $quarter[5], $quarter[2], $quarter[3], $quarter[0], $quarter[1]], 0.005)?->sweep,
        );
        self::assertNull(Arc::of([0.0, 0.0, 10.0, 0.0, 0.0, 10.0, 10.0, 10.0], 0.005), 'an S');
        self::assertNull(Arc::of([0.0, 0.0, 0.0, 0.0, 10.0, 0.0, 10.0, 0.0], 0.005), 'a line');
    }

    #[Test]
    public function time_grows_with_corners_and_with_lifts(): void
    {
        $time = new MachineTime(100.0, 200.0, 1000.0, 0.1);
        $straight = $time->along([Contour::polygon([[0.0, 0.0], [200.0, 0.0]], false)]);
        self::assertEqualsWithDelta(2.0 + 0.1 + 0.2, $straight, 0.01, '200 mm at 100 mm/s, a ramp up and one down, pen down and up');
        $zigzag = $time->along([Contour::polygon(array_map(static fn (int $i): array => [10.0 * $i, $i % 2 === 0 ? 0.0 : 0.1], range(0, 20)), false)]);
        self::assertEqualsWithDelta($straight, $zigzag, 0.15, 'all but straight');
        $sharp = $time->along([Contour::polygon(array_map(static fn (int $i): array => [$i % 2 === 0 ? 0.0 : 10.0, 0.01 * $i], range(0, 20)), false)]);
        self::assertGreaterThan(1.5 * $straight, $sharp, 'there and back twenty times');
    }
}
