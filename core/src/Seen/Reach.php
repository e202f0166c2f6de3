<?php

declare(strict_types=1);

namespace NeatEdge\Core\Seen;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\SoftDrawing;
use NeatEdge\Core\Artwork\SoftLook;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Stroke\Offset;
use WeakMap;

/** How far a soft piece is seen: its outline, as much larger as its edge is soft, within its clips, as much larger as those are. */
final class Reach
{
    /** Deviations beyond an outline from which on nothing is told from bare: a straight edge has a seven-hundredth left there. */
    private const DEVIATIONS = 3.0;

    /** @var WeakMap<SoftDrawing, Shape>|null */
    private static ?WeakMap $known = null;

    public static function of(SoftDrawing $drawing, Tolerance $tolerance): Shape
    {
        self::$known ??= new WeakMap;

        return self::$known[$drawing] ??= self::pieces($drawing->pieces, $drawing->look, $tolerance);
    }

    /** @param  list<Piece>  $pieces */
    private static function pieces(array $pieces, SoftLook $look, Tolerance $tolerance): Shape
    {
        $shapes = [];
        foreach ($pieces as $piece) {
            $own = self::areas($piece, $tolerance);
            // What lies in it may be soft as well: a clip is a drawing of such pieces.
            $shapes[] = $piece->soft === null ? $own : self::looked($own, $piece->soft, $tolerance);
        }
        $shapes = array_values(array_filter($shapes, static fn (Shape $shape): bool => ! $shape->isEmpty()));

        return self::looked(count($shapes) === 1 ? $shapes[0] : ($shapes === [] ? new Shape([]) : Combine::weld($shapes, $tolerance)), $look, $tolerance);
    }

    private static function looked(Shape $shape, SoftLook $look, Tolerance $tolerance): Shape
    {
        if ($shape->isEmpty()) {
            return $shape;
        }
        if ($look->edge > 0.0) {
            $shape = Offset::outset($shape, self::DEVIATIONS * $look->edge, 'round', $tolerance);
        }
        foreach ($look->clips as $clip) {
            // What darkens a clip takes nothing off its reach: only what lightens it counts.
            $light = array_values(array_filter($clip, static fn (Piece $piece): bool => ! self::isDark($piece)));
            $shape = $light === [] ? new Shape([]) : Combine::keepOverlap([$shape, self::pieces($light, new SoftLook, $tolerance)], $tolerance);
        }

        return $shape;
    }

    private static function areas(Piece $piece, Tolerance $tolerance): Shape
    {
        $shapes = $piece->fill === null ? [] : [$piece->shape];
        if ($piece->stroke !== null) {
            $shapes[] = Painted::region($piece, $tolerance);
        }
        $shapes = array_values(array_filter($shapes, static fn (Shape $shape): bool => ! $shape->isEmpty()));

        // One alone is mapped too, so that what is drawn over itself is one area.
        return $shapes === [] ? new Shape([]) : Combine::weld($shapes, $tolerance);
    }

    private static function isDark(Piece $piece): bool
    {
        $paint = $piece->fill ?? $piece->stroke?->paint;

        return $paint !== null && $paint->isFlatColour() && $paint->colour->red + $paint->colour->green + $paint->colour->blue === 0;
    }
}
