<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Property;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\PlanarMap\PlanarMap;
use NeatEdge\Core\PlanarMap\Rule\TopOwner;
use NeatEdge\Core\Tests\Support\RandomArt;
use NeatEdge\Core\Tests\Support\Share;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Laws that hold for any shapes; NEAT_EDGE_RUNS raises the number of random cases, NEAT_EDGE_SEED moves them. */
final class PlanarMapLawsTest extends TestCase
{
    /** @return iterable<RandomArt> */
    private static function cases(int $usual): iterable
    {
        $runs = (int) (getenv('NEAT_EDGE_RUNS') ?: Share::of($usual));
        $first = (int) (getenv('NEAT_EDGE_SEED') ?: 1);
        for ($seed = $first; $seed < $first + $runs; $seed++) {
            yield new RandomArt($seed);
        }
    }

    private static function slack(Shape ...$shapes): float
    {
        $length = 0.0;
        foreach ($shapes as $shape) {
            $length += $shape->length();
        }

        // Slivers thinner than half the flatness may be left out, and near-tangent crossings are known to within it.
        return 1e-9 + 2e-5 * $length;
    }

    #[Test]
    public function two_areas_together_are_their_union_and_their_overlap(): void
    {
        foreach (self::cases(825) as $art) {
            $a = Combine::weld([$art->shape()]);
            $b = Combine::weld([$art->shape()]);
            $weld = Combine::weld([$a, $b])->area();
            $overlap = Combine::keepOverlap([$a, $b])->area();
            self::assertEqualsWithDelta($a->area() + $b->area(), $weld + $overlap, self::slack($a, $b), "seed {$art->seed}");
        }
    }

    #[Test]
    public function what_is_cut_away_and_what_overlaps_make_up_the_whole(): void
    {
        foreach (self::cases(550) as $art) {
            $a = Combine::weld([$art->shape()]);
            $b = $art->shape();
            $left = Combine::cutAway($a, [$b])->area();
            $overlap = Combine::keepOverlap([$a, $b])->area();
            self::assertEqualsWithDelta($a->area(), $left + $overlap, self::slack($a, $b), "seed {$art->seed}");
        }
    }

    #[Test]
    public function seen_parts_fill_the_union_without_overlap(): void
    {
        foreach (self::cases(220) as $art) {
            $shapes = [];
            for ($k = 0; $k < 6; $k++) {
                $shapes[] = $art->shape();
            }
            $map = PlanarMap::of($shapes);
            $seen = $map->regions(new TopOwner(6));
            $sum = array_sum(array_map(static fn (Shape $shape): float => $shape->area(), $seen));
            $weld = Combine::weld($shapes);
            self::assertEqualsWithDelta($weld->area(), $sum, self::slack(...$shapes), "seed {$art->seed}");
            $again = Combine::weld(array_values($seen));
            self::assertEqualsWithDelta($sum, $again->area(), self::slack(...$shapes), "seed {$art->seed}");
        }
    }

    #[Test]
    public function the_same_outline_told_otherwise_changes_nothing(): void
    {
        foreach (self::cases(440) as $art) {
            $a = Combine::weld([$art->shape()]);
            $other = $art->retold($a);
            $weld = Combine::weld([$a, $other]);
            self::assertEqualsWithDelta($a->area(), $weld->area(), self::slack($a), "seed {$art->seed}");
            self::assertLessThanOrEqual($a->nodeCount() + 2, $weld->nodeCount(), "seed {$art->seed}");
            self::assertEqualsWithDelta(0.0, Combine::keepDifference([$a, $other])->area(), self::slack($a), "seed {$art->seed}");
        }
    }

    #[Test]
    public function welding_a_weld_again_changes_nothing(): void
    {
        foreach (self::cases(275) as $art) {
            $once = Combine::weld([$art->shape(), $art->shape(), $art->shape()]);
            $twice = Combine::weld([$once]);
            self::assertEqualsWithDelta($once->area(), $twice->area(), 1e-6, "seed {$art->seed}");
            self::assertEqualsWithDelta($once->nodeCount(), $twice->nodeCount(), 2, "seed {$art->seed}");
        }
    }

    #[Test]
    public function a_copy_moved_by_next_to_nothing_adds_next_to_nothing(): void
    {
        foreach (self::cases(165) as $art) {
            $a = Combine::weld([$art->shape()]);
            foreach ([1e-9, 1e-7, 1e-5, 1e-4, 1e-3, 1e-2] as $by) {
                $b = $a->transformed(Matrix::translation($by, $by / 3));
                $weld = Combine::weld([$a, $b])->area();
                self::assertGreaterThanOrEqual($a->area() - self::slack($a), $weld, "seed {$art->seed} by {$by}");
                self::assertLessThanOrEqual($a->area() + 2 * $by * $a->length() + self::slack($a), $weld, "seed {$art->seed} by {$by}");
            }
        }
    }

    #[Test]
    public function art_far_from_the_origin_is_combined_as_exactly(): void
    {
        foreach (self::cases(110) as $art) {
            [$a, $b] = [Combine::weld([$art->shape()]), Combine::weld([$art->shape()])];
            $far = Matrix::translation(1e5, -1e5);
            $here = Combine::weld([$a, $b])->area();
            $there = Combine::weld([$a->transformed($far), $b->transformed($far)])->area();
            self::assertEqualsWithDelta($here, $there, self::slack($a, $b), "seed {$art->seed}");
        }
    }

    #[Test]
    public function curves_stay_curves_with_two_nodes_more_for_each_crossing(): void
    {
        foreach (self::cases(110) as $art) {
            $r = $art->between(2, 20);
            $apart = $art->between(0.2, 1.8) * $r;
            $turn = $art->between(0, 6.28);
            $weld = Combine::weld([
                Shape::of(Contour::circle(0, 0, $r)),
                Shape::of(Contour::circle($apart * cos($turn), $apart * sin($turn), $r)),
            ]);
            self::assertLessThanOrEqual(4 + 4 + 2 * 2, $weld->nodeCount(), "seed {$art->seed}");
            $lens = 2 * $r ** 2 * acos($apart / (2 * $r)) - $apart / 2 * sqrt(4 * $r ** 2 - $apart ** 2);
            self::assertEqualsWithDelta(2 * M_PI * $r ** 2 - $lens, $weld->area(), 2e-3 * $r ** 2, "seed {$art->seed}");
        }
    }
}
