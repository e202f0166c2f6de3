<?php

declare(strict_types=1);

namespace App\Http;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Edit\Lines\NodePath;
use NeatEdge\Core\Edit\Lines\OnContours;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Type\LineAlong;

/** What of a piece can be edited: its nodes and handles as they lie on the bench, and the values that are still adjustable. */
final class PieceDetail
{
    /** Places on a line less one. */
    private const RAIL = 120;

    /** @return array<string, mixed> */
    public static function of(Piece $piece): array
    {
        $recipe = $piece->recipe;
        $plain = $recipe?->base->isAdjustable() !== true;
        $told = [];
        if ($recipe !== null) {
            foreach ([...array_reverse($recipe->changes), $recipe->base] as $part) {
                $told = [...$told, ...$part->told($recipe)];
            }
        }

        return [
            'id' => $piece->id,
            'editable' => $plain,
            'contours' => $plain ? array_map(self::contour(...), OnContours::of($piece)) : [],
            // What a tool begins with when such a piece is chosen.
            'corners' => [], 'shape' => null, 'text' => null, 'linked' => null, 'mirror' => null, 'repeat' => null, 'shaped' => null, ...$told,
            'rail' => $piece->stroke?->stops === null ? [] : self::rail($piece),
        ];
    }

    /** @return list<array{float, float, float, float}> places on its line at equal shares of its length, and the direction there: what width stops are laid out by */
    private static function rail(Piece $piece): array
    {
        $along = isset($piece->shape->contours[0]) ? new LineAlong([$piece->shape->contours[0]]) : null;
        $out = [];
        for ($i = 0; $along !== null && $i <= self::RAIL; $i++) {
            $at = $along->at($along->length * min(1.0 - 1e-12, $i / self::RAIL));
            if ($at !== null) {
                $out[] = $at;
            }
        }

        return $out;
    }

    /** @return array<string, mixed> */
    private static function contour(Contour $contour): array
    {
        $path = new NodePath($contour);
        $kinds = [];
        for ($i = 0, $n = $path->nodes(); $i < $n; $i++) {
            $kinds[] = $path->kind($i);
        }

        return ['closed' => $contour->closed, 'coords' => $contour->coords, 'kinds' => $kinds];
    }
}
