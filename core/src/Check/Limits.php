<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

/** What a machine or a material can hold, in mm. */
final readonly class Limits
{
    public function __construct(public float $line, public float $gap)
    {
    }
}
