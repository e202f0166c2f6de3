<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Geometry;

use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Point;
use NeatEdge\Core\Tests\Support\RandomArt;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class MatrixTest extends TestCase
{
    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        foreach ([3, 17, 92, 401] as $seed) {
            yield "seed {$seed}" => [$seed];
        }
    }

    #[Test, DataProvider('seeds')]
    public function one_after_another_does_what_the_first_and_then_the_second_do(int $seed): void
    {
        [$p, $q, $r] = [self::chance($seed), self::chance($seed + 1), self::chance($seed + 2)];
        $step = $q->apply(4.0, -7.0);
        self::assertClose($p->apply($step->x, $step->y), $p->after($q)->apply(4.0, -7.0));
        self::assertClose($p->after($q)->after($r)->apply(1.0, 2.0), $p->after($q->after($r))->apply(1.0, 2.0));
        self::assertEqualsWithDelta($p->determinant() * $q->determinant(), $p->after($q)->determinant(), 1e-9);
    }

    #[Test, DataProvider('seeds')]
    public function the_inverse_leads_back_from_both_sides(int $seed): void
    {
        $matrix = self::chance($seed);
        self::assertFalse($matrix->isSingular());
        foreach ([$matrix->after($matrix->inverse()), $matrix->inverse()->after($matrix)] as $none) {
            self::assertClose(new Point(31.0, -12.0), $none->apply(31.0, -12.0));
        }
    }

    #[Test]
    public function a_turn_goes_clockwise_on_the_bench_and_leaves_its_centre(): void
    {
        self::assertClose(new Point(0.0, 1.0), Matrix::rotation(90)->apply(1.0, 0.0));
        $turn = Matrix::rotation(37, 5, -2);
        self::assertClose(new Point(5.0, -2.0), $turn->apply(5.0, -2.0));
        self::assertEqualsWithDelta(3.0, $turn->apply(8.0, -2.0)->distanceTo(new Point(5.0, -2.0)), 1e-12);
        self::assertClose(new Point(9.0, 4.0), Matrix::rotation(360, 3, 3)->apply(9.0, 4.0));
    }

    #[Test]
    public function a_circle_stays_one_under_turns_mirrors_and_even_scales_only(): void
    {
        $even = Matrix::rotation(31)->after(Matrix::scaling(2.5, 2.5));
        $mirrored = Matrix::rotation(12)->after(Matrix::scaling(-3, 3));
        $stretched = Matrix::scaling(2, 2.001);
        $slanted = new Matrix(1, 0, 0.3, 1, 0, 0);
        self::assertSame([true, true, false, false], array_map(static fn (Matrix $m): bool => $m->isSimilarity(), [$even, $mirrored, $stretched, $slanted]));
    }

    #[Test, DataProvider('seeds')]
    public function no_length_grows_by_more_than_the_greatest_scale_and_one_does_so(int $seed): void
    {
        $matrix = self::chance($seed);
        $origin = $matrix->apply(0.0, 0.0);
        $most = 0.0;
        for ($degrees = 0.0; $degrees < 180.0; $degrees += 0.25) {
            $end = $matrix->apply(cos(deg2rad($degrees)), sin(deg2rad($degrees)));
            $most = max($most, $end->distanceTo($origin));
        }
        self::assertLessThanOrEqual($matrix->greatestScale() + 1e-12, $most);
        self::assertEqualsWithDelta($matrix->greatestScale(), $most, 1e-4 * $most);
        // The other singular value is what is left of the change of area.
        self::assertLessThanOrEqual($matrix->greatestScale(), $matrix->meanScale());
    }

    #[Test]
    public function what_lays_all_on_a_line_is_singular_and_what_changes_nothing_the_identity(): void
    {
        self::assertTrue((new Matrix(2, 4, 1, 2, 9, 9))->isSingular());
        self::assertTrue(Matrix::scaling(1, 0)->isSingular());
        self::assertFalse(Matrix::scaling(1e-3, 1e-3)->isSingular());
        self::assertTrue(Matrix::identity()->isIdentity());
        self::assertFalse(Matrix::translation(0, 1e-9)->isIdentity());
    }

    private static function chance(int $seed): Matrix
    {
        $art = new RandomArt($seed);

        return Matrix::rotation($art->between(-180, 180), $art->between(-50, 50), $art->between(-50, 50))
            ->after(Matrix::scaling($art->between(0.2, 4), -$art->between(0.2, 4)))
            ->after(new Matrix(1, 0, $art->between(-1, 1), 1, $art->between(-9, 9), $art->between(-9, 9)));
    }

    private static function assertClose(Point $expected, Point $actual): void
    {
        self::assertEqualsWithDelta([$expected->x, $expected->y], [$actual->x, $actual->y], 1e-9);
    }
}
