<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Measure\Limits;

/** A step of which a value may be left to the limits of the ticket. */
interface UnderLimits extends Step
{
    /** The same with what was left open taken from the limits. */
    public function under(Limits $limits): static;
}
