<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Geometry;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Pen;
use NeatEdge\Core\Tests\Support\RandomArt;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class ContourTest extends TestCase
{
    #[Test]
    public function a_circle_has_the_measures_of_a_circle(): void
    {
        $circle = Contour::circle(5, 5, 3);
        self::assertEqualsWithDelta(M_PI * 9, $circle->area(), 0.01);
        self::assertEqualsWithDelta(2 * M_PI * 3, $circle->length(), 0.005);
        self::assertSame(4, $circle->nodeCount());
        self::assertEqualsWithDelta([2.0, 2.0, 8.0, 8.0], array_values((array) $circle->box()), 1e-9);
    }

    #[Test]
    public function turning_round_changes_the_sign_of_the_area_only(): void
    {
        $star = (new RandomArt(7))->star(0, 0, 9, 5);
        self::assertEqualsWithDelta(-$star->area(), $star->reversed()->area(), 1e-9);
        self::assertSame($star->coords, $star->reversed()->reversed()->coords);
    }

    #[Test]
    public function a_box_holds_the_curve_and_not_its_handles(): void
    {
        $contour = new Contour([0.0, 0.0, 0.0, 4.0, 6.0, 4.0, 6.0, 0.0], false);
        self::assertEqualsWithDelta(3.0, $contour->box()->bottom, 1e-9);
    }

    #[Test]
    public function an_area_is_as_exact_far_from_the_origin(): void
    {
        $circle = Contour::circle(0, 0, 1);
        $far = $circle->transformed(Matrix::translation(1e6, -1e6));
        self::assertEqualsWithDelta($circle->area(), $far->area(), 1e-8);
    }

    #[Test]
    public function parts_of_a_curve_join_to_the_whole(): void
    {
        $segment = [0.0, 0.0, 3.0, 9.0, 8.0, -4.0, 10.0, 2.0];
        foreach ([0.1, 0.37, 0.8] as $t) {
            $a = Cubic::part($segment, 0.0, $t);
            $b = Cubic::part($segment, $t, 1.0);
            self::assertEqualsWithDelta(Cubic::length($segment), Cubic::length($a) + Cubic::length($b), 1e-7);
            self::assertEqualsWithDelta(Cubic::at($segment, $t), [$a[6], $a[7]], 1e-12);
            self::assertEqualsWithDelta(Cubic::at($segment, $t / 2), Cubic::at($a, 0.5), 1e-12);
            self::assertEqualsWithDelta(array_slice(Cubic::part($segment, $t, 0.0), 0, 2), [$a[6], $a[7]], 1e-12);
        }
    }

    #[Test]
    public function an_arc_too_small_for_its_ends_grows_until_it_reaches(): void
    {
        $pen = new Pen;
        $pen->moveTo(0, 0);
        $pen->arcTo(1, 1, 0, false, true, 10, 0);
        $pen->close();
        self::assertEqualsWithDelta(M_PI * 25 / 2, abs($pen->contours()[0]->area()), 0.02);
    }

    #[Test]
    public function a_matrix_undone_gives_the_place_back(): void
    {
        $matrix = Matrix::translation(3, 4)->after(Matrix::rotation(33, 5, 6))->after(Matrix::scaling(2, -3));
        $there = $matrix->apply(1.5, 2.5);
        $back = $matrix->inverse()->apply($there->x, $there->y);
        self::assertEqualsWithDelta([1.5, 2.5], [$back->x, $back->y], 1e-12);
        self::assertEqualsWithDelta(3.0, $matrix->greatestScale(), 1e-12);
        self::assertTrue(Matrix::rotation(20)->after(Matrix::scaling(2, 2))->isSimilarity());
        self::assertFalse($matrix->isSimilarity());
    }
}
