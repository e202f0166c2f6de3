<?php

declare(strict_types=1);

namespace NeatEdge\Core\Measure;

use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Shape;

/** S4: places that a drag may snap to, each with what it is. */
final class SnapPlaces
{
    /** How many chords are looked through for crossings; beyond, crossings are not offered. */
    private const MOST_CHORDS = 60_000;

    /** mm: how far a chord may lie from its curve. */
    private const FLATNESS = 0.05;

    /**
     * @param  array<string, Shape>  $shapes  by id of their piece
     * @param  array<string, true>|null  $only  ids of those whose places are wanted, crossings with the others included; all when null
     * @return array{points: list<array{float, float, string, string}>, edges: array<string, list<list<float>>>} x, y, what it is (node,
     * midpoint, centre or crossing) and whose (of a crossing of two pieces both, with a space between); and chains of chords (x, y, x, y, …) along the
     * edges by piece
     */
    public static function of(array $shapes, ?array $only = null): array
    {
        $points = $edges = [];
        foreach ($shapes as $id => $shape) {
            $id = (string) $id;
            foreach ($shape->contours as $contour) {
                $chain = [$contour->coords[0], $contour->coords[1]];
                $points[] = [$contour->coords[0], $contour->coords[1], 'node', $id];
                foreach ($contour->segments() as $s) {
                    $points[] = [$s[6], $s[7], 'node', $id];
                    [$x, $y] = Cubic::placeOn($s, 0.5);
                    $points[] = [$x, $y, 'midpoint', $id];
                    $bend = Cubic::isLine($s) ? 0.0 : max(
                        hypot($s[0] - 2 * $s[2] + $s[4], $s[1] - 2 * $s[3] + $s[5]),
                        hypot($s[2] - 2 * $s[4] + $s[6], $s[3] - 2 * $s[5] + $s[7]),
                    );
                    $parts = max(1, min(40, (int) ceil(sqrt(0.75 * $bend / self::FLATNESS))));
                    for ($i = 1; $i <= $parts; $i++) {
                        array_push($chain, ...Cubic::placeOn($s, $i / $parts));
                    }
                }
                if ($contour->closed) {
                    array_push($chain, $contour->coords[0], $contour->coords[1]);
                }
                $edges[$id][] = $chain;
            }
            $box = $shape->box();
            if ($box !== null) {
                $points[] = [$box->middle()->x, $box->middle()->y, 'centre', $id];
            }
        }

        $crossings = self::crossings($edges, $only);
        if ($only !== null) {
            $points = array_values(array_filter($points, static fn (array $point): bool => isset($only[$point[3]])));
            $edges = array_intersect_key($edges, $only);
        }

        return ['points' => [...self::distinct($points), ...$crossings], 'edges' => $edges];
    }

    /**
     * @param  list<array{float, float, string, string}>  $points
     * @return list<array{float, float, string, string}>
     */
    private static function distinct(array $points): array
    {
        $places = [];
        foreach ($points as $point) {
            $places[sprintf('%.4f %.4f %s', $point[0], $point[1], $point[3])] ??= $point;
        }

        return array_values($places);
    }

    /**
     * Where edges of different pieces, or of one, cross: by cells of a grid, so that chords far apart are never compared.
     *
     * @param  array<string, list<list<float>>>  $edges
     * @param  array<string, true>|null  $only  one of the two must be one of these
     * @return list<array{float, float, string, string}>
     */
    private static function crossings(array $edges, ?array $only): array
    {
        $chords = [];
        $long = 0.0;
        foreach ($edges as $id => $chains) {
            foreach ($chains as $chain) {
                for ($i = 0, $n = count($chain) - 2; $i < $n; $i += 2) {
                    $chords[] = [$chain[$i], $chain[$i + 1], $chain[$i + 2], $chain[$i + 3], (string) $id];
                    $long += hypot($chain[$i + 2] - $chain[$i], $chain[$i + 3] - $chain[$i + 1]);
                }
            }
        }
        $count = count($chords);
        if ($count === 0 || $count > self::MOST_CHORDS) {
            return [];
        }
        $cell = max(0.5, 2 * $long / $count);
        $grid = [];
        $places = [];
        foreach ($chords as $k => [$ax, $ay, $bx, $by, $id]) {
            $seen = [];
            for ($cx = (int) floor(min($ax, $bx) / $cell), $tx = (int) floor(max($ax, $bx) / $cell); $cx <= $tx; $cx++) {
                for ($cy = (int) floor(min($ay, $by) / $cell), $ty = (int) floor(max($ay, $by) / $cell); $cy <= $ty; $cy++) {
                    foreach ($grid[$cx][$cy] ?? [] as $other) {
                        if (! isset($seen[$other]) && ($only === null || isset($only[$id]) || isset($only[$chords[$other][4]]))) {
                            $seen[$other] = true;
                            $at = self::meeting($chords[$other], [$ax, $ay, $bx, $by]);
                            if ($at !== null) {
                                $places[sprintf('%.4f %.4f', ...$at)] = [
                                    $at[0],
                                    $at[1],
                                    'crossing',
                                    $chords[$other][4] === $id ? $id : "{$chords[$other][4]} {$id}",
                                ];
                            }
                        }
                    }
                    $grid[$cx][$cy][] = $k;
                }
            }
        }

        return array_values($places);
    }

    /**
     * @param  array{float, float, float, float, string}  $a
     * @param  array{float, float, float, float}  $b
     * @return array{float, float}|null where two chords cross inside both
     */
    private static function meeting(array $a, array $b): ?array
    {
        [$px, $py] = [$a[2] - $a[0], $a[3] - $a[1]];
        [$qx, $qy] = [$b[2] - $b[0], $b[3] - $b[1]];
        $det = $px * $qy - $py * $qx;
        if (abs($det) < 1e-12) {
            return null;
        }
        $t = (($b[0] - $a[0]) * $qy - ($b[1] - $a[1]) * $qx) / $det;
        $u = (($b[0] - $a[0]) * $py - ($b[1] - $a[1]) * $px) / $det;

        return $t > 1e-6 && $t < 1 - 1e-6 && $u > 1e-6 && $u < 1 - 1e-6 ? [$a[0] + $t * $px, $a[1] + $t * $py] : null;
    }
}
