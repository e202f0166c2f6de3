<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap;

/**
 * Labels every face by one depth-first walk of the dual graph. One array holds the winding number of each owner; it
 * is changed on the way into a face and changed back on the way out, so that no face needs a set of its own.
 */
final class FaceLabels
{
    /**
     * @param  list<bool>  $evenodd  fill rule by owner
     * @return array<int, int> face => label; OPEN is a face too
     */
    public static function walk(Chords $edges, Faces $faces, array $evenodd, FaceRule $rule): array
    {
        $onward = $faces->onward;
        $head = $faces->head;
        $cycleOf = $faces->cycle;
        $faceOf = $faces->face;
        $first = $faces->first;
        $owner = $edges->owner;
        $contour = $edges->contour;
        $delta = $edges->delta;
        $deltas = $edges->deltas;
        $winding = $evenodd === [] ? [] : array_fill(0, count($evenodd), 0);
        // All cycles of each face: a face is entered by one of them and left by any.
        $cycles = [Faces::OPEN => []];
        foreach ($faceOf as $c => $face) {
            $cycles[$face][] = $c;
        }
        $labels = [Faces::OPEN => $rule->label()];
        $stack = [];
        foreach ($cycles[Faces::OPEN] as $c) {
            $stack[] = [-1, $first[$c], $first[$c]];
        }
        $depth = count($stack);
        while ($depth > 0) {
            // Entered by (a chain to undo, or -1), where the walk round the cycle is, where it began.
            [$entered, $h, $start] = $stack[$depth - 1];
            $face = Faces::OPEN;
            $through = -1;
            while ($h >= 0) {
                $face = $faceOf[$cycleOf[$h ^ 1]];
                $at = $h;
                $h = $onward[$h];
                if ($h === $start) {
                    $h = -1;
                }
                if (! isset($labels[$face])) {
                    $through = $at;
                    break;
                }
            }
            if ($through < 0) {
                $depth--;
                array_pop($stack);
                if ($entered >= 0) {
                    self::cross($head[$entered ^ 1], $contour, $owner, $delta, $deltas, $winding, $evenodd, $rule);
                }

                continue;
            }
            $stack[$depth - 1] = [$entered, $h, $start];
            self::cross($head[$through], $contour, $owner, $delta, $deltas, $winding, $evenodd, $rule);
            $labels[$face] = $rule->label();
            // The frame that undoes lies under the others of its face.
            foreach ($cycles[$face] as $i => $c) {
                $stack[$depth++] = [$i === 0 ? $through : -1, $first[$c], $first[$c]];
            }
        }

        return $labels;
    }

    /**
     * Goes from the face on the left of a half-edge to the one on its right.
     *
     * @param  list<int>  $contour  by edge
     * @param  list<int>  $owner  by contour
     * @param  list<int>  $delta
     * @param  array<int, array<int, int>>  $deltas
     * @param  array<int, int>  $winding
     * @param  list<bool>  $evenodd
     */
    private static function cross(int $h, array $contour, array $owner, array $delta, array $deltas, array &$winding, array $evenodd, FaceRule $rule): void
    {
        $e = $h >> 1;
        $sign = $h & 1 ? 1 : -1;
        foreach ($delta[$e] !== Chords::SEVERAL ? [$owner[$contour[$e]] => $delta[$e]] : $deltas[$e] as $o => $d) {
            $before = $winding[$o];
            $after = $before + $sign * $d;
            $winding[$o] = $after;
            $was = $evenodd[$o] ? ($before & 1) === 1 : $before !== 0;
            $is = $evenodd[$o] ? ($after & 1) === 1 : $after !== 0;
            if ($was !== $is) {
                $rule->cover($o, $is);
            }
        }
    }
}
