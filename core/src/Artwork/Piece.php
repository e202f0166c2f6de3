<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;

/** One object on the bench: a shape in mm with a fill, a stroke, both or neither. */
final readonly class Piece
{
    /**
     * @param  string  $id  unique within its artwork
     * @param  string  $name  what the artist called it; somebody's words, never markup
     * @param  Recipe|null  $recipe  how the shape is made while it can still be adjusted; the shape is always what it gives
     * @param  float  $turn  degrees by which its box is turned: what a typed angle is counted from
     * @param  SoftLook|null  $soft  how softly it is seen; null where it is hard, which most are
     * @param  Piece|null  $clip  the filled shape inside which alone it is seen, as it was before it clipped
     */
    public function __construct(
        public string $id,
        public Shape $shape,
        public ?Paint $fill,
        public ?Stroke $stroke = null,
        public string $name = '',
        public ?Recipe $recipe = null,
        public Place $place = new Place,
        public float $turn = 0.0,
        public ?self $clip = null,
        public Blend $blend = Blend::Normal,
        public ?SoftLook $soft = null,
    ) {
    }

    public function withShape(Shape $shape): self
    {
        return $this->with(shape: $shape, recipe: null);
    }

    public function withRecipe(Recipe $recipe): self
    {
        return $this->with(recipe: $recipe, shape: $recipe->shape());
    }

    /** The same with some properties, by their names, replaced. */
    public function with(mixed ...$changes): self
    {
        /** @var array<string, mixed> $all */
        $all = [...get_object_vars($this), ...$changes];

        return new self(...$all);
    }

    /** Moved, turned or scaled, with its paints, its clip and, unless they are kept, the widths of its stroke. */
    public function transformed(Matrix $matrix, bool $strokes = true): self
    {
        if ($matrix->isIdentity()) {
            return $this;
        }
        $recipe = $this->recipe?->transformed($matrix);
        $shape = $this->shape->transformed($matrix);
        if ($recipe !== null && $recipe->base !== $this->recipe->base) {
            // It took the new size as its own, so that a corner's radius, say, stays what was typed.
            $shape = $recipe->shape();
        }

        return $this->with(
            shape: $shape,
            fill: $this->fill?->transformed($matrix),
            stroke: $this->stroke?->transformed($matrix, $strokes),
            recipe: $recipe,
            clip: $this->clip?->transformed($matrix),
            soft: $this->soft?->transformed($matrix),
        );
    }

    /** Whether it is a solid, filled shape and nothing else: what a planar map takes as it is. */
    public function isSolid(): bool
    {
        return $this->stroke === null && $this->fill !== null && $this->fill->isOpaque() && $this->blend === Blend::Normal && $this->soft === null;
    }

    /** Whether it is a single cut and nothing else: what a tool follows once, and no step of preparation changes. */
    public function isSingleCut(): bool
    {
        return $this->stroke !== null && $this->stroke->cut && $this->fill === null;
    }

    /** The box of its contours, the stroke's width not counted. */
    public function box(): ?Box
    {
        return $this->shape->box();
    }
}
