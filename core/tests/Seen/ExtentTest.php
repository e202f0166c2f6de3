<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Seen;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Seen\Extent;
use NeatEdge\Core\Stroke\Cap;
use NeatEdge\Core\Stroke\Join;
use NeatEdge\Core\Stroke\StrokeStyle;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** How large art is, as a rule laid over the finished sheet would say. */
final class ExtentTest extends TestCase
{
    /** @return iterable<string, array{Piece, array{float, float, float, float}|null}> left, top, right, bottom */
    public static function pieces(): iterable
    {
        $black = new Paint(new Colour(0, 0, 0));
        $plate = Shape::of(Contour::rectangle(10, 10, 40, 20));
        $line = Shape::of(Contour::polygon([[10, 10], [50, 10]], false));
        yield 'a fill' => [new Piece('a', $plate, $black), [10, 10, 50, 30]];
        yield 'a fill with a stroke about its edge' => [new Piece('a', $plate, $black, new Stroke($black, new StrokeStyle(4))), [8, 8, 52, 32]];
        yield 'a line with flat ends' => [new Piece('a', $line, null, new Stroke($black, new StrokeStyle(6))), [10, 7, 50, 13]];
        yield 'a line with square ends' => [new Piece('a', $line, null, new Stroke($black, new StrokeStyle(6, Cap::Square))), [7, 7, 53, 13]];
        yield 'a line with round ends' => [new Piece('a', $line, null, new Stroke($black, new StrokeStyle(6, Cap::Round))), [7, 7, 53, 13]];
        yield 'round joins' => [new Piece('a', $plate, null, new Stroke($black, new StrokeStyle(4, join: Join::Round))), [8, 8, 52, 32]];
        yield 'a pen that was stretched' => [new Piece('a', $line, null, new Stroke($black, new StrokeStyle(2), Matrix::scaling(1, 5))), [10, 5, 50, 15]];
        yield 'a line without paint' => [new Piece('a', $line, null), null];
        yield 'a dash that begins after a gap' => [
            new Piece('a', $line, null, new Stroke($black, new StrokeStyle(2, dashes: [10.0, 90.0], dashOffset: 80.0))),
            [30, 9, 40, 11],
        ];
    }

    /** @param  array{float, float, float, float}|null  $box */
    #[Test, DataProvider('pieces')]
    public function a_piece_reaches_as_far_as_it_paints(Piece $piece, ?array $box): void
    {
        $extent = Extent::piece($piece, (new Artwork(100, 100, [$piece]))->tolerance());
        $box === null ? self::assertNull($extent) : self::assertEqualsWithDelta($box, array_values((array) $extent), 0.02);
    }

    #[Test]
    public function what_a_clip_hides_does_not_count(): void
    {
        $black = new Paint(new Colour(0, 0, 0));
        $clip = new Piece('clip', Shape::of(Contour::rectangle(20, 0, 10, 100)), $black);
        $piece = new Piece('a', Shape::of(Contour::rectangle(0, 40, 100, 10)), $black, clip: $clip);
        $extent = Extent::of(new Artwork(100, 100, [$piece]));
        self::assertEqualsWithDelta([20, 40, 30, 50], array_values((array) $extent), 0.02);
        self::assertNull(Extent::of(new Artwork(100, 100, [])));
    }

    #[Test]
    public function many_strokes_together_reach_as_far_as_the_farthest(): void
    {
        mt_srand(5);
        $black = new Paint(new Colour(0, 0, 0));
        for ($try = 0; $try < 40; $try++) {
            $pieces = [];
            for ($k = 0; $k < 12; $k++) {
                $points = array_map(static fn (): array => [mt_rand(0, 1000) / 10, mt_rand(0, 1000) / 10], range(0, 3));
                $style = new StrokeStyle(mt_rand(1, 80) / 10, [Cap::Butt, Cap::Round, Cap::Square][$k % 3], [Join::Miter, Join::Round][$k % 2], 1.5 + $k);
                $stroke = new Stroke($black, $style, $k % 4 === 0 ? Matrix::scaling(1, mt_rand(1, 4)) : null);
                $pieces[] = new Piece("p{$k}", Shape::of(Contour::polygon($points, $k % 5 === 0)), $k % 6 === 0 ? $black : null, $stroke);
            }
            $artwork = new Artwork(100, 100, $pieces);
            $each = Box::around(...array_filter(array_map(static fn (Piece $piece): ?Box => Extent::piece($piece, $artwork->tolerance()), $pieces)));
            self::assertEquals($each, Extent::of($artwork));
        }
    }
}
