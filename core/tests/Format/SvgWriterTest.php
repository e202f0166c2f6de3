<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Format;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Stroke\Cap;
use NeatEdge\Core\Stroke\Join;
use NeatEdge\Core\Stroke\StrokeStyle;
use NeatEdge\Core\Tests\Support\RandomArt;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class SvgWriterTest extends TestCase
{
    #[Test]
    public function what_is_written_reads_back_the_same(): void
    {
        for ($seed = 1; $seed <= 40; $seed++) {
            $art = new RandomArt($seed);
            $style = new StrokeStyle(1.25, Cap::Round, Join::Bevel, 7.5, [2.0, 1.0, 0.5], 0.75);
            $paint = new Paint(new Colour(1, 2, 3), 0.25);
            $pieces = [
                new Piece('p1', $art->shape(), new Paint(new Colour(255, 128, 0))),
                new Piece('p2', $art->shape(), null, new Stroke($paint, $style)),
                new Piece('p3', $art->shape(), $paint, new Stroke($paint, $style, Matrix::rotation(30)->after(Matrix::scaling(3, 1)))),
            ];
            $again = Reader::read(Writer::write(new Artwork(123.456, 65.4321, $pieces)))->artwork;
            self::assertCount(3, $again->pieces);
            self::assertEqualsWithDelta([123.456, 65.4321], [$again->width, $again->height], 1e-8);
            foreach ($pieces as $i => $piece) {
                $back = $again->pieces[$i];
                self::assertEquals(
                    [$piece->fill, $piece->shape->rule],
                    [$back->fill, $piece->fill === null ? $piece->shape->rule : $back->shape->rule],
                    "seed {$seed}",
                );
                self::assertEqualsWithDelta($piece->stroke?->style, $back->stroke?->style, 1e-5);
                self::assertSame($piece->stroke?->pen === null, $back->stroke?->pen === null);
                foreach ($piece->shape->contours as $k => $contour) {
                    self::assertEqualsWithDelta($contour->coords, $back->shape->contours[$k]->coords, 3e-5, "seed {$seed}");
                }
            }
        }
    }

    #[Test]
    public function somebodys_words_never_become_markup(): void
    {
        $name = "\"/><script>alert(1)</script>\x08&";
        $svg = Writer::write(new Artwork(10, 10, [new Piece($name, Shape::of(Contour::circle(5, 5, 2)), new Paint(new Colour(0, 0, 0)))]), $name);
        self::assertStringNotContainsString('<script', $svg);
        self::assertCount(1, Reader::read($svg)->artwork->pieces);
    }

    #[Test]
    public function paths_are_short_and_plain(): void
    {
        self::assertSame('M0 0H10V5.5L0 10Z', Writer::path(Shape::of(Contour::polygon([[0, 0], [10, 0], [10, 5.5], [0, 10]]))));
        self::assertSame('M1 2L3 4', Writer::path(Shape::of(Contour::polygon([[1, 2], [3, 4]], false))));
        self::assertSame('0.1 -0.00001 0 100', implode(' ', array_map(Writer::number(...), [0.1, -0.00001, -0.0000000001, 100.0])));
        self::assertStringContainsString(
            'fill-rule="evenodd"',
            Writer::write(new Artwork(9, 9, [new Piece('a', new Shape([Contour::circle(5, 5, 2)], FillRule::Evenodd), new Paint(new Colour(0, 0, 0)))])),
        );
    }
}
