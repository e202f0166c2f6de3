<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Lettering;
use NeatEdge\Core\Artwork\LinkedCopy;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Type\FontShelf;

/** What follows another piece - a linked copy its source, a text its line - brought up to date after an edit, in the order of who follows whom. */
final class Following
{
    public static function settled(Artwork $before, Artwork $after, FontShelf $fonts): Artwork
    {
        $followers = false;
        foreach ($after->pieces as $piece) {
            if (References::of($piece) !== null) {
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
        foreach (References::order($new) as $id) {
            $piece = $new[$id];
            $leader = References::of($piece);
            if ($leader === null) {
                continue;
            }
            $base = $piece->recipe?->base;
            if ($base instanceof LinkedCopy) {
                $new[$id] = self::linked($piece, $base, $old[$leader] ?? null, $new[$leader] ?? null);
            } elseif ($base instanceof Lettering) {
                $new[$id] = self::lettered($piece, $base, $old[$leader] ?? null, $new[$leader] ?? null, $fonts);
            }
        }
        $pieces = array_map(static fn (Piece $piece): Piece => $new[$piece->id], $after->pieces);

        return $pieces === $after->pieces ? $after : $after->withPieces($pieces);
    }

    private static function linked(Piece $piece, LinkedCopy $base, ?Piece $before, ?Piece $source): Piece
    {
        if ($source === null) {
            // Its source is gone: it stays as it is, on its own.
            return References::following($piece, null);
        }
        if ($before === $source || $before === null || $piece->recipe === null) {
            return $piece;
        }
        $recipe = $before->shape === $source->shape ? $piece->recipe : $piece->recipe->withBase($base->following($before->shape, $source->shape));
        $followed = $piece->withRecipe($recipe);
        if ($source->fill === $before->fill && $source->stroke === $before->stroke) {
            return $followed;
        }
        // Its paints lie on it as the source's lie there.
        $way = $recipe->matrix->after($recipe->base instanceof LinkedCopy ? $recipe->base->back() : $base->back());

        return $followed->with(fill: $source->fill?->transformed($way), stroke: $source->stroke?->transformed($way, true));
    }

    private static function lettered(Piece $piece, Lettering $base, ?Piece $before, ?Piece $line, FontShelf $fonts): Piece
    {
        if ($piece->recipe === null) {
            return $piece;
        }
        if ($line === null) {
            return References::following($piece, null);
        }
        if ($before === null || $before->shape === $line->shape || $line->shape->isEmpty()) {
            return $piece;
        }
        $along = $line->shape->contours[0]->transformed($piece->recipe->matrix->inverse());

        return $piece->withRecipe($piece->recipe->withBase(Lettering::set($base->setting->with(along: $along), $base->follows, $fonts)));
    }
}
