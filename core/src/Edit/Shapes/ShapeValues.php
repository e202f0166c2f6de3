<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shapes;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\BasicShape;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\ShapeKind;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\EditRefused;
use NeatEdge\Core\Edit\Input;
use NeatEdge\Core\Edit\Local;

/** Other values for basic shapes that are still adjustable. */
final readonly class ShapeValues implements Local
{
    /** @param  list<string>  $ids */
    public function __construct(private array $ids, private Input $input)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Adjust a shape', 'The values that it was made from.', [...ShapeKind::everyField()]);
    }

    public static function from(Input $input): self
    {
        return new self($input->pieces(), $input);
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
                throw EditRefused::because('It is plain curves by now: it has no numbers to adjust.');
            }

            return $piece->withRecipe($piece->recipe->withBase(new BasicShape($base->kind, $this->input->values($base->kind->fields(), $base->values))));
        }, Chosen::in($artwork, $this->ids));
    }
}
