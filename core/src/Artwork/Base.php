<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

use NeatEdge\Core\Geometry\Shape;

/** What a recipe begins with. */
interface Base
{
    public function shape(): Shape;
}
