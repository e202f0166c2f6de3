<?php

declare(strict_types=1);

namespace NeatEdge\Core\Seen;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Tolerance;
use WeakMap;

/** How far art reaches: its painted areas, strokes with their width, and lines that are cut once. */
final class Extent
{
    /** mm that an outlined stroke may lie beyond its own reach, as curves are rounded. */
    private const ROUNDING = 0.1;

    /** @var WeakMap<Artwork, array{Box|null}>|null */
    private static ?WeakMap $known = null;

    /** The box of all that is seen; null when that is nothing. */
    public static function of(Artwork $artwork): ?Box
    {
        self::$known ??= new WeakMap;

        return (self::$known[$artwork] ??= [self::found($artwork)])[0];
    }

    /** Strokes are outlined only where they may reach farther than all that was found before. */
    private static function found(Artwork $artwork): ?Box
    {
        $tolerance = $artwork->tolerance();
        $box = null;
        $stroked = $reaches = [];
        foreach (Seen::of($artwork)->pieces as $piece) {
            $own = $piece->box();
            if ($own === null) {
                continue;
            }
            if ($piece->fill !== null || $piece->stroke?->cut === true) {
                $box = $box === null ? $own : Box::around($box, $own);
            }
            if ($piece->stroke !== null && ! $piece->stroke->cut) {
                $stroked[] = $piece;
                $reaches[] = $own->grown($piece->stroke->reach() + self::ROUNDING);
            }
        }
        foreach (self::outermost($reaches) as $k) {
            if ($box === null || ! $box->contains($reaches[$k])) {
                $box = Box::around(...array_filter([$box, self::piece($stroked[$k], $tolerance)]));
            }
        }

        return $box;
    }

    /**
     * @param  list<Box>  $boxes
     * @return list<int> all of them, first those that reach farthest to each side: with these most others are known to lie within
     */
    private static function outermost(array $boxes): array
    {
        if ($boxes === []) {
            return [];
        }
        $first = [];
        foreach ([
            array_map(static fn (Box $box): float => -$box->left, $boxes),
            array_map(static fn (Box $box): float => -$box->top, $boxes),
            array_map(static fn (Box $box): float => $box->right, $boxes),
            array_map(static fn (Box $box): float => $box->bottom, $boxes),
        ] as $far) {
            $first[] = (int) array_search(max($far), $far, true);
        }

        return array_values(array_unique([...$first, ...array_keys($boxes)]));
    }

    /** The box of what a piece paints; null for one that paints nothing. */
    public static function piece(Piece $piece, Tolerance $tolerance): ?Box
    {
        $boxes = [];
        // A single cut has no width: it reaches as far as its line.
        if ($piece->fill !== null || $piece->stroke?->cut === true) {
            $boxes[] = $piece->box();
        }
        if ($piece->stroke !== null) {
            $boxes[] = Painted::region($piece, $tolerance)->box();
        }

        return Box::around(...array_values(array_filter($boxes)));
    }
}
