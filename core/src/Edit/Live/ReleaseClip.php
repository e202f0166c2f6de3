<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Live;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Arrangement;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\FreeIds;

/** Shows clipped pieces whole again, and lays the shape that clipped them back above them. */
final readonly class ReleaseClip implements Edit
{
    /** @param  list<string>  $ids */
    public function __construct(private array $ids)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Release the clip', 'Whole again.');
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces());
    }

    public function label(): string
    {
        return 'Release the clip';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $chosen = array_filter(Chosen::in($artwork, $this->ids), static fn (Piece $piece): bool => $piece->clip !== null);
        if ($chosen === []) {
            throw Refused::because('What was chosen is not clipped.');
        }
        // Pieces that were clipped together have one and the same shape; it comes back once, above the last of them.
        $shapes = [];
        foreach ($chosen as $piece) {
            $shapes[serialize($piece->clip)] = [$piece->clip, $piece->id];
        }
        $free = FreeIds::in($artwork);
        $known = array_flip(array_map(static fn (Piece $piece): string => $piece->id, $artwork->pieces));
        $pieces = [];
        foreach ($artwork->pieces as $piece) {
            $pieces[] = isset($chosen[$piece->id]) ? $piece->with(clip: null) : $piece;
            foreach ($shapes as [$shape, $last]) {
                if ($piece->id === $last && $shape !== null) {
                    $id = isset($known[$shape->id]) ? $free->next() : $shape->id;
                    $known[$id] = true;
                    $pieces[] = $shape->with(id: $id, place: $piece->place);
                }
            }
        }

        return Arrangement::settled($artwork->withPieces($pieces));
    }
}
