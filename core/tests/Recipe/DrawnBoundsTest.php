<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Recipe;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Recipe\Basic\ShapeKind;
use NeatEdge\Core\Recipe\Basic\ShapeOutlines;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Bounds that the size of a shape sets are said with their fields, hold as they are said, and change nothing of what was typed. */
final class DrawnBoundsTest extends TestCase
{
    private const WIDTH = 60.0;

    private const HEIGHT = 20.0;

    /** @return iterable<string, array{ShapeKind, string, float, string}> kind, field, mm up to which it is drawn, how that is said */
    public static function bounds(): iterable
    {
        $corner = 'two corners fit on a side';
        yield 'one corner takes all of a side' => [ShapeKind::Rectangle, 'topLeft', self::HEIGHT, $corner];
        yield 'fold' => [ShapeKind::Banner, 'depth', 0.95 * self::HEIGHT, '95 % of the height'];
        yield 'tail' => [ShapeKind::Banner, 'tail', 0.45 * self::WIDTH, '45 % of the width'];
        // The band is what both tails, of 14 mm each, leave.
        yield 'overlap' => [ShapeKind::Banner, 'overlap', (self::WIDTH - 28.0) / 2, 'half of the band'];
        yield 'notch' => [ShapeKind::Banner, 'notch', 0.95 * 14.0, '95 % of the tail'];
        yield 'head' => [ShapeKind::Arrow, 'head', self::WIDTH, 'the width'];
        yield 'shaft' => [ShapeKind::Arrow, 'shaft', self::HEIGHT, 'the height'];
    }

    #[Test]
    #[DataProvider('bounds')]
    public function what_does_not_fit_is_drawn_as_far_as_the_field_says(ShapeKind $kind, string $field, float $bound, string $says): void
    {
        $help = array_column(array_map(static fn ($one): array => [$one->name, $one->help], $kind->fields()), 1, 0)[$field];
        self::assertStringContainsString($says, $help);
        $at = static fn (float $value): array => array_map(
            static fn (Contour $contour): array => array_map(static fn (float $v): float => round($v, 6), $contour->coords),
            ShapeOutlines::of($kind, [...$kind->usual(), 'width' => self::WIDTH, 'height' => self::HEIGHT, $field => $value]),
        );
        self::assertSame($at($bound), $at(3 * $bound));
        self::assertNotSame($at($bound), $at(0.98 * $bound));
    }

    #[Test]
    public function two_corners_share_the_side_that_is_too_short_for_both(): void
    {
        $radii = static fn (float $left, float $right): array => ShapeOutlines::of(
            ShapeKind::Rectangle,
            [...ShapeKind::Rectangle->usual(), 'width' => self::WIDTH, 'height' => self::HEIGHT, 'topLeft' => $left, 'bottomLeft' => $right],
        )[0]->coords;
        self::assertEqualsWithDelta($radii(15.0, 5.0), $radii(45.0, 15.0), 1e-9);
        self::assertNotEquals($radii(15.0, 5.0), $radii(14.0, 5.0));
    }

    #[Test]
    public function round_points_of_a_polygon_say_that_they_share_their_side(): void
    {
        foreach ([ShapeKind::Polygon, ShapeKind::Star] as $kind) {
            $field = array_values(array_filter($kind->fields(), static fn ($one): bool => $one->name === 'round'))[0];
            self::assertStringContainsString('between two points', $field->help);
            $area = static fn (float $round): float => array_sum(array_map(
                static fn (Contour $contour): float => abs($contour->area()),
                ShapeOutlines::of($kind, [...$kind->usual(), 'round' => $round]),
            ));
            self::assertGreaterThan($area(4.0), $area(1.0));
            self::assertEqualsWithDelta($area(500.0), $area(1500.0), 1e-6);
        }
    }
}
