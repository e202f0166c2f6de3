<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Geometry\Shape;

/** A place where two strands lie over one another. */
final readonly class StrandCrossing
{
    /**
     * @param  int  $a  number of the one strand, the lower
     * @param  int  $b  number of the other
     * @param  Shape  $part  where both are
     */
    public function __construct(public int $a, public int $b, public float $x, public float $y, public Shape $part)
    {
    }
}
