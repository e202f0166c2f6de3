<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Layers;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Guide;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Edit;

/** Takes one guide away, or all of them. */
final readonly class RemoveGuide implements Edit
{
    public function __construct(private string $id)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Remove guides', 'One guide, or all.', [Field::words('guide', 'Guide')], 0);
    }

    public static function from(Values $values): self
    {
        return new self($values->text('guide'));
    }

    public function label(): string
    {
        return $this->id === '' ? 'Remove all guides' : 'Remove a guide';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $guides = array_values(array_filter($artwork->guides, fn (Guide $guide): bool => $this->id !== '' && $guide->id !== $this->id));

        return count($guides) === count($artwork->guides) ? throw Refused::because('There is no such guide any more.') : $artwork->with(guides: $guides);
    }
}
