<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Arranging;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Local;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Geometry\Matrix;

/** Moves pieces by typed or dragged lengths. */
final readonly class MovePieces implements Local
{
    /** @param  list<string>  $ids */
    public function __construct(private array $ids, private float $x, private float $y, private string $unit = 'mm')
    {
    }

    public static function about(string $kind): About
    {
        return new About('Move', 'Move by a distance.', [Field::signed('x', 'Right by'), Field::signed('y', 'Down by')]);
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces(), $values->length('x'), $values->length('y'), $values->unit);
    }

    public function label(): string
    {
        return 'Move '.Length::said(hypot($this->x, $this->y), $this->unit);
    }

    public function apply(Artwork $artwork): Artwork
    {
        $matrix = Matrix::translation($this->x, $this->y);

        return $artwork->mapped(static fn (Piece $piece): Piece => $piece->transformed($matrix), Chosen::in($artwork, $this->ids));
    }
}
