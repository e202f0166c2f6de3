<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;

/** What is woven: a stroked line, a closed outline, or the stretch of a line that crosses itself about one of its crossings. */
final readonly class Strand
{
    /**
     * @param  int  $whole  number of the line or outline that it is a stretch of: stretches of one are joined again
     * @param  int  $place  which stretch of it
     * @param  Contour  $line  along which its crossings follow one another
     * @param  Shape  $area  what it covers
     * @param  bool  $stroked  whether its area is that of its stroke
     */
    public function __construct(public Piece $piece, public int $whole, public int $place, public Contour $line, public Shape $area, public bool $stroked)
    {
    }
}
