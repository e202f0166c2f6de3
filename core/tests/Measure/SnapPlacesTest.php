<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Measure;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\SnapPlaces;
use NeatEdge\Core\Tests\Support\Places;
use NeatEdge\Core\Tests\Support\RandomArt;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class SnapPlacesTest extends TestCase
{
    #[Test]
    public function a_rectangle_offers_its_corners_its_middles_and_its_centre_each_once(): void
    {
        ['points' => $points] = SnapPlaces::of(['plate' => Shape::of(Contour::rectangle(10, 20, 40, 30))]);
        self::assertSame(['node' => 4, 'midpoint' => 4, 'centre' => 1], array_count_values(array_column($points, 2)));
        self::assertSame(['plate'], array_values(array_unique(array_column($points, 3))));
        self::assertContains([50.0, 50.0, 'node', 'plate'], $points);
        self::assertContains([30.0, 20.0, 'midpoint', 'plate'], $points);
        self::assertContains([30.0, 35.0, 'centre', 'plate'], $points);
    }

    #[Test]
    public function edges_that_cross_offer_the_place_where_they_do(): void
    {
        ['points' => $points] = SnapPlaces::of([
            'a' => Shape::of(Contour::polygon([[0, 0], [40, 40]], false)),
            'b' => Shape::of(Contour::polygon([[0, 30], [40, 10]], false)),
            'far' => Shape::of(Contour::rectangle(200, 200, 5, 5)),
        ]);
        $crossings = array_values(array_filter($points, static fn (array $p): bool => $p[2] === 'crossing'));
        self::assertCount(1, $crossings);
        self::assertEqualsWithDelta([20.0, 20.0], [$crossings[0][0], $crossings[0][1]], 1e-9);
        self::assertSame('a b', $crossings[0][3], 'it belongs to both');
        $of = static fn (string $id): array => array_values(array_unique(array_column(
            SnapPlaces::of(
                [
                    'a' => Shape::of(Contour::polygon([[0, 0], [40, 40]], false)),
                    'b' => Shape::of(Contour::polygon([[0, 30], [40, 10]], false)),
                    'c' => Shape::of(Contour::polygon([[0, 5], [40, 4]], false)),
                ],
                [$id => true],
            )['points'],
            3,
        )));
        self::assertSame(['b', 'a b'], $of('b'), 'its own places and its crossings');
    }

    #[Test]
    public function an_outline_that_crosses_itself_offers_its_own_crossings(): void
    {
        ['points' => $points] = SnapPlaces::of(['star' => Shape::of((new RandomArt(1))->selfCrossingStar(0, 0, 20, 5))]);
        $crossings = array_values(array_filter($points, static fn (array $p): bool => $p[2] === 'crossing'));
        self::assertCount(5, $crossings);
        self::assertSame(['star'], array_values(array_unique(array_column($crossings, 3))));
        // Those of a star of five lie on a circle about its middle.
        $radii = array_map(static fn (array $p): float => hypot($p[0], $p[1]), $crossings);
        self::assertEqualsWithDelta(array_fill(0, 5, $radii[0]), $radii, 1e-6);
    }

    #[Test]
    public function crossings_of_curves_lie_on_both(): void
    {
        [$a, $b] = [Shape::of(Contour::circle(0, 0, 10)), Shape::of(Contour::circle(12, 3, 9))];
        ['points' => $points] = SnapPlaces::of(['a' => $a, 'b' => $b]);
        $crossings = array_values(array_filter($points, static fn (array $p): bool => $p[2] === 'crossing'));
        self::assertCount(2, $crossings);
        foreach ($crossings as [$x, $y]) {
            self::assertEqualsWithDelta(10.0, hypot($x, $y), 0.06);
            self::assertEqualsWithDelta(9.0, hypot($x - 12, $y - 3), 0.06);
        }
    }

    #[Test]
    public function the_chain_along_an_edge_keeps_to_it_and_closes(): void
    {
        $shape = Shape::of(Contour::ellipse(50, 40, 30, 12), Contour::polygon([[0, 0], [9, 9]], false));
        ['edges' => $edges] = SnapPlaces::of(['badge' => $shape]);
        [$round, $line] = $edges['badge'];
        self::assertSame([0.0, 0.0, 9.0, 9.0], $line);
        self::assertSame(array_slice($round, 0, 2), array_slice($round, -2));
        $places = new Places($shape);
        for ($i = 2; $i < count($round); $i += 2) {
            // Half way along each chord it is farthest from its curve.
            self::assertLessThan(0.06, $places->edgeDistance(($round[$i] + $round[$i - 2]) / 2, ($round[$i + 1] + $round[$i - 1]) / 2));
        }
    }

    #[Test]
    public function what_is_crowded_beyond_use_offers_no_crossings_and_all_else(): void
    {
        $lines = array_map(
            static fn (int $i): Contour => Contour::polygon(array_map(static fn (int $k): array => [$k * 0.5, $i + ($k % 2) * 3.0], range(0, 400)), false),
            range(1, 160),
        );
        ['points' => $points] = SnapPlaces::of(['crowd' => new Shape($lines)]);
        $kinds = array_count_values(array_column($points, 2));
        self::assertArrayNotHasKey('crossing', $kinds);
        self::assertGreaterThan(60_000, $kinds['node']);
        self::assertSame(['points' => [], 'edges' => []], SnapPlaces::of([]));
    }
}
