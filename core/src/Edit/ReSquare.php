<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;

/** The box of a turned piece is upright again; the piece itself stays as it lies. */
final readonly class ReSquare implements Local
{
    /** @param  list<string>  $ids */
    public function __construct(private array $ids)
    {
    }

    public static function from(Input $input): self
    {
        return new self($input->pieces());
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
