<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Edit\Mark;
use NeatEdge\Core\Geometry\Shape;

/** Ends that stop short or stick out, pointed out and made to meet. */
final class Meeting
{
    /** @return list<Mark> */
    public static function marks(Lines $lines, float $within): array
    {
        return array_map(
            static fn (LooseEnd $end): Mark => new Mark(
                $end->short ? 'gap' : 'sticks-out',
                $end->x,
                $end->y,
                $end->says(),
                state: sprintf('%.4f,%.4f', ...$end->to),
            ),
            $within > 0 ? LooseEnds::among($lines->contours, $within) : [],
        );
    }

    /**
     * @param  list<Piece>  $pieces
     * @return list<Piece> the same with every loose end led on to the next line, or cut back to its last crossing
     */
    public static function mended(array $pieces, float $within): array
    {
        $lines = Lines::of($pieces);
        $changed = [];
        $contours = $lines->contours;
        foreach ($within > 0 ? LooseEnds::among($contours, $within) : [] as $end) {
            $contours[$end->line] = LooseEnds::mended($contours[$end->line], $end);
            $changed[$lines->pieces[$end->line]->id][$lines->numbers[$end->line]] = $contours[$end->line];
        }

        return array_map(
            static fn (Piece $piece): Piece => isset($changed[$piece->id]) ? $piece->withShape(new Shape(
                array_values(array_replace($piece->shape->contours, $changed[$piece->id])),
                $piece->shape->rule,
            )) : $piece,
            $pieces,
        );
    }
}
