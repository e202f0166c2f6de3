<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap;

use NeatEdge\Core\Geometry\Box;

/** A connected part of a labelled region, in numbers. */
final readonly class MeasuredPart
{
    /**
     * @param  float  $area  mm²
     * @param  float  $border  mm, of all its outlines
     * @param  Box  $box  mm
     */
    public function __construct(public float $area, public float $border, public Box $box)
    {
    }
}
