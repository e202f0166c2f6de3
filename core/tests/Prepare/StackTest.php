<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Prepare;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Prepare\Cure\Flat;
use NeatEdge\Core\Prepare\Finish\Stack;
use NeatEdge\Core\Stroke\Offset;
use NeatEdge\Core\Tests\Support\RandomArt;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class StackTest extends TestCase
{
    /** @return array<string, array{string, float, list<list<array{float, float, float, float}>>, float, int}> how, by, rectangles of each; lowest: mm², parts */
    public static function laid(): array
    {
        $twoSquares = [[0.0, 0.0, 10.0, 10.0], [10.4, 0.0, 10.0, 10.0]];
        $farSquares = [[0.0, 0.0, 10.0, 10.0], [15.0, 0.0, 10.0, 10.0]];

        return [
            'under what lies beside it' => ['underlap', 0.3, [[[0.0, 0.0, 10.0, 10.0]], [[10.0, 0.0, 10.0, 10.0]]], 103.0, 1],
            'under what lies a little way off' => ['underlap', 0.3, [[[0.0, 0.0, 10.0, 10.0]], [[10.2, 0.0, 10.0, 10.0]]], 101.0, 2],
            'not under what lies farther' => ['underlap', 0.3, [[[0.0, 0.0, 10.0, 10.0]], [[10.4, 0.0, 10.0, 10.0]]], 100.0, 1],
            'two parts that meet under what lies between' => ['underlap', 0.3, [$twoSquares, [[10.0, 0.0, 0.4, 10.0]]], 204.0, 1],
            'whole under what lies on both of its parts' => ['stack', 0.3, [$farSquares, [[5.0, 4.0, 15.0, 2.0]]], 210.0, 1],
            'not under what touches neither' => ['stack', 0.3, [$twoSquares, [[5.0, 11.0, 10.0, 2.0]]], 200.0, 2],
            'butted' => ['butt', 0.3, [[[0.0, 0.0, 10.0, 10.0]], [[10.0, 0.0, 10.0, 10.0]]], 100.0, 1],
        ];
    }

    /** @param  list<list<array{float, float, float, float}>>  $pieces */
    #[Test]
    #[DataProvider('laid')]
    public function the_lower_runs_as_far_as_is_said(string $how, float $by, array $pieces, float $area, int $parts): void
    {
        $art = new Artwork(60, 60, array_map(static fn (array $rectangles, int $i): Piece => new Piece(
            "p{$i}",
            Shape::of(...array_map(static fn (array $r): Contour => Contour::rectangle(...$r), $rectangles)),
            new Paint(new Colour(40 * $i, 90, 90)),
        ), $pieces, array_keys($pieces)));
        $lower = (new Stack($how, $by))->apply($art)->pieces[0]->shape;
        self::assertEqualsWithDelta($area, abs($lower->area()), 1e-3);
        self::assertCount($parts, $lower->contours, 'its parts overlap nowhere');
        self::assertEqualsWithDelta($pieces[1][0], self::rectangle((new Stack($how, $by))->apply($art)->pieces[1]->shape), 1e-9, 'the upper is as it was');
    }

    #[Test]
    public function many_pieces_lie_as_each_would_by_itself_on_all_above(): void
    {
        $art = new RandomArt(23);
        $pieces = [];
        for ($k = 0; $k < 14; $k++) {
            $stars = array_map(static fn (): Contour => $art->star($art->between(10, 90), $art->between(10, 90), $art->between(3, 9), 5), range(1, 4));
            $pieces[] = new Piece("p{$k}", Combine::weld(array_map(static fn (Contour $star): Shape => Shape::of($star), $stars)), new Paint(new Colour(17 * $k, 60, 90)));
        }
        // Cut to what is seen of each, as the step gets them.
        $flat = Flat::of(new Artwork(100, 100, $pieces));
        $pieces = $flat->pieces;
        $laid = (new Stack('underlap', 0.8))->apply($flat)->pieces;
        foreach ($pieces as $i => $piece) {
            $above = array_map(static fn (Piece $one): Shape => $one->shape, array_slice($pieces, $i + 1));
            $whole = $above === [] ? $piece->shape : Combine::weld([
                $piece->shape, Combine::keepOverlap([Offset::outset($piece->shape, 0.8, 'miter'), Combine::weld($above)]),
            ]);
            self::assertEqualsWithDelta(0.0, Combine::keepDifference([$laid[$i]->shape, $whole])->area(), 0.01, "piece {$i}");
            self::assertEqualsWithDelta($whole->area(), $laid[$i]->shape->area(), 0.01, "the parts of piece {$i} overlap nowhere");
        }
    }

    /** @return array{float, float, float, float} */
    private static function rectangle(Shape $shape): array
    {
        $box = $shape->box();

        return $box === null ? [0.0, 0.0, 0.0, 0.0] : [$box->left, $box->top, $box->width(), $box->height()];
    }
}
