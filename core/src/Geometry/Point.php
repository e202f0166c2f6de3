<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

/** A place on the bench, in millimetres; x grows to the right and y grows downwards. */
final readonly class Point
{
    public function __construct(public float $x, public float $y)
    {
    }

    public function distanceTo(self $other): float
    {
        return hypot($other->x - $this->x, $other->y - $this->y);
    }
}
