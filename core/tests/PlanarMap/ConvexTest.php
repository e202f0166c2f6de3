<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\PlanarMap;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Convex;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What lies in a part of the plane without a dent is kept: areas closed anew along its edge, lines ended there. */
final class ConvexTest extends TestCase
{
    private const CORNERS = [[0.0, 0.0], [10.0, 0.0], [10.0, 10.0], [0.0, 10.0]];

    #[Test]
    public function areas_are_closed_along_its_edge_whichever_way_its_corners_go(): void
    {
        foreach ([self::CORNERS, array_reverse(self::CORNERS)] as $corners) {
            $kept = (new Convex($corners))->kept(Shape::of(Contour::rectangle(5, 5, 20, 2)));
            self::assertEqualsWithDelta(10.0, abs($kept->area()), 1e-6);
            self::assertTrue((new Convex($corners))->kept(Shape::of(Contour::rectangle(11, 5, 20, 2)))->isEmpty());
        }
        $within = Shape::of(Contour::rectangle(2, 2, 3, 3));
        self::assertSame($within, (new Convex(self::CORNERS))->kept($within));
        $middle = Convex::rectangle(4.0, 2.0)->kept(Shape::of(Contour::rectangle(-10, -10, 20, 20)))->box();
        self::assertEqualsWithDelta([-2.0, -1.0, 2.0, 1.0], [$middle?->left, $middle?->top, $middle?->right, $middle?->bottom], 1e-6);
    }

    #[Test]
    public function lines_end_at_its_edge_and_begin_again_behind_it(): void
    {
        foreach ([self::CORNERS, array_reverse(self::CORNERS)] as $corners) {
            $kept = (new Convex($corners))->kept(Shape::of(Contour::polygon([[1, 1], [15, 1], [15, 5], [5, 5], [5, 20]], false)));
            self::assertCount(2, $kept->contours);
            self::assertEqualsWithDelta([9.0, 10.0], array_map(static fn (Contour $line): float => $line->length(), $kept->contours), 1e-6);
            self::assertSame([false, false], array_map(static fn (Contour $line): bool => $line->closed, $kept->contours));
        }
    }

    #[Test]
    public function a_closed_line_goes_on_where_it_began(): void
    {
        $part = new Convex(self::CORNERS);
        // It begins within, leaves to the right and comes back: one line of three sides.
        $kept = $part->kept(Shape::of(Contour::rectangle(4, 4, 20, 2)), true);
        self::assertCount(1, $kept->contours);
        self::assertFalse($kept->contours[0]->closed);
        self::assertEqualsWithDelta(6 + 2 + 6, $kept->contours[0]->length(), 1e-6);
        // Only its handles reach out: it is whole.
        $bulge = Shape::of(new Contour([2.0, 9.0, 3.0, 10.3, 5.0, 10.3, 6.0, 9.0, 6.0, 9.0, 2.0, 9.0, 2.0, 9.0], true));
        $kept = $part->kept($bulge, true);
        self::assertEquals($bulge->contours, $kept->contours, 'a handle that reaches out is no line that does');
    }
}
