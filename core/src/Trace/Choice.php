<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

use NeatEdge\Core\Measure\Colour;

/** What an artist chose of one colour of a picture. */
final readonly class Choice
{
    /**
     * @param  string  $name  the material or ink that it is; somebody's words
     * @param  bool  $drop  whether it is left out, as the ground is
     * @param  Colour|null  $into  another colour of the picture that it is one with
     */
    public function __construct(public Colour $colour, public string $name = '', public bool $drop = false, public ?Colour $into = null)
    {
    }
}
