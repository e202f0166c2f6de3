<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Flat;

use NeatEdge\Core\Artwork\Gradient;
use NeatEdge\Core\Artwork\GradientKind;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\SoftDrawing;
use NeatEdge\Core\Artwork\SoftLook;
use NeatEdge\Core\Flat\Harden;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Tests\Seen\SoftToneTest;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** D13: soft edges made hard: where they lie, and how clean they are. */
final class HardenTest extends TestCase
{
    private static function drawing(string $d, SoftLook $look): SoftDrawing
    {
        return new SoftDrawing([new Piece('a', SoftToneTest::shape($d), new Paint(new Colour(200, 40, 40)))], $look);
    }

    private static function hard(string $d, float $edge, float $level): Shape
    {
        return Harden::at(self::drawing($d, new SoftLook($edge)), $level, new Tolerance);
    }

    /** How much of a disc is seen at a distance from its middle, once it is blurred: summed up over the disc, of a true Gaussian. */
    private static function ofDisc(float $radius, float $edge, float $at): float
    {
        $sum = 0.0;
        $n = 400;
        for ($i = 0; $i < $n; $i++) {
            $x = ($i + 0.5) / $n * 2 * $radius - $radius;
            $half = sqrt($radius * $radius - $x * $x);
            // Across it is summed whole, by the error function.
            $sum += exp(-(($at - $x) ** 2) / (2 * $edge * $edge)) * self::erf($half / ($edge * M_SQRT2)) * 2 * $radius / $n;
        }

        return $sum / ($edge * sqrt(2 * M_PI));
    }

    private static function erf(float $x): float
    {
        $t = 1 / (1 + 0.3275911 * $x);

        return 1 - ((((1.061405429 * $t - 1.453152027) * $t + 1.421413741) * $t - 0.284496736) * $t + 0.254829592) * $t * exp(-$x * $x);
    }

    #[Test]
    #[TestWith([0.5, 0.5])]
    #[TestWith([2.0, 0.5])]
    #[TestWith([2.0, 0.2])]
    #[TestWith([3.0, 0.8])]
    public function a_disc_stays_round_with_few_nodes_at_the_level_of_a_true_gaussian(float $edge, float $level): void
    {
        $hard = self::hard('M10 30A20 20 0 1 0 50 30A20 20 0 1 0 10 30Z', $edge, $level);
        self::assertCount(1, $hard->contours);
        self::assertLessThanOrEqual(6, $hard->nodeCount(), 'four nodes are what a hand sets');
        [$least, $most] = [INF, 0.0];
        foreach ($hard->contours[0]->segments() as $segment) {
            for ($k = 0; $k < 20; $k++) {
                [$x, $y] = Cubic::placeOn($segment, $k / 20);
                $least = min($least, hypot($x - 30, $y - 30));
                $most = max($most, hypot($x - 30, $y - 30));
            }
        }
        self::assertLessThan(0.045, $most - $least, 'round');
        // Three boxes are no Gaussian: where little is seen they run out sooner.
        self::assertEqualsWithDelta($level, self::ofDisc(20.0, $edge, ($least + $most) / 2), 0.015);
    }

    #[Test]
    public function sides_stay_straight_where_they_were_and_corners_are_rounded_as_a_hand_would(): void
    {
        $hard = self::hard('M0 0H40V30H0Z', 0.5, 0.5);
        self::assertLessThanOrEqual(10, $hard->nodeCount(), 'eight are what a hand sets');
        $box = $hard->box();
        self::assertEqualsWithDelta([0.0, 0.0, 40.0, 30.0], [$box?->left, $box?->top, $box?->right, $box?->bottom], 0.02);
        $straight = 0.0;
        foreach ($hard->contours[0]->segments() as $segment) {
            $straight += Cubic::isLine($segment) ? Cubic::length($segment) : 0.0;
        }
        self::assertGreaterThan(120.0, $straight, 'of 140 mm');
        self::assertLessThanOrEqual(26, self::hard('M20 0L25 15L40 15L28 24L33 40L20 30L7 40L12 24L0 15L15 15Z', 0.5, 0.5)->nodeCount(), 'a star: twenty are');
    }

    /** @return float mm² twice what a contour encloses, by the way it runs */
    private static function way(Contour $contour): float
    {
        $sum = 0.0;
        foreach ($contour->segments() as $s) {
            $sum += $s[0] * $s[7] - $s[6] * $s[1];
        }

        return $sum;
    }

    #[Test]
    public function a_hole_stays_one_and_a_level_that_is_nowhere_gives_nothing(): void
    {
        $ring = new Shape([...SoftToneTest::shape('M0 0H40V40H0Z')->contours, ...SoftToneTest::shape('M12 12V28H28V12Z')->contours]);
        $hard = Harden::at(new SoftDrawing([new Piece('a', $ring, new Paint(new Colour(0, 0, 0)))], new SoftLook(1.0)), 0.5, new Tolerance);
        self::assertCount(2, $hard->contours);
        self::assertEqualsWithDelta($ring->area(), $hard->area(), 12.0);
        self::assertLessThan(0.0, self::way($hard->contours[0]) * self::way($hard->contours[1]), 'they run against each other');
        self::assertTrue(self::hard('M0 0H1V1H0Z', 5.0, 0.5)->isEmpty());
    }

    #[Test]
    public function what_is_large_beside_its_edge_is_moved_by_as_much_as_a_gaussian_has_it(): void
    {
        $hard = self::hard('M0 0H3000V2000H0Z', 0.5, 0.1);
        $box = $hard->box();
        // A tenth of a Gaussian lies beyond 1.2816 deviations.
        self::assertEqualsWithDelta([-0.6408, -0.6408, 3000.6408], [$box?->left, $box?->top, $box?->right], 0.001);
        $less = self::hard('M0 0H3000V2000H0Z', 0.5, 0.9)->box();
        self::assertEqualsWithDelta(0.6408, $less?->left, 0.001);
    }

    #[Test]
    public function a_fade_is_hard_where_its_level_lies_and_a_hard_clip_cuts_just_where_it_is(): void
    {
        $white = new Colour(255, 255, 255);
        $fade = new Gradient(GradientKind::Linear, [0, 0, 40, 0], [[0.0, $white, 1.0], [1.0, $white, 0.0]], Matrix::identity());
        $box = Harden::at(self::drawing('M0 0H40V30H0Z', new SoftLook(0.0, $fade)), 0.25, new Tolerance)->box();
        self::assertEqualsWithDelta([0.0, 30.0, 30.0], [$box?->left, $box?->right, $box?->bottom], 0.06);
        $clip = new Piece('k', SoftToneTest::shape('M10 5H60V25H10Z'), new Paint($white));
        $drawing = self::drawing('M0 0H40V30H0Z', new SoftLook(1.0, null, [[$clip]]));
        $cut = Harden::at($drawing, 0.5, new Tolerance)->box();
        self::assertEqualsWithDelta([10.0, 5.0, 25.0], [$cut?->left, $cut?->top, $cut?->bottom], 1e-6);
        self::assertEqualsWithDelta(40.0, $cut?->right, 0.02);
        $outline = Harden::outline($drawing, new Tolerance)->box();
        self::assertEqualsWithDelta([10.0, 5.0, 40.0, 25.0], [$outline?->left, $outline?->top, $outline?->right, $outline?->bottom], 1e-6);
    }
}
