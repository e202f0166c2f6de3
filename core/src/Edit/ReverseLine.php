<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Geometry\Contour;

/** Runs lines the other way: a text on them, or a changing width, turns round. */
final readonly class ReverseLine implements Local
{
    public function __construct(private string $id)
    {
    }

    public static function from(Input $input): self
    {
        return new self($input->text('piece'));
    }

    public function label(): string
    {
        return 'Reverse a line';
    }

    public function apply(Artwork $artwork): Artwork
    {
        return OnContours::edited($artwork, $this->id, static fn (array $contours): array => array_map(static fn (Contour $contour): Contour => $contour->reversed(), $contours), true);
    }
}
