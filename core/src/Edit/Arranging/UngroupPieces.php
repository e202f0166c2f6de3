<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Arranging;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Arrangement;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;

/** Takes the outermost group from round the chosen pieces. */
final readonly class UngroupPieces implements Edit
{
    /** @param  list<string>  $ids */
    public function __construct(private array $ids)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Ungroup', 'Each by itself.');
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces());
    }

    public function label(): string
    {
        return 'Ungroup';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $groups = [];
        foreach (Chosen::in($artwork, $this->ids) as $piece) {
            if ($piece->place->groups !== []) {
                $groups[$piece->place->groups[0]] = true;
            }
        }
        if ($groups === []) {
            throw Refused::because('What was chosen is in no group.');
        }
        $pieces = array_map(static function (Piece $piece) use ($groups): Piece {
            $path = $piece->place->groups;

            return $path !== [] && isset($groups[$path[0]]) ? $piece->with(place: $piece->place->with(groups: array_slice($path, 1))) : $piece;
        }, $artwork->pieces);

        return Arrangement::settled($artwork->withPieces($pieces));
    }
}
