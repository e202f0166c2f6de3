<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Layers;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Guide;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\FreeIds;

/** Guides through the middle of the page, both at once; pressed again, they are taken away. */
final readonly class CentreLines implements Edit
{
    public static function about(string $kind): About
    {
        return new About('Centre lines', 'Guides through the middle of the page.', [], 0);
    }

    public static function from(Values $values): self
    {
        return new self;
    }

    public function label(): string
    {
        return 'Centre lines';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $isCentre = static fn (Guide $guide): bool => abs($guide->at - ($guide->upright ? $artwork->width : $artwork->height) / 2) < 1e-6;
        $others = array_values(array_filter($artwork->guides, static fn (Guide $guide): bool => ! $isCentre($guide)));
        if (count($artwork->guides) - count($others) >= 2) {
            return $artwork->with(guides: $others);
        }
        $upright = new Guide(FreeIds::in($artwork)->next('u'), true, $artwork->width / 2);

        return $artwork->with(guides: [...$others, $upright, new Guide('u'.(1 + (int) substr($upright->id, 1)), false, $artwork->height / 2)]);
    }
}
