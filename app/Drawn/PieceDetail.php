<?php

declare(strict_types=1);

namespace App\Drawn;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Knob;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Edit\Arranging\PlacePieces;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Lines\NodePath;
use NeatEdge\Core\Edit\Lines\OnContours;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Measure\SnapPlaces;
use NeatEdge\Core\Type\LineAlong;

/** What of a piece can be edited: its nodes and handles as they lie on the bench, and the values that are still adjustable. */
final class PieceDetail
{
    /** Pieces of which all that is painted is measured. */
    private const MEASURED = 200;

    /** Pieces of which each is told of. */
    private const EACH = 20;

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
            'knobs' => $recipe === null ? [] : array_map(static fn (Knob $knob): array => $knob->toArray(), $recipe->knobs()),
            'rail' => $piece->stroke?->stops === null ? [] : self::rail($piece),
        ];
    }

    /**
     * Nodes and adjustable values of chosen pieces, and the box of them all.
     *
     * @param  list<string>  $ids
     * @return array<string, mixed>
     *
     * @throws Refused when none of them is there
     */
    public static function chosen(Artwork $artwork, array $ids): array
    {
        $wanted = array_flip($ids);
        $found = [];
        foreach ($artwork->pieces as $piece) {
            if (isset($wanted[$piece->id])) {
                $found[$piece->id] = $piece;
            }
        }
        if ($found === []) {
            throw Refused::missingPiece($ids[0] ?? '');
        }
        [$box, $turn] = PlacePieces::frame($found, [0.5, 0.5]);
        $upright = Chosen::box($found);
        $outer = count($found) > self::MEASURED ? null : PlacePieces::outer($found, $turn, $artwork->tolerance());

        return [
            'frame' => ['left' => $box->left, 'top' => $box->top, 'width' => $box->width(), 'height' => $box->height(), 'turn' => $turn],
            'outer' => $outer === null ? null : [$outer->width(), $outer->height()],
            'box' => [$upright->left, $upright->top, $upright->width(), $upright->height()],
            // One at a time has its nodes edited; of many, the page shows only what they have in common.
            'details' => count($found) > self::EACH ? [] : array_map(self::of(...), array_values($found)),
        ];
    }

    /**
     * Places to snap to.
     *
     * @param  list<string>|null  $ids  of the pieces whose places are told, crossings with what lies near included; null for all
     * @return array{points: list<array{float, float, string, string}>, edges: object} edges as chains of places, by piece
     */
    public static function snaps(Artwork $artwork, ?array $ids): array
    {
        $shapes = [];
        foreach ($artwork->pieces as $piece) {
            if (! $artwork->hides($piece)) {
                $shapes[$piece->id] = $piece->shape;
            }
        }
        $round = static fn (float $value): float => round($value, 6);
        $places = SnapPlaces::of($shapes, $ids === null ? null : array_fill_keys($ids, true));

        return [
            'points' => array_map(static fn (array $p): array => [$round($p[0]), $round($p[1]), $p[2], $p[3]], $places['points']),
            'edges' => (object) array_map(
                static fn (array $chains): array => array_map(static fn (array $chain): array => array_map($round, $chain), $chains),
                $places['edges'],
            ),
        ];
    }

    /**
     * @return list<array{float, float, float, float}> places on its line at equal shares of its length, and the direction there: what width stops are laid
     *     out by
     */
    private static function rail(Piece $piece): array
    {
        $along = isset($piece->shape->contours[0]) ? new LineAlong([$piece->shape->contours[0]]) : null;
        $places = [];
        for ($i = 0; $along !== null && $i <= self::RAIL; $i++) {
            $at = $along->at($along->length * min(1.0 - 1e-12, $i / self::RAIL));
            if ($at !== null) {
                $places[] = $at;
            }
        }

        return $places;
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
