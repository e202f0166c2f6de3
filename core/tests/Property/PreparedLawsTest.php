<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Property;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Sheet\Sheet;
use NeatEdge\Core\Stroke\Cap;
use NeatEdge\Core\Stroke\Join;
use NeatEdge\Core\Stroke\StrokeStyle;
use NeatEdge\Core\Tests\Support\RandomArt;
use NeatEdge\Core\Tests\Support\Render;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What must hold of every bench of art that went through the whole line, whatever lay on it. */
final class PreparedLawsTest extends TestCase
{
    private const COLOURS = ['#d02020', '#20a040', '#2040c0', '#f0c020'];

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        for ($seed = 1; $seed <= 11; $seed++) {
            yield "seed {$seed}" => [$seed];
        }
    }

    #[Test, DataProvider('seeds')]
    public function what_comes_out_has_no_strokes_and_no_two_colours_over_one_another(int $seed): void
    {
        $source = self::bench($seed);
        $out = PrepLine::usual()->run($source)->artwork();
        $sum = 0.0;
        $shapes = [];
        foreach ($out->pieces as $piece) {
            self::assertNull($piece->stroke);
            self::assertNotNull($piece->fill);
            $sum += $piece->shape->area();
            $shapes[] = $piece->shape;
        }
        // Areas that lie over nothing add up to what they cover together.
        self::assertEqualsWithDelta(Combine::weld($shapes)->area(), $sum, 1e-3 * $sum);
    }

    #[Test, DataProvider('seeds')]
    public function it_looks_as_it_did_by_our_measure_and_by_renderers_that_are_not_ours(int $seed): void
    {
        $source = self::bench($seed);
        $result = PrepLine::usual()->run($source);
        self::assertTrue($result->look->isNone(), sprintf('%.4f mm² look different', $result->look->area));
        self::assertTrue(Render::looksSame(Writer::write($source), Writer::write($result->artwork()), 800));
    }

    #[Test, DataProvider('seeds')]
    public function each_colour_has_one_sheet_and_the_sheets_laid_on_one_another_are_the_whole(int $seed): void
    {
        $out = PrepLine::usual()->run(self::bench($seed))->artwork();
        $sheets = Sheet::allOf($out);
        $names = array_map(static fn (Sheet $sheet): string => (string) $sheet->pieces[0]->fill?->key(), $sheets);
        self::assertSame($names, array_values(array_unique($names)));
        $laid = [];
        foreach ($sheets as $sheet) {
            // Each is read as the machine's program would read it.
            $read = Reader::read(Writer::write($out->withPieces($sheet->pieces)))->artwork;
            self::assertEqualsWithDelta([$out->width, $out->height], [$read->width, $read->height], 1e-6);
            foreach ($read->pieces as $piece) {
                $laid[] = $piece->with(id: $piece->id.'-'.count($laid));
            }
        }
        $area = static fn (array $pieces): float => array_sum(array_map(static fn (Piece $piece): float => $piece->shape->area(), $pieces));
        self::assertEqualsWithDelta($area($out->pieces), $area($laid), 1e-3);
        self::assertTrue(Render::looksSame(Writer::write($out), Writer::write($out->withPieces($laid)), 600));
    }

    #[Test, DataProvider('seeds')]
    public function prepared_once_it_is_prepared_and_the_source_is_as_it_was(int $seed): void
    {
        $source = self::bench($seed);
        $before = ArtworkJson::encode($source);
        $once = PrepLine::usual()->run($source)->artwork();
        self::assertSame($before, ArtworkJson::encode($source));
        $twice = PrepLine::usual()->run($once);
        self::assertTrue($twice->look->isNone());
        self::assertSame(count($once->pieces), count($twice->artwork()->pieces));
        // Seams that were thinned on both sides cross anew by micrometres; that gives few nodes and no more pieces.
        self::assertLessThanOrEqual(1.05 * $once->nodeCount(), $twice->artwork()->nodeCount());
    }

    #[Test, DataProvider('seeds')]
    public function where_it_lies_and_how_it_is_turned_does_not_matter(int $seed): void
    {
        $source = self::bench($seed);
        $turn = Matrix::translation(150, 0)->after(Matrix::rotation(90));
        $turned = new Artwork(150, 200, array_map(static fn (Piece $piece): Piece => $piece->transformed($turn), $source->pieces));
        $areas = static function (Artwork $art): array {
            $out = [];
            foreach (PrepLine::usual()->run($art)->artwork()->pieces as $piece) {
                $out[$piece->fill?->key()] = ($out[$piece->fill?->key()] ?? 0.0) + $piece->shape->area();
            }
            ksort($out);

            return $out;
        };
        [$here, $there] = [$areas($source), $areas($turned)];
        self::assertSame(array_keys($here), array_keys($there));
        // The outlines may be thinned to other nodes, each within its deviation of five micrometres.
        self::assertEqualsWithDelta(array_values($here), array_values($there), 0.5);
    }

    private static function bench(int $seed): Artwork
    {
        $chance = new RandomArt($seed);
        $paint = static fn (): Paint => new Paint(Colour::fromHex(self::COLOURS[$chance->pick(count(self::COLOURS))]));
        $pieces = [];
        for ($i = 0, $n = 4 + $chance->pick(7); $i < $n; $i++) {
            $shape = match ($chance->pick(4)) {
                0 => Shape::of($chance->star(0, 0, $chance->between(8, 30), 3 + $chance->pick(6))),
                1 => Shape::of($chance->selfCrossingStar(0, 0, $chance->between(8, 30), 5)),
                default => Shape::of($chance->roundedRectangle(
                    -$chance->between(5, 30),
                    -$chance->between(5, 20),
                    $chance->between(12, 50),
                    $chance->between(12, 40),
                    $chance->between(1, 5),
                )),
            };
            $shape = $shape->transformed(Matrix::translation(
                $chance->between(40, 160),
                $chance->between(40, 110),
            )->after(Matrix::rotation($chance->between(0, 180))));
            $style = new StrokeStyle(
                $chance->between(0.6, 5),
                Cap::cases()[$chance->pick(3)],
                Join::cases()[$chance->pick(3)],
                dashes: $chance->pick(4) === 0 ? [6.0, 4.0] : [],
            );
            $pieces[] = match ($chance->pick(3)) {
                0 => new Piece("p{$i}", $shape, null, new Stroke($paint(), $style)),
                1 => new Piece("p{$i}", $shape, $paint(), new Stroke($paint(), $style)),
                default => new Piece("p{$i}", $shape, $paint()),
            };
        }

        return new Artwork(200, 150, $pieces);
    }
}
