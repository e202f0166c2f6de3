<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Geometry;

use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Parts;
use NeatEdge\Core\Geometry\Shape;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class PartsTest extends TestCase
{
    #[Test]
    public function every_outline_takes_the_holes_right_inside_it(): void
    {
        $ring = static fn (float $x, float $r, bool $hole): Contour => $hole ? Contour::circle($x, 0, $r)->reversed() : Contour::circle($x, 0, $r);
        // A target of three rings beside a plain dot and a dot with two holes.
        $shape = Shape::of(
            $ring(0, 20, false), $ring(0, 15, true), $ring(0, 10, false), $ring(0, 5, true), $ring(0, 2, false),
            $ring(40, 3, false),
            $ring(60, 10, false), $ring(55, 2, true), $ring(65, 2, true),
        );
        $parts = Parts::of($shape);
        self::assertSame([2, 2, 1, 1, 3], array_map(static fn (Shape $part): int => count($part->contours), $parts));
        self::assertEqualsWithDelta(M_PI * (400 - 225), $parts[0]->area(), 0.3);
        self::assertEqualsWithDelta(M_PI * (100 - 25), $parts[1]->area(), 0.3);
        self::assertEqualsWithDelta(M_PI * (100 - 8), $parts[4]->area(), 0.3);
        self::assertEqualsWithDelta($shape->area(), array_sum(array_map(static fn (Shape $part): float => $part->area(), $parts)), 1e-9);
    }

    #[Test]
    public function what_lies_in_the_box_of_a_part_is_not_taken_for_a_hole_in_it(): void
    {
        // The box of the tall part holds the small one, but its outline does not.
        $bracket = Contour::polygon([[0, 0], [30, 0], [30, 4], [4, 4], [4, 30], [0, 30]]);
        $dot = Contour::circle(20, 20, 3);
        $parts = Parts::of(Shape::of($bracket, $dot));
        self::assertCount(2, $parts);
        self::assertEqualsWithDelta(30 * 4 + 26 * 4, $parts[0]->area(), 1e-9);
    }

    #[Test]
    public function open_lines_are_parts_of_their_own_and_the_rule_goes_along(): void
    {
        $line = Contour::polygon([[1, 1], [3, 3]], false);
        $parts = Parts::of(new Shape([Contour::rectangle(0, 0, 10, 10), $line], FillRule::Evenodd));
        self::assertCount(2, $parts);
        self::assertSame($line, $parts[1]->contours[0]);
        self::assertSame([FillRule::Evenodd, FillRule::Evenodd], array_column($parts, 'rule'));
        self::assertSame([], Parts::of(new Shape([])));
    }

    #[Test]
    public function a_box_around_several_holds_each_of_them_and_touching_counts_as_overlapping(): void
    {
        $a = new Box(0, 0, 10, 5);
        $b = new Box(10, 2, 14, 30);
        $c = new Box(10.001, 0, 11, 1);
        $all = Box::around($a, $b, $c);
        self::assertNotNull($all);
        self::assertSame([0.0, 0.0, 14.0, 30.0], [$all->left, $all->top, $all->right, $all->bottom]);
        self::assertSame([14.0, 30.0, 7.0, 15.0], [$all->width(), $all->height(), $all->middle()->x, $all->middle()->y]);
        self::assertTrue($all->contains($a) && $all->contains($b) && $all->contains($all));
        self::assertFalse($a->contains($all));
        self::assertTrue($a->overlaps($b) && $b->overlaps($a));
        self::assertFalse($a->overlaps($c));
        self::assertNull(Box::around());
    }

    #[Test]
    public function measures_of_a_shape_follow_its_scale(): void
    {
        $shape = Shape::of(Contour::circle(0, 0, 6), Contour::rectangle(-2, -2, 4, 4)->reversed());
        $scaled = $shape->transformed(Matrix::rotation(20)->after(Matrix::scaling(3, 3)));
        self::assertEqualsWithDelta(9 * $shape->area(), $scaled->area(), 1e-8);
        self::assertEqualsWithDelta(3 * $shape->length(), $scaled->length(), 1e-6);
        self::assertSame($shape->nodeCount(), $scaled->nodeCount());
        self::assertSame($shape, $shape->transformed(Matrix::identity()));
        self::assertNull((new Shape([]))->box());
    }

    #[Test]
    public function a_hole_goes_with_the_outline_right_round_it_whatever_lies_beside_and_inside(): void
    {
        // Beside the first, and wider: what lies in the first is found all the same.
        $shape = new Shape([
            Contour::rectangle(0, 0, 50, 50),
            Contour::rectangle(10, 60, 70, 30),
            Contour::rectangle(20, 10, 10, 10),
            Contour::rectangle(22, 12, 4, 4),
        ]);
        self::assertSame([2, 1, 1], array_map(static fn (Shape $part): int => count($part->contours), Parts::of($shape)));
        // One with the same box as what it lies in.
        $diamond = Contour::polygon([[25.0, 0.0], [50.0, 25.0], [25.0, 50.0], [0.0, 25.0]]);
        foreach ([[Contour::rectangle(0, 0, 50, 50), $diamond], [$diamond, Contour::rectangle(0, 0, 50, 50)]] as $both) {
            self::assertSame([2], array_map(static fn (Shape $part): int => count($part->contours), Parts::of(new Shape($both))));
        }
    }

    #[Test]
    public function of_many_rings_in_rings_each_is_where_comparing_all_with_all_puts_it(): void
    {
        mt_srand(7);
        $circles = [];
        for ($k = 0; $k < 60; $k++) {
            [$x, $y] = [mt_rand(0, 3000) / 10, mt_rand(0, 3000) / 10];
            for ($r = mt_rand(5, 12); $r > 1; $r -= 2) {
                $circles[] = [$x, $y, (float) $r];
            }
        }
        // Only such as do not cross.
        $kept = [];
        foreach ($circles as $one) {
            foreach ($kept as $other) {
                $far = hypot($one[0] - $other[0], $one[1] - $other[1]);
                if ($far < $one[2] + $other[2] && $far > abs($one[2] - $other[2])) {
                    continue 2;
                }
            }
            $kept[] = $one;
        }
        shuffle($kept);
        $depth = array_map(
            static fn (array $one): int => count(array_filter(
                $kept,
                static fn (array $other): bool => $other[2] > $one[2] && hypot($one[0] - $other[0], $one[1] - $other[1]) < $other[2],
            )),
            $kept,
        );
        $parts = Parts::of(new Shape(array_map(static fn (array $one): Contour => Contour::circle(...$one), $kept)));
        self::assertCount(count(array_filter($depth, static fn (int $d): bool => $d % 2 === 0)), $parts);
        self::assertSame(count($kept), array_sum(array_map(static fn (Shape $part): int => count($part->contours), $parts)));
        foreach ($parts as $part) {
            self::assertGreaterThan(0.0, $part->area() - 1e-9, 'a hole is smaller than its outline');
            foreach (array_slice($part->contours, 1) as $hole) {
                self::assertTrue($part->contours[0]->box()->contains($hole->box()));
            }
        }
    }
}
