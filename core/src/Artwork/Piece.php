<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Shape;

/** One object on the bench: a shape in mm with a fill, a stroke, both or neither. */
final readonly class Piece
{
    /**
     * @param  string  $id  unique within its artwork
     * @param  string  $name  what the artist called it; somebody's words, never markup
     */
    public function __construct(
        public string $id,
        public Shape $shape,
        public ?Paint $fill,
        public ?Stroke $stroke = null,
        public string $name = '',
    ) {
    }

    public function withShape(Shape $shape): self
    {
        return new self($this->id, $shape, $this->fill, $this->stroke, $this->name);
    }

    /** Whether it is a solid, filled shape and nothing else: what a planar map takes as it is. */
    public function isSolid(): bool
    {
        return $this->stroke === null && $this->fill !== null && $this->fill->isOpaque();
    }

    /** The box of its contours, the stroke's width not counted. */
    public function box(): ?Box
    {
        return $this->shape->box();
    }
}
