<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

use NeatEdge\Core\Geometry\Shape;

/** Plain curves as the base of a recipe. */
final readonly class Contours implements Base
{
    public function __construct(private Shape $shape)
    {
    }

    public function shape(): Shape
    {
        return $this->shape;
    }
}
