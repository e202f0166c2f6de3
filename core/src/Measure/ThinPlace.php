<?php

declare(strict_types=1);

namespace NeatEdge\Core\Measure;

use NeatEdge\Core\Geometry\Point;

/** A stretch that is narrower than a limit. */
final readonly class ThinPlace
{
    /**
     * @param  Point  $at  between the walls where it is narrowest
     * @param  float  $width  mm, there
     * @param  float  $length  mm, of the whole stretch
     * @param  list<Point>  $ribbon  what lies between the walls along the stretch: up one wall and back down the other
     */
    public function __construct(public Point $at, public float $width, public float $length, public array $ribbon = [])
    {
    }
}
