<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Measure\Colour;

/** What a fill or a stroke is painted with: one flat colour, or a gradient, a picture or a soft drawing for which the colour stands. */
final readonly class Paint
{
    /** @param  float  $opacity 0 (nothing) to 1 (solid); of a gradient the mean, of a picture or a soft drawing over all of it */
    public function __construct(
        public Colour $colour,
        public float $opacity = 1.0,
        public ?Gradient $gradient = null,
        public ?Picture $picture = null,
        public ?SoftDrawing $soft = null,
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

    public static function soft(SoftDrawing $drawing): self
    {
        return new self($drawing->mainPaint()->colour, 1.0, null, null, $drawing);
    }

    public function isFlatColour(): bool
    {
        return $this->gradient === null && $this->picture === null && $this->soft === null;
    }

    /** Whether it hides what is under it. A picture may have clear parts, and what is soft has: they hide nothing. */
    public function isOpaque(): bool
    {
        return $this->picture === null && $this->soft === null && $this->opacity > 0.9999 && ($this->gradient === null || $this->gradient->isOpaque());
    }

    public function faded(float $opacity): self
    {
        return match (true) {
            $opacity >= 1.0 => $this,
            $this->gradient !== null => self::gradient($this->gradient->faded($opacity)),
            default => new self($this->colour, $this->opacity * $opacity, null, $this->picture, $this->soft),
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
            $this->soft?->transformed($matrix),
        );
    }

    /** A name that is the same for the same paint. */
    public function key(): string
    {
        return match (true) {
            $this->gradient !== null => $this->gradient->key(),
            $this->soft !== null => sprintf('%s@%.4f', $this->soft->key(), $this->opacity),
            $this->picture !== null => sprintf('%s@%.4f', $this->picture->key(), $this->opacity),
            $this->isOpaque() => $this->colour->hex(),
            default => sprintf('%s@%.4f', $this->colour->hex(), $this->opacity),
        };
    }
}
