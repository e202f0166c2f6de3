<?php

declare(strict_types=1);

namespace NeatEdge\Core\Recipe\Corners;

use NeatEdge\Core\Artwork\Change;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Artwork\Stored;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Shape;

/**
 * D4: chosen corners made round. Where two roundings would meet on a segment, both are held so that they only touch.
 */
final readonly class RoundCorners extends Change
{
    /** Cosine of the turn under which a node counts as straight. */
    private const STRAIGHT = 0.9999;

    /** @param  list<array{int, int, float}>  $corners  contour, node, radius in mm */
    public function __construct(public array $corners)
    {
    }

    public static function kind(): string
    {
        return 'corners';
    }

    public function stored(Stored $as): array
    {
        return ['corners' => $this->corners];
    }

    public static function read(array $data, Stored $as): self
    {
        return new self(array_values(array_map(static fn (array $corner): array => [$corner[0], $corner[1], (float) $corner[2]], $data['corners'])));
    }

    /** Contour, node, radius in mm on the bench, x and y of each. */
    public function told(Recipe $recipe): array
    {
        $shape = $recipe->base->shape()->transformed($recipe->matrix);
        $told = [];
        foreach ($this->corners as [$k, $i, $radius]) {
            $coords = ($shape->contours[$k] ?? null)?->coords;
            if (isset($coords[6 * $i + 1])) {
                $told[] = [$k, $i, $radius * $recipe->matrix->meanScale(), $coords[6 * $i], $coords[6 * $i + 1]];
            }
        }

        return ['corners' => $told];
    }

    public function on(Shape $shape): Shape
    {
        $contours = $shape->contours;
        $radii = [];
        foreach ($this->corners as [$contour, $node, $radius]) {
            $radii[$contour][$node] = $radius;
        }
        foreach ($radii as $i => $nodes) {
            if (isset($contours[$i])) {
                $contours[$i] = self::rounded($contours[$i], $nodes);
            }
        }

        return new Shape(array_values($contours), $shape->rule);
    }

    /** @param  array<int, float>  $radii  by node */
    private static function rounded(Contour $contour, array $radii): Contour
    {
        $segments = $contour->closedSegments();
        $n = count($segments);
        if ($n < 2) {
            return $contour;
        }
        $lengths = array_map(static fn (array $s): float => Cubic::length($s), $segments);
        $held = self::held(self::wanted($segments, $radii, $contour->closed), $lengths);
        $round = [];
        for ($i = 0; $i < $n; $i++) {
            $next = ($i + 1) % $n;
            $isRound = isset($held[$next]) && ($contour->closed || $next !== 0);
            $from = isset($held[$i]) ? self::at($segments[$i], $held[$i], $lengths[$i]) : 0.0;
            $to = $isRound ? 1 - self::at(Cubic::reversed($segments[$i]), $held[$next], $lengths[$i]) : 1.0;
            if ($to - $from > 1e-9) {
                $round[] = Cubic::part($segments[$i], $from, $to);
            }
            if ($isRound) {
                $start = Cubic::placeOn($segments[$i], $to);
                $after = $segments[$next];
                $begin = self::at($after, $held[$next], $lengths[$next]);
                array_push($round, ...self::arc($start, self::direction($segments[$i], $to), Cubic::placeOn($after, $begin), self::direction($after, $begin)));
            }
        }
        // Each segment begins exactly where the one before ends; the first node may have moved along the first segment.
        $last = count($round) - 1;
        $joined = [];
        foreach ($round as $i => $s) {
            $next = $i < $last ? $round[$i + 1] : ($contour->closed ? $round[0] : [$s[6], $s[7]]);
            $joined[] = self::straightened([$s[0], $s[1], $s[2], $s[3], $s[4], $s[5], $next[0], $next[1]]);
        }

        return Contour::ofSegments($joined, $contour->closed);
    }

    /**
     * How far each rounding wants to reach along the segments on both sides of its node.
     *
     * @param  list<list<float>>  $segments
     * @param  array<int, float>  $radii  by node
     * @return array<int, float> by node, without those that are no corners
     */
    private static function wanted(array $segments, array $radii, bool $closed): array
    {
        $n = count($segments);
        $reach = [];
        foreach ($radii as $node => $radius) {
            if ($radius <= 0 || $node < 0 || $node >= $n || (! $closed && $node === 0)) {
                continue;
            }
            $in = self::direction($segments[($node + $n - 1) % $n], 1.0);
            $out = self::direction($segments[$node], 0.0);
            $cos = $in[0] * $out[0] + $in[1] * $out[1];
            if ($cos < self::STRAIGHT) {
                $reach[$node] = $radius * sqrt(max(0.0, 1 - $cos) / max(1e-9, 1 + $cos));
            }
        }

        return $reach;
    }

    /**
     * The same where two of them share a segment that is too short for both.
     *
     * @param  array<int, float>  $reach  by node
     * @param  array<int, float>  $lengths  of the segments
     * @return array<int, float> by node
     */
    private static function held(array $reach, array $lengths): array
    {
        $held = $reach;
        foreach ($lengths as $i => $length) {
            $next = ($i + 1) % count($lengths);
            $wanted = ($reach[$i] ?? 0.0) + ($reach[$next] ?? 0.0);
            if ($wanted > $length) {
                foreach ([$i, $next] as $node) {
                    if (isset($held[$node])) {
                        $held[$node] = min($held[$node], $reach[$node] * $length / $wanted);
                    }
                }
            }
        }

        return $held;
    }

    /**
     * A line stays one where its ends were moved by rounding.
     *
     * @param  list<float>  $s
     * @return list<float>
     */
    private static function straightened(array $s): array
    {
        $tiny = 1e-12 * (abs($s[0]) + abs($s[1]) + abs($s[6]) + abs($s[7]) + 1);

        return abs($s[2] - $s[0]) + abs($s[3] - $s[1]) + abs($s[4] - $s[6]) + abs($s[5] - $s[7]) <= $tiny ? Cubic::line($s[0], $s[1], $s[6], $s[7]) : $s;
    }

    /**
     * Cubics of at most a quarter turn between two places with their directions.
     *
     * @param  array{float, float}  $a
     * @param  array{float, float}  $in
     * @param  array{float, float}  $b
     * @param  array{float, float}  $out
     * @return list<list<float>>
     */
    private static function arc(array $a, array $in, array $b, array $out): array
    {
        $turn = acos(max(-1.0, min(1.0, $in[0] * $out[0] + $in[1] * $out[1])));
        $chord = hypot($b[0] - $a[0], $b[1] - $a[1]);
        if ($chord < 1e-9) {
            return [];
        }
        $radius = $turn > 1e-6 ? $chord / 2 / sin($turn / 2) : 0.0;
        if ($turn <= M_PI / 2 + 1e-6 || $radius <= 0) {
            $k = $radius > 0 ? 4 / 3 * tan($turn / 4) * $radius : $chord / 3;

            return [[$a[0], $a[1], $a[0] + $k * $in[0], $a[1] + $k * $in[1], $b[0] - $k * $out[0], $b[1] - $k * $out[1], $b[0], $b[1]]];
        }
        // Half way round the direction is that of the chord.
        $along = [($b[0] - $a[0]) / $chord, ($b[1] - $a[1]) / $chord];
        $rise = $radius * (1 - cos($turn / 2));
        $side = $in[0] * $along[1] - $in[1] * $along[0] > 0 ? 1 : -1;
        $m = [($a[0] + $b[0]) / 2 + $side * $rise * $along[1], ($a[1] + $b[1]) / 2 - $side * $rise * $along[0]];

        return [...self::arc($a, $in, $m, $along), ...self::arc($m, $along, $b, $out)];
    }

    /**
     * @param  list<float>  $s
     * @return array{float, float} unit vector
     */
    private static function direction(array $s, float $t): array
    {
        $d = Cubic::speedOn($s, $t);
        $long = hypot($d[0], $d[1]);
        if ($long < 1e-12) {
            $d = Cubic::speedOn($s, $t < 0.5 ? $t + 1e-4 : $t - 1e-4);
            $long = max(1e-12, hypot($d[0], $d[1]));
        }

        return [$d[0] / $long, $d[1] / $long];
    }

    /**
     * @param  list<float>  $s
     * @return float the parameter at a length from the start
     */
    private static function at(array $s, float $length, float $whole): float
    {
        if (Cubic::isLine($s)) {
            return min(1.0, $length / max(1e-12, $whole));
        }
        [$low, $high] = [0.0, 1.0];
        for ($i = 0; $i < 40; $i++) {
            $t = ($low + $high) / 2;
            Cubic::length($s, 0.0, $t) < $length ? $low = $t : $high = $t;
        }

        return ($low + $high) / 2;
    }
}
