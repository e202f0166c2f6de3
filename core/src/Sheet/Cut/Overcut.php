<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Cut;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;

/** A closed cut goes on a little past its start, so that no thread holds the piece there. */
final class Overcut
{
    /** @param  float  $by  mm beyond the start; as it is when nought */
    public static function of(Contour $line, float $by): Contour
    {
        if (! $line->closed || $by <= 0) {
            return $line;
        }
        $segments = $line->closedSegments();
        $out = $segments;
        $left = $by;
        foreach ($segments as $s) {
            $length = Cubic::length($s);
            if ($length >= $left) {
                $out[] = Cubic::part($s, 0.0, self::at($s, $left, $length));
                break;
            }
            $out[] = $s;
            $left -= $length;
        }

        return $out === [] ? $line : Contour::ofSegments($out, false);
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
