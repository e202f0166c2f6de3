<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Prepare;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Flat\Cleaning;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Pen;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Line\MemoryCache;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Patience\Stopped;
use NeatEdge\Core\Prepare\Look;
use NeatEdge\Core\Prepare\MergeByColour;
use NeatEdge\Core\Prepare\OutlineStrokes;
use NeatEdge\Core\Prepare\RemoveHidden;
use NeatEdge\Core\Sheet\Sheet;
use NeatEdge\Core\Stroke\StrokeStyle;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class StepsTest extends TestCase
{
    private static function paint(string $hex, float $opacity = 1.0): Paint
    {
        return new Paint(Colour::fromHex($hex), $opacity);
    }

    private static function rectangle(string $id, float $x, float $y, float $w, float $h, string $hex, float $opacity = 1.0): Piece
    {
        return new Piece($id, Shape::of(Contour::rectangle($x, $y, $w, $h)), self::paint($hex, $opacity));
    }

    private static function art(Piece ...$pieces): Artwork
    {
        return new Artwork(100, 100, array_values($pieces));
    }

    #[Test]
    public function fill_and_stroke_part_into_two_pieces(): void
    {
        $piece = new Piece('a', Shape::of(Contour::circle(50, 50, 20)), self::paint('#ff0000'), new Stroke(self::paint('#0000ff'), new StrokeStyle(4)));
        $out = (new OutlineStrokes)->apply(self::art($piece))->pieces;
        self::assertSame(['#ff0000', '#0000ff'], array_map(static fn (Piece $one): ?string => $one->fill?->colour->hex(), $out));
        self::assertNull($out[1]->stroke);
        self::assertEqualsWithDelta(M_PI * (22 ** 2 - 18 ** 2), $out[1]->shape->area(), 0.2);
    }

    #[Test]
    public function a_pen_that_is_no_circle_draws_as_wide_as_it_is_squeezed(): void
    {
        $line = new Piece(
            'a',
            Shape::of(Contour::polygon([[10, 10], [10, 60]], false)),
            null,
            new Stroke(self::paint('#000000'), new StrokeStyle(2), Matrix::scaling(5, 1)),
        );
        [$out] = (new OutlineStrokes)->apply(self::art($line))->pieces;
        self::assertEqualsWithDelta(10 * 50.0, $out->shape->area(), 1e-6);
    }

    #[Test]
    public function what_lies_under_is_cut_away_and_what_is_wholly_hidden_is_gone(): void
    {
        $out = (new RemoveHidden)->apply(self::art(
            self::rectangle('hidden', 20, 20, 10, 10, '#00ff00'),
            self::rectangle('low', 10, 10, 40, 40, '#ff0000'),
            self::rectangle('high', 15, 15, 60, 20, '#0000ff'),
        ));
        self::assertSame(['low', 'high'], array_map(static fn (Piece $piece): string => $piece->id, $out->pieces));
        self::assertEqualsWithDelta([1600.0 - 35 * 20, 1200.0], array_map(static fn (Piece $piece): float => $piece->shape->area(), $out->pieces), 1e-9);
    }

    #[Test]
    public function a_see_through_piece_hides_nothing_and_is_hidden_by_solid_ones(): void
    {
        $art = self::art(
            self::rectangle('ground', 0, 0, 50, 50, '#ff0000'),
            self::rectangle('veil', 10, 10, 30, 30, '#ffffff', 0.5),
            self::rectangle('top', 30, 0, 20, 50, '#0000ff'),
        );
        $out = (new RemoveHidden)->apply($art);
        self::assertEqualsWithDelta([1500.0, 600.0, 1000.0], array_map(static fn (Piece $piece): float => $piece->shape->area(), $out->pieces), 1e-9);
        self::assertEqualsWithDelta(0.0, Look::between($art, $out)->area, 1e-9);
        $merged = (new MergeByColour)->apply($art);
        self::assertEqualsWithDelta([1500.0, 1000.0, 600.0], array_map(static fn (Piece $piece): float => $piece->shape->area(), $merged->pieces), 1e-9);
        self::assertEqualsWithDelta(0.0, Look::between($art, $merged)->area, 1e-9);
    }

    #[Test]
    public function the_same_colours_join_and_are_cut_by_what_lies_between(): void
    {
        $art = self::art(
            self::rectangle('a', 0, 0, 30, 30, '#ff0000'),
            self::rectangle('b', 10, 10, 10, 60, '#0000ff'),
            self::rectangle('c', 0, 20, 30, 30, '#ff0000'),
        );
        $out = (new MergeByColour)->apply($art);
        self::assertCount(2, $out->pieces);
        self::assertEqualsWithDelta([1500.0 - 100, 300.0], array_map(static fn (Piece $piece): float => $piece->shape->area(), $out->pieces), 1e-9);
        self::assertEqualsWithDelta(0.0, Look::between($art, $out)->area, 1e-9);
    }

    #[Test]
    public function needless_nodes_go_and_the_outline_stays(): void
    {
        $pen = new Pen;
        $pen->moveTo(0, 0);
        foreach ([[10, 0], [20, 0.0004], [20.0005, 0.0004], [40, 0]] as [$x, $y]) {
            $pen->lineTo($x, $y);
        }
        $pen->cubicTo(40, 10, 40, 20, 40, 30);
        $pen->cubicTo(40, 38, 30, 40, 20, 40);
        $pen->lineTo(0, 40);
        $pen->close();
        $before = new Shape($pen->contours());
        $after = (new Cleaning(0.01))->shape($before);
        self::assertSame(5, $after->nodeCount());
        self::assertEqualsWithDelta($before->area(), $after->area(), 0.1);
    }

    #[Test]
    public function a_look_difference_is_the_area_that_changed_colour(): void
    {
        $before = self::art(self::rectangle('a', 0, 0, 20, 20, '#ff0000'), self::rectangle('b', 50, 50, 10, 10, '#00ff00'));
        $after = self::art(self::rectangle('a', 2, 0, 20, 20, '#ff0000'), self::rectangle('b', 50, 50, 10, 10, '#00fe00'));
        $look = Look::between($before, $after);
        self::assertEqualsWithDelta(2 * 2 * 20, $look->area, 1e-6);
        self::assertEqualsWithDelta(100 * 80 / 540, $look->percent(), 1e-6);
        // A colour that is all but the one before is told apart from outlines that moved, and by how much it is seen.
        self::assertEqualsWithDelta(100.0, $look->recoloured, 1e-6);
        self::assertGreaterThan(0.0, $look->distance);
        self::assertLessThan(1.0, $look->distance);
        $other = Look::between($before, self::art(self::rectangle('a', 0, 0, 20, 20, '#ff0000'), self::rectangle('b', 50, 50, 10, 10, '#0000ff')));
        self::assertEqualsWithDelta([100.0, 0.0], [$other->area, $other->recoloured], 1e-6, 'another colour is another look');
    }

    #[Test]
    public function changing_a_late_step_does_not_run_the_early_ones_again(): void
    {
        $cache = new MemoryCache;
        $art = self::art(self::rectangle('a', 0, 0, 30, 30, '#ff0000'), self::rectangle('b', 5, 5, 60, 10, '#0000ff'));
        $ran = static fn (array $stages): array => array_map(static fn (array $stage): bool => ! $stage['cached'], $stages);
        self::assertSame([true, true, true, true], $ran(PrepLine::usual($cache)->run($art)->stages));
        self::assertSame([false, false, false, false], $ran(PrepLine::usual($cache)->run($art)->stages));
        self::assertSame(
            [false, false, false, true],
            $ran(PrepLine::standard($cache, 0.02)->only(['outline-strokes', 'remove-hidden', 'merge-by-colour', 'clean-nodes'])->run($art)->stages),
        );
        self::assertSame([false, true, true], $ran(PrepLine::standard($cache)->only(['outline-strokes', 'merge-by-colour', 'clean-nodes'])->run($art)->stages));
        self::assertSame([true, true, true, true], $ran(PrepLine::usual($cache)->run($art->atWidth(120))->stages));
    }

    #[Test]
    public function progress_is_told_in_order_and_a_stop_stops(): void
    {
        $told = [];
        PrepLine::usual()->run(self::art(self::rectangle('a', 0, 0, 9, 9, '#ff0000')), static function (int $done, int $of, string $doing) use (&$told): void {
            $told[] = [$done, $of, $doing];
        });
        self::assertSame(
            [[0, 5, 'Outline strokes'], [1, 5, 'Remove hidden'], [2, 5, 'Merge by colour'], [3, 5, 'Clean nodes'], [4, 5, 'Compare the looks'], [5, 5, 'Done']],
            $told,
        );
        $this->expectException(Stopped::class);
        PrepLine::usual()->run(self::art(self::rectangle('a', 0, 0, 9, 9, '#ff0000')), static fn (int $done) => $done === 2 ? throw new Stopped : null);
    }

    #[Test]
    public function a_sheet_tells_what_the_machine_gets(): void
    {
        $ring = new Shape([Contour::rectangle(0, 0, 30, 30), Contour::rectangle(5, 5, 20, 20)->reversed(), Contour::rectangle(40, 0, 10, 10)]);
        [$sheet, $other] = Sheet::allOf(self::art(new Piece('a', $ring, self::paint('#ff0000')), self::rectangle('b', 60, 60, 5, 5, '#00ff00')));
        self::assertSame(2, $sheet->partCount());
        self::assertEqualsWithDelta(120.0 + 80 + 40, $sheet->cutLength(), 1e-9);
        self::assertEqualsWithDelta(900.0 - 400 + 100, $sheet->area(), 1e-9);
        self::assertSame(['sheet-1-ff0000.svg', 'sheet-2-00ff00.svg'], [$sheet->fileName(1), $other->fileName(2)]);
        self::assertSame(100.0, $sheet->artwork()->width);
    }

    #[Test]
    public function stored_art_comes_back_bit_for_bit(): void
    {
        $art = self::art(
            new Piece(
                'é"<',
                Shape::of(Contour::circle(1 / 3, M_PI, M_E)),
                self::paint('#123456', 0.1),
                new Stroke(self::paint('#000000'), new StrokeStyle(1 / 7, dashes: [0.1, 0.2]), Matrix::rotation(20)),
                'a name',
            ),
            self::rectangle('b', 1, 2, 3, 4, '#ffffff'),
        );
        self::assertEquals($art, ArtworkJson::decode(ArtworkJson::encode($art)));
        self::assertSame($art->pieces[0]->shape->contours[0]->coords, ArtworkJson::decode(ArtworkJson::encode($art))->pieces[0]->shape->contours[0]->coords);
    }
}
