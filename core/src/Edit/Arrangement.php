<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Layer;
use NeatEdge\Core\Artwork\Piece;

/** The order of pieces: layer by layer, and those of a group together. */
final class Arrangement
{
    /** With both kept true after pieces were added, moved or given other groups; names of groups that are gone are dropped. */
    public static function settled(Artwork $artwork): Artwork
    {
        $rank = array_flip(array_map(static fn (Layer $layer): string => $layer->id, $artwork->layers));
        $pieces = $artwork->pieces;
        $order = array_keys($pieces);
        usort($order, static fn (int $a, int $b): int => [$rank[$pieces[$a]->place->layer] ?? 0, $a] <=> [$rank[$pieces[$b]->place->layer] ?? 0, $b]);
        $sorted = array_map(static fn (int $i): Piece => $pieces[$i], $order);
        $used = [];
        foreach ($sorted as $piece) {
            foreach ($piece->place->groups as $group) {
                $used[$group] = $artwork->groups[$group] ?? 'Group';
            }
        }

        return $artwork->with(pieces: $used === [] ? $sorted : self::together($sorted, 0), groups: $used);
    }

    /**
     * Each group where its uppermost piece lies.
     *
     * @param  list<Piece>  $pieces
     * @return list<Piece>
     */
    private static function together(array $pieces, int $depth): array
    {
        $together = [];
        foreach (self::siblings($pieces, $depth) as $unit) {
            array_push($together, ...(isset($unit[0]->place->groups[$depth]) ? self::together($unit, $depth + 1) : $unit));
        }

        return $together;
    }

    /**
     * Pieces parted into those that stand alone at a depth and groups, in the order in which they lie.
     *
     * @param  list<Piece>  $pieces
     * @return list<non-empty-list<Piece>>
     */
    public static function siblings(array $pieces, int $depth): array
    {
        $members = $last = [];
        foreach ($pieces as $i => $piece) {
            $group = $piece->place->groups[$depth] ?? null;
            $key = ($group === null ? "p{$piece->id}" : "g{$group}").'@'.$piece->place->layer;
            $members[$key][] = $piece;
            $last[$key] = $i;
        }
        asort($last);

        return array_map(static fn (string $key): array => $members[$key], array_keys($last));
    }

    /** @return list<string> the groups that all of the pieces are in, the outermost first */
    public static function common(Piece ...$pieces): array
    {
        $path = null;
        foreach ($pieces as $piece) {
            $own = $piece->place->groups;
            $path ??= $own;
            $same = 0;
            while (isset($path[$same], $own[$same]) && $path[$same] === $own[$same]) {
                $same++;
            }
            $path = array_slice($path, 0, $same);
        }

        return $path ?? [];
    }
}
