<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Check\Finding;

/** What was read from an SVG: the artwork in mm, and by name everything that was left out of it. */
final readonly class Drawing
{
    /** @param  list<Finding>  $findings */
    public function __construct(public Artwork $artwork, public array $findings)
    {
    }
}
