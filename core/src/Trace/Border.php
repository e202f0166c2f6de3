<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;

/** One border as curves: its corners, the smooth stretches between them, and each of those as few curves. */
final class Border
{
    /** Dots that a corner is moved by at most to where the lines beside it cross. */
    private const MOVED = 1.0;

    /** @var list<list<float>> see Cubic; dots */
    public array $segments = [];

    /** What it is where that has a name. */
    public readonly ?Model $model;

    /**
     * @param  Way  $way  its places; the ends of an open one are where it meets others
     * @param  list<string>  $kinds  of shapes with a name that are looked for
     * @param  float  $keen  see Corners
     */
    public function __construct(public readonly Way $way, float $noise, float $closeness, array $kinds, float $keen = 1.0)
    {
        $this->model = Models::of($way, $noise, $kinds);
        if ($this->model !== null) {
            $contour = $this->model->contour();
            // As its places run.
            $alike = ($contour->area() > 0) === (Contour::polygon($way->places)->area() > 0);
            $this->segments = ($alike ? $contour : $contour->reversed())->closedSegments();

            return;
        }
        $fit = new FewCurves($noise, $closeness);
        $corners = Corners::of($way, $noise, $keen);
        if ($corners === []) {
            $this->segments = $fit->along($way);

            return;
        }
        $spans = $this->spans($corners);
        $fitted = [];
        foreach ($spans as $span) {
            $fitted[] = $fit->along(new Way($span, false));
        }
        $this->refined($spans, $fitted);
    }

    /**
     * @param  non-empty-list<array{at: float, x: float, y: float, turn: float}>  $corners
     * @return list<list<array{float, float}>> the places between two corners, which are the first and the last
     */
    private function spans(array $corners): array
    {
        $way = $this->way;
        $cuts = array_map(static fn (array $corner): array => [$corner['at'], [$corner['x'], $corner['y']]], $corners);
        $n = count($way->places);
        if ($way->closed) {
            $cuts[] = [$cuts[0][0] + $way->length, $cuts[0][1]];
        } else {
            array_unshift($cuts, [0.0, $way->places[0]]);
            $cuts[] = [$way->length, $way->places[$n - 1]];
        }
        $spans = [];
        for ($k = 1; $k < count($cuts); $k++) {
            [[$from, $first], [$to, $last]] = [$cuts[$k - 1], $cuts[$k]];
            $spoiled = min(Corners::SPOILED, ($to - $from) / 4);
            $span = [$first];
            for ($i = 0; $i < 2 * $n; $i++) {
                if ($i >= $n && ! $way->closed) {
                    break;
                }
                $s = $way->at[$i % $n] + ($i >= $n ? $way->length : 0.0);
                if ($s >= $from + $spoiled && $s <= $to - $spoiled) {
                    $span[] = $way->places[$i % $n];
                }
            }
            $span[] = $last;
            $spans[] = $span;
        }

        return $spans;
    }

    /**
     * Corners go to where the lines beside them cross.
     *
     * @param  list<list<array{float, float}>>  $spans
     * @param  list<list<list<float>>>  $fitted
     */
    private function refined(array $spans, array $fitted): void
    {
        $count = count($spans);
        for ($k = $this->way->closed ? 0 : 1; $k < $count; $k++) {
            $before = ($k + $count - 1) % $count;
            $a = self::line($spans[$before], $fitted[$before], true);
            $b = self::line($spans[$k], $fitted[$k], false);
            $corner = $spans[$k][0];
            $place = $corner;
            if ($a !== null && $b !== null) {
                $cross = $a[2] * $b[3] - $a[3] * $b[2];
                if (abs($cross) > 0.1) {
                    $t = (($b[0] - $a[0]) * $b[3] - ($b[1] - $a[1]) * $b[2]) / $cross;
                    $place = [$a[0] + $t * $a[2], $a[1] + $t * $a[3]];
                }
            } elseif ($a !== null || $b !== null) {
                [$mx, $my, $dx, $dy] = $a ?? $b;
                $t = ($corner[0] - $mx) * $dx + ($corner[1] - $my) * $dy;
                $place = [$mx + $t * $dx, $my + $t * $dy];
            }
            if (hypot($place[0] - $corner[0], $place[1] - $corner[1]) > self::MOVED) {
                continue;
            }
            $last = count($fitted[$before]) - 1;
            $fitted[$before][$last] = self::moved($fitted[$before][$last], $place, false);
            $fitted[$k][0] = self::moved($fitted[$k][0], $place, true);
        }
        $this->segments = array_merge(...$fitted);
    }

    /** How far the shape with a name leaves its places, in dots, but for chance: nine of ten are nearer. */
    public function off(): float
    {
        if ($this->model === null) {
            return 0.0;
        }
        $off = array_map(fn (array $place): float => abs($this->model->off(...$place)), $this->way->places);
        sort($off);

        return $off === [] ? 0.0 : $off[intdiv(9 * count($off), 10)];
    }

    /**
     * The line of least squares through the places of a stretch's first or last segment, where that is straight.
     *
     * @param  list<array{float, float}>  $span
     * @param  list<list<float>>  $segments
     * @return array{float, float, float, float}|null
     */
    private static function line(array $span, array $segments, bool $last): ?array
    {
        $segment = $segments[$last ? count($segments) - 1 : 0];
        if (! Cubic::isLine($segment)) {
            return null;
        }
        $along = [];
        [$dx, $dy] = [$segment[6] - $segment[0], $segment[7] - $segment[1]];
        $long = max(1e-9, $dx * $dx + $dy * $dy);
        foreach (array_slice($span, 1, -1) as $place) {
            $t = (($place[0] - $segment[0]) * $dx + ($place[1] - $segment[1]) * $dy) / $long;
            if ($t > 0 && $t < 1) {
                $along[] = $place;
            }
        }

        return count($along) < 2 ? null : FewCurves::lineThrough($along, 0, count($along) - 1);
    }

    /**
     * A segment with another start or end; its handle there goes with it.
     *
     * @param  list<float>  $s
     * @param  array{float, float}  $place
     * @return list<float>
     */
    private static function moved(array $s, array $place, bool $start): array
    {
        if (Cubic::isLine($s)) {
            return $start ? Cubic::line($place[0], $place[1], $s[6], $s[7]) : Cubic::line($s[0], $s[1], $place[0], $place[1]);
        }
        $at = $start ? 0 : 6;
        [$dx, $dy] = [$place[0] - $s[$at], $place[1] - $s[$at + 1]];
        $handle = $start ? 2 : 4;
        [$s[$at], $s[$at + 1], $s[$handle], $s[$handle + 1]] = [$place[0], $place[1], $s[$handle] + $dx, $s[$handle + 1] + $dy];

        return array_values($s);
    }
}
