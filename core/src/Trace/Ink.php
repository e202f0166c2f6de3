<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

use NeatEdge\Core\Measure\Colour;

/** One of the colours that a picture is made of. */
final readonly class Ink
{
    /**
     * @param  float  $share  of the picture that it covers, 0 to 1, edges not counted
     * @param  bool  $clear  whether it stands for what is clear
     */
    public function __construct(public Colour $colour, public float $share, public bool $clear = false)
    {
    }

    public function dot(): int
    {
        return $this->colour->red << 16 | $this->colour->green << 8 | $this->colour->blue;
    }
}
