<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

/**
 * Which piece refers to which: a linked copy to its source, letters to the line that they stand on, a cut border to what it goes round. The only place
 * that knows; what copies, pastes, moves or settles pieces asks here.
 */
final class References
{
    /** @return list<string> the ids of the pieces that this one follows; none when it stands alone */
    public static function of(Piece $piece): array
    {
        return $piece->recipe?->base->follows() ?? [];
    }

    /**
     * The same piece following others, or nobody: then it keeps the look that it has.
     *
     * @param  array<string, string|null>  $ids  by the id of each that it follows now: whom it follows instead, null for nobody
     */
    public static function following(Piece $piece, array $ids): Piece
    {
        $old = self::of($piece);
        $new = array_values(array_filter(
            array_map(static fn (string $id): ?string => array_key_exists($id, $ids) ? $ids[$id] : $id, $old),
            static fn (?string $id): bool => $id !== null,
        ));
        if ($piece->recipe === null || $old === $new) {
            return $piece;
        }
        $base = $piece->recipe->base->following($new);

        return $piece->with(recipe: $base === null ? null : $piece->recipe->withBase($base));
    }

    /**
     * A copy no more tied by a shared name to what it was copied from: strands that are copied together are a weave of their own.
     *
     * @param  string  $copy  the same for all that is copied at once, and for nothing else
     */
    public static function apart(Piece $piece, string $copy): Piece
    {
        $base = $piece->recipe?->base;
        $apart = $base?->apart($copy);

        return $piece->recipe === null || $apart === null || $apart === $base ? $piece : $piece->with(recipe: $piece->recipe->withBase($apart));
    }

    /**
     * Pieces in an order in which each comes after those that it follows.
     *
     * @param  array<string, Piece>  $pieces  by id
     * @return list<string> ids; who goes round in a circle comes last, once
     */
    public static function order(array $pieces): array
    {
        $order = [];
        $state = [];
        $stack = [];
        foreach (array_reverse(array_keys($pieces)) as $id) {
            $stack[] = [(string) $id, false];
        }
        while ($stack !== []) {
            [$id, $ready] = array_pop($stack);
            if ($ready) {
                $order[] = $id;

                continue;
            }
            if (isset($state[$id]) || ! isset($pieces[$id])) {
                continue;
            }
            $state[$id] = true;
            $stack[] = [$id, true];
            foreach (self::of($pieces[$id]) as $leader) {
                $stack[] = [$leader, false];
            }
        }

        return $order;
    }
}
