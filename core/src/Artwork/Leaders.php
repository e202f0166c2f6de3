<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\Type\FontShelf;

/** What a live piece needs to follow others after an edit: those others as they were and as they are now. */
interface Leaders
{
    public function before(string $id): ?Piece;

    public function now(string $id): ?Piece;

    /** All that a piece covers as it is seen: its fill and its stroke, inside its clip. */
    public function covered(Piece $piece): Shape;

    public function fonts(): FontShelf;

    public function tolerance(): Tolerance;
}
