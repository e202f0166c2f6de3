<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

use NeatEdge\Core\Geometry\Shape;

/** P8: what is left of a strand that is woven with others. It keeps the strand as it was drawn, so that its crossings can be turned again. */
final readonly class Woven implements Base
{
    /**
     * @param  string  $weave  what tells one weave from another: the same for all its strands
     * @param  Piece  $strand  as it was before, not woven itself
     * @param  array{gap: float, pattern: string, start: string, parts: string, turn: list<array{float, float}>}  $values  how it was woven; the places in mm, as the strand lay then
     */
    public function __construct(public string $weave, public Piece $strand, public array $values, private Shape $shape)
    {
    }

    public function shape(): Shape
    {
        return $this->shape;
    }

    /** The same in another weave, as a copy is. */
    public function in(string $weave): self
    {
        return new self($weave, $this->strand, $this->values, $this->shape);
    }

    public function withShape(Shape $shape): self
    {
        return new self($this->weave, $this->strand, $this->values, $shape);
    }
}
