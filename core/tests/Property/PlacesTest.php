<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Property;

use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\PlanarMap\PlanarMap;
use NeatEdge\Core\PlanarMap\Rule\TopOwner;
use NeatEdge\Core\Tests\Support\Places;
use NeatEdge\Core\Tests\Support\RandomArt;
use NeatEdge\Core\Tests\Support\Share;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Outcomes checked place by place, against winding numbers that are counted without the planar map. */
final class PlacesTest extends TestCase
{
    private const NEAR_AN_EDGE = 0.03;

    /**
     * @param  list<Places>  $all
     * @return list<array{float, float}> random places, none of them near an edge
     */
    private static function places(RandomArt $art, array $all): array
    {
        $out = [];
        for ($k = 0; $k < Share::of(60); $k++) {
            [$x, $y] = [$art->between(-22, 22), $art->between(-22, 22)];
            $near = min([INF, ...array_map(static fn (Places $places): float => $places->edgeDistance($x, $y), $all)]);
            if ($near > self::NEAR_AN_EDGE) {
                $out[] = [$x, $y];
            }
        }

        return $out;
    }

    #[Test]
    public function a_place_is_in_the_outcome_just_when_the_rule_says_so(): void
    {
        for ($seed = 1; $seed <= 70; $seed++) {
            $art = new RandomArt($seed);
            $shapes = [$art->shape(), $art->shape(), $art->shape()];
            $in = array_map(static fn (Shape $shape): Places => new Places($shape), $shapes);
            $weld = new Places(Combine::weld($shapes));
            $cut = new Places(Combine::cutAway($shapes[0], [$shapes[1], $shapes[2]]));
            $both = new Places(Combine::keepOverlap($shapes));
            $odd = new Places(Combine::keepDifference($shapes));
            foreach (self::places($art, $in) as [$x, $y]) {
                [$a, $b, $c] = [$in[0]->contains($x, $y), $in[1]->contains($x, $y), $in[2]->contains($x, $y)];
                $where = "seed {$seed} at {$x}, {$y}";
                self::assertSame($a || $b || $c, $weld->contains($x, $y), "weld, {$where}");
                self::assertSame($a && ! $b && ! $c, $cut->contains($x, $y), "cut away, {$where}");
                self::assertSame($a && $b && $c, $both->contains($x, $y), "keep overlap, {$where}");
                self::assertSame($a xor $b xor $c, $odd->contains($x, $y), "keep difference, {$where}");
            }
        }
    }

    #[Test]
    public function a_place_is_seen_of_the_highest_shape_that_covers_it(): void
    {
        for ($seed = 1; $seed <= 36; $seed++) {
            $art = new RandomArt(1000 + $seed);
            $shapes = [];
            for ($k = 0; $k < 8; $k++) {
                $shapes[] = $art->shape();
            }
            $in = array_map(static fn (Shape $shape): Places => new Places($shape), $shapes);
            $seen = array_map(static fn (Shape $shape): Places => new Places($shape), PlanarMap::of($shapes)->regions(new TopOwner(8)));
            foreach (self::places($art, $in) as [$x, $y]) {
                $top = null;
                foreach ($in as $k => $places) {
                    $top = $places->contains($x, $y) ? $k : $top;
                }
                $owners = array_keys(array_filter($seen, static fn (Places $places): bool => $places->contains($x, $y)));
                self::assertSame($top === null ? [] : [$top], $owners, "seed {$seed} at {$x}, {$y}");
            }
        }
    }

    #[Test]
    public function many_islands_and_holes_in_one_map_lie_where_they_should(): void
    {
        $art = new RandomArt(77);
        $shapes = [];
        for ($k = 0; $k < 60; $k++) {
            $shapes[] = $art->shape(8.0)->transformed(\NeatEdge\Core\Geometry\Matrix::translation($art->between(-18, 18), $art->between(-18, 18)));
        }
        $in = array_map(static fn (Shape $shape): Places => new Places($shape), $shapes);
        $weld = new Places(Combine::weld($shapes));
        for ($round = 0; $round < Share::of(12); $round++) {
            foreach (self::places($art, $in) as [$x, $y]) {
                $covered = array_filter($in, static fn (Places $places): bool => $places->contains($x, $y)) !== [];
                self::assertSame($covered, $weld->contains($x, $y), "at {$x}, {$y}");
            }
        }
    }
}
