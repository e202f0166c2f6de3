<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

use NeatEdge\Core\Geometry\Shape;

/** Something that a tool shows on the art before anything is kept: a cell, a gap, a crossing, a fault. */
final readonly class Mark
{
    /**
     * @param  string  $kind  cell, stretch, gap, sticks-out, crossing, node, fault, or frame: then its state is the places of the four sides, corner, two
     *     handles, corner and so on; of a net the lines of its knots, how many are across, and where the inner ones stand; grid is a test grid, bent
     */
    public function __construct(
        public string $kind,
        public float $x,
        public float $y,
        public string $says = '',
        public ?Shape $shape = null,
        public string $state = '',
    ) {
    }
}
