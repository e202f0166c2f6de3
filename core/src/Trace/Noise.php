<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

/** How far the places of borders lie beside the borders by chance, in dots. */
final class Noise
{
    /** What even a clean picture has: shares are kept in 255 parts, and curves bend within a dot. */
    private const LEAST = 0.03;

    private const MOST = 0.5;

    /**
     * The middle of what each place is off from its four neighbours, across the border. Fourth differences leave no smooth curve.
     *
     * @param  list<list<array{float, float}>>  $borders
     *
     * @source F. Hampel, "The influence curve and its role in robust estimation", 1974: the median of absolute deviations
     */
    public static function of(array $borders): float
    {
        $off = [];
        foreach ($borders as $places) {
            for ($i = 2, $n = count($places) - 2; $i < $n && count($off) < 20_000; $i++) {
                [[$ax, $ay], [$bx, $by], [$cx, $cy], [$dx, $dy], [$ex, $ey]] = array_slice($places, $i - 2, 5);
                $long = hypot($dx - $bx, $dy - $by);
                if ($long > 1e-6) {
                    $fx = $ax - 4 * $bx + 6 * $cx - 4 * $dx + $ex;
                    $fy = $ay - 4 * $by + 6 * $cy - 4 * $dy + $ey;
                    $off[] = abs($fx * ($dy - $by) - $fy * ($dx - $bx)) / $long;
                }
            }
        }
        if ($off === []) {
            return self::LEAST;
        }
        sort($off);

        // Differences of 1, -4, 6, -4, 1 spread by the root of 70; the median of a normal spread is 0.6745 of it.
        return max(self::LEAST, min(self::MOST, $off[intdiv(count($off), 2)] / 0.6745 / sqrt(70)));
    }
}
