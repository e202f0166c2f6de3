<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Flat\Merging;
use NeatEdge\Core\Seen\Seen;

/** P9: the chosen pieces of one colour join, and each colour is cut by what lies on it. */
final readonly class MergePieces implements Edit
{
    /** @param  list<string>  $ids */
    public function __construct(private array $ids)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Merge by colour', 'Same colours join, and each is cut by what lies on it.', [], under: About::CLEAN, key: 'M');
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces());
    }

    public function label(): string
    {
        return 'Merge by colour';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $chosen = Chosen::in($artwork, $this->ids);
        $merged = Merging::laid(Seen::of($artwork->withPieces(array_values(array_map(
            static fn (Piece $piece): Piece => $piece->with(place: $piece->place->with(hidden: false)),
            $chosen,
        )))))->pieces;
        if ($merged === []) {
            throw Refused::unpainted();
        }
        $lowest = array_values($chosen)[0];
        $by = array_map(static fn (): array => [], $chosen);
        // Cut apart they cover nothing of one another: all lie where the lowest lay.
        $by[$lowest->id] = array_map(
            static fn (Piece $piece): Piece => $piece->with(place: ($chosen[$piece->id] ?? $lowest)->place->with(groups: [])),
            $merged,
        );

        return Outlined::replaced($artwork, $by);
    }
}
