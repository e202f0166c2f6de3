<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

/** What a layer is of a thing that art is shown on. */
enum LayerPart: string
{
    case Ground = 'ground';
    case Body = 'body';
    case Piece = 'part';
    case Place = 'place';
    case Shade = 'shade';
    case Light = 'light';

    public function label(): string
    {
        return match ($this) {
            self::Ground => 'Ground',
            self::Body => 'Body',
            self::Piece => 'Part in a colour of its own',
            self::Place => 'Place for art',
            self::Shade => 'Shade',
            self::Light => 'Light',
        };
    }

    /** Whether it can be given a colour: its greys are multiplied by that. */
    public function isColoured(): bool
    {
        return $this !== self::Place && $this !== self::Shade && $this !== self::Light;
    }
}
