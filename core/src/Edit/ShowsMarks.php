<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

use NeatEdge\Core\Artwork\Artwork;

/** An edit that has something to show on the art while it is being set: what there is to press, and where the art has faults. */
interface ShowsMarks
{
    /** @return list<Mark> */
    public function marks(Artwork $artwork): array;
}
