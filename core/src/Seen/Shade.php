<?php

declare(strict_types=1);

namespace NeatEdge\Core\Seen;

use NeatEdge\Core\Artwork\Gradient;
use NeatEdge\Core\Artwork\GradientKind;
use NeatEdge\Core\Artwork\Spread;
use NeatEdge\Core\Geometry\Matrix;

/** What colour a gradient has at a place (SVG 2, chapter 14). */
final class Shade
{
    /** @return array{float, float, float, float} red, green, blue 0 to 255 and opacity of a gradient at a place, mm */
    public static function at(Gradient $gradient, float $x, float $y): array
    {
        $t = self::along($gradient, $x, $y);
        $t = match ($gradient->spread) {
            Spread::Pad => max(0.0, min(1.0, $t)),
            Spread::Repeat => $t - floor($t),
            Spread::Reflect => abs($t - 2 * round($t / 2)),
        };
        $before = $gradient->stops[0];
        foreach ($gradient->stops as $stop) {
            if ($t <= $stop[0]) {
                $share = $stop[0] - $before[0] < 1e-9 ? 1.0 : max(0.0, ($t - $before[0]) / ($stop[0] - $before[0]));
                $mix = static fn (float $a, float $b): float => $a + ($b - $a) * $share;

                return [
                    $mix($before[1]->red, $stop[1]->red),
                    $mix($before[1]->green, $stop[1]->green),
                    $mix($before[1]->blue, $stop[1]->blue),
                    $mix($before[2], $stop[2]),
                ];
            }
            $before = $stop;
        }

        return [(float) $before[1]->red, (float) $before[1]->green, (float) $before[1]->blue, $before[2]];
    }

    /** How far along a gradient a place lies, 0 at its start and 1 at its end (SVG 2, 14.2). */
    private static function along(Gradient $gradient, float $x, float $y): float
    {
        $p = ($gradient->matrix->isSingular() ? Matrix::identity() : $gradient->matrix->inverse())->apply($x, $y);
        $a = $gradient->axis;
        if ($gradient->kind === GradientKind::Linear) {
            $dx = $a[2] - $a[0];
            $dy = $a[3] - $a[1];

            return (($p->x - $a[0]) * $dx + ($p->y - $a[1]) * $dy) / max(1e-18, $dx * $dx + $dy * $dy);
        }
        [$cx, $cy, $r, $fx, $fy, $fr] = [$a[0], $a[1], $a[2], $a[3] ?? $a[0], $a[4] ?? $a[1], $a[5] ?? 0.0];
        // The largest t at which the circle between focus and end goes through the place.
        $dx = $cx - $fx;
        $dy = $cy - $fy;
        $dr = $r - $fr;
        $px = $p->x - $fx;
        $py = $p->y - $fy;
        $qa = $dx * $dx + $dy * $dy - $dr * $dr;
        $qb = $px * $dx + $py * $dy + $fr * $dr;
        $qc = $px * $px + $py * $py - $fr * $fr;
        if (abs($qa) < 1e-12) {
            return abs($qb) < 1e-12 ? 0.0 : $qc / (2 * $qb);
        }
        $root = sqrt(max(0.0, $qb * $qb - $qa * $qc));

        return max(($qb + $root) / $qa, ($qb - $root) / $qa);
    }
}
