<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Parts;
use NeatEdge\Core\PlanarMap\Combine;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\Attributes\Test;

/** Two larger takes of the regatta, from an empty bench, with a mouse and keys; judged by areas, parts and nodes. */
final class ShapedFromNothingTest extends BrowserTestCase
{
    use OnTheBench;
    use ShapingHands;

    #[Test]
    public function a_pavilion_welded_from_25_loose_shapes_its_windows_punched_and_one_put_back_as_a_rim(): void
    {
        $this->emptyBench('Pavilion', 'cut-vinyl', '160mm', '120mm');
        // The ground slab with rounded corners: what is drawn after it has the same corners. The steps lie a hair above one another.
        $this->shape('rectangle', 80, 106, 130, 8);
        foreach (['topLeft', 'topRight', 'bottomRight', 'bottomLeft'] as $corner) {
            $this->put($corner, '1.5mm');
        }
        $this->filled('#26231d');
        $this->shape('rectangle', 80, 98.97, 116, 6);
        $this->shape('rectangle', 80, 92.94, 104, 6);
        $this->shape('rectangle', 80, 58, 100, 8);
        // Ten columns of which feet and heads reach into what they stand on, each drawn by a drag.
        for ($k = 0; $k < 10; $k++) {
            $this->drawShape('rectangle', 32 + 9.8 * $k, 60, 6, 32);
        }
        $this->drawShape('rectangle', 46, 61, 68, 22);
        // The roof, its ridge and finials.
        $this->drawShape('polygon', 40, 20, 80, 46);
        for ($k = 0; $k < 5; $k++) {
            $this->drawShape('ellipse', 28 + 22 * $k, 47, 16, 12);
        }
        $this->drawShape('rectangle', 74, 10, 12, 20);
        $this->drawShape('ellipse', 73, 4, 14, 12);
        $this->drawShape('rectangle', 24, 52, 112, 4);
        $this->drawShape('ellipse', 66, 76, 28, 20);
        self::assertCount(25, $this->art()->pieces);
        $loose = array_map(static fn (Piece $piece) => $piece->shape, $this->art()->pieces);
        self::assertGreaterThan(1, count(Parts::of(Combine::weld($loose))), 'gaps of a hair keep them apart');
        $this->keys('3');
        $this->see('[data-test=weld]');
        $this->everything();
        $this->take('weld', 'w');
        $this->put('bridge', '0.1mm');
        $this->see('[data-test=report]');
        $this->keepIt();
        $house = $this->lastPiece();
        self::assertCount(1, $this->art()->pieces);
        self::assertCount(1, Parts::of($house->shape), 'one silhouette');
        self::assertLessThan(320, $house->shape->nodeCount());

        // Two windows punched: drawn over it, everything chosen, cut away.
        $this->keys('2');
        $this->see('[data-tool=arrange]');
        $this->none();
        $this->shape('ellipse', 66, 71, 9, 12);
        $this->shape('ellipse', 94, 71, 9, 12);
        $windows = Combine::weld([$this->art()->pieces[1]->shape, $this->art()->pieces[2]->shape]);
        $this->everything();
        $this->take('cut-away', 'x');
        $this->see('[data-test=report]');
        $this->keepIt();
        $punched = $this->lastPiece();
        self::assertEqualsWithDelta($house->shape->area() - $windows->area(), $punched->shape->area(), 0.01);

        // One hole lifted as it is, and once more enlarged by 12 %, which comes to lie beneath it: the smaller cut out of the larger is a rim.
        $this->take('lift-hole', 'h');
        $this->put('scale', '100%');
        $this->change(fn () => $this->click(66, 71));
        $this->none();
        $this->click(66, 100);
        $this->take('lift-hole', 'h');
        $this->put('scale', '112%');
        $this->change(fn () => $this->click(66, 71));
        self::assertCount(3, $this->art()->pieces);
        [$large, $small] = array_slice($this->art()->pieces, 1);
        self::assertEqualsWithDelta(1.12 ** 2 * $small->shape->area(), $large->shape->area(), 0.05);
        $this->none();
        $this->click(66, 71);
        $this->click(66 + 4.13, 71 + 3.18, 8);
        $this->seeText('2 chosen', '[data-stage=shape]');
        $this->take('cut-away', 'x');
        $this->see('[data-test=report]');
        $this->keepIt();
        $rim = $this->lastPiece();
        self::assertCount(2, $rim->shape->contours);
        self::assertEqualsWithDelta((1.12 ** 2 - 1) * $small->shape->area(), $rim->shape->area(), 0.05);
        $this->keep('pavilion');
        self::assertSame([], $this->complaints());
    }

    #[Test]
    #[Group('whole')]
    public function a_river_pennant_of_swelling_bands_that_end_exactly_on_the_inner_of_two_rings(): void
    {
        $this->emptyBench('River pennant', 'cut-vinyl', '140mm', '100mm');
        foreach ([30, 50, 70] as $k => $y) {
            $this->tool('curve');
            $this->drag([[6, $y], [24, $y - 10]], 2);
            $this->change(fn () => $this->drag([[70, $y], [90, $y + 10]], 2));
            $this->change(fn () => $this->drag([[134, $y], [150, $y - 8]], 2));
            $this->keys(WebDriverKeys::ENTER);
            $this->tool('arrange');
            if ($k === 0) {
                $this->lineOnly('#3b8ea5', '8mm');
            }
            $this->change(fn () => $this->choose('profile', 'swell'));
            $this->none();
        }
        self::assertCount(3, array_filter($this->art()->pieces, static fn (Piece $piece): bool => $piece->stroke?->stops !== null));
        $this->keys('3');
        $this->see('[data-test=weld]');
        $this->everything();
        $this->take('weld', 'w');
        $this->see('[data-test=report]');
        $this->keepIt();
        $this->keys('2');
        $this->see('[data-tool=arrange]');
        $this->none();
        $this->shape('ellipse', 70, 50, 110, 76);
        $this->plain('#26231d');
        $oval = $this->lastPiece()->shape;
        $this->everything();
        $this->take('keep-overlap', 'v');
        $this->see('[data-test=report]');
        $this->keepIt();
        $bands = $this->lastPiece();
        self::assertCount(3, Parts::of($bands->shape), 'three bands');
        // Two rings round it: of an oval of the same numbers, and of a larger one.
        $this->keys('2');
        $this->see('[data-tool=arrange]');
        $this->none();
        $this->shape('ellipse', 70, 50, 110, 76);
        foreach (['0mm' => '2mm', '3.2mm' => '0mm'] as $inner => $outer) {
            if ($inner !== '0mm') {
                $this->keys('2');
                $this->none();
                $this->shape('ellipse', 70, 50, 124, 90);
            }
            $this->take('ring', 'r');
            $this->put('inner', $inner);
            $this->put('outer', $outer);
            $this->see('[data-test=report]');
            $this->keepIt();
        }
        [$bands, $inner, $outer] = $this->art()->pieces;
        self::assertTrue(Combine::keepOverlap([$bands->shape, $inner->shape])->isEmpty() || Combine::keepOverlap([$bands->shape, $inner->shape])->area() < 1e-3, 'no band lies over the ring');
        $gap = Combine::cutAway($oval, [$bands->shape]);
        self::assertEqualsWithDelta($oval->area(), $bands->shape->area() + $gap->area(), 0.01);
        $whole = Combine::weld([$bands->shape, $inner->shape]);
        self::assertCount(1, Parts::of($whole), 'the bands end on the ring: welded, all is one part');
        self::assertTrue(Combine::keepOverlap([$inner->shape, $outer->shape])->isEmpty());
        self::assertLessThan(40, $inner->shape->nodeCount() + $outer->shape->nodeCount());
        $this->keep('river-pennant');
        self::assertSame([], $this->complaints());
    }
}
