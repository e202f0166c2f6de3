<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Arranging;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Edit;

/** Names, hides, shows, locks or unlocks pieces; or shows them alone. */
final readonly class MarkPieces implements Edit
{
    /** @param  list<string>  $ids */
    public function __construct(private array $ids, private ?string $name, private ?bool $hidden, private ?bool $locked, private bool $alone)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Mark',
            'Name, hide or lock pieces, or show them alone.',
            [
                Field::words('name', 'Name'),
                Field::flag('hidden', 'Hidden', false),
                Field::flag('locked', 'Locked', false),
                Field::flag('alone', 'Show alone', false),
            ],
            0,
        );
    }

    public static function from(Values $values): self
    {
        return new self(
            $values->pieces(),
            $values->has('name') ? $values->text('name') : null,
            $values->has('hidden') ? $values->flag('hidden') : null,
            $values->has('locked') ? $values->flag('locked') : null,
            $values->flag('alone'),
        );
    }

    public function label(): string
    {
        return match (true) {
            $this->alone => 'Show alone',
            $this->name !== null => 'Name',
            $this->hidden !== null => $this->hidden ? 'Hide' : 'Show',
            default => $this->locked ? 'Lock' : 'Unlock',
        };
    }

    public function apply(Artwork $artwork): Artwork
    {
        $wanted = array_flip($this->ids);
        if ($wanted === [] && ! $this->alone && $this->hidden !== false && $this->locked !== false) {
            throw Refused::tooFew(1);
        }
        foreach ($this->ids as $id) {
            $artwork->piece($id) ?? throw Refused::missingPiece($id);
        }
        if ($this->alone) {
            return $artwork->withPieces(array_map(static fn (Piece $piece): Piece => $piece->place->hidden === ! isset($wanted[$piece->id]) ? $piece
                : $piece->with(place: $piece->place->with(hidden: ! isset($wanted[$piece->id]))), $artwork->pieces));
        }
        // To show or unlock everything, nothing has to be chosen: what is hidden cannot be.
        $only = $wanted === [] ? array_flip(array_map(static fn (Piece $piece): string => $piece->id, $artwork->pieces)) : $wanted;

        return $artwork->mapped(function (Piece $piece): Piece {
            $place = $piece->place;
            $hidden = $this->hidden ?? $place->hidden;
            $locked = $this->locked ?? $place->locked;
            $name = $this->name ?? $piece->name;

            return $hidden === $place->hidden && $locked === $place->locked && $name === $piece->name ? $piece
                : $piece->with(name: $name, place: $place->with(hidden: $hidden, locked: $locked));
        }, $only);
    }
}
