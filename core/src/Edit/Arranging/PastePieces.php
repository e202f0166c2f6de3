<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Arranging;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Arrangement;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Geometry\Matrix;

/** Lays pieces that were taken along from this job or another on the bench, in place or moved. */
final readonly class PastePieces implements Edit
{
    public const MOST = 20_000;

    /**
     * @param  list<Piece>  $pieces
     * @param  bool  $from  whether they were taken from this very job
     */
    public function __construct(private array $pieces, private float $x, private float $y, private string $layer, private bool $from = false)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Paste',
            'Lay what was copied.',
            [
                Field::data('art', 'What was copied'),
                Field::signed('x', 'Right by'),
                Field::signed('y', 'Down by'),
                Field::words('layer', 'Layer'),
                Field::flag('fromHere', 'From this bench', false),
            ],
            0,
        );
    }

    public static function from(Values $values): self
    {
        // The application reads what was copied, as it was stored by it, and gives the pieces themselves.
        $pieces = array_values(array_filter($values->map('art'), static fn (mixed $one): bool => $one instanceof Piece));

        return new self($pieces, $values->length('x'), $values->length('y'), $values->text('layer'), $values->flag('fromHere'));
    }

    public function label(): string
    {
        return count($this->pieces) === 1 ? 'Paste a piece' : sprintf('Paste %d pieces', count($this->pieces));
    }

    public function apply(Artwork $artwork): Artwork
    {
        if ($this->pieces === []) {
            throw Refused::because('Nothing was copied yet: choose pieces and copy them first.');
        }
        if (count($this->pieces) > self::MOST) {
            throw Refused::because(sprintf('At most %d pieces are pasted at once.', self::MOST));
        }
        $layer = $artwork->layer($this->layer) ?? $artwork->layers[count($artwork->layers) - 1];
        $matrix = Matrix::translation($this->x, $this->y);
        $new = CopyPieces::renamed($artwork, $this->pieces, $this->from);
        $laid = array_map(
            static fn (Piece $piece): Piece => $piece->with(place: $piece->place->with(layer: $layer->id, hidden: false, locked: false))->transformed($matrix),
            array_values($new['pieces']),
        );

        return Arrangement::settled($artwork->with(pieces: [...$artwork->pieces, ...$laid], groups: [...$artwork->groups, ...$new['groups']]));
    }
}
