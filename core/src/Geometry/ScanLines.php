<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

use NeatEdge\Core\Patience\Patience;

/**
 * Shapes cut by straight lines: along each line the stretches that lie inside. Lines lie across y after a turn, so that hatches, weeding lines, halftones and
 * pictures of pixels ask one thing.
 */
final class ScanLines
{
    /** @var list<array{float, float, float, float, int, int}> ax, ay, bx, by with ay < by, the way it ran, and its shape; turned, by their upper end */
    private array $edges = [];

    private readonly float $cos;

    private readonly float $sin;

    public readonly float $top;

    public readonly float $bottom;

    /** @var list<bool> whether a shape is filled by the even-odd rule */
    private array $evenodd = [];

    /**
     * @param  list<Shape>  $shapes
     * @param  float  $degrees  by which the lines are turned from the horizontal, clockwise on the bench
     * @param  float  $tolerance  mm that chords leave curves by
     */
    public function __construct(array $shapes, float $degrees = 0.0, float $tolerance = 0.01)
    {
        $this->cos = cos(deg2rad($degrees));
        $this->sin = sin(deg2rad($degrees));
        $top = INF;
        $bottom = -INF;
        foreach ($shapes as $owner => $shape) {
            $this->evenodd[] = $shape->rule === FillRule::Evenodd;
            foreach ($shape->contours as $contour) {
                Patience::ask(16);
                $points = Polyline::of(new Contour($contour->coords, true), $tolerance);
                [$px, $py] = $this->turned($points[0][0], $points[0][1]);
                for ($i = 1, $n = count($points); $i < $n; $i++) {
                    [$qx, $qy] = $this->turned($points[$i][0], $points[$i][1]);
                    if ($qy > $py) {
                        $this->edges[] = [$px, $py, $qx, $qy, 1, $owner];
                    } elseif ($qy < $py) {
                        $this->edges[] = [$qx, $qy, $px, $py, -1, $owner];
                    }
                    $top = min($top, $py, $qy);
                    $bottom = max($bottom, $py, $qy);
                    [$px, $py] = [$qx, $qy];
                }
            }
        }
        usort($this->edges, static fn (array $a, array $b): int => $a[1] <=> $b[1]);
        $this->top = $top;
        $this->bottom = $bottom;
    }

    /** @return array{float, float} a place of the bench in the turned plane */
    private function turned(float $x, float $y): array
    {
        return [$x * $this->cos + $y * $this->sin, $y * $this->cos - $x * $this->sin];
    }

    /** @return array{float, float} a place of the turned plane on the bench */
    public function onBench(float $x, float $y): array
    {
        return [$x * $this->cos - $y * $this->sin, $x * $this->sin + $y * $this->cos];
    }

    /**
     * The stretches inside any shape, line by line.
     *
     * @param  list<float>  $lines  of the turned plane, rising
     * @return iterable<int, list<array{float, float}>> by number of the line: from and to in the turned plane, rising, apart from each other
     */
    public function along(array $lines): iterable
    {
        $next = 0;
        $count = count($this->edges);
        $active = [];
        $alone = count($this->evenodd) === 1;
        foreach ($lines as $k => $y) {
            Patience::ask(16);
            while ($next < $count && $this->edges[$next][1] <= $y) {
                $active[] = $this->edges[$next++];
            }
            if ($alone) {
                yield $k => $this->ofOne($active, $y);

                continue;
            }
            $hits = [];
            foreach ($active as $i => $edge) {
                if ($edge[3] <= $y) {
                    unset($active[$i]);
                } else {
                    $hits[] = [$edge[0] + ($edge[2] - $edge[0]) * ($y - $edge[1]) / ($edge[3] - $edge[1]), $edge[4], $edge[5]];
                }
            }
            yield $k => $this->stretches($hits);
        }
    }

    /**
     * The same where there is one shape: edges that run one way and the other are sorted as plain numbers, and then gone through together.
     *
     * @param  array<int, array{float, float, float, float, int, int}>  $active  edges that were begun; those that ended are taken out
     * @return list<array{float, float}>
     */
    private function ofOne(array &$active, float $y): array
    {
        $up = $down = [];
        foreach ($active as $i => $edge) {
            if ($edge[3] <= $y) {
                unset($active[$i]);
            } elseif ($edge[4] > 0) {
                $up[] = $edge[0] + ($edge[2] - $edge[0]) * ($y - $edge[1]) / ($edge[3] - $edge[1]);
            } else {
                $down[] = $edge[0] + ($edge[2] - $edge[0]) * ($y - $edge[1]) / ($edge[3] - $edge[1]);
            }
        }
        sort($up);
        sort($down);
        $mask = $this->evenodd[0] ? 1 : -1;
        $winding = $a = $b = 0;
        $stretches = [];
        $from = 0.0;
        $last = -INF;
        for ($n = count($up), $m = count($down); $a < $n || $b < $m;) {
            $before = $winding & $mask;
            if ($b >= $m || ($a < $n && $up[$a] < $down[$b])) {
                $x = $up[$a++];
                $winding++;
            } else {
                $x = $down[$b++];
                $winding--;
            }
            if ($before === 0 && ($winding & $mask) !== 0) {
                $from = $x;
            } elseif ($before !== 0 && ($winding & $mask) === 0) {
                if ($from - $last < 1e-9) {
                    [$begun] = array_pop($stretches) ?? [$from];
                    $stretches[] = [$begun, $x];
                    $last = $x;
                } elseif ($x - $from > 1e-9) {
                    $stretches[] = [$from, $x];
                    $last = $x;
                }
            }
        }

        return $stretches;
    }

    /**
     * @param  list<array{float, int, int}>  $hits  where a line meets edges, which way they run, whose they are
     * @return list<array{float, float}>
     */
    private function stretches(array $hits): array
    {
        if ($hits === []) {
            return [];
        }
        sort($hits);
        $winding = [];
        $inside = 0;
        $stretches = [];
        $from = 0.0;
        foreach ($hits as [$x, $way, $owner]) {
            $before = $winding[$owner] ?? 0;
            $after = $before + $way;
            $winding[$owner] = $after;
            [$was, $is] = $this->evenodd[$owner] ? [($before & 1) === 1, ($after & 1) === 1] : [$before !== 0, $after !== 0];
            if ($was === $is) {
                continue;
            }
            $inside += $is ? 1 : -1;
            if ($is && $inside === 1) {
                $from = $x;
            } elseif (! $is && $inside === 0) {
                $last = $stretches[count($stretches) - 1] ?? null;
                if ($last !== null && $from - $last[1] < 1e-9) {
                    array_pop($stretches);
                    $stretches[] = [$last[0], $x];
                } elseif ($x - $from > 1e-9) {
                    $stretches[] = [$from, $x];
                }
            }
        }

        return $stretches;
    }
}
