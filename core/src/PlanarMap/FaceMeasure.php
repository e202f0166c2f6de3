<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap;

use NeatEdge\Core\Geometry\Box;

/**
 * Areas of labelled faces, measured on the map itself: from the chords, exact in whole grid steps, with the lens between each chord and its true curve
 * added. Nothing is traced and no outline restored, so that it costs a fraction of drawing the regions.
 *
 * @source Green's theorem; the area between a cubic and its chord is a polynomial of its control points
 */
final class FaceMeasure
{
    /**
     * @param  array<int, int>  $labels  by face
     * @return array<int, list<MeasuredPart>> by label: the connected parts of its faces
     */
    public static function parts(Sources $sources, Chords $edges, Faces $faces, array $labels): array
    {
        $part = self::connected($faces, $labels);
        $areas = $lengths = $origin = $boxes = [];
        foreach ($faces->head as $d => $start) {
            $face = $faces->face[$faces->cycle[$d]];
            $label = $labels[$face];
            // Inside a part the way along and the way back cancel.
            if ($label < 0 || $labels[$faces->face[$faces->cycle[$d ^ 1]]] === $label) {
                continue;
            }
            $p = $part[$face];
            $origin[$p] ??= self::placeOf($sources, $edges, $start & 1 ? $edges->b[$start >> 1] : $edges->a[$start >> 1]);
            [$sum, $length, $boxes[$p]] = self::chain(
                $sources, $edges, $faces, $start, $faces->head[$d ^ 1] ^ 1, $origin[$p], $boxes[$p] ?? [INF, INF, -INF, -INF],
            );
            $areas[$p] = ($areas[$p] ?? 0.0) + $sum;
            $lengths[$p] = ($lengths[$p] ?? 0.0) + $length;
        }
        $parts = [];
        $unit = 1 / $sources->unit;
        foreach ($areas as $p => $area) {
            [$ox, $oy] = $origin[$p];
            [$left, $top, $right, $bottom] = $boxes[$p];
            $parts[$labels[$p]][] = new MeasuredPart(
                abs($area) / 2 * $unit * $unit,
                $lengths[$p] * $unit,
                new Box(($ox + $left) * $unit, ($oy + $top) * $unit, ($ox + $right) * $unit, ($oy + $bottom) * $unit),
            );
        }

        return $parts;
    }

    /** @return array{float, float} */
    private static function placeOf(Sources $sources, Chords $edges, int $v): array
    {
        $step = 1 / $sources->scale;

        return [$sources->originX + $edges->x[$v] * $step, $sources->originY + $edges->y[$v] * $step];
    }

    /**
     * One chain of a part's border.
     *
     * @param  int  $start  half-edge with which it begins
     * @param  int  $last  half-edge with which it ends
     * @param  array{float, float}  $origin  near it
     * @param  array{float, float, float, float}  $box  left, top, right, bottom so far, from the origin
     * @return array{float, float, array{float, float, float, float}} twice the area between it and the origin, its length, the box with it
     */
    private static function chain(Sources $sources, Chords $edges, Faces $faces, int $start, int $last, array $origin, array $box): array
    {
        $next = $faces->next;
        $coords = $sources->coords;
        $contour = $edges->contour;
        $ga = $edges->ga;
        $gb = $edges->gb;
        [$ox, $oy] = $origin;
        [$left, $top, $right, $bottom] = $box;
        [$px, $py] = self::placeOf($sources, $edges, $start & 1 ? $edges->b[$start >> 1] : $edges->a[$start >> 1]);
        $px -= $ox;
        $py -= $oy;
        $sum = $length = 0.0;
        for ($h = $start; ; $h = $next[$h]) {
            $e = $h >> 1;
            [$from, $to] = $h & 1 ? [$gb[$e], $ga[$e]] : [$ga[$e], $gb[$e]];
            [$sx, $sy, $qx, $qy, $lens] = self::stretch($coords[$contour[$e]], $from, $to);
            $sx -= $ox;
            $sy -= $oy;
            $qx -= $ox;
            $qy -= $oy;
            // From the end of the last curve to the begin of this one, then along it.
            $sum += $px * $sy - $py * $sx + $sx * $qy - $sy * $qx + $lens;
            $length += sqrt(($qx - $sx) ** 2 + ($qy - $sy) ** 2);
            $left = $qx < $left ? $qx : $left;
            $right = $qx > $right ? $qx : $right;
            $top = $qy < $top ? $qy : $top;
            $bottom = $qy > $bottom ? $qy : $bottom;
            $px = $qx;
            $py = $qy;
            if ($h === $last) {
                break;
            }
        }
        // All chains meet in their junctions.
        [$qx, $qy] = self::placeOf($sources, $edges, $last & 1 ? $edges->a[$last >> 1] : $edges->b[$last >> 1]);

        return [$sum + $px * ($qy - $oy) - $py * ($qx - $ox), $length, [$left, $top, $right, $bottom]];
    }

    /**
     * @param  array<int, int>  $labels
     * @return array<int, int> face => the face that stands for its part: faces of one label that share an edge are one part
     */
    private static function connected(Faces $faces, array $labels): array
    {
        $part = [];
        foreach ($labels as $face => $_) {
            $part[$face] = $face;
        }
        $faceOf = $faces->face;
        $cycle = $faces->cycle;
        for ($d = 0, $n = count($cycle); $d < $n; $d += 2) {
            $f = $faceOf[$cycle[$d]];
            $g = $faceOf[$cycle[$d + 1]];
            if ($f === $g || $labels[$f] < 0 || $labels[$f] !== $labels[$g]) {
                continue;
            }
            while ($part[$f] !== $f) {
                $f = $part[$f] = $part[$part[$f]];
            }
            while ($part[$g] !== $g) {
                $g = $part[$g] = $part[$part[$g]];
            }
            $part[$f] = $g;
        }
        foreach ($part as $face => $_) {
            $root = $face;
            while ($part[$root] !== $root) {
                $root = $part[$root];
            }
            $part[$face] = $root;
        }

        return $part;
    }

    /**
     * A stretch of a contour.
     *
     * @param  list<float>  $c  coordinates of the contour
     * @return array{float, float, float, float, float} where it begins and ends, mm, and twice the signed area between it and its chord
     */
    private static function stretch(array $c, float $g0, float $g1): array
    {
        $segment = (int) floor(($g0 + $g1) / 2);
        $last = intdiv(count($c) - 2, 6);
        $segment = $segment < $last ? $segment : $last - 1;
        $i = 6 * $segment;
        $ax = $c[$i];
        $ay = $c[$i + 1];
        $bx = $c[$i + 2] - $ax;
        $by = $c[$i + 3] - $ay;
        $cx = $c[$i + 4] - $ax;
        $cy = $c[$i + 5] - $ay;
        $dx = $c[$i + 6] - $ax;
        $dy = $c[$i + 7] - $ay;
        $t = $g0 - $segment;
        $u = $g1 - $g0;
        if ($bx === 0.0 && $by === 0.0 && $cx === $dx && $cy === $dy) {
            return [$ax + $dx * $t, $ay + $dy * $t, $ax + $dx * ($t + $u), $ay + $dy * ($t + $u), 0.0];
        }
        // The curve as a polynomial, begun anew at t and taken over a stretch of u.
        $x3 = $dx - 3 * $cx + 3 * $bx;
        $y3 = $dy - 3 * $cy + 3 * $by;
        $x2 = 3 * ($cx - 2 * $bx);
        $y2 = 3 * ($cy - 2 * $by);
        $x0 = $ax + (($x3 * $t + $x2) * $t + 3 * $bx) * $t;
        $y0 = $ay + (($y3 * $t + $y2) * $t + 3 * $by) * $t;
        $x1 = ((3 * $x3 * $t + 2 * $x2) * $t + 3 * $bx) * $u;
        $y1 = ((3 * $y3 * $t + 2 * $y2) * $t + 3 * $by) * $u;
        $x2 = ($x2 + 3 * $x3 * $t) * $u * $u;
        $y2 = ($y2 + 3 * $y3 * $t) * $u * $u;
        $x3 *= $u * $u * $u;
        $y3 *= $u * $u * $u;

        // The integral of x dy - y dx along the curve; the way back along the chord leads through the begin and adds nothing.
        return [
            $x0, $y0, $x0 + $x1 + $x2 + $x3, $y0 + $y1 + $y2 + $y3,
            ($x1 * $y2 - $x2 * $y1) / 3 + ($x1 * $y3 - $x3 * $y1) / 2 + ($x2 * $y3 - $x3 * $y2) / 5,
        ];
    }
}
