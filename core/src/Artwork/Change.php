<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

use NeatEdge\Core\Geometry\Shape;

/** Something done to a shape that stays adjustable, and all that is said of it anywhere; see Base. */
abstract readonly class Change
{
    use Knobs;

    /** As it is stored and told. */
    abstract public static function kind(): string;

    abstract public function on(Shape $shape): Shape;

    /**
     * Its stored form; read() brings older ones forward.
     *
     * @return array<string, mixed>
     */
    abstract public function stored(Stored $as): array;

    /** @param  array<string, mixed>  $data */
    abstract public static function read(array $data, Stored $as): self;

    /**
     * What the page's tools begin with when a piece of it is chosen, by tool.
     *
     * @return array<string, mixed>
     */
    abstract public function told(Recipe $recipe): array;
}
