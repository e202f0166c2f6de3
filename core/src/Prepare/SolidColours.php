<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Blend;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Flat\Outlines;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\PlanarMap\PlanarMap;

/**
 * What one can see through becomes the solid colours that are seen, so that they can be separated. Where nothing solid
 * lies under it, it is laid on the colour of the ground if there is one; where a gradient or a picture does, it stays as see-through as it is.
 */
final readonly class SolidColours implements Step
{
    use Described;

    /** @param  Colour|null  $ground  what shows through where nothing solid lies under; there they stay see-through when null */
    public function __construct(public ?Colour $ground = null)
    {
    }

    public static function about(): AboutStep
    {
        return new AboutStep(
            'solid-colours',
            'Solid colours',
            'What one can see through becomes the solid colours that are seen.',
            [Field::colour('ground', 'Ground', help: 'what shows through where nothing solid lies under; there it stays see-through when left out')],
            20,
            looks: true,
            work: 1.0,
        );
    }

    public static function from(Values $values): self
    {
        return new self($values->colour('ground'));
    }

    public function values(): array
    {
        return ['ground' => $this->ground?->hex() ?? ''];
    }

    public function apply(Artwork $artwork): Artwork
    {
        $pieces = Outlines::of($artwork)->pieces;
        $pieces = array_values(array_filter($pieces, static fn (Piece $piece): bool => $piece->fill !== null && ! $piece->shape->isEmpty()));
        if (array_filter($pieces, static fn (Piece $piece): bool => ! $piece->isSolid()) === []) {
            return $artwork;
        }
        $rule = new SeenPaints(
            array_map(static fn (Piece $piece): Paint => $piece->fill ?? throw new \LogicException, $pieces),
            array_filter(array_map(static fn (Piece $piece): ?Blend => $piece->blend === Blend::Normal ? null : $piece->blend, $pieces)),
            $this->ground,
        );
        $regions = PlanarMap::of(array_map(static fn (Piece $piece): Shape => $piece->shape, $pieces), $artwork->tolerance())->regions($rule);
        $flat = [];
        foreach ($regions as $label => $shape) {
            foreach ($rule->seen[$label] as [$owner, $paint]) {
                $flat[$owner][] = new Piece($pieces[$owner]->id, $shape, $paint, null, $pieces[$owner]->name);
            }
        }
        ksort($flat);

        return $artwork->withPieces(self::apart(array_merge(...array_values($flat))));
    }

    /**
     * @param  list<Piece>  $pieces
     * @return list<Piece> with an id for each
     */
    private static function apart(array $pieces): array
    {
        $seen = [];
        foreach ($pieces as $i => $piece) {
            $count = $seen[$piece->id] = ($seen[$piece->id] ?? 0) + 1;
            if ($count > 1) {
                $pieces[$i] = new Piece("{$piece->id}-{$count}", $piece->shape, $piece->fill, null, $piece->name);
            }
        }

        return $pieces;
    }
}
