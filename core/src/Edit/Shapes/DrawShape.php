<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shapes;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Adding;
use NeatEdge\Core\Edit\NewPiece;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Recipe\Basic\BasicShape;
use NeatEdge\Core\Recipe\Basic\ShapeKind;

/** D1: a new basic shape, its middle at a place. */
final readonly class DrawShape implements Adding
{
    public function __construct(private BasicShape $shape, private float $x, private float $y, private NewPiece $new)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Draw a shape',
            'From typed values.',
            [
                Field::choice(
                    'shape',
                    'Shape',
                    'rectangle',
                    array_combine(
                        array_column(ShapeKind::cases(), 'value'),
                        array_map(static fn (ShapeKind $shapeKind): string => $shapeKind->label(), ShapeKind::cases()),
                    ),
                )->needed(),
                Field::signed('x', 'Middle across')->needed(),
                Field::signed('y', 'Middle down')->needed(),
                ...ShapeKind::everyField(),
                ...NewPiece::fields(),
            ],
            0,
        );
    }

    public static function from(Values $values): self
    {
        $kind = ShapeKind::from($values->choice('shape'));
        $shape = new BasicShape($kind, $values->against($kind->fields())->all());

        return new self($shape, $values->length('x'), $values->length('y'), NewPiece::from($values, $kind === ShapeKind::Line));
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
