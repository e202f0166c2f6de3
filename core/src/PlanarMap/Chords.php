<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap;

use NeatEdge\Core\Patience\Patience;

/**
 * Straight edges on the integer grid, each with where it came from and how the winding changes across it.
 *
 * An edge runs from its lower vertex key to its higher. Its deltas say, by owner, how much greater the winding number
 * is on its left than on its right. Equal edges are one edge with the deltas added up.
 */
final class Chords
{
    /** In place of a delta: see the list of deltas. No winding number comes near it. */
    public const SEVERAL = PHP_INT_MAX;

    /** Flatness as a share of the way along a curve's handles, where that is less than the flatness. */
    private const FINER = 0.01;

    /** @var list<int> grid x of each vertex */
    public array $x = [];

    /** @var list<int> grid y of each vertex */
    public array $y = [];

    /**
     * @var array<int, int> vertex by x << 31 | y, with x and the high bits of y mixed into the low bits (see slot): PHP's hash
     *                      of an integer is its low bits, and art on a regular pattern would fall into a few long chains
     */
    public array $vertex = [];

    /** @var list<int> first vertex of each edge */
    public array $a = [];

    /** @var list<int> second vertex of each edge */
    public array $b = [];

    /** @var list<int> contour that the edge is a chord of: the first, where several coincide */
    public array $contour = [];

    /** @var list<float> g at the first vertex */
    public array $ga = [];

    /** @var list<float> g at the second vertex */
    public array $gb = [];

    /** @var list<int> delta of the owner of the edge's contour, or SEVERAL */
    public array $delta = [];

    /** @var array<int, array<int, int>> edge => owner => delta, where there are several owners */
    public array $deltas = [];

    /** @param  list<int>  $owner  by contour */
    private function __construct(public readonly array $owner)
    {
    }

    /**
     * @param  list<array{0: int, 1: float, 2: float, 3: list<float>}>  $pieces  from the weld pass
     * @param  float  $flatness  mm
     */
    public static function flatten(Sources $sources, array $pieces, float $flatness): self
    {
        $self = new self($sources->owner);
        $scale = $sources->scale;
        $ox = $sources->originX - 0.5 / $scale;
        $oy = $sources->originY - 0.5 / $scale;
        $vx = [];
        $vy = [];
        $vertex = [];
        $a = [];
        $b = [];
        $contour = [];
        $ga = [];
        $gb = [];
        $delta = [];
        $deltas = [];
        $owners = $sources->owner;
        $borders = $sources->border;
        /** @var array<int, list<array{list<float>, int, int}>> $curves by end vertices: coordinates, first chord, one past the last */
        $curves = [];
        foreach ($pieces as [$c, $g0, $g1, $p]) {
            Patience::ask(4);
            [$x0, $y0, $x1, $y1, $x2, $y2, $x3, $y3] = $p;
            $forward = true;
            $n = 1;
            $ax = $ay = $bx = $by = $cx = $cy = 0.0;
            // One direction for a curve and its reverse, so that both give the same chords bit for bit.
            if ($x0 > $x3 || ($x0 === $x3 && ($y0 > $y3 || ($y0 === $y3 && ($x1 > $x2 || ($x1 === $x2 && $y1 > $y2)))))) {
                $forward = false;
                $p = [$x3, $y3, $x2, $y2, $x1, $y1, $x0, $y0];
                [$x0, $y0, $x1, $y1, $x2, $y2, $x3, $y3] = $p;
                [$g0, $g1] = [$g1, $g0];
            }
            if ($x1 !== $x0 || $y1 !== $y0 || $x2 !== $x3 || $y2 !== $y3) {
                $m = max(
                    ($x0 - 2 * $x1 + $x2) ** 2 + ($y0 - 2 * $y1 + $y2) ** 2,
                    ($x1 - 2 * $x2 + $x3) ** 2 + ($y1 - 2 * $y2 + $y3) ** 2,
                );
                // A small curve is as round for its size as a large one.
                $finer = self::FINER * (abs($x1 - $x0) + abs($y1 - $y0) + abs($x2 - $x1) + abs($y2 - $y1) + abs($x3 - $x2) + abs($y3 - $y2));
                $n = max(1, (int) ceil(sqrt(0.75 * sqrt($m) / ($finer < $flatness ? $finer : $flatness))));
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
            $slot = $fromKey ^ ($gy >> 19 ^ ($gx >> 16) * 40503 ^ $gx * 31) & 0x7FFFFFFF;
            $from = $vertex[$slot] ?? null;
            if ($from === null) {
                $from = count($vx);
                $vertex[$slot] = $from;
                $vx[] = $gx;
                $vy[] = $gy;
            }
            $lastX = (int) (($x3 - $ox) * $scale);
            $lastY = (int) (($y3 - $oy) * $scale);
            $key = $lastX << 31 | $lastY;
            if ($key === $fromKey && $n === 1) {
                continue;
            }
            $slot = $key ^ ($lastY >> 19 ^ ($lastX >> 16) * 40503 ^ $lastX * 31) & 0x7FFFFFFF;
            $to = $vertex[$slot] ?? null;
            if ($to === null) {
                $to = count($vx);
                $vertex[$slot] = $to;
                $vx[] = $lastX;
                $vy[] = $lastY;
            }
            $sign = $forward ? 1 : -1;
            if (isset($borders[$c])) {
                // Each segment its own weight: a line that runs back over itself must not cancel out.
                $sign *= 2 * (int) min($g0, $g1) + 1;
            }
            $ends = $from << 31 | $to;
            if (isset($curves[$ends])) {
                foreach ($curves[$ends] as [$other, $begin, $end]) {
                    // Two lines between the same vertices are the same chord, however their ends were rounded.
                    if ($other === $p || ($n === 1 && $end === $begin + 1 && self::isFlat($p, $flatness) && self::isFlat($other, $flatness))) {
                        $o = $owners[$c];
                        for ($e = $begin; $e < $end; $e++) {
                            $along = $a[$e] === $from;
                            $from = $along ? $b[$e] : $a[$e];
                            $d = $along ? $sign : -$sign;
                            if ($delta[$e] === self::SEVERAL) {
                                $deltas[$e][$o] = ($deltas[$e][$o] ?? 0) + $d;
                            } elseif ($owners[$contour[$e]] === $o) {
                                $delta[$e] += $d;
                            } else {
                                $deltas[$e] = [$owners[$contour[$e]] => $delta[$e], $o => $d];
                                $delta[$e] = self::SEVERAL;
                            }
                        }

                        continue 2;
                    }
                }
            }
            if (isset($curves[$ends]) && $n < 4 && ! self::isFlat($p, $flatness)) {
                // One chord would not be told from the other's.
                $n = 4;
            }
            $begin = count($a);
            $fromG = $g0;
            $lastKey = $key;
            $lastVertex = $to;
            for ($k = 1; $k <= $n; $k++) {
                if ($k === $n) {
                    $key = $lastKey;
                    $g = $g1;
                } else {
                    $t = $k / $n;
                    $gx = (int) ((($ax * $t + $bx) * $t + $cx) * $t * $scale + ($x0 - $ox) * $scale);
                    $gy = (int) ((($ay * $t + $by) * $t + $cy) * $t * $scale + ($y0 - $oy) * $scale);
                    $g = $g0 + ($g1 - $g0) * $t;
                    $key = $gx << 31 | $gy;
                }
                if ($key === $fromKey) {
                    continue;
                }
                $slot = $key ^ ($gy >> 19 ^ ($gx >> 16) * 40503 ^ $gx * 31) & 0x7FFFFFFF;
                $to = $k === $n ? $lastVertex : $vertex[$slot] ?? null;
                if ($to === null) {
                    $to = count($vx);
                    $vertex[$slot] = $to;
                    $vx[] = $gx;
                    $vy[] = $gy;
                }
                if ($fromKey < $key) {
                    $a[] = $from;
                    $b[] = $to;
                    $ga[] = $fromG;
                    $gb[] = $g;
                    $delta[] = $sign;
                } else {
                    $a[] = $to;
                    $b[] = $from;
                    $ga[] = $g;
                    $gb[] = $fromG;
                    $delta[] = -$sign;
                }
                $contour[] = $c;
                $from = $to;
                $fromKey = $key;
                $fromG = $g;
            }
            $curves[$ends][] = [$p, $begin, count($a)];
        }
        $self->x = $vx;
        $self->y = $vy;
        $self->vertex = $vertex;
        $self->a = $a;
        $self->b = $b;
        $self->contour = $contour;
        $self->ga = $ga;
        $self->gb = $gb;
        $self->delta = $delta;
        $self->deltas = $deltas;

        return $self;
    }

    /** Where a vertex is kept, by x << 31 | y. */
    public static function slot(int $key): int
    {
        $x = $key >> 31;

        return $key ^ (($key & 0x7FFFFFFF) >> 19 ^ ($x >> 16) * 40503 ^ $x * 31) & 0x7FFFFFFF;
    }

    /**
     * Whether a segment is a line, or as good as one.
     *
     * @param  list<float>  $p
     */
    private static function isFlat(array $p, float $flatness): bool
    {
        $dx = $p[6] - $p[0];
        $dy = $p[7] - $p[1];
        $most = 1e-3 * $flatness * sqrt($dx * $dx + $dy * $dy);

        return abs($dx * ($p[3] - $p[1]) - $dy * ($p[2] - $p[0])) <= $most && abs($dx * ($p[5] - $p[1]) - $dy * ($p[4] - $p[0])) <= $most;
    }

    /**
     * These edges cut at the given vertices, equal ones merged, those that no longer change any winding left out.
     *
     * @param  array<int, list<int>>  $cuts  vertex keys (x << 31 | y) on each edge, in any order, possibly repeated; an
     *                                       edge that equals another holds its own ends
     */
    public function cutAt(array $cuts): self
    {
        $self = new self($this->owner);
        $vx = $this->x;
        $vy = $this->y;
        $vertex = $this->vertex;
        $this->vertex = [];
        $owners = $this->owner;
        // Equal edges can only be where cuts are: an edge is sought among the others only if both its ends are hot.
        $hot = $vx === [] ? [] : array_fill(0, count($vx), false);
        foreach ($cuts as $e => $keys) {
            Patience::ask();
            $places = [];
            foreach ($keys as $key) {
                $slot = self::slot($key);
                $v = $vertex[$slot] ?? null;
                if ($v === null) {
                    $v = count($vx);
                    $vertex[$slot] = $v;
                    $vx[] = $key >> 31;
                    $vy[] = $key & 0x7FFFFFFF;
                    $hot[] = true;
                } else {
                    $hot[$v] = true;
                }
                $places[] = $v;
            }
            $cuts[$e] = $places;
            $hot[$this->a[$e]] = $hot[$this->b[$e]] = true;
        }
        unset($vertex);
        $a = [];
        $b = [];
        $contour = [];
        $ga = [];
        $gb = [];
        $delta = [];
        $deltas = [];
        /** @var array<int, int> $index */
        $index = [];
        $oldB = $this->b;
        $oldContour = $this->contour;
        $oldGa = $this->ga;
        $oldGb = $this->gb;
        $oldDelta = $this->delta;
        $dead = false;
        foreach ($this->a as $e => $from) {
            Patience::ask();
            $d = $oldDelta[$e];
            if ($d === 0) {
                continue;
            }
            $end = $oldB[$e];
            if (! isset($cuts[$e]) && ! ($hot[$from] && $hot[$end])) {
                if ($d === self::SEVERAL) {
                    $own = array_filter($this->deltas[$e]);
                    if ($own === []) {
                        continue;
                    }
                    $deltas[count($a)] = $own;
                }
                $a[] = $from;
                $b[] = $end;
                $contour[] = $oldContour[$e];
                $ga[] = $oldGa[$e];
                $gb[] = $oldGb[$e];
                $delta[] = $d;

                continue;
            }
            $o = $owners[$oldContour[$e]];
            $g0 = $oldGa[$e];
            $g1 = $oldGb[$e];
            $chain = [$end => $g1];
            if (isset($cuts[$e])) {
                $ax = $vx[$from];
                $ay = $vy[$from];
                $dx = $vx[$end] - $ax;
                $dy = $vy[$end] - $ay;
                $dots = [];
                foreach ($cuts[$e] as $v) {
                    if ($v !== $from && $v !== $end) {
                        $dots[$v] = ($vx[$v] - $ax) * $dx + ($vy[$v] - $ay) * $dy;
                    }
                }
                if ($dots !== []) {
                    if (count($dots) > 1) {
                        asort($dots);
                    }
                    $square = $dx * $dx + $dy * $dy;
                    $chain = [];
                    foreach ($dots as $v => $dot) {
                        $chain[$v] = $g0 + ($g1 - $g0) * ($dot <= 0 ? 0.0 : ($dot >= $square ? 1.0 : $dot / $square));
                    }
                    $chain[$end] = $g1;
                }
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
                    if ($d !== self::SEVERAL) {
                        $delta[] = $sign * $d;
                    } else {
                        $delta[] = $d;
                        $dead = true;
                        $deltas[$same] = $this->deltas[$e];
                        if ($sign < 0) {
                            foreach ($deltas[$same] as $k => $value) {
                                $deltas[$same][$k] = -$value;
                            }
                        }
                    }
                } elseif ($d !== self::SEVERAL && $delta[$same] !== self::SEVERAL && $owners[$contour[$same]] === $o) {
                    $delta[$same] += $sign * $d;
                    $dead = $dead || $delta[$same] === 0;
                } else {
                    $dead = true;
                    if ($delta[$same] !== self::SEVERAL) {
                        $deltas[$same] = [$owners[$contour[$same]] => $delta[$same]];
                        $delta[$same] = self::SEVERAL;
                    }
                    foreach ($d !== self::SEVERAL ? [$o => $d] : $this->deltas[$e] as $k => $value) {
                        $deltas[$same][$k] = ($deltas[$same][$k] ?? 0) + $sign * $value;
                    }
                }
                $from = $to;
                $g0 = $g;
            }
        }
        $self->x = $vx;
        $self->y = $vy;
        if ($dead) {
            $self->keep($a, $b, $contour, $ga, $gb, $delta, $deltas);
        } else {
            $self->a = $a;
            $self->b = $b;
            $self->contour = $contour;
            $self->ga = $ga;
            $self->gb = $gb;
            $self->delta = $delta;
            $self->deltas = $deltas;
        }

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
     * @param  list<int>  $delta
     * @param  array<int, array<int, int>>  $deltas
     */
    private function keep(array $a, array $b, array $contour, array $ga, array $gb, array $delta, array $deltas): void
    {
        foreach ($a as $e => $from) {
            Patience::ask();
            $d = $delta[$e];
            if ($d === 0) {
                continue;
            }
            if ($d === self::SEVERAL) {
                $own = array_filter($deltas[$e]);
                if ($own === []) {
                    continue;
                }
                $this->deltas[count($this->a)] = $own;
            }
            $this->a[] = $from;
            $this->b[] = $b[$e];
            $this->contour[] = $contour[$e];
            $this->ga[] = $ga[$e];
            $this->gb[] = $gb[$e];
            $this->delta[] = $d;
        }
    }
}
