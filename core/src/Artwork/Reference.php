<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

/** A picture under the work to draw over. It never reaches an output. */
final readonly class Reference
{
    /**
     * @param  string  $file  what the application calls the stored picture
     * @param  float  $x  mm of its upper left corner
     * @param  float  $y  mm
     * @param  float  $width  mm
     * @param  float  $height  mm
     * @param  float  $strength  0 to 1: how much of it is seen
     */
    public function __construct(
        public string $file,
        public string $name,
        public float $x,
        public float $y,
        public float $width,
        public float $height,
        public float $strength = 0.5,
        public bool $hidden = false,
        public bool $locked = true,
    ) {
    }

    public function with(mixed ...$changes): self
    {
        /** @var array<string, mixed> $all */
        $all = [...get_object_vars($this), ...$changes];

        return new self(...$all);
    }
}
