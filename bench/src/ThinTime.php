<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Thickness;

/** How long it takes to measure lines and gaps at ten thousand places along outlines. */
final class ThinTime
{
    private const LIMIT = 0.5;

    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        $contours = [];
        $length = 0.0;
        // Bars and gaps of 0.4 mm and 1 mm in turn, and rings: half of it is narrower than the limit.
        for ($k = 0; $length < 10_000 * self::LIMIT / 6; $k++) {
            $contours[] = $k % 3 === 2 ? Contour::circle(60, 1.4 * $k, 0.6) : Contour::rectangle(0, 1.4 * $k, 30, $k % 2 === 0 ? 1.0 : 0.4);
            $length += $contours[$k]->length();
        }
        $shape = new Shape($contours);
        foreach ([false, true] as $gaps) {
            $times = [];
            $found = 0;
            for ($k = 0; $k < 5; $k++) {
                $start = hrtime(true);
                $found = count(Thickness::below($shape, self::LIMIT, $gaps));
                $times[] = (hrtime(true) - $start) / 1e6;
            }
            sort($times);
            yield [sprintf('thickness: %s at 10,000 places (%d found)', $gaps ? 'gaps' : 'lines', $found), sprintf('%.0f ms', $times[2]), 'under 500 ms'];
        }
    }
}
