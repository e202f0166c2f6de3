<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Arranging;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Arrangement;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\FreeIds;

/** Makes pieces one group, where the uppermost of them lies. */
final readonly class GroupPieces implements Edit
{
    /** @param  list<string>  $ids */
    public function __construct(private array $ids, private string $name)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Group', 'Move as one.', [Field::words('name', 'Name')]);
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces(), trim($values->text('name')) ?: 'Group');
    }

    public function label(): string
    {
        return 'Group';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $chosen = Chosen::in($artwork, $this->ids, 2);
        $path = Arrangement::common(...array_values($chosen));
        $depth = count($path);
        $id = FreeIds::in($artwork)->next('g');
        $top = $chosen[array_key_last($chosen)];
        $grouped = array_map(static fn (Piece $piece): Piece => $piece->with(place: $piece->place->with(
            layer: $top->place->layer,
            groups: [...$path, $id, ...array_slice($piece->place->groups, $depth)],
        )), $chosen);
        $pieces = [];
        foreach ($artwork->pieces as $piece) {
            if (! isset($grouped[$piece->id])) {
                $pieces[] = $piece;
            } elseif ($piece->id === $top->id) {
                array_push($pieces, ...array_values($grouped));
            }
        }

        return Arrangement::settled($artwork->with(pieces: $pieces, groups: [...$artwork->groups, $id => $this->name]));
    }
}
