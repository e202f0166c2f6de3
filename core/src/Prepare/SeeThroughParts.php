<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\PlanarMap\FaceRule;
use NeatEdge\Core\PlanarMap\PlanarMap;
use NeatEdge\Core\PlanarMap\Rule\TopOwner;

/** What is seen of pieces that one can see through: they hide nothing, and lose what solid pieces above them cover. */
final class SeeThroughParts
{
    /**
     * @param  list<Piece>  $pieces  filled, without strokes, the lowest first
     * @return array<int, Shape> by the number of the piece; wholly hidden ones are left out
     */
    public static function of(array $pieces, Tolerance $tolerance): array
    {
        $boxes = array_map(static fn (Piece $piece): ?Box => $piece->box(), $pieces);
        $out = [];
        foreach (self::apart($pieces, $boxes) as $group) {
            $out += self::ofGroup($group, $pieces, $boxes, $tolerance);
        }

        return $out;
    }

    /**
     * See-through pieces in groups whose pieces do not reach each other: each group needs one map only.
     *
     * @param  list<Piece>  $pieces
     * @param  list<Box|null>  $boxes
     * @return list<list<int>> numbers of the pieces, rising
     */
    private static function apart(array $pieces, array $boxes): array
    {
        $groups = [];
        foreach ($pieces as $i => $piece) {
            $box = $boxes[$i];
            if ($piece->isSolid() || $box === null) {
                continue;
            }
            foreach ($groups as $g => $group) {
                foreach ($group as $j) {
                    if ($boxes[$j]?->overlaps($box)) {
                        continue 2;
                    }
                }
                $groups[$g][] = $i;

                continue 2;
            }
            $groups[] = [$i];
        }

        return array_values($groups);
    }

    /**
     * @param  list<int>  $group
     * @param  list<Piece>  $pieces
     * @param  list<Box|null>  $boxes
     * @return array<int, Shape>
     */
    private static function ofGroup(array $group, array $pieces, array $boxes, Tolerance $tolerance): array
    {
        $shapes = [];
        $labels = [];
        $numbers = [];
        $lower = [];
        foreach ($pieces as $k => $piece) {
            $box = $boxes[$k];
            if (in_array($k, $group, true)) {
                $labels[] = count($numbers);
                $numbers[] = $k;
                $shapes[] = $piece->shape;
                $lower[] = $box;

                continue;
            }
            // A solid piece matters where it lies over one of the group.
            if ($box === null || ! $piece->isSolid()) {
                continue;
            }
            foreach ($lower as $other) {
                if ($other?->overlaps($box)) {
                    $labels[] = FaceRule::NOTHING;
                    $shapes[] = $piece->shape;
                    break;
                }
            }
        }
        $out = [];
        foreach (PlanarMap::of($shapes, $tolerance)->regions(new TopOwner(count($shapes), $labels)) as $label => $shape) {
            $out[$numbers[$label]] = $shape;
        }

        return $out;
    }
}
