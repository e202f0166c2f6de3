<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\BasicShape;
use NeatEdge\Core\Artwork\Piece;

/** Other values for basic shapes that are still adjustable. */
final readonly class ShapeValues implements Local
{
    /** @param  list<string>  $ids */
    public function __construct(private array $ids, private Input $input)
    {
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
