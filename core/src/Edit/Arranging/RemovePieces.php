<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Arranging;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;

/** Takes pieces off the bench. */
final readonly class RemovePieces implements Edit
{
    /** @param  list<string>  $ids */
    public function __construct(private array $ids)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Remove', 'Take off the bench.');
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces());
    }

    public function label(): string
    {
        return count($this->ids) === 1 ? 'Remove a piece' : sprintf('Remove %d pieces', count($this->ids));
    }

    public function apply(Artwork $artwork): Artwork
    {
        $gone = Chosen::in($artwork, $this->ids);

        return $artwork->withPieces(array_values(array_filter($artwork->pieces, static fn (Piece $piece): bool => ! isset($gone[$piece->id]))));
    }
}
