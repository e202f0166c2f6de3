<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Layers;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Field;
use NeatEdge\Core\Artwork\Guide;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\EditRefused;
use NeatEdge\Core\Edit\Input;

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

    public static function from(Input $input): self
    {
        return new self($input->text('guide', 40));
    }

    public function label(): string
    {
        return $this->id === '' ? 'Remove all guides' : 'Remove a guide';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $guides = array_values(array_filter($artwork->guides, fn (Guide $guide): bool => $this->id !== '' && $guide->id !== $this->id));

        return count($guides) === count($artwork->guides) ? throw EditRefused::because('There is no such guide any more.') : $artwork->with(guides: $guides);
    }
}
