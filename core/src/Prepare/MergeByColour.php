<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Flat\Merging;

/**
 * What is seen of each colour becomes one piece: the same colours join, and each is cut by what lies on it.
 * See-through pieces lie above, each by itself: joining them would change what is seen where they overlap.
 */
final readonly class MergeByColour implements GivesSlivers
{
    use Described;

    public static function about(): AboutStep
    {
        return new AboutStep(
            'merge-by-colour',
            'Merge by colour',
            'What touches in one colour becomes one piece.',
            rank: 50,
            after: ['remove-hidden' => 'What is hidden should be gone before: else hidden parts are merged with what is seen.'],
            work: 0.2,
            apart: AboutStep::MAKES,
        );
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
        return Merging::laid($artwork);
    }

    public function withoutSlivers(Artwork $artwork): array
    {
        return Merging::of($artwork);
    }
}
