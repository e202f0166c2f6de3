<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Measure\Colour;

/** What a fill or a stroke is painted with: one flat colour, or a gradient or picture for which the colour stands. */
final readonly class Paint
{
    /** @param  float  $opacity 0 (nothing) to 1 (solid); of a gradient the mean, of a picture over all of it */
    public function __construct(
        public Colour $colour,
        public float $opacity = 1.0,
        public ?Gradient $gradient = null,
        public ?Picture $picture = null,
    ) {
    }

    public static function gradient(Gradient $gradient): self
    {
        $mean = $gradient->mean();

        return new self($mean->colour, $mean->opacity, $gradient);
    }

    public static function picture(Picture $picture): self
    {
        return new self(new Colour(128, 128, 128), 1.0, null, $picture);
    }

    public function isFlatColour(): bool
    {
        return $this->gradient === null && $this->picture === null;
    }

    /** Whether it hides what is under it. A picture may have clear parts, so it hides nothing. */
    public function isOpaque(): bool
    {
        return $this->picture === null && $this->opacity > 0.9999 && ($this->gradient === null || $this->gradient->isOpaque());
    }

    public function faded(float $opacity): self
    {
        return match (true) {
            $opacity >= 1.0 => $this,
            $this->gradient !== null => self::gradient($this->gradient->faded($opacity)),
            default => new self($this->colour, $this->opacity * $opacity, null, $this->picture),
        };
    }

    /** The paint of art that was moved: gradients and pictures go along. */
    public function transformed(Matrix $matrix): self
    {
        return $this->isFlatColour() ? $this : new self(
            $this->colour,
            $this->opacity,
            $this->gradient?->transformed($matrix),
            $this->picture?->transformed($matrix),
        );
    }

    /** A name that is the same for the same paint. */
    public function key(): string
    {
        return match (true) {
            $this->gradient !== null => $this->gradient->key(),
            $this->picture !== null => sprintf('%s@%.4f', $this->picture->key(), $this->opacity),
            $this->isOpaque() => $this->colour->hex(),
            default => sprintf('%s@%.4f', $this->colour->hex(), $this->opacity),
        };
    }
}
