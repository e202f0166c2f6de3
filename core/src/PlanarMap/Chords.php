<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap;

/**
 * Straight edges on the integer grid, each with where it came from and how the winding changes across it.
 *
 * An edge runs from its lower vertex key to its higher. Its deltas say, by owner, how much greater the winding number
 * is on its left than on its right. Equal edges are one edge with the deltas added up.
 */
final class Chords
{
    /** @var list<int> grid x of each vertex */
    public array $x = [];

    /** @var list<int> grid y of each vertex */
    public array $y = [];

    /** @var array<int, int> vertex by x << 31 | y */
    public array $vertex = [];

    /** @var list<int> first vertex of each edge */
    public array $a = [];

    /** @var list<int> second vertex of each edge */
    public array $b = [];

    /** @var list<int> contour that the edge is a chord of */
    public array $contour = [];

    /** @var list<float> g at the first vertex */
    public array $ga = [];

    /** @var list<float> g at the second vertex */
    public array $gb = [];

    /** @var list<int> the only owner with a delta, or -1 when there are several */
    public array $owner = [];

    /** @var list<int> delta of the only owner */
    public array $delta = [];

    /** @var array<int, array<int, int>> edge => owner => delta, where there are several owners */
    public array $deltas = [];

    /**
     * @param  list<array{0: int, 1: float, 2: float, 3: list<float>}>  $pieces  from the weld pass
     * @param  float  $flatness  mm
     */
    public static function flatten(Sources $sources, array $pieces, float $flatness): self
    {
        $self = new self;
        $scale = $sources->scale;
        $ox = $sources->originX - 0.5 / $scale;
        $oy = $sources->originY - 0.5 / $scale;
        $owners = $sources->owner;
        $vx = [];
        $vy = [];
        $vertex = [];
        $a = [];
        $b = [];
        $contour = [];
        $ga = [];
        $gb = [];
        $own = [];
        $delta = [];
        /** @var array<int, int> $index edge by a << 31 | b */
        $index = [];
        foreach ($pieces as [$c, $g0, $g1, $p]) {
            [$x0, $y0, $x1, $y1, $x2, $y2, $x3, $y3] = $p;
            $forward = true;
            $n = 1;
            $ax = $ay = $bx = $by = $cx = $cy = 0.0;
            if ($x1 !== $x0 || $y1 !== $y0 || $x2 !== $x3 || $y2 !== $y3) {
                // One direction for a curve and its reverse, so that both give the same chords bit for bit.
                if ($x0 > $x3 || ($x0 === $x3 && ($y0 > $y3 || ($y0 === $y3 && ($x1 > $x2 || ($x1 === $x2 && $y1 > $y2)))))) {
                    $forward = false;
                    [$x0, $y0, $x1, $y1, $x2, $y2, $x3, $y3] = [$x3, $y3, $x2, $y2, $x1, $y1, $x0, $y0];
                    [$g0, $g1] = [$g1, $g0];
                }
                $m = max(
                    ($x0 - 2 * $x1 + $x2) ** 2 + ($y0 - 2 * $y1 + $y2) ** 2,
                    ($x1 - 2 * $x2 + $x3) ** 2 + ($y1 - 2 * $y2 + $y3) ** 2,
                );
                $n = max(1, (int) ceil(sqrt(0.75 * sqrt($m) / $flatness)));
                $ax = $x3 - 3 * $x2 + 3 * $x1 - $x0;
                $ay = $y3 - 3 * $y2 + 3 * $y1 - $y0;
                $bx = 3 * ($x2 - 2 * $x1 + $x0);
                $by = 3 * ($y2 - 2 * $y1 + $y0);
                $cx = 3 * ($x1 - $x0);
                $cy = 3 * ($y1 - $y0);
            }
            $gx = (int) (($x0 - $ox) * $scale);
            $gy = (int) (($y0 - $oy) * $scale);
            $fromKey = $gx << 31 | $gy;
            $from = $vertex[$fromKey] ?? null;
            if ($from === null) {
                $from = count($vx);
                $vertex[$fromKey] = $from;
                $vx[] = $gx;
                $vy[] = $gy;
            }
            $fromG = $g0;
            for ($k = 1; $k <= $n; $k++) {
                if ($k === $n) {
                    $gx = (int) (($x3 - $ox) * $scale);
                    $gy = (int) (($y3 - $oy) * $scale);
                    $g = $g1;
                } else {
                    $t = $k / $n;
                    $gx = (int) ((($ax * $t + $bx) * $t + $cx) * $t * $scale + ($x0 - $ox) * $scale);
                    $gy = (int) ((($ay * $t + $by) * $t + $cy) * $t * $scale + ($y0 - $oy) * $scale);
                    $g = $g0 + ($g1 - $g0) * $t;
                }
                $key = $gx << 31 | $gy;
                if ($key === $fromKey) {
                    continue;
                }
                $to = $vertex[$key] ?? null;
                if ($to === null) {
                    $to = count($vx);
                    $vertex[$key] = $to;
                    $vx[] = $gx;
                    $vy[] = $gy;
                }
                if ($fromKey < $key) {
                    $e = $from << 31 | $to;
                    $sign = $forward ? 1 : -1;
                } else {
                    $e = $to << 31 | $from;
                    $sign = $forward ? -1 : 1;
                }
                $o = $owners[$c];
                $same = $index[$e] ?? null;
                if ($same === null) {
                    $index[$e] = count($a);
                    if ($fromKey < $key) {
                        $a[] = $from;
                        $b[] = $to;
                        $ga[] = $fromG;
                        $gb[] = $g;
                    } else {
                        $a[] = $to;
                        $b[] = $from;
                        $ga[] = $g;
                        $gb[] = $fromG;
                    }
                    $contour[] = $c;
                    $own[] = $o;
                    $delta[] = $sign;
                } elseif ($own[$same] === $o) {
                    $delta[$same] += $sign;
                } elseif ($own[$same] >= 0) {
                    $self->deltas[$same] = [$own[$same] => $delta[$same], $o => $sign];
                    $own[$same] = -1;
                } else {
                    $self->deltas[$same][$o] = ($self->deltas[$same][$o] ?? 0) + $sign;
                }
                $from = $to;
                $fromKey = $key;
                $fromG = $g;
            }
        }
        $self->x = $vx;
        $self->y = $vy;
        $self->vertex = $vertex;
        $self->a = $a;
        $self->b = $b;
        $self->contour = $contour;
        $self->ga = $ga;
        $self->gb = $gb;
        $self->owner = $own;
        $self->delta = $delta;

        return $self;
    }

    /**
     * These edges cut at the given vertices, equal ones merged, those that no longer change any winding left out.
     *
     * @param  array<int, list<int>>  $cuts  vertex keys (x << 31 | y) on each edge, in any order, possibly repeated
     */
    public function cutAt(array $cuts): self
    {
        $self = new self;
        $vx = $this->x;
        $vy = $this->y;
        $vertex = $this->vertex;
        $a = [];
        $b = [];
        $contour = [];
        $ga = [];
        $gb = [];
        $own = [];
        $delta = [];
        $deltas = [];
        /** @var array<int, int> $index */
        $index = [];
        $oldB = $this->b;
        $oldContour = $this->contour;
        $oldGa = $this->ga;
        $oldGb = $this->gb;
        $oldOwner = $this->owner;
        $oldDelta = $this->delta;
        foreach ($this->a as $e => $from) {
            $o = $oldOwner[$e];
            if ($o >= 0 && $oldDelta[$e] === 0) {
                continue;
            }
            $end = $oldB[$e];
            $g0 = $oldGa[$e];
            $g1 = $oldGb[$e];
            $chain = [$end => $g1];
            if (isset($cuts[$e])) {
                $ax = $vx[$from];
                $ay = $vy[$from];
                $dx = $vx[$end] - $ax;
                $dy = $vy[$end] - $ay;
                $dots = [];
                foreach ($cuts[$e] as $key) {
                    $v = $vertex[$key] ?? null;
                    if ($v === null) {
                        $v = count($vx);
                        $vertex[$key] = $v;
                        $vx[] = $key >> 31;
                        $vy[] = $key & 0x7FFFFFFF;
                    }
                    $dots[$v] = ($vx[$v] - $ax) * $dx + ($vy[$v] - $ay) * $dy;
                }
                asort($dots);
                $square = $dx * $dx + $dy * $dy;
                $chain = [];
                foreach ($dots as $v => $dot) {
                    $chain[$v] = $g0 + ($g1 - $g0) * min(1.0, max(0.0, $dot / $square));
                }
                $chain[$end] = $g1;
            }
            foreach ($chain as $to => $g) {
                $sign = $vx[$from] < $vx[$to] || ($vx[$from] === $vx[$to] && $vy[$from] < $vy[$to]) ? 1 : -1;
                $key = $sign > 0 ? $from << 31 | $to : $to << 31 | $from;
                $same = $index[$key] ?? null;
                if ($same === null) {
                    $same = count($a);
                    $index[$key] = $same;
                    if ($sign > 0) {
                        $a[] = $from;
                        $b[] = $to;
                        $ga[] = $g0;
                        $gb[] = $g;
                    } else {
                        $a[] = $to;
                        $b[] = $from;
                        $ga[] = $g;
                        $gb[] = $g0;
                    }
                    $contour[] = $oldContour[$e];
                    $own[] = $o;
                    $delta[] = $sign * $oldDelta[$e];
                    if ($o < 0) {
                        $deltas[$same] = $this->deltas[$e];
                        if ($sign < 0) {
                            foreach ($deltas[$same] as $k => $value) {
                                $deltas[$same][$k] = -$value;
                            }
                        }
                    }
                } elseif ($o >= 0 && $own[$same] === $o) {
                    $delta[$same] += $sign * $oldDelta[$e];
                } else {
                    if ($own[$same] >= 0) {
                        $deltas[$same] = [$own[$same] => $delta[$same]];
                        $own[$same] = -1;
                    }
                    foreach ($o >= 0 ? [$o => $oldDelta[$e]] : $this->deltas[$e] as $k => $value) {
                        $deltas[$same][$k] = ($deltas[$same][$k] ?? 0) + $sign * $value;
                    }
                }
                $from = $to;
                $g0 = $g;
            }
        }
        $self->x = $vx;
        $self->y = $vy;
        $self->keep($a, $b, $contour, $ga, $gb, $own, $delta, $deltas);

        return $self;
    }

    /**
     * Takes the edges over which some winding changes.
     *
     * @param  list<int>  $a
     * @param  list<int>  $b
     * @param  list<int>  $contour
     * @param  list<float>  $ga
     * @param  list<float>  $gb
     * @param  list<int>  $own
     * @param  list<int>  $delta
     * @param  array<int, array<int, int>>  $deltas
     */
    private function keep(array $a, array $b, array $contour, array $ga, array $gb, array $own, array $delta, array $deltas): void
    {
        $dead = [];
        foreach ($own as $e => $o) {
            if ($o >= 0 ? $delta[$e] === 0 : ($deltas[$e] = array_filter($deltas[$e])) === []) {
                $dead[] = $e;
            }
        }
        if ($dead === []) {
            $this->a = $a;
            $this->b = $b;
            $this->contour = $contour;
            $this->ga = $ga;
            $this->gb = $gb;
            $this->owner = $own;
            $this->delta = $delta;
            $this->deltas = $deltas;

            return;
        }
        foreach ($dead as $e) {
            unset($a[$e], $deltas[$e]);
        }
        foreach ($a as $e => $from) {
            if (isset($deltas[$e])) {
                $this->deltas[count($this->a)] = $deltas[$e];
            }
            $this->a[] = $from;
            $this->b[] = $b[$e];
            $this->contour[] = $contour[$e];
            $this->ga[] = $ga[$e];
            $this->gb[] = $gb[$e];
            $this->owner[] = $own[$e];
            $this->delta[] = $delta[$e];
        }
    }
}
