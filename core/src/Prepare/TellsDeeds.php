<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Prepare\Cure\Cured;

/** A step that can say, place by place, what it did and what it had to leave. */
interface TellsDeeds extends Step
{
    public function cure(Artwork $artwork): Cured;
}
