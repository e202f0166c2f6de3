<?php

declare(strict_types=1);

namespace NeatEdge\Core\Recipe\Border;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Parts;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\Measure\Inscribed;
use NeatEdge\Core\Measure\Inside;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Stroke\Offset;
use NeatEdge\Core\Stroke\Thin;

/**
 * The line round a sticker: at a distance from all that is seen, over gaps that are narrower than a width, without holes into which only a small circle
 * fits, with no hollow sharper than a radius, in few nodes.
 */
final class BorderLine
{
    /** How far nodes that are not needed may have moved the line, mm. */
    private const THIN = 0.05;

    /**
     * @param  Shape  $seen  all that it goes round
     * @param  float  $distance  mm
     * @param  float  $bridge  gaps under this are bridged, mm
     * @param  float  $holes  holes into which no circle of this width fits are dropped, mm
     * @param  float  $radius  least radius, mm
     */
    public static function around(Shape $seen, float $distance, float $bridge, float $holes, float $radius, ?Tolerance $tolerance = null): Shape
    {
        // To bridge is to go out by half the gap and back; what goes out by the distance anyway bridges as much by itself. Going out by the radius more, and
        // back, rounds every hollow and every hole to it; points are as round as the distance, for rounder ones would come nearer to the art.
        $shape = $seen;
        if ($bridge / 2 > $distance) {
            $shape = Offset::inset(self::out($shape, $bridge / 2, $holes, $tolerance), $bridge / 2 - $distance, 'round', $tolerance);
            $distance = 0.0;
        }
        if ($radius <= 0.0) {
            return Thin::shape(self::out($shape, $distance, $holes, $tolerance), self::THIN);
        }
        $open = self::out($shape, $distance, $holes, $tolerance);
        $wanted = self::holes($open);
        $rounded = Offset::inset(
            Offset::outset($wanted === [] ? self::outer($shape) : $open, $wanted === [] ? $distance + $radius : $radius, 'round', $tolerance),
            $radius,
            'round',
            $tolerance,
        );

        return Thin::shape(self::withHoles($rounded, $wanted, $tolerance), self::THIN);
    }

    /** @return list<Contour> */
    private static function holes(Shape $shape): array
    {
        return array_merge(...array_map(static fn (Shape $part): array => array_slice($part->contours, 1), Parts::of($shape)));
    }

    /** Without any hole. */
    private static function outer(Shape $shape): Shape
    {
        return new Shape(array_merge(...array_map(static fn (Shape $part): array => array_slice($part->contours, 0, 1), Parts::of($shape))), $shape->rule);
    }

    /**
     * A hole that is wide enough stays, though it be too small to be as round as is asked: how large holes must be is said by itself.
     *
     * @param  list<Contour>  $wanted
     */
    private static function withHoles(Shape $rounded, array $wanted, ?Tolerance $tolerance): Shape
    {
        $inside = new Inside($rounded);
        $closed = [];
        foreach ($wanted as $hole) {
            $shape = new Shape([$hole], FillRule::Evenodd);
            [$x, $y] = Inscribed::in($shape, 0.05);
            if ($inside->holds($x, $y)) {
                $closed[] = $shape;
            }
        }

        return $closed === [] ? $rounded : Combine::cutAway($rounded, $closed, $tolerance);
    }

    /** Larger by a distance; holes that would close are left out before, and those that are too small after. */
    private static function out(Shape $shape, float $distance, float $holes, ?Tolerance $tolerance): Shape
    {
        return self::without(Offset::outset(self::without($shape, 2 * $distance), $distance, 'round', $tolerance), $holes);
    }

    private static function without(Shape $shape, float $width): Shape
    {
        if ($width <= 0.0) {
            return $shape;
        }
        $without = [];
        foreach (Parts::of($shape) as $part) {
            foreach ($part->contours as $i => $contour) {
                $box = $contour->box();
                if ($i === 0 || (min($box->width(), $box->height()) >= $width && 2 * Inscribed::in(
                    new Shape([$contour], FillRule::Evenodd),
                    0.02,
                )[2] >= $width)) {
                    $without[] = $contour;
                }
            }
        }

        return new Shape(array_values(array_filter($without, static fn (Contour $contour): bool => $contour->segmentCount() > 0)), $shape->rule);
    }
}
