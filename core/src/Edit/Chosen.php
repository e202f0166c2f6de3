<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Geometry\Box;

/** The pieces that an edit is about. */
final class Chosen
{
    /**
     * @param  list<string>  $ids
     * @param  int  $least  how many are needed
     * @return array<string, Piece> by id, the lowest first
     *
     * @throws Refused when one is gone or locked, or they are too few
     */
    public static function in(Artwork $artwork, array $ids, int $least = 1): array
    {
        $wanted = array_flip($ids);
        $locked = [];
        foreach ($artwork->layers as $layer) {
            if ($layer->locked) {
                $locked[$layer->id] = $layer->name;
            }
        }
        $chosen = [];
        foreach ($artwork->pieces as $piece) {
            if (isset($wanted[$piece->id])) {
                if ($piece->place->locked) {
                    throw Refused::locked($piece->name);
                }
                if (isset($locked[$piece->place->layer])) {
                    throw Refused::locked($locked[$piece->place->layer]);
                }
                $chosen[$piece->id] = $piece;
            }
        }
        foreach ($ids as $id) {
            if (! isset($chosen[$id])) {
                throw Refused::missingPiece($id);
            }
        }

        return count($chosen) < $least ? throw Refused::tooFew($least) : $chosen;
    }

    /** @param  array<Piece>  $pieces */
    public static function box(array $pieces): Box
    {
        $boxes = array_filter(array_map(static fn (Piece $piece): ?Box => $piece->box(), array_values($pieces)));

        return Box::around(...$boxes) ?? throw Refused::because('There is nothing in what was chosen that has a size.');
    }

    /**
     * What moves as one: a group of which every piece is chosen, or a single piece.
     *
     * @param  array<string, Piece>  $chosen
     * @param  string  $inside  id of the group that was entered: what lies in it is met piece by piece, and groups within as one
     * @return list<non-empty-list<Piece>>
     */
    public static function units(Artwork $artwork, array $chosen, string $inside = ''): array
    {
        $at = static function (Piece $piece) use ($inside): ?string {
            $entered = $inside === '' ? false : array_search($inside, $piece->place->groups, true);

            return $piece->place->groups[$entered === false ? 0 : (int) $entered + 1] ?? null;
        };
        $whole = [];
        foreach ($artwork->pieces as $piece) {
            $group = $at($piece);
            if ($group !== null && ! isset($chosen[$piece->id])) {
                $whole[$group] = false;
            }
        }
        $units = [];
        foreach ($chosen as $piece) {
            $group = $at($piece);
            $key = $group !== null && ($whole[$group] ?? true) ? "g{$group}" : "p{$piece->id}";
            $units[$key][] = $piece;
        }

        return array_values($units);
    }
}
