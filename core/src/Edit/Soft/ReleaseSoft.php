<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Soft;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Arrangement;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\FreeIds;

/** Takes the last soft clip off pieces, and lays the shape that it was made of back above them; lines painted on it go with it. */
final readonly class ReleaseSoft implements Edit
{
    /** @param  list<string>  $ids */
    public function __construct(private array $ids)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Release the soft clip', 'The last one; its shape lies above again.');
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces());
    }

    public function label(): string
    {
        return 'Release the soft clip';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $chosen = array_filter(Chosen::in($artwork, $this->ids), static fn (Piece $piece): bool => ($piece->soft->clips ?? []) !== []);
        if ($chosen === []) {
            throw Refused::because('What was chosen has no soft clip.');
        }
        // Pieces that were clipped together have one and the same shape; it comes back once, above the last of them.
        $shapes = [];
        foreach ($chosen as $piece) {
            $clips = $piece->soft->clips ?? [];
            $clip = $clips[count($clips) - 1];
            // What stood for all of a piece, so that it could be painted on, was nobody's shape.
            if ($clip[0]->id !== "{$piece->id}-w") {
                $shapes[serialize($clip[0])] = [$clip[0], $piece->id];
            }
        }
        $free = FreeIds::in($artwork);
        $known = array_flip(array_map(static fn (Piece $piece): string => $piece->id, $artwork->pieces));
        $pieces = [];
        foreach ($artwork->pieces as $piece) {
            $look = $piece->soft;
            $pieces[] = isset($chosen[$piece->id]) && $look !== null ? Looked::with($piece, $look->with(clips: array_slice($look->clips, 0, -1))) : $piece;
            foreach ($shapes as [$shape, $last]) {
                if ($piece->id === $last) {
                    $id = isset($known[$shape->id]) ? $free->next() : $shape->id;
                    $known[$id] = true;
                    $pieces[] = $shape->with(id: $id, place: $piece->place);
                }
            }
        }

        return Arrangement::settled($artwork->withPieces($pieces));
    }
}
