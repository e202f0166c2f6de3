<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Arrangement;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Shape;

/** P6: makes pieces one, with a hole wherever an even number of them lie over one another. It has the paints of the lowest. */
final readonly class MakeCompound implements Edit
{
    /** @param  list<string>  $ids */
    public function __construct(private array $ids)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Make a compound', 'One piece, with holes where an even number of them lie over one another.', [], 2, under: About::JOIN);
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces());
    }

    public function label(): string
    {
        return 'Make a compound';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $chosen = Chosen::in($artwork, $this->ids, 2);
        $contours = array_merge(...array_map(static fn (Piece $piece): array => $piece->shape->contours, array_values($chosen)));
        $lowest = array_values($chosen)[0];
        $pieces = [];
        foreach ($artwork->pieces as $piece) {
            if ($piece->id === $lowest->id) {
                $pieces[] = $piece->withShape(new Shape($contours, FillRule::Evenodd));
            } elseif (! isset($chosen[$piece->id])) {
                $pieces[] = $piece;
            }
        }

        return Arrangement::settled($artwork->withPieces($pieces));
    }
}
