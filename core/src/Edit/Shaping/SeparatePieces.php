<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Arrangement;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\EditRefused;
use NeatEdge\Core\Edit\FreeIds;
use NeatEdge\Core\Edit\Input;
use NeatEdge\Core\Geometry\Parts;

/** P6: parts a compound into its pieces, each outline with the holes right inside it. */
final readonly class SeparatePieces implements Edit
{
    /** @param  list<string>  $ids */
    public function __construct(private array $ids)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Separate pieces', 'Each outline, with the holes right inside it, becomes a piece of its own.', under: About::JOIN);
    }

    public static function from(Input $input): self
    {
        return new self($input->pieces());
    }

    public function label(): string
    {
        return 'Separate pieces';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $chosen = Chosen::in($artwork, $this->ids);
        $parts = array_map(static fn (Piece $piece): array => Parts::of($piece->shape), $chosen);
        if (array_filter($parts, static fn (array $list): bool => count($list) > 1) === []) {
            throw EditRefused::because('It is one piece already.');
        }
        $free = FreeIds::in($artwork);
        $pieces = [];
        foreach ($artwork->pieces as $piece) {
            foreach ($parts[$piece->id] ?? [] as $i => $shape) {
                $pieces[] = $piece->withShape($shape)->with(id: $i === 0 ? $piece->id : $free->next());
            }
            if (! isset($parts[$piece->id])) {
                $pieces[] = $piece;
            }
        }

        return Arrangement::settled($artwork->withPieces($pieces));
    }
}
