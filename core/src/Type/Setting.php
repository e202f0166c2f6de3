<?php

declare(strict_types=1);

namespace NeatEdge\Core\Type;

use NeatEdge\Core\Geometry\Contour;

/** How a text is set: lengths in mm. */
final readonly class Setting
{
    /**
     * @param  float  $size  of the type
     * @param  float  $spacing  added after each letter
     * @param  float  $leading  from line to line, in sizes
     * @param  string  $align  start, middle or end: which part of a line stands at its place
     * @param  Contour|null  $along  the line that it stands on; straight when null
     * @param  bool  $inside  whether it stands on the other side of that line, running the other way
     * @param  string  $stand  above, on or below the line
     * @param  float  $distance  between the letters and the line, mm; below it where negative
     * @param  float|null  $capitals  mm, the height of capitals that the size is kept at, whatever the font; null where the size itself was said
     * @param  float  $slide  where on the line its place is, as a share of the length
     */
    public function __construct(
        public string $text,
        public string $family,
        public bool $bold,
        public bool $italic,
        public float $size,
        public float $spacing = 0.0,
        public float $leading = 1.2,
        public string $align = 'start',
        public ?Contour $along = null,
        public bool $inside = false,
        public string $stand = 'above',
        public float $slide = 0.5,
        public float $distance = 0.0,
        public ?float $capitals = null,
    ) {
    }

    public function with(mixed ...$changes): self
    {
        /** @var array<string, mixed> $all */
        $all = [...get_object_vars($this), ...$changes];

        return new self(...$all);
    }
}
