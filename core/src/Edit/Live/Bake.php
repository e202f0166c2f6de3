<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Live;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Local;

/** Turns what is still adjustable - shapes, text, rounded corners, mirrored halves, repeats, linked copies - into plain curves. */
final readonly class Bake implements Local
{
    /** @param  list<string>  $ids */
    public function __construct(private array $ids)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Plain curves', 'Turn what is adjustable into curves.');
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces());
    }

    public function label(): string
    {
        return 'Turn into plain curves';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $chosen = array_filter(Chosen::in($artwork, $this->ids), static fn (Piece $piece): bool => $piece->recipe !== null);
        if ($chosen === []) {
            throw Refused::because('What was chosen is plain curves already.');
        }

        return $artwork->mapped(static fn (Piece $piece): Piece => $piece->with(recipe: null), $chosen);
    }
}
