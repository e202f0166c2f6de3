<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Edit\Arrangement;
use NeatEdge\Core\Edit\FreeIds;
use NeatEdge\Core\Flat\Outlines;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Recipe\Weave\Woven;
use NeatEdge\Core\Seen\Seen;

/** Pieces as plain areas, and what came of them laid in their place. */
final class Outlined
{
    /** All that a piece covers: its fill and its stroke, inside its clip. */
    public static function whole(Piece $piece, Artwork $artwork): Shape
    {
        if ($piece->isSolid() && $piece->clip === null) {
            return $piece->shape;
        }
        $parts = Outlines::of(Seen::of($artwork->withPieces([$piece->with(place: $piece->place->with(hidden: false))])))->pieces;
        $parts = array_values(array_filter($parts, static fn (Piece $part): bool => $part->fill !== null));
        if ($parts === []) {
            return new Shape([]);
        }

        return Combine::weld(array_map(static fn (Piece $part): Shape => $part->shape, $parts), $artwork->tolerance());
    }

    /** What the fill of a piece covers, inside its clip; empty where it has none. */
    public static function filled(Piece $piece, Artwork $artwork): Shape
    {
        if ($piece->fill === null || ! Seen::encloses($piece->shape)) {
            return new Shape([]);
        }

        return $piece->clip === null ? $piece->shape : Combine::keepOverlap([$piece->shape, $piece->clip->shape], $artwork->tolerance());
    }

    /** A plain piece of another shape, in the paint in which the old one is seen. */
    public static function as(Piece $piece, Shape $shape, ?string $id = null): Piece
    {
        return new Piece($id ?? $piece->id, $shape, $piece->fill ?? $piece->stroke?->paint, null, $piece->name, null, $piece->place, blend: $piece->blend);
    }

    /** A piece with another shape; a woven one goes on knowing its strand. */
    public static function reshaped(Piece $piece, Shape $shape): Piece
    {
        $recipe = $piece->recipe;

        return $recipe?->base instanceof Woven && $recipe->changes === []
            ? $piece->withRecipe($recipe->withBase($recipe->base->withShape($shape->transformed($recipe->matrix->inverse()))))
            : $piece->withShape($shape);
    }

    /**
     * Each of some pieces replaced, where it lies, by others.
     *
     * @param  array<string, list<Piece>>  $by  id => what stands for it, the lowest first
     */
    public static function replaced(Artwork $artwork, array $by): Artwork
    {
        $pieces = [];
        foreach ($artwork->pieces as $piece) {
            if (isset($by[$piece->id])) {
                array_push($pieces, ...$by[$piece->id]);
            } else {
                $pieces[] = $piece;
            }
        }

        return Arrangement::settled($artwork->withPieces($pieces));
    }

    /**
     * Parts of a piece as pieces of their own: the first goes on under its id.
     *
     * @param  list<Shape>  $shapes
     * @return list<Piece>
     */
    public static function parts(Piece $piece, array $shapes, FreeIds $free): array
    {
        $parts = [];
        foreach ($shapes as $i => $shape) {
            $parts[] = $piece->withShape($shape)->with(id: $i === 0 ? $piece->id : $free->next());
        }

        return $parts;
    }
}
