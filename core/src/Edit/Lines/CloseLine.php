<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Lines;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Local;
use NeatEdge\Core\Geometry\Contour;

/** D2: closes open lines: with a straight line, or in one node where their ends meet. */
final readonly class CloseLine implements Local
{
    public function __construct(private string $id)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Close a line', 'From its end to its start.', [Field::words('piece', 'Piece', Field::PIECE)], 0);
    }

    public static function from(Values $values): self
    {
        return new self($values->text('piece'));
    }

    public function label(): string
    {
        return 'Close a line';
    }

    public function apply(Artwork $artwork): Artwork
    {
        return OnContours::edited($artwork, $this->id, static function (array $contours): array {
            $open = array_filter($contours, static fn (Contour $contour): bool => ! $contour->closed);
            if ($open === []) {
                throw Refused::because('There is no open line in it.');
            }

            return array_map(static fn (Contour $contour): Contour => $contour->closed ? $contour : JoinEnds::closed($contour, 0.05), $contours);
        });
    }
}
