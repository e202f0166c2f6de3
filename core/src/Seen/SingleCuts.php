<?php

declare(strict_types=1);

namespace NeatEdge\Core\Seen;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Crossings;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Inside;

/** Lines that a tool follows once. They paint nothing, so that what works on areas is given the art without them, and they are laid on what it gives. */
final class SingleCuts
{
    /**
     * @return array{Artwork, list<Piece>} the art without them, and they themselves
     */
    public static function apart(Artwork $artwork): array
    {
        $cuts = array_values(array_filter($artwork->pieces, static fn (Piece $piece): bool => $piece->isSingleCut()));
        if ($cuts === []) {
            return [$artwork, []];
        }

        return [
            $artwork->with(
                apart: $artwork->apart,
                pieces: array_values(array_filter($artwork->pieces, static fn (Piece $piece): bool => ! $piece->isSingleCut())),
            ),
            $cuts,
        ];
    }

    /** @param  list<Piece>  $cuts */
    public static function laidOn(Artwork $artwork, array $cuts): Artwork
    {
        return $cuts === [] ? $artwork : $artwork->with(apart: $artwork->apart, pieces: [...$artwork->pieces, ...$cuts]);
    }

    /** The stretches of lines that lie within an area: cut where they cross its outlines. */
    public static function within(Shape $lines, Shape $area): Shape
    {
        $inside = new Inside($area);
        $out = [];
        foreach ($lines->contours as $line) {
            $places = [];
            foreach (Crossings::on(
                0,
                [$line, ...array_map(static fn (Contour $contour): Contour => new Contour($contour->coords, true), $area->contours)],
            ) as $crossing) {
                $places[] = $crossing->g;
            }
            array_push($out, ...self::stretches($line, $places, static fn (float $x, float $y): bool => $inside->holds($x, $y)));
        }

        return new Shape($out, $lines->rule);
    }

    /**
     * @param  list<float>  $places  where the line is cut, segment + t
     * @param  callable(float, float): bool  $kept  asked in the middle of each stretch
     * @return list<Contour>
     */
    private static function stretches(Contour $line, array $places, callable $kept): array
    {
        $segments = $line->closedSegments();
        $stretches = $run = [];
        $all = true;
        foreach ($segments as $i => $segment) {
            $at = array_values(array_filter(
                array_map(static fn (float $g): float => $g - $i, $places),
                static fn (float $t): bool => $t > 1e-9 && $t < 1 - 1e-9,
            ));
            sort($at);
            foreach ([...$at, 1.0] as $k => $to) {
                $from = $at[$k - 1] ?? 0.0;
                if ($to - $from < 1e-9) {
                    continue;
                }
                $part = Cubic::part($segment, $from, $to);
                if ($kept(...Cubic::placeOn($part, 0.5))) {
                    $run[] = $part;

                    continue;
                }
                $all = false;
                if ($run !== []) {
                    $stretches[] = Contour::ofSegments($run, false);
                    $run = [];
                }
            }
        }
        if ($run !== []) {
            $stretches[] = Contour::ofSegments($run, $all && $line->closed);
        }

        return $stretches;
    }
}
