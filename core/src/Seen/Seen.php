<?php

declare(strict_types=1);

namespace NeatEdge\Core\Seen;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\SoftDrawing;
use NeatEdge\Core\Artwork\SoftLook;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\PlanarMap\Combine;

/**
 * What there is to see of a bench, in plain fills and strokes: what is hidden is left out, what is clipped is cut, and
 * strokes on one side of their line, or of changing width, are outlines. Guides and the reference picture stay behind.
 */
final class Seen
{
    public static function of(Artwork $artwork): Artwork
    {
        $tolerance = $artwork->tolerance();
        $taken = array_flip(array_map(static fn (Piece $piece): string => $piece->id, $artwork->pieces));
        $out = [];
        foreach ($artwork->pieces as $piece) {
            if (! $artwork->hides($piece)) {
                array_push($out, ...self::piece($piece, $tolerance, $taken));
            }
        }

        return new Artwork($artwork->width, $artwork->height, $out);
    }

    /**
     * Whether a fill of it is seen at all: one straight line, or one there and back, is often given a fill that encloses nothing.
     */
    public static function encloses(Shape $shape): bool
    {
        foreach ($shape->contours as $contour) {
            if (! self::isStraight($contour)) {
                return true;
            }
        }

        return false;
    }

    private static function isStraight(Contour $contour): bool
    {
        $c = $contour->coords;
        $n = count($c);
        [$far, $dx, $dy] = [0.0, 0.0, 0.0];
        for ($i = 2; $i < $n; $i += 2) {
            $d = hypot($c[$i] - $c[0], $c[$i + 1] - $c[1]);
            if ($d > $far) {
                [$far, $dx, $dy] = [$d, $c[$i] - $c[0], $c[$i + 1] - $c[1]];
            }
        }
        for ($i = 2; $i < $n; $i += 2) {
            if (abs($dx * ($c[$i + 1] - $c[1]) - $dy * ($c[$i] - $c[0])) > 1e-9 * $far * $far) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  array<string, int>  $taken  ids that are in use
     * @return list<Piece>
     */
    private static function piece(Piece $piece, Tolerance $tolerance, array &$taken): array
    {
        $stroke = $piece->stroke;
        if ($piece->soft !== null && $stroke?->cut !== true) {
            return self::soft($piece, $piece->soft, $tolerance);
        }
        $plain = $piece->with(recipe: null, clip: null);
        $parts = [$plain];
        if ($stroke !== null && $stroke->cut) {
            $line = $plain->with(
                id: $piece->fill === null ? $piece->id : self::lineId($piece->id, $taken),
                fill: null,
                shape: $piece->clip === null ? $piece->shape : SingleCuts::within($piece->shape, $piece->clip->shape),
            );
            $fill = $piece->fill === null ? [] : self::piece($piece->with(stroke: null), $tolerance, $taken);

            return [...$fill, ...($line->shape->isEmpty() ? [] : [$line])];
        }
        if ($stroke !== null && ($stroke->isOwnKind() || $piece->clip !== null)) {
            $outline = StrokeRegion::of($piece->shape, $stroke, $tolerance);
            $parts = $piece->fill === null ? [] : [$plain->with(stroke: null)];
            if (! $outline->isEmpty()) {
                $parts[] = $plain->with(id: $parts === [] ? $piece->id : self::lineId($piece->id, $taken), shape: $outline, fill: $stroke->paint, stroke: null);
            }
        }
        if ($piece->clip === null) {
            return $parts;
        }
        $cut = [];
        foreach ($parts as $part) {
            $shape = Combine::keepOverlap([$part->shape, $piece->clip->shape], $tolerance);
            if (! $shape->isEmpty()) {
                $cut[] = $part->with(shape: $shape);
            }
        }

        return $cut;
    }

    /**
     * A soft piece is one area as far as it is seen, painted with what was drawn: its line has no outline of its own any more.
     *
     * @return list<Piece>
     */
    private static function soft(Piece $piece, SoftLook $look, Tolerance $tolerance): array
    {
        $hard = new Piece($piece->id, $piece->shape, $piece->fill, $piece->stroke);
        $parts = [$hard];
        if ($piece->stroke?->isOwnKind() === true) {
            $outline = StrokeRegion::of($piece->shape, $piece->stroke, $tolerance);
            $parts = $piece->fill === null ? [] : [$hard->with(stroke: null)];
            $parts = $outline->isEmpty() ? $parts : [...$parts, new Piece($piece->id, $outline, $piece->stroke->paint)];
        }
        if ($parts === []) {
            return [];
        }
        $drawing = new SoftDrawing($parts, $look);
        $reach = Reach::of($drawing, $tolerance);
        if ($piece->clip !== null && ! $reach->isEmpty()) {
            $reach = Combine::keepOverlap([$reach, $piece->clip->shape], $tolerance);
        }

        return $reach->isEmpty() ? [] : [new Piece($piece->id, $reach, Paint::soft($drawing), null, $piece->name, null, $piece->place, blend: $piece->blend)];
    }

    /**
     * An id for the line of a piece that parted from its fill.
     *
     * @param  array<string, int>  $taken  brought up to date
     */
    public static function lineId(string $id, array &$taken): string
    {
        $free = "{$id}-line";
        for ($i = 2; isset($taken[$free]); $i++) {
            $free = "{$id}-line{$i}";
        }
        $taken[$free] = 1;

        return $free;
    }
}
