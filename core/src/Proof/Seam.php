<?php

declare(strict_types=1);

namespace NeatEdge\Core\Proof;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Inside;

/** F1: where two parts of a thing meet, over which nothing should be printed. */
final class Seam
{
    /**
     * Whether a shape lies over any of a seam.
     *
     * @param  list<list<array{float, float}>>  $seam  lines of straight parts, mm
     * @param  Shape  $shape  mm, in the same plane
     * @param  bool  $isFilled  whether what lies within its outlines is of it
     */
    public static function isMet(array $seam, Shape $shape, bool $isFilled): bool
    {
        $box = $shape->box();
        if ($box === null) {
            return false;
        }
        $inside = null;
        foreach ($seam as $line) {
            // A seam that meets no outline lies within it whole, or not at all.
            if ($isFilled && $line !== [] && ($inside ??= new Inside($shape))->holds(...$line[0])) {
                return true;
            }
            for ($k = 1, $n = count($line); $k < $n; $k++) {
                [[$ax, $ay], [$bx, $by]] = [$line[$k - 1], $line[$k]];
                $isNear = min($ax, $bx) <= $box->right && max($ax, $bx) >= $box->left && min($ay, $by) <= $box->bottom && max($ay, $by) >= $box->top;
                if ($isNear && self::crosses($ax, $ay, $bx, $by, $shape, $isFilled)) {
                    return true;
                }
            }
        }

        return false;
    }

    private static function crosses(float $ax, float $ay, float $bx, float $by, Shape $shape, bool $isFilled): bool
    {
        $long = hypot($bx - $ax, $by - $ay);
        if ($long < 1e-9) {
            return false;
        }
        [$alongX, $alongY] = [($bx - $ax) / $long, ($by - $ay) / $long];
        foreach ($shape->contours as $contour) {
            // What is filled is closed, whether its outline is or not.
            foreach ((new Contour($contour->coords, $isFilled || $contour->closed))->closedSegments() as $s) {
                foreach (Cubic::crossings($s, -$alongY, $alongX, $alongY * $ax - $alongX * $ay) as $t) {
                    [$x, $y] = Cubic::placeOn($s, $t);
                    $along = ($x - $ax) * $alongX + ($y - $ay) * $alongY;
                    if ($along >= 0.0 && $along <= $long) {
                        return true;
                    }
                }
            }
        }

        return false;
    }
}
