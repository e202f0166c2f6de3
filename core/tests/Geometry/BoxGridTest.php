<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Geometry;

use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\BoxGrid;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\KnownBoxes;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Tests\Support\RandomArt;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The grid finds just those boxes that a look at all of them finds. */
final class BoxGridTest extends TestCase
{
    #[Test]
    public function it_finds_what_a_look_at_all_boxes_finds(): void
    {
        foreach ([1, 7, 60, 400] as $count) {
            $art = new RandomArt($count);
            $boxes = [];
            for ($i = 0; $i < $count; $i++) {
                // Most are small, some are as wide as all, some lie on one another, and some pieces have none.
                $side = match ($i % 9) {
                    0 => 120.0,
                    1 => 0.0,
                    default => $art->between(0.5, 6.0),
                };
                [$x, $y] = [$art->between(-60, 60), $art->between(-60, 60)];
                $boxes[] = $i % 11 === 5 ? null : new Box($x, $y, $x + $side, $y + $art->between(0.1, 1.5) * $side);
            }
            $grid = new BoxGrid($boxes);
            for ($k = 0; $k < 200; $k++) {
                [$x, $y] = [$art->between(-70, 130), $art->between(-70, 130)];
                $here = array_keys(array_filter(
                    $boxes,
                    static fn (?Box $box): bool => $box !== null && $box->left <= $x && $box->right >= $x && $box->top <= $y && $box->bottom >= $y,
                ));
                self::assertSame($here, $grid->at($x, $y));
                $with = new Box($x, $y, $x + ($k % 5 === 0 ? 300.0 : $art->between(0, 9)), $y + $art->between(0, 9));
                self::assertSame(array_keys(array_filter($boxes, static fn (?Box $box): bool => $box?->overlaps($with) ?? false)), $grid->touching($with));
            }
        }
        self::assertSame([[], []], [(new BoxGrid([]))->at(0.0, 0.0), (new BoxGrid([null]))->touching(new Box(0.0, 0.0, 1.0, 1.0))]);
    }

    #[Test]
    public function a_box_that_is_known_is_that_of_the_shape(): void
    {
        $shape = new Shape([Contour::circle(5.0, 6.0, 3.0), Contour::rectangle(20.0, 1.0, 4.0, 2.0)]);
        foreach ([$shape, $shape, new Shape($shape->contours)] as $one) {
            self::assertEquals(
                [2.0, 1.0, 24.0, 9.0],
                array_map(
                    static fn (float $mm): float => round($mm, 9),
                    [$one->box()->left ?? 0.0, $one->box()->top ?? 0.0, $one->box()->right ?? 0.0, $one->box()->bottom ?? 0.0],
                ),
            );
        }
        self::assertNull((new Shape([]))->box());
        self::assertSame(KnownBoxes::of($shape), $shape->box(), 'it is worked out once');
    }
}
