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
}
