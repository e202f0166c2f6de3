<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shapes;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Local;
use NeatEdge\Core\Recipe\Basic\BasicShape;
use NeatEdge\Core\Recipe\Basic\ShapeKind;

/** Other values for basic shapes that are still adjustable. */
final readonly class ShapeValues implements Local
{
    /** @param  list<string>  $ids */
    public function __construct(private array $ids, private Values $values)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Adjust a shape', 'The values that it was made from.', [...ShapeKind::everyField()]);
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces(), $values);
    }

    public function label(): string
    {
        return 'Adjust a shape';
    }

    public function apply(Artwork $artwork): Artwork
    {
        return $artwork->mapped(function (Piece $piece): Piece {
            $base = $piece->recipe?->base;
            if ($piece->recipe === null || ! $base instanceof BasicShape) {
                throw Refused::because('It is plain curves by now: it has no numbers to adjust.');
            }

            return $piece->withRecipe($piece->recipe->withBase(new BasicShape($base->kind, $this->values->against($base->kind->fields())->all($base->values))));
        }, Chosen::in($artwork, $this->ids));
    }
}
