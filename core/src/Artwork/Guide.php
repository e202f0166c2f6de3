<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

/** A line across the whole bench that things snap to; it is never part of an output. */
final readonly class Guide
{
    /**
     * @param  bool  $upright  whether it runs up and down
     * @param  float  $at  x of an upright one, else y, mm
     */
    public function __construct(public string $id, public bool $upright, public float $at)
    {
    }
}
