<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

use NeatEdge\Core\Artwork\Artwork;

/** An edit that is made by a drag, and that tells while it lasts what it comes to. */
interface TellsReading
{
    /** In a few words, such as "Inner ratio 0.45". */
    public function reading(Artwork $after): string;
}
