<?php

declare(strict_types=1);

namespace NeatEdge\Core\Flat;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Place;
use NeatEdge\Core\Artwork\SoftDrawing;
use NeatEdge\Core\Artwork\SoftLook;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Seen\Reach;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Seen\SoftTone;
use NeatEdge\Core\Seen\ToneGrid;
use NeatEdge\Core\Stroke\Offset;

/** D13: the line along which so much of a soft drawing is seen, as clean curves: what a knife can follow. */
final class Harden
{
    /** mm that the curves may leave the level by. */
    public const DEVIATION = 0.02;

    /** Share of a deviation: where the cells of a lattice are wider it is too coarse for a soft edge. */
    private const COARSE = 0.5;

    /** @param  float  $level  0 to 1: how much is seen along the line */
    public static function at(SoftDrawing $drawing, float $level, Tolerance $tolerance): Shape
    {
        // Clips with a hard edge cut just where they are, not where a lattice finds them.
        [$hard, $soft] = [[], []];
        foreach ($drawing->look->clips as $clip) {
            self::isHard($clip) ? $hard[] = $clip[0]->shape : $soft[] = $clip;
        }
        $look = $drawing->look->with(clips: $soft);
        if ($look->isNone()) {
            $shape = Combine::weld(self::outlines($drawing, $tolerance), $tolerance);
        } else {
            $soft = new SoftDrawing($drawing->pieces, $look);
            $tone = SoftTone::of($soft);
            $shape = $tone->cell > self::COARSE * $look->edge && $look->edge > 0 && $look->fade === null && $look->clips === []
                ? self::moved($soft, $level, $tolerance)
                : self::along($tone, $level);
        }

        return $hard === [] || $shape->isEmpty() ? $shape : Combine::keepOverlap([$shape, ...$hard], $tolerance);
    }

    private static function along(ToneGrid $tone, float $level): Shape
    {
        $contours = [];
        foreach (LevelLine::along($tone, $level) as $points) {
            $contour = LevelCurve::through($points, self::DEVIATION, $tone->cell);
            if ($contour !== null) {
                $contours[] = $contour;
            }
        }

        return new Shape($contours);
    }

    /** What is large beside its soft edge: along a straight outline the level lies as far beside it as a Gaussian has it; corners are rounded by so much. */
    private static function moved(SoftDrawing $drawing, float $level, Tolerance $tolerance): Shape
    {
        $shape = Combine::weld(self::outlines($drawing, $tolerance), $tolerance);
        // The place beside a straight edge, in deviations, where so much is seen: the Gaussian's sum halved until it is found.
        [$least, $most] = [-4.0, 4.0];
        for ($round = 0; $round < 40; $round++) {
            $at = ($least + $most) / 2;
            self::beyond($at) > $level ? $least = $at : $most = $at;
        }
        $by = $least * $drawing->look->edge;

        return $by > 0 ? Offset::outset($shape, $by, 'round', $tolerance) : Offset::inset($shape, -$by, 'round', $tolerance);
    }

    /** How much of a Gaussian lies beyond a place, in deviations (Abramowitz and Stegun 7.1.26, within 2e-7). */
    private static function beyond(float $at): float
    {
        $x = abs($at) / M_SQRT2;
        $t = 1 / (1 + 0.3275911 * $x);
        $tail = ((((1.061405429 * $t - 1.453152027) * $t + 1.421413741) * $t - 0.284496736) * $t + 0.254829592) * $t * exp(-$x * $x) / 2;

        return $at >= 0 ? $tail : 1 - $tail;
    }

    /**
     * A piece that is painted softly made hard, as one is asked to.
     *
     * @param  Piece  $piece  as it lies on the bench, or as it is seen
     * @param  'harden'|'outline'|'drop'  $how  along a level, along its own outline, or not at all
     * @return Piece|null null where nothing of it is left; the piece itself where it is not soft
     */
    public static function piece(Piece $piece, string $how, float $level, Tolerance $tolerance): ?Piece
    {
        if ($piece->soft !== null) {
            // As it lies on the bench.
            $seen = Seen::of(new Artwork(1.0, 1.0, [$piece->with(place: new Place)]))->pieces[0] ?? null;
            $hard = $seen === null ? null : self::piece($seen, $how, $level, $tolerance);

            return $hard === null ? null : $piece->with(shape: $hard->shape, fill: $hard->fill, stroke: null, recipe: null, clip: null, soft: null);
        }
        $drawing = $piece->fill?->soft;
        if ($drawing === null) {
            return $piece;
        }
        if ($how === 'drop') {
            return null;
        }
        $shape = $how === 'outline' ? self::outline($drawing, $tolerance) : self::at($drawing, $level, $tolerance);
        // A step may have left but a part of it.
        $whole = Reach::of($drawing, $tolerance);
        if ($shape->contours !== [] && $piece->shape->contours !== $whole->contours) {
            $shape = Combine::keepOverlap([$shape, $piece->shape], $tolerance);
        }

        return $shape->isEmpty() ? null : $piece->with(shape: $shape, fill: $drawing->mainPaint()->faded($piece->fill->opacity), recipe: null, soft: null);
    }

    /** The outline that it has without being soft: what of it is drawn, within its clips with a hard edge. */
    public static function outline(SoftDrawing $drawing, Tolerance $tolerance): Shape
    {
        $shape = Combine::weld(self::outlines($drawing, $tolerance), $tolerance);
        foreach ($drawing->look->clips as $clip) {
            $light = array_values(array_filter(
                array_map(
                    static fn (Piece $piece): Shape => $piece->fill === null || $piece->fill->colour->hex() === '#000000' ? new Shape([]) : $piece->shape,
                    $clip,
                ),
                static fn (Shape $one): bool => ! $one->isEmpty(),
            ));
            $shape = $light === [] || $shape->isEmpty() ? new Shape([])
                : Combine::keepOverlap([$shape, count($light) === 1 ? $light[0] : Combine::weld($light, $tolerance)], $tolerance);
        }

        return $shape;
    }

    /** @return list<Shape> */
    private static function outlines(SoftDrawing $drawing, Tolerance $tolerance): array
    {
        $plain = new SoftDrawing($drawing->pieces, new SoftLook);

        return [Reach::of($plain, $tolerance)];
    }

    /** @param  non-empty-list<Piece>  $clip */
    private static function isHard(array $clip): bool
    {
        $one = $clip[0];

        return count($clip) === 1 && $one->soft === null && $one->stroke === null && $one->fill !== null && $one->fill->isOpaque()
            && $one->fill->isFlatColour() && $one->fill->colour->hex() === '#ffffff';
    }
}
