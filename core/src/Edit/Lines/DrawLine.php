<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Lines;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Adding;
use NeatEdge\Core\Edit\NewPiece;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;

/** D2: a new line of curves, open or closed. */
final readonly class DrawLine implements Adding
{
    public function __construct(private Contour $contour, private NewPiece $new)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Draw a line',
            'Corners and smooth nodes.',
            [Field::numbers('coords', 'Line', 8), Field::flag('closed', 'Closed', false), ...NewPiece::fields()],
            0,
        );
    }

    public static function from(Values $values): self
    {
        $contour = self::contour($values);

        return new self($contour, NewPiece::from($values, ! $contour->closed));
    }

    public static function contour(Values $values): Contour
    {
        $coords = $values->numbers('coords');
        if (count($coords) % 6 !== 2) {
            throw Refused::because('The line is not whole: each part of it needs six numbers.');
        }

        return new Contour($coords, $values->flag('closed'));
    }

    public function label(): string
    {
        return 'Draw a line';
    }

    public function apply(Artwork $artwork): Artwork
    {
        return $this->new->laid($artwork, $this->contour->closed ? 'Curve' : 'Line', Shape::of($this->contour));
    }
}
