<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Seen;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\PlanarMap\MeasuredPart;
use NeatEdge\Core\PlanarMap\Rule\EachCover;
use NeatEdge\Core\Seen\PaintedMap;
use NeatEdge\Core\Stroke\StrokeStyle;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class PaintedMapTest extends TestCase
{
    #[Test]
    public function all_that_is_painted_has_its_areas_and_the_fills_of_some_pieces_have_theirs(): void
    {
        $black = new Paint(new Colour(0, 0, 0));
        $square = static fn (string $id, float $x, ?Stroke $line = null): Piece => new Piece($id, Shape::of(Contour::rectangle($x, 0, 10, 10)), $black, $line);
        // The second has a line 4 mm wide: 2 mm of it lie outside its fill, over the first and under the third.
        $map = PaintedMap::of(new Artwork(40, 20, [$square('a', 0), $square('b', 11, new Stroke($black, new StrokeStyle(4.0))), $square('c', 15)]));
        self::assertSame([0, 1, 1, 2], array_column($map->areas, 'piece'));
        self::assertSame([true, true, false, true], array_column($map->areas, 'isFill'));

        $all = $this->areas($rule = new EachCover, $map->parts($rule));
        self::assertEqualsWithDelta(10.0, $all['0,2'] ?? 0.0, 1e-6, 'the line lies over the first by 1 mm');
        $fills = $this->areas($rule = new EachCover, $map->ofFills([0, 1], $rule));
        self::assertSame(['0', '1'], array_map(strval(...), array_keys($fills)), 'neither the line nor the third is asked about');
        self::assertEqualsWithDelta(100.0, $fills['1'] ?? 0.0, 1e-6);
        $turned = $this->areas($rule = new EachCover, $map->ofFills([2, 1], $rule));
        self::assertEqualsWithDelta(60.0, $turned['0,1'] ?? 0.0, 1e-6, 'the second and the third, whichever is told first');
        self::assertEqualsWithDelta(40.0, $turned['0'] ?? 0.0, 1e-6);
    }

    #[Test]
    public function nothing_painted_has_no_parts(): void
    {
        self::assertSame([], PaintedMap::of(new Artwork(10, 10, []))->parts(new EachCover));
    }

    /**
     * @param  array<int, list<MeasuredPart>>  $parts
     * @return array<string, float> mm² by owners
     */
    private function areas(EachCover $rule, array $parts): array
    {
        $areas = [];
        foreach ($parts as $label => $list) {
            $areas[implode(',', $rule->covers[$label])] = array_sum(array_map(static fn (MeasuredPart $part): float => $part->area, $list));
        }
        ksort($areas);

        return $areas;
    }
}
