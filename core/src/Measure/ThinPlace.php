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
     */
    public function __construct(public Point $at, public float $width, public float $length)
    {
    }
}
