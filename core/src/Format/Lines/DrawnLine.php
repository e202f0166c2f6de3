<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Lines;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Stroke\WidthStops;

/** A line that the file says is so wide, in mm. */
final readonly class DrawnLine
{
    /** @param  WidthStops|null  $stops  how the width changes along it */
    public function __construct(public Contour $line, public float $width, public ?WidthStops $stops = null)
    {
    }

    public function transformed(Matrix $matrix): self
    {
        return new self($this->line->transformed($matrix), $this->width * $matrix->meanScale(), $this->stops);
    }
}
