<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Cut;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;

/** A cut that comes back to where it began goes on a little past it, so that no thread holds the piece there; also one that was led in from the waste. */
final class Overcut
{
    /** @param  float  $by  mm beyond the start; as it is when nought */
    public static function of(Contour $line, float $by): Contour
    {
        if ($by <= 0 || ! ($line->closed || self::isLedIn($line))) {
            return $line;
        }
        $longer = $line->closedSegments();
        $round = $line->closed ? $longer : array_slice($longer = $line->segments(), 1);
        $left = $by;
        foreach ($round as $s) {
            $length = Cubic::length($s);
            if ($length >= $left) {
                $longer[] = Cubic::part($s, 0.0, self::at($s, $left, $length));
                break;
            }
            $longer[] = $s;
            $left -= $length;
        }

        return $longer === [] ? $line : Contour::ofSegments($longer, false);
    }

    /** Whether it ends where its second node is: a straight way in, then once round. */
    private static function isLedIn(Contour $line): bool
    {
        $c = $line->coords;
        $n = count($c);

        return $n >= 20 && abs($c[6] - $c[$n - 2]) + abs($c[7] - $c[$n - 1]) < 1e-9;
    }

    /** @param  list<float>  $s  parameter at which a segment has gone so many mm */
    private static function at(array $s, float $mm, float $length): float
    {
        $t = $mm / max(1e-9, $length);
        if (Cubic::isLine($s)) {
            return min(1.0, $t);
        }
        for ($k = 0; $k < 8; $k++) {
            $speed = Cubic::derivative($s, $t);
            $t = max(0.0, min(1.0, $t - (Cubic::length($s, 0.0, $t) - $mm) / max(1e-9, hypot($speed[0], $speed[1]))));
        }

        return $t;
    }
}
