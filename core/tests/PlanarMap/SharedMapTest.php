<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\PlanarMap;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Check\Overlapping;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\PlanarMap\SharedMap;
use NeatEdge\Core\Prepare\Colours\ColourAreas;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use RuntimeException;

final class SharedMapTest extends TestCase
{
    #[Test]
    public function a_map_is_made_once_within_a_work_and_forgotten_after_it(): void
    {
        $shapes = [Shape::of(Contour::circle(10.0, 10.0, 5.0)), Shape::of(Contour::circle(14.0, 10.0, 5.0))];
        $alike = array_map(static fn (Shape $shape): Shape => new Shape($shape->contours), $shapes);
        $tolerance = Tolerance::forExtent(20.0);
        $ask = SharedMap::of(...);
        self::assertNotSame($ask($shapes, $tolerance), $ask($shapes, $tolerance));
        [$first, $again, $other, $finer] = SharedMap::during(static fn (): array => [
            $ask($shapes, $tolerance), $ask([...$shapes], Tolerance::forExtent(20.0)), $ask($alike, $tolerance), $ask($shapes, Tolerance::forExtent(2.0)),
        ]);
        self::assertSame($first, $again);
        self::assertNotSame($first, $other, 'shapes that only look the same are others');
        self::assertNotSame($first, $finer);
        $before = null;
        try {
            SharedMap::during(static function () use (&$before, $ask, $shapes, $tolerance): void {
                $before = $ask($shapes, $tolerance);
                throw new RuntimeException('Broken off.');
            });
        } catch (RuntimeException) {
        }
        self::assertNotSame($before, $ask($shapes, $tolerance), 'nothing is left of a work that broke off');
    }

    #[Test]
    public function what_is_asked_of_a_shared_map_is_what_each_would_find_by_itself(): void
    {
        $piece = static fn (string $id, float $x, string $hex, float $opacity = 1.0): Piece => new Piece(
            $id, Shape::of(Contour::rectangle($x, 5.0, 10.0, 10.0)), new Paint(Colour::fromHex($hex), $opacity),
        );
        // The second covers half of the first; the third lies wholly under the fourth.
        $art = new Artwork(60.0, 20.0, [
            $piece('a', 5.0, '#c9452f'), $piece('b', 10.0, '#1f3a63'), $piece('c', 35.0, '#c9452f'), $piece('d', 35.0, '#e8a52c'),
        ]);
        [$found, $areas] = SharedMap::during(static fn (): array => [(new Overlapping)->findings($art, $art), ColourAreas::seen($art)]);
        self::assertEquals((new Overlapping)->findings($art, $art), $found);
        self::assertSame(['overlap' => 'a', 'hidden-piece' => 'c'], array_column(array_map(static fn ($one): array => [$one->kind, $one->piece], $found), 1, 0));
        self::assertEqualsWithDelta([12.5, 10.0], [$found[0]->at?->x, $found[0]->at?->y], 1e-3);
        self::assertStringContainsString('50.00 mm²', $found[0]->message);
        self::assertEqualsWithDelta(['#1f3a63' => 100.0, '#e8a52c' => 100.0, '#c9452f' => 50.0], $areas, 1e-3);
    }
}
