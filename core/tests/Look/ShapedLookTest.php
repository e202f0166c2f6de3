<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Look;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Line\Edits;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Prepare\OutlineStrokes;
use NeatEdge\Core\Stroke\Cap;
use NeatEdge\Core\Stroke\Join;
use NeatEdge\Core\Stroke\StrokeStyle;
use NeatEdge\Core\Tests\Support\RealArt;
use NeatEdge\Core\Tests\Support\Render;
use NeatEdge\Core\Tests\Support\Share;
use NeatEdge\Core\Type\FontShelf;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/**
 * Icons of others outlined, inset, ringed and parted, against what renderers that we did not write make of the same words: an outset looks like the
 * icon with a stroke of twice the distance, an inset like the icon under a stroke of the ground's colour. NEAT_EDGE_RUNS raises the number.
 */
final class ShapedLookTest extends TestCase
{
    private const WIDTH = 700;

    private const DISTANCE = 1.3;

    private static function howMany(): int
    {
        return (int) (getenv('NEAT_EDGE_RUNS') ?: Share::of(16));
    }

    private static function on(Piece ...$pieces): Artwork
    {
        $ground = Shape::of(Contour::rectangle(0, 0, 100, 100));

        return new Artwork(100.0, 100.0, [new Piece('ground', $ground, new Paint(new Colour(255, 255, 255))), ...array_values($pieces)]);
    }

    /** @return iterable<string, Shape> icons as one shape each, about the middle of a page of 100 mm */
    private static function icons(): iterable
    {
        foreach (RealArt::of('map-signs', self::howMany()) as $name => $svg) {
            $art = (new OutlineStrokes)->apply(Reader::read($svg)->artwork);
            $shape = Combine::weld(array_map(static fn (Piece $piece): Shape => $piece->shape, $art->pieces));
            $scale = 76 / max($art->width, $art->height);
            yield (string) $name => $shape->transformed(new Matrix($scale, 0, 0, $scale, 12, 12));
        }
    }

    /** @param  array<string, mixed>  $fields */
    private static function made(string $kind, Piece $piece, array $fields): string
    {
        $fonts = FontShelf::shipped();

        return Writer::write(Edits::applied(Edits::make($kind, ['pieces' => ['icon'], ...$fields], $fonts), self::on($piece), $fonts));
    }

    #[Test]
    public function offsets_and_parts_of_icons_look_as_renderers_draw_them(): void
    {
        $ink = new Paint(new Colour(0x1D, 0x5C, 0x46));
        $paper = new Paint(new Colour(255, 255, 255));
        $round = new StrokeStyle(2 * self::DISTANCE, Cap::Round, Join::Round);
        $wrong = [];
        foreach (self::icons() as $name => $shape) {
            $icon = new Piece('icon', $shape, $ink);
            $cases = [
                'outset' => [self::made('outset', $icon, ['distance' => self::DISTANCE]), self::on(new Piece('a', $shape, $ink, new Stroke($ink, $round)))],
                'ring' => [
                    self::made('ring', $icon, ['inner' => self::DISTANCE, 'outer' => self::DISTANCE]),
                    self::on(new Piece('a', $shape, null, new Stroke($ink, $round))),
                ],
                'sectors' => [self::made('part', $icon, ['sectors' => 7]), self::on($icon)],
            ];
            try {
                $cases['inset'] = [
                    self::made('inset', $icon, ['distance' => self::DISTANCE]),
                    self::on(new Piece('a', $shape, $ink, new Stroke($paper, $round))),
                ];
            } catch (Refused) {
                // An icon of thin lines has nothing left.
            }
            foreach ($cases as $kind => [$made, $drawn]) {
                if (! Render::looksSame(Writer::write($drawn), $made, self::WIDTH)) {
                    $wrong[] = "{$name} ({$kind})";
                }
            }
        }
        self::assertSame([], $wrong);
    }

    #[Test]
    public function outlined_strokes_of_icons_look_the_same(): void
    {
        $fonts = FontShelf::shipped();
        $wrong = [];
        foreach (RealArt::of('strokes', self::howMany()) as $name => $svg) {
            $art = Reader::read($svg)->artwork;
            $edit = Edits::make('outline-strokes', ['pieces' => array_map(static fn (Piece $piece): string => $piece->id, $art->pieces)], $fonts);
            if (! Render::looksSame($svg, Writer::write(Edits::applied($edit, $art, $fonts)), self::WIDTH)) {
                $wrong[] = (string) $name;
            }
        }
        self::assertSame([], $wrong);
    }
}
