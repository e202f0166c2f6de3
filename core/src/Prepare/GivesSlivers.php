<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Artwork;

/** A step that knocks pieces out of one another, and gives the slivers that come of it to their neighbours. */
interface GivesSlivers extends Step
{
    /** @return array{Artwork, int} the outcome, and how many slivers were given away */
    public function withoutSlivers(Artwork $artwork): array;
}
