<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;

/** Shows clipped pieces whole again, and lays the shape that clipped them back above them. */
final readonly class ReleaseClip implements Edit
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
        return 'Release the clip';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $chosen = array_filter(Chosen::in($artwork, $this->ids), static fn (Piece $piece): bool => $piece->clip !== null);
        if ($chosen === []) {
            throw EditRefused::because('What was chosen is not clipped.');
        }
        $shapes = [];
        foreach ($chosen as $piece) {
            $shapes[$piece->clip->id ?? ''] = [$piece->clip, $piece->id];
        }
        $out = [];
        foreach ($artwork->pieces as $piece) {
            $out[] = isset($chosen[$piece->id]) ? $piece->with(clip: null) : $piece;
            foreach ($shapes as [$shape, $last]) {
                if ($piece->id === $last && $shape !== null) {
                    $id = $artwork->piece($shape->id) === null ? $shape->id : Chosen::freeId($artwork);
                    $out[] = $shape->with(id: $id, place: $piece->place);
                }
            }
        }

        return Arrangement::settled($artwork->withPieces($out));
    }
}
