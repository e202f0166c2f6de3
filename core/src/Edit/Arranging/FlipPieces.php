<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Arranging;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Local;
use NeatEdge\Core\Geometry\Matrix;

/** Turns pieces over, left to right or top to bottom, about the middle of them all. */
final readonly class FlipPieces implements Local
{
    /** @param  list<string>  $ids */
    public function __construct(private array $ids, private bool $across)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Flip',
            'Change sides, about the middle.',
            [Field::choice('way', 'Way', 'across', ['across' => 'Left and right', 'down' => 'Top and bottom'])],
        );
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces(), $values->choice('way') === 'across');
    }

    public function label(): string
    {
        return $this->across ? 'Flip across' : 'Flip top to bottom';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $chosen = Chosen::in($artwork, $this->ids);
        $middle = Chosen::box($chosen)->middle();
        $matrix = $this->across ? new Matrix(-1, 0, 0, 1, 2 * $middle->x, 0) : new Matrix(1, 0, 0, -1, 0, 2 * $middle->y);

        return $artwork->mapped(static fn (Piece $piece): Piece => TransformPieces::moved($piece, $matrix, true), $chosen);
    }
}
