<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Recipe;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Recipe\Mirror\MirrorHalf;
use NeatEdge\Core\Recipe\Repeat\StepAndRepeat;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class MirrorHalfTest extends TestCase
{
    #[Test]
    public function halves_that_come_to_lie_over_each_other_cancel_nothing(): void
    {
        $half = Shape::of(Contour::rectangle(10, 0, 10, 10));
        $both = (new MirrorHalf(30.0, 0.0, 90.0, 1.0, -1))->on($half);
        self::assertCount(2, $both->contours);
        // In a row whose step is as wide as the gap between them, each second half lies on a first one.
        $row = (new StepAndRepeat(['row', 3, 1, 30.0, 0.0, 0.0, 0.0, 360.0, true]))->on($both);
        $winding = array_sum(array_map(static fn (Contour $contour): int => $contour->box()->left <= 45.0 && $contour->box()->right >= 45.0 ? ($contour->area() <=> 0.0) : 0, $row->contours));
        self::assertSame(2, abs($winding));
    }

    #[Test]
    public function an_open_line_is_cut_where_it_crosses_the_axis(): void
    {
        [$roof] = (new MirrorHalf(30.0, 0.0, 90.0, 1.0, -1))->on(new Shape([Contour::polygon([[10, 0], [40, 30]], false)]))->contours;
        $ends = array_map(static fn (array $s): array => [round($s[6], 9), round($s[7], 9)], $roof->segments());
        self::assertEqualsCanonicalizing([[30.0, 20.0]], array_slice($ends, 0, -1));
        self::assertSame([[10.0, 50.0], [0.0, 0.0]], [[$roof->box()->left, $roof->box()->right], [$roof->coords[1], $roof->coords[count($roof->coords) - 1]]]);
    }
}
