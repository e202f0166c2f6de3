<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

/** Outlines that are seen whole from their middle: those do not meet themselves, and that is known without a planar map. */
final class Star
{
    /**
     * Whether every leg of the handles leads on in the same sense about the middle of the box, once round: then a line through the middle meets the handles of
     * no segment more than once, nor the segment, and each segment begins where the one before it ended. Rounds, rectangles and stars are so; where it cannot
     * be told so simply the answer is no.
     */
    public static function is(Contour $contour): bool
    {
        if (! $contour->closed || $contour->coords === []) {
            return false;
        }
        $box = $contour->box();
        $middle = [($box->left + $box->right) / 2, ($box->top + $box->bottom) / 2];
        // What lies closer to the middle than this has no sense about it that could be told.
        $least = 1e-9 * ($box->width() + $box->height()) ** 2;
        $sense = 0;
        $all = 0.0;
        foreach ($contour->closedSegments() as $s) {
            $round = 0.0;
            for ($k = 0; $k < 6; $k += 2) {
                $ax = $s[$k] - $middle[0];
                $ay = $s[$k + 1] - $middle[1];
                $bx = $s[$k + 2] - $middle[0];
                $by = $s[$k + 3] - $middle[1];
                if ($ax === $bx && $ay === $by) {
                    continue;
                }
                $cross = $ax * $by - $ay * $bx;
                $sense = $sense === 0 ? ($cross <=> 0.0) : $sense;
                if ($cross * $sense <= $least) {
                    return false;
                }
                $round += atan2($cross, $ax * $bx + $ay * $by);
            }
            if (abs($round) >= M_PI) {
                return false;
            }
            $all += $round;
        }

        return abs(abs($all) - 2 * M_PI) < 1e-6;
    }
}
