<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\PlanarMap\Cells;
use NeatEdge\Core\PlanarMap\PlanarMap;

/** Chosen pieces laid out as cells: those with a fill enclose something, lines only part. */
final readonly class CellPlan
{
    /** mm: twice the greatest flatness */
    public const HAIR = 0.01;

    /**
     * @param  list<Piece>  $filled  by owner in the map
     * @param  list<Piece>  $lines
     */
    private function __construct(public Cells $cells, public array $filled, public array $lines)
    {
    }

    /**
     * @param  list<Piece>  $pieces  the lowest first
     * @param  bool  $strokes  whether strokes take part as the areas that they cover, not as their middle lines
     */
    public static function of(array $pieces, Artwork $artwork, bool $strokes = false): self
    {
        $filled = $shapes = $lines = $borders = [];
        // What ends a hair from a line ends on it: the map cannot tell on which side.
        foreach (Meeting::mended($pieces, self::HAIR) as $piece) {
            $shape = $strokes ? Outlined::whole($piece, $artwork) : Outlined::filled($piece, $artwork);
            if (! $shape->isEmpty()) {
                $filled[] = $piece;
                $shapes[] = $shape;
            } elseif (! $piece->shape->isEmpty()) {
                $lines[] = $piece;
                $borders[] = $piece->shape;
            }
        }

        return new self(PlanarMap::of($shapes, $artwork->tolerance(), $borders)->cells(), $filled, $lines);
    }

    /** The uppermost filled piece that covers a cell. */
    public function top(int $cell): ?Piece
    {
        $covers = $this->cells->covers[$cell];

        return $covers === [] ? null : $this->filled[$covers[count($covers) - 1]];
    }

    /** Its middle lines and outlines, for what ends near them. */
    public function lines(): Lines
    {
        return Lines::of([...$this->filled, ...$this->lines]);
    }
}
