<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Format;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Format\Json\ArtworkDifference;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Tests\Support\RandomArt;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class ArtworkDifferenceTest extends TestCase
{
    #[Test]
    public function whatever_happened_between_two_states_leads_from_one_to_the_other_and_back(): void
    {
        for ($seed = 1; $seed <= 40; $seed++) {
            $chance = new RandomArt($seed);
            $before = self::bench(4 + $chance->pick(6));
            $after = self::changed($before, $chance);
            foreach ([[$before, $after], [$after, $before]] as [$from, $to]) {
                $stored = ArtworkJson::data(ArtworkJson::text(ArtworkDifference::between($from, $to)->toArray()));
                self::assertSame(ArtworkJson::encode($to), ArtworkJson::encode(ArtworkDifference::fromArray($stored)->on($from)), "seed {$seed}");
            }
        }
    }

    #[Test]
    public function nothing_is_stored_of_what_stayed_also_when_it_was_made_anew(): void
    {
        $bench = self::bench(6);
        self::assertTrue(ArtworkDifference::between($bench, $bench)->isNothing());
        self::assertTrue(ArtworkDifference::between($bench, ArtworkJson::decode(ArtworkJson::encode($bench)))->isNothing());
    }

    #[Test]
    public function one_piece_that_moved_is_all_that_is_stored_however_many_lie_beside_it(): void
    {
        $size = static function (int $count): int {
            $bench = self::bench($count);
            $pieces = $bench->pieces;
            $pieces[2] = $pieces[2]->transformed(Matrix::translation(1, 1));

            return strlen(ArtworkJson::text(ArtworkDifference::between($bench, $bench->withPieces(array_values($pieces)))->toArray()));
        };
        self::assertSame($size(10), $size(400));
    }

    #[Test]
    public function a_new_order_and_a_new_page_are_told_apart_from_new_pieces(): void
    {
        $bench = self::bench(3);
        $turned = ArtworkDifference::between($bench, $bench->withPieces(array_reverse($bench->pieces)));
        self::assertSame([[], ['p2', 'p1', 'p0'], null], [$turned->pieces, $turned->order, $turned->frame]);
        $wider = ArtworkDifference::between($bench, $bench->with(width: 300.0));
        self::assertSame([[], null], [$wider->pieces, $wider->order]);
        self::assertEqualsWithDelta(300.0, $wider->on($bench)->width, 0.0);
        $less = ArtworkDifference::between($bench, $bench->withPieces(array_slice($bench->pieces, 1)));
        self::assertSame(['p0' => null], $less->toArray()['pieces']);
    }

    private static function bench(int $count): Artwork
    {
        return new Artwork(
            200,
            100,
            array_map(
                static fn (int $i): Piece => new Piece("p{$i}", Shape::of(Contour::circle(5 * $i, 7, 1 + $i / 3)), new Paint(new Colour($i % 256, 90, 10))),
                range(0, $count - 1),
            ),
        );
    }

    private static function changed(Artwork $bench, RandomArt $chance): Artwork
    {
        $pieces = [];
        foreach ($bench->pieces as $piece) {
            match ($chance->pick(6)) {
                0 => null,
                1 => $pieces[] = $piece->transformed(Matrix::rotation($chance->between(-90, 90), 3, 3)),
                2 => array_push($pieces, $piece, $piece->with(id: "{$piece->id}b", name: 'a copy "<&>"')),
                3 => array_unshift($pieces, $piece),
                default => $pieces[] = $piece,
            };
        }

        return $bench->with(pieces: $pieces, height: $chance->pick(2) === 0 ? 100.0 : 140.5);
    }
}
