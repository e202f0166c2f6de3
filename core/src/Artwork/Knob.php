<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

/** A place on the art by which a live piece is adjusted: where it lies, and what it is called. What a drag of it sets is known by the part that it is of. */
final readonly class Knob
{
    /**
     * @param  string  $name  a fixed word, by which it is dragged
     * @param  string  $says  as the page calls it
     * @param  float  $x  mm, on the page
     * @param  float  $y  mm, on the page
     */
    public function __construct(public string $name, public string $says, public float $x, public float $y)
    {
    }

    /** @return array{name: string, says: string, x: float, y: float} */
    public function toArray(): array
    {
        return ['name' => $this->name, 'says' => $this->says, 'x' => $this->x, 'y' => $this->y];
    }
}
