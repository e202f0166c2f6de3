<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Sheet;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Gradient;
use NeatEdge\Core\Artwork\GradientKind;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Picture;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Sheet\Sheet;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class SheetTest extends TestCase
{
    private static function piece(string $id, float $x, float $y, float $w, float $h, Paint|string $paint): Piece
    {
        return new Piece($id, Shape::of(Contour::rectangle($x, $y, $w, $h)), is_string($paint) ? new Paint(Colour::fromHex($paint)) : $paint);
    }

    private static function ring(): Shape
    {
        return new Shape([Contour::circle(30, 60, 12), Contour::circle(30, 60, 8)->reversed()]);
    }

    #[Test]
    public function each_colour_is_a_sheet_with_its_measures(): void
    {
        $art = new Artwork(
            120.5,
            80.25,
            [
                self::piece('a', 5, 7, 40, 11, '#ff0000'),
                self::piece('b', 60, 7, 20, 20, '#00ff00'),
                new Piece('c', self::ring(), new Paint(Colour::fromHex('#ff0000'))),
            ],
        );
        [$red, $green] = Sheet::allOf($art);
        $told = $red->toArray();
        self::assertSame(['#ff0000', 1.0, 'flat', 2], [$told['colour'], $told['opacity'], $told['paint'], $told['pieces']]);
        self::assertEqualsWithDelta([40.0, 65.0], [$told['width_mm'], $told['height_mm']], 1e-3);
        self::assertEqualsWithDelta(2 * (40 + 11) + 2 * M_PI * 20, $told['cut_length_mm'], 0.05);
        self::assertEqualsWithDelta(440 + M_PI * (144 - 64), $told['area_mm2'], 0.1);
        self::assertSame(4 + 8, $told['nodes']);
        self::assertEqualsWithDelta([20.0, 20.0, 400.0], [$green->toArray()['width_mm'], $green->toArray()['height_mm'], $green->toArray()['area_mm2']], 1e-6);
        self::assertSame(['sheet-1-ff0000.svg', 'sheet-2-00ff00.svg'], [$red->fileName(1), $green->fileName(2)]);
    }

    #[Test]
    public function a_sheet_keeps_the_page_of_the_whole_so_that_sheets_lie_on_one_another(): void
    {
        $art = new Artwork(120.5, 80.25, [self::piece('a', 5, 7, 40, 11, '#ff0000'), self::piece('b', 60, 7, 20, 20, '#00ff00')]);
        foreach (Sheet::allOf($art) as $i => $sheet) {
            $svg = Writer::write($sheet->artwork());
            self::assertStringContainsString('width="120.5mm" height="80.25mm" viewBox="0 0 120.5 80.25"', $svg);
            $read = Reader::read($svg)->artwork;
            self::assertEqualsWithDelta([120.5, 80.25], [$read->width, $read->height], 1e-6);
            $box = $read->pieces[0]->box();
            self::assertEqualsWithDelta(
                $i === 0 ? [5.0, 7.0, 45.0, 18.0] : [60.0, 7.0, 80.0, 27.0],
                [$box?->left, $box?->top, $box?->right, $box?->bottom],
                1e-5,
            );
        }
    }

    #[Test]
    public function what_is_no_flat_colour_is_named_as_such(): void
    {
        $stops = static fn (string $a, string $b): array => [[0.0, Colour::fromHex($a), 1.0], [1.0, Colour::fromHex($b), 1.0]];
        $gradient = static fn (float $x, string $to): Paint => Paint::gradient(new Gradient(
            GradientKind::Linear,
            [0.0, 0.0, $x, 0.0],
            $stops('#ff0000', $to),
            Matrix::identity(),
        ));
        $picture = static fn (string $data): Paint => Paint::picture(new Picture("data:image/png;base64,{$data}", 9, 9, Matrix::identity()));
        $sheets = Sheet::allOf(new Artwork(100, 100, [
            self::piece('a', 0, 0, 10, 10, $gradient(50, '#0000ff')),
            self::piece('b', 20, 0, 10, 10, $gradient(50, '#0000ff')),
            self::piece('c', 40, 0, 10, 10, $gradient(60, '#0000ff')),
            self::piece('d', 60, 0, 10, 10, $picture('AAAA')), self::piece('e', 80, 0, 10, 10, $picture('AAAB')),
            self::piece('f', 0, 20, 10, 10, new Paint(Colour::fromHex('#112233'), 0.35)),
        ]));
        self::assertSame(
            ['gradient', 'gradient', 'picture', 'picture', 'flat'],
            array_map(static fn (Sheet $sheet): string => $sheet->toArray()['paint'], $sheets),
        );
        self::assertCount(2, $sheets[0]->pieces, 'the same gradient is one sheet');
        self::assertSame('sheet-5-112233-35.svg', $sheets[4]->fileName(5));
        self::assertStringContainsString('gradient', $sheets[0]->fileName(1));
    }

    /** Two paints whose short checksums are one must not become one paint: of so many, some share any checksum of 32 bits. */
    #[Test]
    public function paints_are_told_apart_however_many_there_are(): void
    {
        $keys = [];
        for ($i = 0; $i < 250_000; $i++) {
            $keys[Paint::picture(new Picture('data:image/png;base64,'.base64_encode(md5((string) $i, true)), 9, 9, Matrix::identity()))->key()] = true;
        }
        self::assertCount(250_000, $keys);
    }
}
