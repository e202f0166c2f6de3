<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

/** Takes shapes through a smooth map of the plane: each cubic becomes as few cubics as a deviation asks, and a line that stays straight stays a line. */
final class Warp
{
    private const MOST_HALVINGS = 8;

    /** Samples between the ends at which a fit is judged. */
    private const SAMPLES = 5;

    /** Share of a segment that stands for its end when a speed is measured. */
    private const HAIR = 1e-4;

    /**
     * @param  callable(float, float): array{float, float}  $map  mm to mm
     * @param  float  $deviation  mm
     */
    public static function shape(Shape $shape, callable $map, float $deviation): Shape
    {
        return new Shape(array_map(static fn (Contour $contour): Contour => self::contour($contour, $map, $deviation), $shape->contours), $shape->rule);
    }

    /** @param  callable(float, float): array{float, float}  $map */
    private static function contour(Contour $contour, callable $map, float $deviation): Contour
    {
        $warped = [];
        foreach ($contour->closedSegments() as $s) {
            array_push($warped, ...self::segment($s, $map, $deviation, 0));
        }

        return $warped === [] ? $contour : Contour::ofSegments($warped, $contour->closed);
    }

    /**
     * @param  list<float>  $s
     * @param  callable(float, float): array{float, float}  $map
     * @return non-empty-list<list<float>>
     */
    private static function segment(array $s, callable $map, float $deviation, int $depth): array
    {
        $start = $map($s[0], $s[1]);
        $end = $map($s[6], $s[7]);
        [$ax, $ay] = $start;
        [$bx, $by] = $end;
        $chord = hypot($bx - $ax, $by - $ay);
        if (Cubic::isLine($s)) {
            $off = 0.0;
            foreach ([0.25, 0.5, 0.75] as $t) {
                [$x, $y] = $map(...Cubic::placeOn($s, $t));
                $off = max($off, $chord > 0 ? abs(($bx - $ax) * ($y - $ay) - ($by - $ay) * ($x - $ax)) / $chord : hypot($x - $ax, $y - $ay));
            }
            if ($off < 1e-9 * (1 + $chord)) {
                return [Cubic::line($ax, $ay, $bx, $by)];
            }
        }
        // Where the image is a cubic itself, its speeds at both ends say all of it.
        [$ux, $uy] = self::speed($start, $map(...Cubic::placeOn($s, self::HAIR)), $map(...Cubic::placeOn($s, 2 * self::HAIR)));
        [$vx, $vy] = self::speed($end, $map(...Cubic::placeOn($s, 1 - self::HAIR)), $map(...Cubic::placeOn($s, 1 - 2 * self::HAIR)));
        $exact = [$ax, $ay, $ax + $ux / 3, $ay + $uy / 3, $bx + $vx / 3, $by + $vy / 3, $bx, $by];
        if (self::worst($exact, $s, $map) <= $deviation) {
            return [$exact];
        }
        $points = [];
        for ($k = 0; $k <= self::SAMPLES; $k++) {
            $points[] = $map(...Cubic::placeOn($s, $k / self::SAMPLES));
        }
        $segments = self::way([0.0, 0.0], [$ux, $uy]);
        $in = self::way([$vx, $vy], [0.0, 0.0]);
        $fit = null;
        if ($segments !== null && $in !== null) {
            [$fit, $far] = CurveFit::through($points, $segments, $in, null, 0.25 * $deviation);
            if ($far > $deviation / 2 || self::worst($fit, $s, $map) > $deviation) {
                $fit = null;
            }
        }
        if ($fit !== null) {
            return [$fit];
        }
        if ($depth >= self::MOST_HALVINGS || $chord < 1e-9) {
            return [Cubic::line($ax, $ay, $bx, $by)];
        }
        $halves = Cubic::isLine($s)
            ? [Cubic::line($s[0], $s[1], ($s[0] + $s[6]) / 2, ($s[1] + $s[7]) / 2), Cubic::line(($s[0] + $s[6]) / 2, ($s[1] + $s[7]) / 2, $s[6], $s[7])]
            : [Cubic::part($s, 0.0, 0.5), Cubic::part($s, 0.5, 1.0)];

        return [...self::segment($halves[0], $map, $deviation, $depth + 1), ...self::segment($halves[1], $map, $deviation, $depth + 1)];
    }

    /**
     * How fast a place leaves, from three places a hair apart.
     *
     * @param  array{float, float}  $p
     * @param  array{float, float}  $q
     * @param  array{float, float}  $r
     * @return array{float, float}
     */
    private static function speed(array $p, array $q, array $r): array
    {
        return [(4 * $q[0] - 3 * $p[0] - $r[0]) / (2 * self::HAIR), (4 * $q[1] - 3 * $p[1] - $r[1]) / (2 * self::HAIR)];
    }

    /**
     * @param  array{float, float}  $a
     * @param  array{float, float}  $b
     * @return array{float, float}|null
     */
    private static function way(array $a, array $b): ?array
    {
        $long = hypot($b[0] - $a[0], $b[1] - $a[1]);

        return $long < 1e-15 ? null : [($b[0] - $a[0]) / $long, ($b[1] - $a[1]) / $long];
    }

    /**
     * How far places between the samples lie from the fit, mm.
     *
     * @param  list<float>  $fit
     * @param  list<float>  $s
     * @param  callable(float, float): array{float, float}  $map
     */
    private static function worst(array $fit, array $s, callable $map): float
    {
        $worst = 0.0;
        for ($k = 0; $k < self::SAMPLES; $k++) {
            [$x, $y] = $map(...Cubic::placeOn($s, ($k + 0.5) / self::SAMPLES));
            $t = ($k + 0.5) / self::SAMPLES;
            for ($i = 0; $i < 6; $i++) {
                [$px, $py] = Cubic::placeOn($fit, $t);
                [$dx, $dy] = Cubic::speedOn($fit, $t);
                $speed = $dx * $dx + $dy * $dy;
                if ($speed < 1e-18) {
                    break;
                }
                $step = (($x - $px) * $dx + ($y - $py) * $dy) / $speed;
                $t = max(0.0, min(1.0, $t + $step));
                if (abs($step) < 1e-4) {
                    break;
                }
            }
            [$px, $py] = Cubic::placeOn($fit, $t);
            $worst = max($worst, hypot($px - $x, $py - $y));
        }

        return $worst;
    }
}
