<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Live;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Arranging\CopyPieces;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Recipe\Linked\LinkedCopy;

/** D12: copies that follow their source in shape and paint, each at a place of its own. */
final readonly class LinkCopies implements Edit
{
    /** @param  list<string>  $ids */
    public function __construct(private array $ids, private float $x, private float $y)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Linked copy', 'A copy that follows its source.', [Field::signed('x', 'Right by'), Field::signed('y', 'Down by')]);
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces(), $values->length('x'), $values->length('y'));
    }

    public function label(): string
    {
        return 'Linked copy';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $chosen = Chosen::in($artwork, $this->ids);
        [$with, $copies] = CopyPieces::copied($artwork, $chosen);
        $sources = array_values($chosen);
        $matrix = Matrix::translation($this->x, $this->y);
        $i = 0;
        $linked = [];
        foreach ($copies as $id => $copy) {
            $source = $sources[$i++];
            // A copy of a copy follows the first source.
            $recipe = $source->recipe?->base instanceof LinkedCopy ? $source->recipe : new Recipe(LinkedCopy::of($source));
            $linked[$id] = $copy->with(recipe: $recipe)->transformed($matrix);
        }

        return $with->mapped(static fn (Piece $piece): Piece => $linked[$piece->id], $linked);
    }
}
