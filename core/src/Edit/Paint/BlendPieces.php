<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Paint;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Blend;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Local;

/** D10: how pieces meet what lies under them, for printed work. */
final readonly class BlendPieces implements Local
{
    /** @param  list<string>  $ids */
    public function __construct(private array $ids, private Blend $blend)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Blend',
            'How it is laid over what lies below.',
            [Field::choice('blend', 'Blend', 'normal', array_combine(array_column(Blend::cases(), 'value'), array_column(Blend::cases(), 'value')))],
        );
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces(), Blend::from($values->choice('blend')));
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
