<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Flat\Outlines;
use NeatEdge\Core\Flat\Slivers;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\PlanarMap;
use NeatEdge\Core\PlanarMap\Rule\SeenOwners;
use NeatEdge\Core\Seen\SingleCuts;

/**
 * Only what is seen stays, and no two solid pieces overlap. A see-through piece hides nothing: what is under it stays,
 * and it loses only what solid pieces above it cover.
 */
final readonly class RemoveHidden implements GivesSlivers
{
    use Described;

    public static function about(): AboutStep
    {
        return new AboutStep(
            'remove-hidden',
            'Remove hidden',
            'Only what is seen stays, and no two pieces overlap.',
            rank: 40,
            after: [
                'join-near-blacks' => 'Colours that become one should do so before: else a seam is cut between them.',
                'join-near-colours' => 'Colours that become one should do so before: else a seam is cut between them.',
                'reduce-colours' => 'Colours that become one should do so before: else a seam is cut between them.',
                'solid-colours' => 'What is see-through should be solid before: else it is laid over what is cut.',
            ],
            work: 1.0,
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
        [$painted, $cuts] = SingleCuts::apart($artwork);

        return SingleCuts::laidOn($this->withoutSlivers($painted)[0], $cuts);
    }

    public function withoutSlivers(Artwork $artwork): array
    {
        $pieces = Outlines::of($artwork)->pieces;
        $pieces = array_values(array_filter($pieces, static fn (Piece $piece): bool => $piece->fill !== null && ! $piece->shape->isEmpty()));
        $tolerance = $artwork->tolerance();
        $rule = new SeenOwners(array_map(static fn (Piece $piece): bool => $piece->isSolid(), $pieces));
        $kept = [];
        foreach (PlanarMap::of(array_map(static fn (Piece $piece): Shape => $piece->shape, $pieces), $tolerance)->regions($rule) as $i => $shape) {
            $kept[] = $pieces[$i]->withShape($shape);
        }
        $sources = array_column(array_map(static fn (Piece $piece): array => [$piece->id, $piece->shape], $pieces), 1, 0);
        [$kept, $count] = Slivers::given($kept, $sources, max($artwork->width, $artwork->height), $tolerance);

        return [$artwork->with(pieces: $kept, apart: true), $count];
    }
}
