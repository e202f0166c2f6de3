<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Engrave;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Polyline;

/** Middle lines of which none follows another: the walls of a line both tell of its middle. */
final class Rows
{
    /**
     * @param  list<Contour>  $lines
     * @return list<Contour> the longest first, without those that lie along a longer one
     */
    public static function distinct(array $lines, float $width): array
    {
        usort($lines, static fn (Contour $a, Contour $b): int => $b->length() <=> $a->length());
        $contours = $seen = [];
        foreach ($lines as $line) {
            $points = Polyline::of($line, $width / 4);
            $known = 0;
            foreach ($points as [$x, $y]) {
                foreach ($seen as $other) {
                    if (self::distance($other, $x, $y) < 0.6 * $width) {
                        $known++;
                        break;
                    }
                }
            }
            if ($known < 0.7 * count($points)) {
                $contours[] = $line;
                $seen[] = $points;
            }
        }

        return $contours;
    }

    /** @param  list<array{float, float}>  $points */
    private static function distance(array $points, float $x, float $y): float
    {
        $best = INF;
        for ($i = 1, $n = count($points); $i < $n; $i++) {
            [[$ax, $ay], [$bx, $by]] = [$points[$i - 1], $points[$i]];
            $dx = $bx - $ax;
            $dy = $by - $ay;
            $t = max(0.0, min(1.0, (($x - $ax) * $dx + ($y - $ay) * $dy) / max(1e-18, $dx * $dx + $dy * $dy)));
            $best = min($best, hypot($ax + $t * $dx - $x, $ay + $t * $dy - $y));
        }

        return $best;
    }
}
