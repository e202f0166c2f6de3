<?php

declare(strict_types=1);

namespace NeatEdge\Core\Stroke;

use NeatEdge\Core\Geometry\Cubic;

/** A segment of a line in strips that can be offset: cut at cusps and inflections and where it begins to turn more tightly than half the width. */
final readonly class Strips
{
    /** Turn of one slice in a tight bend, in radians: what folds over must not fold onto what does not. */
    private const SLICE = 0.2;

    /** The same where the bend is as good as an arc of a circle: it folds over in one point, to the other side. */
    private const ROUND_SLICE = 1.7;

    /**
     * @param  float  $half  half of the width, mm
     * @param  int  $side  1 when only its left side is offset, -1 its right side, 0 both: away from a bend nothing folds
     */
    public function __construct(private float $half, private int $side = 0)
    {
    }

    /**
     * @param  list<float>  $segment
     * @return array{list<array{list<float>, bool, bool}>, list<array{float, float}>} its strips (curve, whether it folds over itself, whether it follows on
     *                      smoothly), and where it stops and turns round: a circle lies there
     */
    public function of(array $segment): array
    {
        if (Cubic::isLine($segment)) {
            return [[[$segment, false, false]], []];
        }
        $cuts = $this->cusps($segment);
        if ($cuts === []) {
            return [$this->bends($segment), []];
        }
        $strips = $stops = [];
        $from = 0.0;
        foreach ([...$cuts, 1.0] as $to) {
            if ($from > 0.0) {
                $stops[] = Cubic::at($segment, $from);
            }
            array_push($strips, ...$this->bends(Cubic::part($segment, $from, $to)));
            $from = $to;
        }

        return [$strips, $stops];
    }

    /**
     * @param  list<float>  $s
     * @return list<float> parameters inside the segment where it stops and turns round
     */
    private function cusps(array $s): array
    {
        // All three legs of the handles lead forward: then so does the curve, everywhere.
        $dx = $s[6] - $s[0];
        $dy = $s[7] - $s[1];
        if (($s[2] - $s[0]) * $dx + ($s[3] - $s[1]) * $dy > 0
            && ($s[4] - $s[2]) * $dx + ($s[5] - $s[3]) * $dy > 0
            && ($s[6] - $s[4]) * $dx + ($s[7] - $s[5]) * $dy > 0) {
            return [];
        }
        $found = [];
        $n = 32;
        $speed = static function (float $t) use ($s): float {
            [$dx, $dy] = Cubic::derivative($s, $t);

            return hypot($dx, $dy);
        };
        $top = max(array_map(static fn (int $k): float => $speed($k / $n), range(0, $n)));
        for ($k = 1; $k < $n; $k++) {
            $here = $speed($k / $n);
            if ($here > 0.25 * $top || $here > $speed(($k - 1) / $n) || $here > $speed(($k + 1) / $n)) {
                continue;
            }
            [$low, $high] = [($k - 1) / $n, ($k + 1) / $n];
            for ($i = 0; $i < 60; $i++) {
                $a = $low + ($high - $low) / 3;
                $b = $high - ($high - $low) / 3;
                $speed($a) < $speed($b) ? $high = $b : $low = $a;
            }
            $t = ($low + $high) / 2;
            if ($speed($t) < 1e-4 * $top && $t > 1e-3 && $t < 1 - 1e-3) {
                $found[] = $t;
            }
        }

        return $found;
    }

    /**
     * A curve without cusp in strips: cut where it begins to turn more tightly than half the width, and at inflections.
     *
     * @param  list<float>  $s
     * @return list<array{list<float>, bool, bool}>
     */
    private function bends(array $s): array
    {
        $n = 32;
        $tight = [];
        [$x0, $y0, $x1, $y1, $x2, $y2, $x3, $y3] = $s;
        $ax = 3 * ($x3 - 3 * $x2 + 3 * $x1 - $x0);
        $ay = 3 * ($y3 - 3 * $y2 + 3 * $y1 - $y0);
        $bx = 6 * ($x2 - 2 * $x1 + $x0);
        $by = 6 * ($y2 - 2 * $y1 + $y0);
        $cx = 3 * ($x1 - $x0);
        $cy = 3 * ($y1 - $y0);
        // A hair of caution: a strip that just begins to fold is laid as slices too.
        $most = 0.98 / $this->half;
        $any = false;
        for ($k = 0; $k <= $n; $k++) {
            $t = $k / $n;
            $dx = ($ax * $t + $bx) * $t + $cx;
            $dy = ($ay * $t + $by) * $t + $cy;
            $speed = $dx * $dx + $dy * $dy;
            $cross = abs($dx * (2 * $ay * $t + $by) - $dy * (2 * $ax * $t + $bx));
            $tight[$k] = $speed < 1e-24 || $cross > $most * $speed * sqrt($speed);
            $any = $any || $tight[$k];
        }
        $cuts = self::inflections($s);
        if (! $any && $cuts === []) {
            return [[$s, false, false]];
        }
        for ($k = 1; $k <= $n; $k++) {
            if ($tight[$k] !== $tight[$k - 1]) {
                $cuts[] = $this->border($s, ($k - 1) / $n, $k / $n, $tight[$k]);
            }
        }
        sort($cuts);
        $bends = [];
        $from = 0.0;
        foreach ([...$cuts, 1.0] as $to) {
            if ($to - $from < 1e-9) {
                continue;
            }
            $bends[] = [Cubic::part($s, $from, $to), $this->bend($s, ($from + $to) / 2) > $most, $from > 0.0];
            $from = $to;
        }

        return $bends;
    }

    /** @param  list<float>  $s */
    private function border(array $s, float $low, float $high, bool $tightAbove): float
    {
        for ($i = 0; $i < 30; $i++) {
            $middle = ($low + $high) / 2;
            $tight = abs(OffsetCurve::curvature($s, $middle)) * $this->half > 0.98;
            $tight === $tightAbove ? $high = $middle : $low = $middle;
        }

        return ($low + $high) / 2;
    }

    /**
     * @param  list<float>  $s
     * @return list<float>
     */
    private static function inflections(array $s): array
    {
        // cross(C', C'') is a quadratic in t.
        [$ax, $ay] = [$s[2] - $s[0], $s[3] - $s[1]];
        [$bx, $by] = [$s[4] - 2 * $s[2] + $s[0], $s[5] - 2 * $s[3] + $s[1]];
        [$cx, $cy] = [$s[6] - 3 * $s[4] + 3 * $s[2] - $s[0], $s[7] - 3 * $s[5] + 3 * $s[3] - $s[1]];
        $a = $bx * $cy - $by * $cx;
        $b = $ax * $cy - $ay * $cx;
        $c = $ax * $by - $ay * $bx;
        $roots = [];
        if (abs($a) <= 1e-12 * (abs($b) + abs($c))) {
            $roots = $b != 0.0 ? [-$c / $b] : [];
        } elseif ($b * $b - 4 * $a * $c >= 0) {
            $q = -($b + ($b < 0 ? -1 : 1) * sqrt($b * $b - 4 * $a * $c)) / 2;
            $roots = $q != 0.0 ? [$q / $a, $c / $q] : [$q / $a];
        }
        $roots = array_filter($roots, static fn (float $t): bool => $t > 0.02 && $t < 0.98);
        sort($roots);

        return $roots;
    }

    /**
     * How tightly a curve turns towards the side that is offset, 1/mm.
     *
     * @param  list<float>  $s
     */
    private function bend(array $s, float $t): float
    {
        $bend = OffsetCurve::curvature($s, $t);

        return $this->side === 0 ? abs($bend) : $this->side * $bend;
    }

    /**
     * A strip that folds over itself, in parts so narrow that what folds over does not lie on what does not.
     *
     * @param  list<float>  $s
     * @return list<list<float>>
     */
    public static function slices(array $s, int $depth = 0): array
    {
        [$ax, $ay] = OffsetCurve::tangent($s, 0.0);
        [$mx, $my] = OffsetCurve::tangent($s, 0.5);
        [$bx, $by] = OffsetCurve::tangent($s, 1.0);
        $turn = abs(atan2($ax * $my - $ay * $mx, $ax * $mx + $ay * $my)) + abs(atan2($mx * $by - $my * $bx, $mx * $bx + $my * $by));
        if ($turn > self::SLICE && $depth < 10 && ($turn > self::ROUND_SLICE || ! self::isRound($s))) {
            return [...self::slices(Cubic::part($s, 0.0, 0.5), $depth + 1), ...self::slices(Cubic::part($s, 0.5, 1.0), $depth + 1)];
        }

        return [$s];
    }

    /**
     * Whether a curve bends about alike everywhere.
     *
     * @param  list<float>  $s
     */
    private static function isRound(array $s): bool
    {
        $least = INF;
        $most = -INF;
        for ($k = 0; $k <= 4; $k++) {
            $bend = OffsetCurve::curvature($s, $k / 4);
            $least = min($least, $bend);
            $most = max($most, $bend);
        }

        return $least * $most > 0 && max(abs($least), abs($most)) < 1.3 * min(abs($least), abs($most));
    }

    /**
     * @param  list<list<float>>  $segments
     * @return list<list<float>>
     */
    public static function backwards(array $segments): array
    {
        $backwards = [];
        for ($i = count($segments) - 1; $i >= 0; $i--) {
            $s = $segments[$i];
            $backwards[] = [$s[6], $s[7], $s[4], $s[5], $s[2], $s[3], $s[0], $s[1]];
        }

        return $backwards;
    }

    /**
     * @param  list<float>  $s
     * @param  list<float>  $before
     * @return list<float>
     */
    public static function begunAt(array $s, array $before): array
    {
        if (Cubic::isLine($s)) {
            return [$before[6], $before[7], $before[6], $before[7], $s[6], $s[7], $s[6], $s[7]];
        }

        return [$before[6], $before[7], $s[2] + $before[6] - $s[0], $s[3] + $before[7] - $s[1], $s[4], $s[5], $s[6], $s[7]];
    }

    /**
     * How far a segment and its handles come away from where it begins, across or down, mm.
     *
     * @param  list<float>  $s
     */
    public static function reach(array $s): float
    {
        return max(abs($s[2] - $s[0]), abs($s[3] - $s[1]), abs($s[4] - $s[0]), abs($s[5] - $s[1]), abs($s[6] - $s[0]), abs($s[7] - $s[1]));
    }
}
