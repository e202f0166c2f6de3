<?php

declare(strict_types=1);

namespace NeatEdge\Core\Stroke;

/** How a line is drawn, in the terms of SVG 2, chapter 13. Lengths are in the units of the contour that is drawn. */
final readonly class StrokeStyle
{
    /** @param  list<float>  $dashes on, off, on, …; empty for a solid line */
    public function __construct(
        public float $width,
        public Cap $cap = Cap::Butt,
        public Join $join = Join::Miter,
        public float $miterLimit = 4.0,
        public array $dashes = [],
        public float $dashOffset = 0.0,
    ) {
    }

    /** The same style for a contour that was scaled by a similarity. */
    public function scaled(float $factor): self
    {
        return new self(
            $this->width * $factor,
            $this->cap,
            $this->join,
            $this->miterLimit,
            array_map(static fn (float $dash): float => $dash * $factor, $this->dashes),
            $this->dashOffset * $factor,
        );
    }
}
