<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;

/** Where the markers of a line stand and which way they look (SVG 2, 11.6). */
final class MarkerPlaces
{
    /**
     * @param  list<Contour>  $contours  in user units
     * @param  list<list<int>>  $parted  by contour, nodes that bear no marker
     * @return list<array{float, float, float}> x, y and the direction in degrees, in order along the line
     */
    public static function of(array $contours, array $parted): array
    {
        $places = [];
        foreach ($contours as $n => $contour) {
            $segments = $contour->segments();
            $count = count($segments);
            $skip = array_flip($parted[$n] ?? []);
            $ways = array_map(self::ends(...), $segments);
            for ($i = 0; $i <= $count; $i++) {
                if (isset($skip[$i])) {
                    continue;
                }
                $in = $i > 0 ? $ways[$i - 1][1] : ($contour->closed ? $ways[$count - 1][1] : null);
                $from = $i < $count ? $ways[$i][0] : ($contour->closed ? $ways[0][0] : null);
                [$x, $y] = $i < $count ? [$segments[$i][0], $segments[$i][1]] : [$segments[$count - 1][6], $segments[$count - 1][7]];
                $places[] = [$x, $y, self::between($in, $from)];
            }
        }

        return $places;
    }

    /**
     * @param  list<float>  $s
     * @return array{array{float, float}|null, array{float, float}|null} unit directions at its start and its end
     */
    private static function ends(array $s): array
    {
        $points = [[$s[0], $s[1]], [$s[2], $s[3]], [$s[4], $s[5]], [$s[6], $s[7]]];
        if (Cubic::isLine($s)) {
            $points = [$points[0], $points[3]];
        }
        $first = self::way($points[0], array_slice($points, 1));
        $last = array_reverse($points);
        $back = self::way($last[0], array_slice($last, 1));

        return [$first, $back === null ? null : [-$back[0], -$back[1]]];
    }

    /**
     * @param  array{float, float}  $from
     * @param  list<array{float, float}>  $others
     * @return array{float, float}|null to the first of the others that is another place
     */
    private static function way(array $from, array $others): ?array
    {
        foreach ($others as [$x, $y]) {
            $long = hypot($x - $from[0], $y - $from[1]);
            if ($long > 1e-9) {
                return [($x - $from[0]) / $long, ($y - $from[1]) / $long];
            }
        }

        return null;
    }

    /**
     * @param  array{float, float}|null  $in
     * @param  array{float, float}|null  $out
     */
    private static function between(?array $in, ?array $out): float
    {
        $in ??= $out;
        $out ??= $in;
        if ($in === null || $out === null) {
            return 0.0;
        }
        $x = $in[0] + $out[0];
        $y = $in[1] + $out[1];

        return rad2deg(hypot($x, $y) < 1e-9 ? atan2($in[1], $in[0]) + M_PI / 2 : atan2($y, $x));
    }
}
