<?php

declare(strict_types=1);

namespace NeatEdge\Core\Flat;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Parts;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\Patience\Patience;
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
        $borders = null;
        foreach ($pieces as $i => $piece) {
            $source = $sources[$piece->id] ?? null;
            if ($source === null || ! $piece->isSolid() || ! self::mayHold($piece->shape, $width) || self::parts($source, $width)[1] !== []) {
                continue;
            }
            [$kept, $slivers] = self::parts($piece->shape, $width);
            foreach ($slivers as $sliver) {
                $borders ??= self::borders($pieces);
                $to = self::neighbour($sliver, $borders, $i);
                if ($to === null) {
                    $kept[] = $sliver;

                    continue;
                }
                $gifts[$to][] = $sliver;
                $count++;
            }
            $pieces[$i] = $piece->withShape(new Shape(
                array_merge(...array_map(static fn (Shape $part): array => $part->contours, $kept)),
                $piece->shape->rule,
            ));
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
     * @param  array<int, Piece>  $pieces
     * @return array<string, list<int>> the solid pieces whose outline each segment is part of
     */
    private static function borders(array $pieces): array
    {
        $borders = [];
        foreach ($pieces as $i => $piece) {
            foreach ($piece->isSolid() ? $piece->shape->contours : [] as $contour) {
                Patience::ask(4);
                foreach ($contour->segments() as $s) {
                    $borders[self::key($s)][] = $i;
                }
            }
        }

        return $borders;
    }

    /**
     * The piece that shares most of its border, segment by segment as the map gave it to both.
     *
     * @param  array<string, list<int>>  $borders
     */
    private static function neighbour(Shape $sliver, array $borders, int $own): ?int
    {
        $shared = [];
        foreach ($sliver->contours as $contour) {
            Patience::ask(4);
            foreach ($contour->segments() as $s) {
                foreach ($borders[self::key($s)] ?? [] as $i) {
                    if ($i !== $own) {
                        $shared[$i] = ($shared[$i] ?? 0.0) + hypot($s[6] - $s[0], $s[7] - $s[1]);
                    }
                }
            }
        }
        arsort($shared);

        return array_key_first($shared);
    }

    /** @param  list<float>  $s  the same for a segment and its reverse: ends to a millionth of a mm, handles to a thousandth */
    private static function key(array $s): string
    {
        $from = (int) round($s[0] * 1e6).' '.(int) round($s[1] * 1e6);
        $to = (int) round($s[6] * 1e6).' '.(int) round($s[7] * 1e6);
        $handles = (int) round(1e3 * (sqrt(($s[2] - $s[0]) ** 2 + ($s[3] - $s[1]) ** 2) + sqrt(($s[6] - $s[4]) ** 2 + ($s[7] - $s[5]) ** 2)));

        return $from < $to ? "{$from} {$to} {$handles}" : "{$to} {$from} {$handles}";
    }
}
