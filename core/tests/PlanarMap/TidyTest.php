<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\PlanarMap;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\PlanarMap\Tidy;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class TidyTest extends TestCase
{
    #[Test]
    public function a_corner_cut_off_by_a_micrometre_is_a_corner_again(): void
    {
        $contour = Contour::polygon([[0, 0], [10, 0], [10, 9.999], [9.999, 10], [0, 10]]);
        $tidy = Tidy::contour($contour, 0.002);
        self::assertCount(4, $tidy->segments());
        self::assertEqualsWithDelta(100.0, $tidy->area(), 1e-9);
    }

    #[Test]
    public function a_step_of_a_micrometre_becomes_a_slope_and_the_area_stays(): void
    {
        $contour = Contour::polygon([[0, 0], [5, 0], [5, 0.001], [10, 0.001], [10, 10], [0, 10]]);
        $tidy = Tidy::contour($contour, 0.002);
        self::assertCount(6, $tidy->segments());
        self::assertEqualsWithDelta($contour->area(), $tidy->area(), 1e-6);
        foreach ($tidy->segments() as $s) {
            self::assertGreaterThan(0.002, hypot($s[6] - $s[0], $s[7] - $s[1]));
        }
    }

    #[Test]
    public function what_has_no_short_segment_is_left_bit_for_bit(): void
    {
        $circle = Contour::circle(3, 4, 5);
        self::assertSame($circle, Tidy::contour($circle, 0.002));
    }

    #[Test]
    #[TestWith([1e-3, 0.0])]
    #[TestWith([1e-5, 0.0])]
    #[TestWith([-1e-4, 2.0])]
    #[TestWith([-1e-6, 0.5])]
    public function circles_that_all_but_touch_are_told_apart(float $gap, float $turn): void
    {
        $a = Shape::of(Contour::circle(0, 0, 10));
        $b = Shape::of(Contour::circle(16 + $gap, 0, 6))->transformed(Matrix::rotation(rad2deg($turn)));
        $weld = Combine::weld([$a, $b]);
        $overlap = Combine::keepOverlap([$a, $b]);
        self::assertEqualsWithDelta($a->area() + $b->area(), $weld->area() + $overlap->area(), 1e-6);
        if ($turn === 0.0) {
            self::assertCount(2, $weld->contours, 'no circle of four curves is round to a micrometre but at its nodes');
        }
    }
}
