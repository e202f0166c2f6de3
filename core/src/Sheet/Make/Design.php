<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Make;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Shape;

/** What is laid copy by copy: an outline, how often, and what lies in it. */
final readonly class Design
{
    /**
     * @param  Shape  $outline  as it was drawn, mm
     * @param  int  $copies  of it, at least 1
     * @param  list<Piece>  $pieces  as they were drawn
     */
    public function __construct(public Shape $outline, public int $copies, public array $pieces = [])
    {
    }
}
