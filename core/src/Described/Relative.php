<?php

declare(strict_types=1);

namespace NeatEdge\Core\Described;

use NeatEdge\Core\Geometry\InvalidLength;
use NeatEdge\Core\Geometry\Length;

/** A length with a percentage in it: how long it is depends on what it is of. */
final readonly class Relative
{
    public function __construct(private string $text, private string $unit)
    {
    }

    /** @param  float  $whole  mm; @return float mm */
    public function of(float $whole): float
    {
        try {
            return Length::parse($this->text, $this->unit, $whole)->mm;
        } catch (InvalidLength $invalid) {
            throw Refused::because($invalid->getMessage());
        }
    }
}
