<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Live;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Arrangement;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;

/** D13: clips pieces by one filled shape among them; its colour does not matter. It can be released again. */
final readonly class ClipPieces implements Edit
{
    /**
     * @param  list<string>  $ids
     * @param  string  $by  id of the shape; the uppermost of them when empty
     */
    public function __construct(private array $ids, private string $by)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Clip', 'Only what lies inside the uppermost is seen.', [Field::words('by', 'By', Field::PIECE)], 2);
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces(), $values->text('by'));
    }

    public function label(): string
    {
        return 'Clip';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $chosen = Chosen::in($artwork, $this->ids, 2);
        $by = $this->by === '' ? $chosen[array_key_last($chosen)] : ($chosen[$this->by] ?? throw Refused::missingPiece($this->by));
        if ($by->fill === null) {
            throw Refused::because('Only a filled shape can clip: the uppermost piece has no fill. Give it one; its colour does not matter.');
        }
        if (array_filter($by->shape->contours, static fn ($contour): bool => $contour->closed) === []) {
            throw Refused::because('Only a closed shape can clip: the uppermost piece is an open line. Close it first.');
        }
        $pieces = [];
        foreach ($artwork->pieces as $piece) {
            if ($piece->id === $by->id) {
                continue;
            }
            if (isset($chosen[$piece->id])) {
                if ($piece->clip !== null) {
                    throw Refused::because('One of the pieces is clipped already; release it first.');
                }
                $piece = $piece->with(clip: $by);
            }
            $pieces[] = $piece;
        }

        return Arrangement::settled($artwork->withPieces($pieces));
    }
}
