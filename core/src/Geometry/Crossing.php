<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

/** A place where two lines cross, or one crosses itself. */
final readonly class Crossing
{
    /**
     * @param  int  $a  number of the one line
     * @param  float  $g  place on it: segment + t
     * @param  int  $b  number of the other, or the same
     * @param  float  $h  place on the other
     * @param  float  $x  mm
     * @param  float  $y  mm
     */
    public function __construct(public int $a, public float $g, public int $b, public float $h, public float $x, public float $y)
    {
    }
}
