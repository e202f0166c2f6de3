<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Lines;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\NewPiece;
use NeatEdge\Core\Geometry\Contour;

/** D2: goes on from an end of an open line; arriving at the other end closes it and gives it the paints of a closed one. */
final readonly class ContinueLine implements Edit
{
    /** @param  Contour  $more  begins at that end */
    public function __construct(private string $id, private int $contour, private bool $end, private Contour $more, private ?NewPiece $paints)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Continue a line',
            'From one of its ends.',
            [
                Field::words('piece', 'Piece', Field::PIECE),
                Field::count('contour', 'Contour', 0, 0, 100000),
                Field::flag('end', 'From its end', true),
                Field::numbers('coords', 'Line', 8),
                Field::flag('closed', 'Closed', false),
                ...NewPiece::fields(),
            ],
            0,
        );
    }

    public static function from(Values $values): self
    {
        return new self(
            $values->text('piece'),
            $values->count('contour'),
            $values->flag('end'),
            DrawLine::contour($values),
            $values->has('fill') ? NewPiece::from($values) : null,
        );
    }

    public function label(): string
    {
        return $this->more->closed ? 'Close a line' : 'Continue a line';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $continued = OnContours::edited($artwork, $this->id, function (array $contours): array {
            $contour = $contours[$this->contour] ?? null;
            if ($contour === null || $contour->closed) {
                throw Refused::because('That end is not there any more.');
            }
            $before = ($this->end ? $contour : $contour->reversed())->coords;
            $joined = new Contour([...$before, ...array_slice($this->more->coords, 2)], false);
            $contours[$this->contour] = $this->more->closed ? JoinEnds::closed($joined, 0.01) : ($this->end ? $joined : $joined->reversed());

            return array_values($contours);
        });

        return $this->paints === null || ! $this->more->closed ? $continued : $continued->mapped($this->paints->painted(...), [$this->id => true]);
    }
}
