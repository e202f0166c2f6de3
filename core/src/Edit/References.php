<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

use NeatEdge\Core\Artwork\Lettering;
use NeatEdge\Core\Artwork\LinkedCopy;
use NeatEdge\Core\Artwork\Piece;

/**
 * Which piece refers to which: a linked copy to its source, letters to the line that they stand on. The only place that knows; what copies, pastes,
 * moves or settles pieces asks here.
 */
final class References
{
    /** The id of the piece that this one follows; null when it stands alone. */
    public static function of(Piece $piece): ?string
    {
        $base = $piece->recipe?->base;

        return match (true) {
            $base instanceof LinkedCopy => $base->source,
            $base instanceof Lettering => $base->follows,
            default => null,
        };
    }

    /** The same piece following another, or nobody: then it keeps the look that it has. */
    public static function following(Piece $piece, ?string $id): Piece
    {
        $base = $piece->recipe?->base;
        if ($piece->recipe === null || self::of($piece) === $id) {
            return $piece;
        }

        return match (true) {
            $base instanceof LinkedCopy => $id === null ? $piece->with(recipe: null) : $piece->with(recipe: $piece->recipe->withBase($base->from($id))),
            $base instanceof Lettering => $piece->with(recipe: $piece->recipe->withBase(new Lettering($base->setting, $id, $base->shape(), $base->cut))),
            default => $piece,
        };
    }

    /**
     * Pieces in an order in which each comes after the one that it follows.
     *
     * @param  array<string, Piece>  $pieces  by id
     * @return list<string> ids; who goes round in a circle comes last, once
     */
    public static function order(array $pieces): array
    {
        $out = [];
        $state = [];
        foreach (array_keys($pieces) as $id) {
            $path = [];
            for ($at = (string) $id; isset($pieces[$at]) && ! isset($state[$at]); $at = (string) self::of($pieces[$at])) {
                $state[$at] = true;
                $path[] = $at;
            }
            foreach (array_reverse($path) as $one) {
                $out[] = $one;
            }
        }

        return $out;
    }
}
