<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Recipe\Weave\Woven;

/** Woven strands as they were drawn, wherever they were moved since and in the colours that they have now, to be woven anew. */
final class Unwoven
{
    /**
     * @param  list<string>  $ids  of chosen pieces: one of a weave stands for all its strands
     * @return array{Artwork, list<string>} with the strands in the place of what was left of them, and the ids of all that is woven now
     *
     * @throws Refused
     */
    public static function of(Artwork $artwork, array $ids): array
    {
        $weaves = [];
        foreach (Chosen::in($artwork, $ids) as $piece) {
            $base = $piece->recipe?->base;
            if ($base instanceof Woven) {
                $weaves[$base->weave] = true;
            }
        }
        if ($weaves === []) {
            return [$artwork, $ids];
        }
        $by = $strands = [];
        $all = array_fill_keys($ids, true);
        foreach ($artwork->pieces as $piece) {
            $base = $piece->recipe?->base;
            if (! $base instanceof Woven || ! isset($weaves[$base->weave])) {
                continue;
            }
            $strand = "{$base->weave} {$base->strand->id}";
            $by[$piece->id] = isset($strands[$strand]) ? [] : [self::strand($piece, $base)];
            $strands[$strand] = true;
            $all[$piece->id] = true;
        }
        Chosen::in($artwork, array_map(strval(...), array_keys($all)));
        $left = array_filter($all, static fn (string|int $id): bool => ($by[$id] ?? [true]) !== [], ARRAY_FILTER_USE_KEY);

        return [Outlined::replaced($artwork, $by), array_map(strval(...), array_keys($left))];
    }

    private static function strand(Piece $piece, Woven $base): Piece
    {
        $recipe = $piece->recipe;
        if ($recipe === null || $recipe->changes !== []) {
            throw Refused::because(sprintf(
                '%s was rounded, mirrored, repeated or bent since it was woven; take that off first, or turn it into plain curves.',
                $piece->name === '' ? 'A strand' : '"'.mb_substr($piece->name, 0, 40).'"',
            ));
        }
        $strand = $base->strand;
        $was = $strand->fill ?? $strand->stroke?->paint;
        $now = $piece->fill;
        if ($now !== null && $was !== null && $now->key() !== $was->key()) {
            $strand = $strand->fill !== null ? $strand->with(fill: $now) : $strand->with(stroke: $strand->stroke?->with(paint: $now));
        }

        return $strand->transformed($recipe->matrix)->with(id: $piece->id, name: $piece->name, place: $piece->place);
    }
}
