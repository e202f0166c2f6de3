<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

use NeatEdge\Core\Geometry\Shape;

/** Something done to a shape that stays adjustable. */
interface Change
{
    public function on(Shape $shape): Shape;
}
