<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Cut;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Patience\Patience;

/** Where a cut may begin so that its seam does not show: at a corner, else where the line bends least; never on a tip. */
final class StartPoints
{
    /** Degrees of turn from which on a node is a corner. */
    private const CORNER = 25.0;

    /** Degrees of turn beyond which a corner is a tip, which a seam would tear. */
    private const TIP = 130.0;

    /** Places that are weighed against each other at most. */
    private const MOST = 12;

    /** @return non-empty-list<int> numbers of nodes of a closed contour, the best kind there is */
    public static function of(Contour $contour): array
    {
        $segments = $contour->closedSegments();
        $n = count($segments);
        $corners = $bends = $tips = [];
        for ($i = 0; $i < $n; $i++) {
            Patience::ask(4);
            $turn = self::turn($segments[($i + $n - 1) % $n], $segments[$i]);
            if ($turn > self::TIP) {
                $tips[] = $i;
            } elseif ($turn > self::CORNER) {
                $corners[] = $i;
            } else {
                $bends[$i] = $turn + self::bend($segments[$i]) + self::bend($segments[($i + $n - 1) % $n]);
            }
        }
        asort($bends);
        $nodes = $corners !== [] ? $corners : (array_slice(array_keys($bends), 0, self::MOST) ?: $tips);
        if (count($nodes) > self::MOST) {
            $step = count($nodes) / self::MOST;
            $nodes = array_map(static fn (int $k): int => $nodes[(int) ($k * $step)], range(0, self::MOST - 1));
        }

        return $nodes === [] ? [0] : $nodes;
    }

    /** The same closed contour, beginning at a node. */
    public static function from(Contour $contour, int $node): Contour
    {
        if ($node === 0) {
            return $contour;
        }
        $segments = $contour->closedSegments();

        return Contour::ofSegments([...array_slice($segments, $node), ...array_slice($segments, 0, $node)], true);
    }

    /**
     * Degrees by which the way turns from one segment to the next.
     *
     * @param  list<float>  $a
     * @param  list<float>  $b
     */
    private static function turn(array $a, array $b): float
    {
        [$ax, $ay] = self::heading(Cubic::reversed($a));
        [$bx, $by] = self::heading($b);

        return rad2deg(abs(atan2(-$ax * $by + $ay * $bx, -$ax * $bx - $ay * $by)));
    }

    /**
     * Into which direction a segment sets out.
     *
     * @param  list<float>  $s
     * @return array{float, float}
     */
    public static function heading(array $s): array
    {
        foreach ([2, 4, 6] as $i) {
            if (abs($s[$i] - $s[0]) + abs($s[$i + 1] - $s[1]) > 1e-9) {
                return [$s[$i] - $s[0], $s[$i + 1] - $s[1]];
            }
        }

        return [1.0, 0.0];
    }

    /**
     * How much a segment bends, in degrees a mm.
     *
     * @param  list<float>  $s
     */
    private static function bend(array $s): float
    {
        [$ax, $ay] = self::heading($s);
        [$bx, $by] = self::heading(Cubic::reversed($s));

        return rad2deg(abs(atan2(-$ax * $by + $ay * $bx, -$ax * $bx - $ay * $by))) / max(0.1, hypot($s[6] - $s[0], $s[7] - $s[1]));
    }
}
