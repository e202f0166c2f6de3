<?php

declare(strict_types=1);

namespace NeatEdge\Core\Separate;

use NeatEdge\Core\Geometry\Parts;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\Measure\Beside;
use NeatEdge\Core\Measure\Inside;
use NeatEdge\Core\Measure\Thickness;
use NeatEdge\Core\Measure\ThinPlace;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Stroke\Offset;

/**
 * X4: where two inks meet the lighter spreads into the darker, so that no cloth shows between them when a screen stands a little off. Only across shared
 * borders, never onto the ground, and nowhere further than a third of the darker one's own width.
 */
final class Trap
{
    /** Share of a narrow place's width that is spread into. */
    private const OF_NARROW = 1 / 3;

    /** mm along which inks must lie beside each other to meet. */
    private const MEET = 0.05;

    /**
     * @param  list<Shape>  $inks  what is seen of each
     * @param  list<float>  $lightness  L* of each, 0 to 100
     * @param  list<bool>  $overprints  inks that are printed on others: they need no trap
     * @param  float  $width  mm
     * @return list<Shape> with what they spread
     */
    public static function spread(array $inks, array $lightness, array $overprints, float $width, Tolerance $tolerance): array
    {
        $spread = $inks;
        // Each ink's wide and narrow parts are told once, however many lighter ones meet it.
        $parts = [];
        foreach ($width <= 0 ? [] : $inks as $a => $lighter) {
            $more = $grown = [];
            $own = null;
            foreach ($inks as $b => $darker) {
                if ($a === $b || $overprints[$a]
                    || $overprints[$b]
                    || [$lightness[$a], $b] <= [$lightness[$b], $a]
                    || ! self::areNear($lighter, $darker, $width)) {
                    continue;
                }
                foreach ($parts[$b] ??= self::byWidth($darker, $width, $tolerance) as [$part, $by]) {
                    $grown[(string) $by] ??= Offset::outset($lighter, $by, 'miter', $tolerance);
                    array_push($more, ...self::strips($own ??= new Inside($lighter), $grown[(string) $by], $part, $tolerance));
                }
            }
            if ($more !== []) {
                $spread[$a] = Combine::weld([$lighter, ...$more], $tolerance);
            }
        }

        return array_values($spread);
    }

    private static function areNear(Shape $a, Shape $b, float $width): bool
    {
        $one = $a->box();
        $other = $b->box();

        return $one !== null && $other !== null
            && $one->left - $width <= $other->right
            && $other->left <= $one->right + $width
            && $one->top - $width <= $other->bottom
            && $other->top <= $one->bottom + $width;
    }

    /**
     * @param  Inside  $lighter  which spreads
     * @param  Shape  $grown  the same, as far as it spreads into the part
     * @return list<Shape>
     */
    private static function strips(Inside $lighter, Shape $grown, Shape $part, Tolerance $tolerance): array
    {
        $strip = Combine::keepOverlap([$grown, $part], $tolerance);
        $strips = $strip->isEmpty() ? [] : Parts::of($strip);

        // What the spread reaches across a gap is no shared border.
        return array_values(array_filter($strips, static fn (Shape $strip): bool => Beside::one($strip, $lighter) > self::MEET));
    }

    /**
     * A shape's wide parts, into which a trap goes with its whole width, and its narrow ones, into which it goes with less.
     *
     * @return list<array{Shape, float}>
     */
    private static function byWidth(Shape $shape, float $width, Tolerance $tolerance): array
    {
        $thin = Thickness::below($shape, 2 * $width);
        if ($thin === []) {
            return [[$shape, $width]];
        }
        $wide = Combine::keepOverlap([Offset::outset(Offset::inset($shape, $width, 'miter', $tolerance), $width, 'miter', $tolerance), $shape], $tolerance);
        $rest = $wide->isEmpty() ? $shape : Combine::cutAway($shape, [$wide], $tolerance);
        // Corners are no narrow places: what is left of them is as small as the opening leaves it.
        $least = min(array_map(static fn (ThinPlace $place): float => $place->pointed ? $place->typical : $place->width, $thin));
        $byWidth = $wide->isEmpty() ? [] : [[$wide, $width]];
        if (! $rest->isEmpty() && $least > 0) {
            $byWidth[] = [$rest, min($width, self::OF_NARROW * $least)];
        }

        return $byWidth;
    }
}
