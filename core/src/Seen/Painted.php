<?php

declare(strict_types=1);

namespace NeatEdge\Core\Seen;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Blend;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use WeakMap;

/**
 * The areas that a piece of artwork paints, one over the other, as any viewer would: each fill as it stands, then each stroke. No step of
 * preparation has a hand in it, so that the look can be measured by it.
 */
final class Painted
{
    /** @var WeakMap<Piece, array{Tolerance, Shape}>|null */
    private static ?WeakMap $regions = null;

    /** @param  int  $piece  its number in the artwork */
    private function __construct(
        public readonly Shape $shape,
        public readonly Paint $paint,
        public readonly Blend $blend,
        public readonly int $piece,
        public readonly bool $isFill,
    ) {
    }

    /** @return list<self> the lowest first */
    public static function areas(Artwork $artwork): array
    {
        $tolerance = $artwork->tolerance();
        $areas = [];
        foreach ($artwork->pieces as $number => $piece) {
            if ($piece->fill !== null && ! $piece->shape->isEmpty()) {
                $areas[] = new self($piece->shape, $piece->fill, $piece->blend, $number, true);
            }
            if ($piece->stroke !== null) {
                $region = self::region($piece, $tolerance);
                if (! $region->isEmpty()) {
                    $areas[] = new self($region, $piece->stroke->paint, $piece->blend, $number, false);
                }
            }
        }

        return $areas;
    }

    /** What the stroke of a piece covers; the last tolerance asked for is remembered with the piece for as long as it is there. */
    public static function region(Piece $piece, Tolerance $tolerance): Shape
    {
        if ($piece->stroke === null || $piece->stroke->cut) {
            return new Shape([]);
        }
        self::$regions ??= new WeakMap;
        $known = self::$regions[$piece] ?? null;
        if ($known === null || $known[0]->offset !== $tolerance->offset || $known[0]->flatness !== $tolerance->flatness) {
            $known = self::$regions[$piece] = [$tolerance, StrokeRegion::of($piece->shape, $piece->stroke, $tolerance)];
        }

        return $known[1];
    }

    /** Whether it hides what lies under it. */
    public function isSolid(): bool
    {
        return $this->blend === Blend::Normal && $this->paint->isOpaque();
    }
}
