<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Soft;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\SoftLook;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Local;

/** D13: pieces get a soft edge, or a hard one again. */
final readonly class SoftenPieces implements Local
{
    /** @param  list<string>  $ids */
    public function __construct(private array $ids, private float $edge)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Soft edge',
            'Blurred with its paint, as a shadow is.',
            [Field::length('edge', 'Softness', 2.0, 0.0, 'how far the edge runs out: the standard deviation; hard again at nought', SoftLook::WIDEST)],
        );
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces(), $values->length('edge'));
    }

    public function label(): string
    {
        return $this->edge > 0 ? 'Soft edge' : 'Hard edge';
    }

    public function apply(Artwork $artwork): Artwork
    {
        return $artwork->mapped(
            fn (Piece $piece): Piece => Looked::with($piece, ($piece->soft ?? new SoftLook)->with(edge: $this->edge)),
            Chosen::in($artwork, $this->ids),
        );
    }
}
