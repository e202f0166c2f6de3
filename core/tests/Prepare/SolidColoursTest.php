<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Prepare;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Prepare\Look;
use NeatEdge\Core\Prepare\SolidColours;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class SolidColoursTest extends TestCase
{
    private static function square(string $id, float $x, string $hex, float $opacity = 1.0): Piece
    {
        return new Piece($id, Shape::of(Contour::rectangle($x, 0, 10, 10)), new Paint(Colour::fromHex($hex), $opacity));
    }

    /** @return array<string, float> area by colour */
    private static function areas(Artwork $artwork): array
    {
        $out = [];
        foreach ($artwork->pieces as $piece) {
            $key = $piece->fill?->key() ?? '';
            $out[$key] = ($out[$key] ?? 0.0) + $piece->shape->area();
        }
        ksort($out);

        return $out;
    }

    #[Test]
    public function half_clear_black_on_white_becomes_grey_and_stays_clear_beside_it(): void
    {
        $before = new Artwork(30, 10, [self::square('a', 0, '#ffffff'), self::square('b', 5, '#000000', 0.5)]);
        $after = (new SolidColours)->apply($before);
        self::assertEqualsWithDelta(['#000000@0.5000' => 50.0, '#808080' => 50.0, '#ffffff' => 50.0], self::areas($after), 1e-9);
        self::assertEqualsWithDelta(0.0, Look::between($before, $after)->area, 1e-9);
        self::assertCount(3, array_unique(array_map(static fn (Piece $piece): string => $piece->id, $after->pieces)));
    }

    #[Test]
    public function what_lies_under_a_solid_piece_blends_no_more(): void
    {
        $art = new Artwork(10, 10, [self::square('a', 0, '#ff0000'), self::square('b', 0, '#0000ff', 0.5), self::square('c', 0, '#00ff00')]);
        self::assertEqualsWithDelta(['#00ff00' => 100.0], self::areas((new SolidColours)->apply($art)), 1e-9);
    }

    #[Test]
    public function several_clear_pieces_blend_in_their_order(): void
    {
        $art = new Artwork(10, 10, [self::square('a', 0, '#ffffff'), self::square('b', 0, '#ff0000', 0.5), self::square('c', 0, '#0000ff', 0.5)]);
        self::assertSame(['#8040bf'], array_keys(self::areas((new SolidColours)->apply($art))));
    }

    #[Test]
    public function solid_art_is_left_as_it_is(): void
    {
        $art = new Artwork(10, 10, [self::square('a', 0, '#ffffff')]);
        self::assertSame($art, (new SolidColours)->apply($art));
    }
}
