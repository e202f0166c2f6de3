<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Arranging;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Local;

/** The box of a turned piece is upright again; the piece itself stays as it lies. */
final readonly class ReSquare implements Local
{
    /** @param  list<string>  $ids */
    public function __construct(private array $ids)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Re-square the box', 'An upright box round a turned piece.');
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces());
    }

    public function label(): string
    {
        return 'Re-square the box';
    }

    public function apply(Artwork $artwork): Artwork
    {
        return $artwork->mapped(static fn (Piece $piece): Piece => $piece->with(turn: 0.0), Chosen::in($artwork, $this->ids));
    }
}
