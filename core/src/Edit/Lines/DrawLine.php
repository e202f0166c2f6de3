<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Lines;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Field;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\EditRefused;
use NeatEdge\Core\Edit\Input;
use NeatEdge\Core\Edit\NewPiece;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;

/** D2: a new line of curves, open or closed. */
final readonly class DrawLine implements Edit
{
    public function __construct(private Contour $contour, private NewPiece $new)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Draw a line', 'Corners and smooth nodes.', [Field::words('coords', 'Line', Field::DATA), Field::flag('closed', 'Closed', false), ...NewPiece::fields()], 0);
    }

    public static function from(Input $input): self
    {
        $contour = self::contour($input);

        return new self($contour, NewPiece::from($input, ! $contour->closed));
    }

    public static function contour(Input $input): Contour
    {
        $coords = $input->numbers('coords', 8);
        if (count($coords) % 6 !== 2) {
            throw EditRefused::because('The line is not whole: each part of it needs six numbers.');
        }

        return new Contour($coords, $input->flag('closed'));
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
