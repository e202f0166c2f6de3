<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Parts;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\PlanarMap\Combine;

/**
 * Ribbons that are left where one piece is knocked out of another of nearly the same outline: no blade cuts them and no weeder lifts them. A part that a
 * step made, and that its source was not already, goes to the neighbour with which it shares most of its border.
 */
final class Slivers
{
    /** mm of mean width under which a part is a sliver, or a share of the art where that is less. */
    private const WIDTH = 0.05;

    private const SHARE = 5e-4;

    /** Contours of one piece beyond which it is not looked through. */
    private const MOST_CONTOURS = 2000;

    /**
     * @param  list<Piece>  $pieces  what a step made, filled and without strokes
     * @param  array<string, Shape>  $sources  by id of the piece: what it was made of
     * @param  float  $extent  mm of the longer side of the art
     * @return array{list<Piece>, int} with the slivers given away, and how many there were
     */
    public static function given(array $pieces, array $sources, float $extent, Tolerance $tolerance): array
    {
        $width = min(self::WIDTH, self::SHARE * $extent);
        $count = 0;
        $gifts = [];
        foreach ($pieces as $i => $piece) {
            $source = $sources[$piece->id] ?? null;
            if ($source === null || ! $piece->isSolid() || ! self::mayHold($piece->shape, $width) || self::parts($source, $width)[1] !== []) {
                continue;
            }
            [$kept, $slivers] = self::parts($piece->shape, $width);
            foreach ($slivers as $sliver) {
                $to = self::neighbour($sliver, $pieces, $i);
                if ($to === null) {
                    $kept[] = $sliver;

                    continue;
                }
                $gifts[$to][] = $sliver;
                $count++;
            }
            $pieces[$i] = $piece->withShape(new Shape(array_merge(...array_map(static fn (Shape $part): array => $part->contours, $kept)), $piece->shape->rule));
        }

        foreach ($gifts as $to => $slivers) {
            $pieces[$to] = $pieces[$to]->withShape(Combine::weld([$pieces[$to]->shape, ...$slivers], $tolerance));
        }

        return [array_values(array_filter($pieces, static fn (Piece $piece): bool => ! $piece->shape->isEmpty())), $count];
    }

    /** Whether it is worth taking apart: one contour is thin, or one lies close inside another. */
    private static function mayHold(Shape $shape, float $width): bool
    {
        $sizes = array_map(static fn (Contour $contour): array => [abs($contour->area()), $contour->roughLength()], $shape->contours);
        if (count($sizes) > self::MOST_CONTOURS) {
            return false;
        }
        rsort($sizes);
        foreach ($sizes as $k => [$area, $length]) {
            if (2 * $area < $width * $length) {
                return true;
            }
            for ($m = $k + 1; isset($sizes[$m]) && 2 * ($area - $sizes[$m][0]) < $width * 2 * $length; $m++) {
                return true;
            }
        }

        return false;
    }

    /** @return array{list<Shape>, list<Shape>} the parts that are no slivers, and those that are */
    private static function parts(Shape $shape, float $width): array
    {
        $kept = $slivers = [];
        foreach (Parts::of($shape) as $part) {
            if (2 * $part->area() < $width * $part->roughLength()) {
                $slivers[] = $part;
            } else {
                $kept[] = $part;
            }
        }

        return [$kept, $slivers];
    }

    /**
     * The piece that shares most of its border, segment by segment as the map gave it to both.
     *
     * @param  array<int, Piece>  $pieces
     */
    private static function neighbour(Shape $sliver, array $pieces, int $own): ?int
    {
        $box = $sliver->box();
        $border = [];
        foreach ($sliver->contours as $contour) {
            foreach ($contour->segments() as $s) {
                $border[self::key($s)] = hypot($s[6] - $s[0], $s[7] - $s[1]);
            }
        }
        $best = null;
        foreach ($pieces as $i => $piece) {
            if ($i === $own || ! $piece->isSolid() || $box === null || ! ($piece->box()?->overlaps($box) ?? false)) {
                continue;
            }
            $shared = 0.0;
            foreach ($piece->shape->contours as $contour) {
                foreach ($contour->segments() as $s) {
                    $shared += $border[self::key($s)] ?? 0.0;
                }
            }
            if ($shared > ($best[0] ?? 0.0)) {
                $best = [$shared, $i];
            }
        }

        return $best[1] ?? null;
    }

    /** @param  list<float>  $s  the same for a segment and its reverse */
    private static function key(array $s): string
    {
        $ends = [sprintf('%.6f %.6f', $s[0], $s[1]), sprintf('%.6f %.6f', $s[6], $s[7])];
        sort($ends);

        return implode(' ', $ends).sprintf(' %.4f', hypot($s[2] - $s[0], $s[3] - $s[1]) + hypot($s[6] - $s[4], $s[7] - $s[5]));
    }
}
