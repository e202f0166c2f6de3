<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

/** A place on the art by which a live piece is adjusted: where it lies, and what it is called. What a drag of it sets is known by the part that it is of. */
final readonly class Knob
{
    /** What a page draws it as: a tab on an outline, a line across the bench, a middle that copies lie round. */
    public const TAB = 'tab';

    public const AXIS = 'axis';

    public const CENTRE = 'centre';

    /**
     * @param  string  $name  a fixed word, by which it is dragged
     * @param  string  $says  as the page calls it
     * @param  float  $x  mm, on the page
     * @param  float  $y  mm, on the page
     * @param  string  $as  see the constants
     * @param  float  $angle  degrees, of an axis
     */
    public function __construct(
        public string $name,
        public string $says,
        public float $x,
        public float $y,
        public string $as = self::TAB,
        public float $angle = 0.0,
    ) {
    }

    /** @return array{name: string, says: string, x: float, y: float, as: string, angle: float} */
    public function toArray(): array
    {
        return ['name' => $this->name, 'says' => $this->says, 'x' => $this->x, 'y' => $this->y, 'as' => $this->as, 'angle' => $this->angle];
    }
}
