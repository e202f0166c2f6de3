<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

/** Key and label of a step as it says of itself. */
trait Described
{
    public function key(): string
    {
        return static::about()->kind;
    }

    public function label(): string
    {
        return static::about()->label;
    }
}
