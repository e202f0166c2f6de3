<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

/** What a fill or a stroke is painted with: one flat colour. */
final readonly class Paint
{
    /** @param  float  $opacity 0 (nothing) to 1 (solid) */
    public function __construct(public Colour $colour, public float $opacity = 1.0)
    {
    }

    public function isOpaque(): bool
    {
        return $this->opacity > 0.9999;
    }

    /** A name that is the same for the same paint. */
    public function key(): string
    {
        return $this->isOpaque() ? $this->colour->hex() : sprintf('%s@%.4f', $this->colour->hex(), $this->opacity);
    }
}
