<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Lines;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Local;
use NeatEdge\Core\Geometry\Contour;

/** Runs lines the other way: a text on them, or a changing width, turns round. */
final readonly class ReverseLine implements Local
{
    public function __construct(private string $id)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Reverse a line', 'Start and end change places.', [Field::words('piece', 'Piece', Field::PIECE)], 0);
    }

    public static function from(Values $values): self
    {
        return new self($values->text('piece'));
    }

    public function label(): string
    {
        return 'Reverse a line';
    }

    public function apply(Artwork $artwork): Artwork
    {
        return OnContours::edited(
            $artwork,
            $this->id,
            static fn (array $contours): array => array_map(static fn (Contour $contour): Contour => $contour->reversed(), $contours),
            true,
        );
    }
}
