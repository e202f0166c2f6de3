<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Seen;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Gradient;
use NeatEdge\Core\Artwork\GradientKind;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\SoftDrawing;
use NeatEdge\Core\Artwork\SoftLook;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\PathData;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Seen\SoftTone;
use NeatEdge\Core\Stroke\Cap;
use NeatEdge\Core\Stroke\Join;
use NeatEdge\Core\Stroke\StrokeStyle;
use NeatEdge\Core\Tests\Support\Render;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** D13: how much of something soft is seen where, judged by a renderer that we did not write. */
final class SoftToneTest extends TestCase
{
    /** Pixels a mm of the picture that judges. */
    private const FINE = 8;

    public static function shape(string $d): Shape
    {
        return new Shape(PathData::parse($d)[0]);
    }

    /** @return iterable<string, array{Shape, SoftLook}> */
    public static function looks(): iterable
    {
        $white = new Colour(255, 255, 255);
        $star = self::shape('M30 8L36 24H54L40 34L45 52L30 41L15 52L20 34L6 24H24Z');
        $round = new Piece('k', self::shape('M12 30A18 14 0 1 0 48 30A18 14 0 1 0 12 30Z'), new Paint($white));
        $fade = new Gradient(GradientKind::Linear, [10, 10, 50, 30], [[0.0, $white, 1.0], [0.4, $white, 0.8], [1.0, $white, 0.1]], Matrix::identity());
        $out = new Gradient(GradientKind::Radial, [30, 30, 24, 26, 30, 0], [[0.0, $white, 1.0], [1.0, $white, 0.0]], new Matrix(1, 0, 0.2, 0.8, -6, 6));
        $taken = new Piece(
            'b',
            new Shape([new Contour([14, 44, 14, 44, 46, 20, 46, 20], false)]),
            null,
            new Stroke(new Paint(new Colour(0, 0, 0), 0.7), new StrokeStyle(9, Cap::Round, Join::Round)),
            soft: new SoftLook(1.2),
        );
        yield 'a soft edge' => [$star, new SoftLook(1.5)];
        yield 'a hardly soft edge' => [$star, new SoftLook(0.4)];
        yield 'a fade along a line' => [$star, new SoftLook(0.0, $fade)];
        yield 'a fade outwards, both' => [$star, new SoftLook(1.0, $out)];
        yield 'a soft clip' => [$star, new SoftLook(0.0, null, [[$round->with(soft: new SoftLook(2.0))]])];
        yield 'clips in each other' => [$star, new SoftLook(0.0, null, [[$round], [$round->with(shape: self::shape('M20 10H44V50H20Z'), soft: new SoftLook(1.0, $fade))]])];
        yield 'painted on by hand' => [$star, new SoftLook(0.6, null, [[$round->with(shape: self::shape('M0 0H60V60H0Z')), $taken]])];
    }

    #[Test]
    #[DataProvider('looks')]
    public function it_is_what_another_renderer_shows(Shape $shape, SoftLook $look): void
    {
        $piece = new Piece('a', $shape, new Paint(new Colour(0, 0, 0)), soft: $look);
        $art = new Artwork(60, 60, [$piece]);
        $tone = SoftTone::of(new SoftDrawing([$piece->with(soft: null)], $look));
        $places = [];
        for ($y = 1.3; $y < 60; $y += 1.9) {
            for ($x = 1.1; $x < 60; $x += 1.7) {
                $places[] = [(int) ($x * self::FINE), (int) ($y * self::FINE)];
            }
        }
        // Black on a white page: what is dark there is what is seen.
        $page = new Piece('page', self::shape('M0 0H60V60H0Z'), new Paint(new Colour(255, 255, 255)));
        $shown = Render::colours(Writer::write($art->withPieces([$page, $piece])), 60 * self::FINE, $places);
        $prepared = Render::colours(Writer::write(Seen::of($art->withPieces([$page, $piece]))), 60 * self::FINE, $places);
        $off = 0.0;
        $hard = $look->edge < 0.5;
        foreach ($places as $i => [$x, $y]) {
            $seen = 1 - $shown[$i][1] / 255;
            $ours = $tone->at(($x + 0.5) / self::FINE, ($y + 0.5) / self::FINE);
            $off += abs($seen - $ours);
            // On a hard outline a pixel is drawn finer than a cell is: there the mean counts.
            if ($hard) {
                continue;
            }
            self::assertEqualsWithDelta($seen, $ours, 0.09, "at {$x}, {$y}");
            self::assertEqualsWithDelta($shown[$i][1], $prepared[$i][1], 12.0, 'as it is seen once it is prepared');
        }
        self::assertLessThan(0.009, $off / count($places), 'and hardly otherwise in the mean');
    }

    #[Test]
    public function what_is_soft_hides_nothing_and_reaches_as_far_as_it_is_seen(): void
    {
        $square = self::shape('M20 20H40V40H20Z');
        $soft = new Piece('a', $square, new Paint(new Colour(200, 40, 40)), soft: new SoftLook(2.0));
        self::assertFalse($soft->isSolid());
        $seen = Seen::of(new Artwork(60, 60, [$soft]))->pieces[0];
        self::assertFalse($seen->isSolid());
        $box = $seen->box();
        self::assertNotNull($box);
        self::assertEqualsWithDelta([14.0, 14.0, 32.0, 32.0], [$box->left, $box->top, $box->width(), $box->height()], 0.01, 'three deviations all round');
        $clip = new Piece('k', self::shape('M0 0H30V60H0Z'), new Paint(new Colour(255, 255, 255)));
        $clipped = Seen::of(new Artwork(60, 60, [$soft->with(soft: new SoftLook(2.0, null, [[$clip]]))]))->pieces[0]->box();
        self::assertEqualsWithDelta(30.0, $clipped?->right, 0.01, 'and no farther than its clip');
    }

    #[Test]
    public function it_goes_along_with_its_piece(): void
    {
        $white = new Colour(255, 255, 255);
        $fade = new Gradient(GradientKind::Linear, [0, 0, 10, 0], [[0.0, $white, 1.0], [1.0, $white, 0.0]], Matrix::identity());
        $clip = new Piece('k', self::shape('M0 0H5V10H0Z'), new Paint($white), soft: new SoftLook(0.5));
        $piece = new Piece('a', self::shape('M0 0H10V10H0Z'), new Paint($white), soft: new SoftLook(1.0, $fade, [[$clip]]));
        $moved = $piece->transformed((new Matrix(0, 3, -3, 0, 50, 20)))->soft;
        self::assertNotNull($moved);
        self::assertEqualsWithDelta(3.0, $moved->edge, 1e-9);
        self::assertEqualsWithDelta(1.5, $moved->clips[0][0]->soft?->edge, 1e-9);
        self::assertEqualsWithDelta([20.0, 20.0, 50.0, 35.0], [...array_values(array_slice([$moved->clips[0][0]->box()?->left, $moved->clips[0][0]->box()?->top], 0)), $moved->clips[0][0]->box()?->right, $moved->clips[0][0]->box()?->bottom], 1e-9);
        self::assertEqualsWithDelta(50.0, $moved->fade?->matrix->apply(10, 0)->x, 1e-9);
        self::assertEqualsWithDelta(50.0, $moved->fade?->matrix->apply(10, 0)->y, 1e-9);
    }
}
