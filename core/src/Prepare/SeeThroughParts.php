<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\PlanarMap\Combine;

/** What is seen of pieces that one can see through: they hide nothing, and lose what solid pieces above them cover. */
final class SeeThroughParts
{
    /**
     * @param  list<Piece>  $pieces  filled, without strokes, the lowest first
     * @return array<int, Shape> by the number of the piece; wholly hidden ones are left out
     */
    public static function of(array $pieces, Tolerance $tolerance): array
    {
        $out = [];
        foreach ($pieces as $i => $piece) {
            if ($piece->isFlat()) {
                continue;
            }
            $above = self::above($i, $pieces);
            $shape = $above === [] ? Combine::weld([$piece->shape], $tolerance) : Combine::cutAway($piece->shape, $above, $tolerance);
            if (! $shape->isEmpty()) {
                $out[$i] = $shape;
            }
        }

        return $out;
    }

    /**
     * @param  list<Piece>  $pieces
     * @return list<Shape> solid shapes that lie higher than a piece and may cover some of it
     */
    private static function above(int $i, array $pieces): array
    {
        $box = $pieces[$i]->box();
        $out = [];
        for ($j = $i + 1, $n = count($pieces); $j < $n; $j++) {
            $other = $pieces[$j]->isFlat() ? $pieces[$j]->box() : null;
            if ($box !== null && $other !== null && $other->overlaps($box)) {
                $out[] = $pieces[$j]->shape;
            }
        }

        return $out;
    }
}
