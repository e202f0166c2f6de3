<?php

declare(strict_types=1);

namespace NeatEdge\Core\Proof;

use NeatEdge\Core\Artwork\Artwork;

/** A thing that ships to show art on: a bench like any other, whose layers say what they are of it. */
interface Thing
{
    public static function key(): string;

    public static function label(): string;

    public static function says(): string;

    public static function drawn(): Artwork;
}
