<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Flat\Outlines;

/** Every stroke becomes a filled outline that looks the same; a piece with fill and stroke parts into two. */
final readonly class OutlineStrokes implements Step
{
    use Described;

    public static function about(): AboutStep
    {
        return new AboutStep('outline-strokes', 'Outline strokes', 'Every stroke becomes a filled outline that looks the same.', rank: 10, work: 0.5);
    }

    public static function from(Values $values): self
    {
        return new self;
    }

    public function values(): array
    {
        return [];
    }

    public function apply(Artwork $artwork): Artwork
    {
        return Outlines::of($artwork);
    }
}
