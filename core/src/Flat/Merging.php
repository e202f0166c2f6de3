<?php

declare(strict_types=1);

namespace NeatEdge\Core\Flat;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\Patience\Patience;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\PlanarMap\PlanarMap;
use NeatEdge\Core\PlanarMap\Rule\SeenOwners;
use NeatEdge\Core\Seen\SingleCuts;

/**
 * What is seen of each colour as one piece: the same colours join, and each is cut by what lies on it.
 * See-through pieces lie above, each by itself: joining them would change what is seen where they overlap.
 */
final class Merging
{
    /** The same of art with lines that are cut once: they are laid on it as they were. */
    public static function laid(Artwork $artwork): Artwork
    {
        [$painted, $cuts] = SingleCuts::apart($artwork);

        return SingleCuts::laidOn(self::of($painted)[0], $cuts);
    }

    /** @return array{Artwork, int} the art, no two solid pieces of which overlap, and how many slivers were given to their neighbours */
    public static function of(Artwork $artwork): array
    {
        $pieces = array_values(array_filter(
            Outlines::of($artwork)->pieces,
            static fn (Piece $piece): bool => $piece->fill !== null && ! $piece->shape->isEmpty(),
        ));
        $tolerance = $artwork->tolerance();
        $group = $first = $label = [];
        foreach ($pieces as $i => $piece) {
            $key = $piece->isSolid() ? ($piece->fill?->key() ?? '') : "veil {$i}";
            $group[] = $label[$key] ??= count($label);
            $first[$label[$key]] ??= $piece;
        }
        $hides = array_map(static fn (Piece $piece): bool => $piece->isSolid(), $pieces);
        $shapes = array_map(static fn (Piece $piece): Shape => $piece->shape, $pieces);
        $regions = $artwork->apart
            ? self::joined($shapes, $group, $hides, $tolerance)
            : PlanarMap::of($shapes, $tolerance)->regions(new SeenOwners($hides, $group));
        // See-through pieces lie above.
        $merged = $veils = [];
        foreach ($regions as $g => $shape) {
            if ($first[$g]->isSolid()) {
                $merged[] = new Piece($first[$g]->id, $shape, $first[$g]->fill, null, $first[$g]->name);
            } else {
                $veils[] = $first[$g]->withShape($shape);
            }
        }
        // A colour was a sliver already where one of its pieces was.
        $sources = [];
        foreach ($pieces as $i => $piece) {
            $id = $first[$group[$i]]->id;
            foreach ($piece->shape->contours as $contour) {
                Patience::ask(8);
                $sources[$id][] = $contour;
            }
        }
        [$merged, $count] = Slivers::given(
            $merged,
            array_map(static fn (array $contours): Shape => new Shape($contours), $sources),
            max($artwork->width, $artwork->height),
            $tolerance,
        );

        return [$artwork->with(pieces: [...$merged, ...$veils], apart: true), $count];
    }

    /**
     * Where no two solid pieces overlap, only those of one colour that touch each other need a map.
     *
     * @param  list<Shape>  $shapes
     * @param  list<int>  $group  by shape
     * @param  list<bool>  $hides  by shape
     * @return array<int, Shape> by group
     */
    private static function joined(array $shapes, array $group, array $hides, Tolerance $tolerance): array
    {
        $members = [];
        foreach ($group as $i => $g) {
            $members[$g][] = $i;
        }
        $areas = [];
        foreach ($members as $g => $list) {
            Patience::ask(8);
            $contours = [];
            foreach ($hides[$list[0]] ? Touching::clusters(array_map(static fn (int $i): Shape => $shapes[$i], $list)) : [[$shapes[$list[0]]]] as $cluster) {
                // What the map gave before is as it would give it again.
                array_push(
                    $contours,
                    ...(count($cluster) === 1 && $cluster[0]->rule === FillRule::Nonzero ? $cluster[0] : Combine::weld($cluster, $tolerance))->contours,
                );
            }
            if ($contours !== []) {
                $areas[$g] = new Shape($contours, FillRule::Nonzero);
            }
        }

        return $areas;
    }
}
