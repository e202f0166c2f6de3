<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Lettering;
use NeatEdge\Core\Artwork\LinkedCopy;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Type\FontShelf;

/** What follows another piece - a linked copy its source, a text its line - brought up to date after an edit. */
final class Following
{
    public static function settled(Artwork $before, Artwork $after, FontShelf $fonts): Artwork
    {
        $followers = false;
        foreach ($after->pieces as $piece) {
            if ($piece->recipe !== null && ($piece->recipe->base instanceof LinkedCopy || ($piece->recipe->base instanceof Lettering && $piece->recipe->base->follows !== null))) {
                $followers = true;
                break;
            }
        }
        if (! $followers) {
            return $after;
        }
        $old = $new = [];
        foreach ($before->pieces as $piece) {
            $old[$piece->id] = $piece;
        }
        foreach ($after->pieces as $piece) {
            $new[$piece->id] = $piece;
        }
        $pieces = $after->pieces;
        foreach ($pieces as $i => $piece) {
            $base = $piece->recipe?->base;
            if ($base instanceof LinkedCopy) {
                $pieces[$i] = self::linked($piece, $base, $old[$base->source] ?? null, $new[$base->source] ?? null);
            } elseif ($base instanceof Lettering && $base->follows !== null) {
                $pieces[$i] = self::lettered($piece, $base, $old[$base->follows] ?? null, $new[$base->follows] ?? null, $fonts);
            }
        }

        return $pieces === $after->pieces ? $after : $after->withPieces($pieces);
    }

    private static function linked(Piece $piece, LinkedCopy $base, ?Piece $before, ?Piece $source): Piece
    {
        if ($source === null) {
            // Its source is gone: it stays as it is, on its own.
            return $piece->with(recipe: null);
        }
        if ($before === $source || $before === null || $piece->recipe === null) {
            return $piece;
        }
        $recipe = $before->shape === $source->shape ? $piece->recipe : $piece->recipe->withBase($base->following($before->shape, $source->shape));
        $followed = $piece->withRecipe($recipe);

        return $source->fill === $before->fill && $source->stroke === $before->stroke ? $followed : $followed->with(fill: $source->fill, stroke: $source->stroke);
    }

    private static function lettered(Piece $piece, Lettering $base, ?Piece $before, ?Piece $line, FontShelf $fonts): Piece
    {
        if ($piece->recipe === null) {
            return $piece;
        }
        if ($line === null) {
            return $piece->with(recipe: $piece->recipe->withBase(new Lettering($base->setting, null, $base->shape())));
        }
        if ($before === null || $before->shape === $line->shape || $line->shape->isEmpty()) {
            return $piece;
        }
        $along = $line->shape->contours[0]->transformed($piece->recipe->matrix->inverse());

        return $piece->withRecipe($piece->recipe->withBase(Lettering::set($base->setting->with(along: $along), $base->follows, $fonts)));
    }
}
