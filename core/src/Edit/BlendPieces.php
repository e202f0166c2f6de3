<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Blend;
use NeatEdge\Core\Artwork\Piece;

/** D10: how pieces meet what lies under them, for printed work. */
final readonly class BlendPieces implements Local
{
    /** @param  list<string>  $ids */
    public function __construct(private array $ids, private Blend $blend)
    {
    }

    public static function from(Input $input): self
    {
        return new self($input->pieces(), Blend::from($input->choice('blend', array_column(Blend::cases(), 'value'))));
    }

    public function label(): string
    {
        return 'Blend';
    }

    public function apply(Artwork $artwork): Artwork
    {
        return $artwork->mapped(fn (Piece $piece): Piece => $piece->with(blend: $this->blend), Chosen::in($artwork, $this->ids));
    }
}
