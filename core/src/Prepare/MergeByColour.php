<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\PlanarMap;
use NeatEdge\Core\PlanarMap\Rule\TopOwner;

/**
 * What is seen of each colour becomes one piece: the same colours join, and each is cut by what lies on it.
 * See-through pieces lie above, each by itself: joining them would change what is seen where they overlap.
 */
final readonly class MergeByColour implements GivesSlivers
{
    public function key(): string
    {
        return 'merge-by-colour';
    }

    public function label(): string
    {
        return 'Merge by colour';
    }

    public function values(): array
    {
        return [];
    }

    public function apply(Artwork $artwork): Artwork
    {
        return $this->withoutSlivers($artwork)[0];
    }

    public function withoutSlivers(Artwork $artwork): array
    {
        $pieces = array_values(array_filter((new OutlineStrokes)->apply($artwork)->pieces, static fn (Piece $piece): bool => $piece->fill !== null && ! $piece->shape->isEmpty()));
        $solid = array_values(array_filter($pieces, static fn (Piece $piece): bool => $piece->isSolid()));
        $tolerance = $artwork->tolerance();
        $labels = [];
        $first = [];
        $label = [];
        foreach ($solid as $piece) {
            $key = $piece->fill?->key() ?? '';
            if (! isset($label[$key])) {
                $label[$key] = count($first);
                $first[] = $piece;
            }
            $labels[] = $label[$key];
        }
        $regions = $solid === [] ? [] : PlanarMap::of(
            array_map(static fn (Piece $piece): Shape => $piece->shape, $solid),
            $tolerance,
        )->regions(new TopOwner(count($solid), $labels));
        $out = [];
        foreach ($regions as $i => $shape) {
            $out[] = new Piece($first[$i]->id, $shape, $first[$i]->fill, null, $first[$i]->name);
        }
        // A colour was a sliver already where one of its pieces was.
        $sources = [];
        foreach ($solid as $k => $piece) {
            $id = $first[$labels[$k]]->id;
            $sources[$id] = new Shape([...($sources[$id]->contours ?? []), ...$piece->shape->contours]);
        }
        [$out, $count] = Slivers::given($out, $sources, max($artwork->width, $artwork->height), $tolerance);
        foreach (SeeThroughParts::of($pieces, $tolerance) as $i => $shape) {
            $out[] = $pieces[$i]->withShape($shape);
        }

        return [$artwork->withPieces($out), $count];
    }
}
