<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Shape;

/** Whether a clip cuts through a box at all: most pieces of a coat of arms lie well inside its shield, and need no map to know it. */
final class Within
{
    /** Chords for a curve where a place is asked for; what lies nearer to it was found by its handles. */
    private const CHORDS = 24;

    /** Whether an outline may run through a box: any segment's handles and nodes reach into it. */
    public static function touches(Shape $clip, Box $box): bool
    {
        foreach ($clip->contours as $contour) {
            $c = $contour->coords;
            $last = count($c) - 2;
            for ($i = 0; $i < $last; $i += 6) {
                if (max($c[$i], $c[$i + 2], $c[$i + 4], $c[$i + 6]) >= $box->left && min($c[$i], $c[$i + 2], $c[$i + 4], $c[$i + 6]) <= $box->right
                    && max(
                        $c[$i + 1],
                        $c[$i + 3],
                        $c[$i + 5],
                        $c[$i + 7],
                    ) >= $box->top && min($c[$i + 1], $c[$i + 3], $c[$i + 5], $c[$i + 7]) <= $box->bottom) {
                    return true;
                }
            }
            // The closing line.
            if (max($c[0], $c[$last]) >= $box->left
                && min($c[0], $c[$last]) <= $box->right
                && max($c[1], $c[$last + 1]) >= $box->top
                && min($c[1], $c[$last + 1]) <= $box->bottom) {
                return true;
            }
        }

        return false;
    }

    /** Whether a place that no segment's handles come near lies inside, by the shape's own rule. */
    public static function covers(Shape $clip, float $x, float $y): bool
    {
        $winding = 0;
        foreach ($clip->contours as $contour) {
            $c = $contour->coords;
            [$px, $py] = [$c[0], $c[1]];
            foreach ([...$contour->segments(), Cubic::line($c[count($c) - 2], $c[count($c) - 1], $c[0], $c[1])] as $s) {
                for ($k = 1, $n = Cubic::isLine($s) ? 1 : self::CHORDS; $k <= $n; $k++) {
                    [$qx, $qy] = Cubic::placeOn($s, $k / $n);
                    if (($py <= $y) !== ($qy <= $y) && ($qx - $px) * ($y - $py) / ($qy - $py) + $px > $x) {
                        $winding += $qy > $py ? 1 : -1;
                    }
                    [$px, $py] = [$qx, $qy];
                }
            }
        }

        return $clip->rule === FillRule::Evenodd ? $winding % 2 !== 0 : $winding !== 0;
    }
}
