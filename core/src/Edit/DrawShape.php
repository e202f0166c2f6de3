<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\BasicShape;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Artwork\ShapeKind;
use NeatEdge\Core\Geometry\Matrix;

/** D1: a new basic shape, its middle at a place. */
final readonly class DrawShape implements Edit
{
    public function __construct(private BasicShape $shape, private float $x, private float $y, private NewPiece $new)
    {
    }

    public static function from(Input $input): self
    {
        $kind = ShapeKind::from($input->choice('shape', array_column(ShapeKind::cases(), 'value')));
        $shape = new BasicShape($kind, $input->values($kind->fields()));

        return new self($shape, $input->length('x'), $input->length('y'), NewPiece::from($input, $kind === ShapeKind::Line));
    }

    public function label(): string
    {
        return 'Draw: '.mb_strtolower($this->shape->kind->label());
    }

    public function apply(Artwork $artwork): Artwork
    {
        return $this->new->laid($artwork, $this->shape->kind->label(), new Recipe($this->shape, Matrix::translation($this->x, $this->y)));
    }
}
