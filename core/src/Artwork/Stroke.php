<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Stroke\StrokeStyle;

/** A painted line along a piece's contours. */
final readonly class Stroke
{
    /**
     * @param  Matrix|null  $pen  from the space in which the pen is round, and the style's lengths hold, to mm; null when that is mm
     */
    public function __construct(public Paint $paint, public StrokeStyle $style, public ?Matrix $pen = null)
    {
    }
}
