<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap;

use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Patience\Patience;

/**
 * Makes outlines that are meant to coincide coincide exactly, before any crossing is sought: end points within the
 * weld distance become one, a segment is split where another's end point lies on it, and two curves with the same
 * ends and the same handles become one curve. Without it the same curve given with another split or reversed
 * interleaves its chords and leaves hundreds of nodes.
 */
final class WeldPass
{
    /** @var list<float> */
    private array $nodeX = [];

    /** @var list<float> */
    private array $nodeY = [];

    /** @var array<int, list<int>> nodes by fine cell, for clustering (the key mixes the column into the low bits: see Crossings) */
    private array $fine = [];

    /** @var array<int, list<int>> nodes by coarse cell, for those that lie on a segment */
    private array $coarse = [];

    private float $coarseSize = 1.0;

    /** @var list<int>|null nodes from left to right, for segments that span more cells than there are nodes */
    private ?array $fromLeft = null;

    private function __construct(private readonly Sources $sources, private readonly float $distance)
    {
    }

    /**
     * @param  float  $distance  weld distance, mm
     * @return list<array{0: int, 1: float, 2: float, 3: list<float>}> contour, g at its start, g at its end, eight floats
     */
    public static function pieces(Sources $sources, float $distance): array
    {
        return (new self($sources, $distance))->run();
    }

    /** @return list<array{0: int, 1: float, 2: float, 3: list<float>}> */
    private function run(): array
    {
        $ends = [];
        foreach ($this->sources->coords as $c => $coords) {
            $ids = [];
            for ($i = 0, $last = count($coords) - 2; $i < $last; $i += 6) {
                Patience::ask();
                $ids[] = $this->node($coords[$i], $coords[$i + 1]);
            }
            $ids[] = $ids[0];
            $ends[$c] = $ids;
        }
        $this->fine = [];
        $this->sowCoarse();
        $pieces = [];
        /** @var array<int, list<list<float>>> $curves */
        $curves = [];
        foreach ($this->sources->coords as $c => $coords) {
            $ids = $ends[$c];
            $unlaid = $this->sources->unlaid[$c] ?? -1;
            for ($s = 0, $n = count($ids) - 1; $s < $n; $s++) {
                Patience::ask(2);
                if ($s === $unlaid) {
                    continue;
                }
                $seg = array_slice($coords, 6 * $s, 8);
                foreach ($this->split($seg, $ids[$s], $ids[$s + 1]) as [$t0, $t1, $a, $b]) {
                    $part = Cubic::part($seg, $t0, $t1);
                    $line = Cubic::isLine($seg);
                    if ($a === $b && ($line || $this->isSpeck($part))) {
                        continue;
                    }
                    $part = $this->ended($part, $a, $b, $line);
                    if (! $line) {
                        $key = $a < $b ? $a << 31 | $b : $b << 31 | $a;
                        $part = $this->shared($curves[$key] ?? [], $part) ?? $part;
                        $curves[$key][] = $part;
                    }
                    $pieces[] = [$c, $s + $t0, $s + $t1, $part];
                }
            }
        }

        return $pieces;
    }

    /** @param  list<float>  $part */
    private function isSpeck(array $part): bool
    {
        $d = $this->distance;

        return abs($part[2] - $part[0]) < $d && abs($part[3] - $part[1]) < $d && abs($part[4] - $part[0]) < $d && abs($part[5] - $part[1]) < $d;
    }

    private function node(float $x, float $y): int
    {
        $d = $this->distance;
        $h = 4 * $d;
        $left = 8 + (int) floor(($x - $this->sources->originX - $d) / $h);
        $right = 8 + (int) floor(($x - $this->sources->originX + $d) / $h);
        $top = 8 + (int) floor(($y - $this->sources->originY - $d) / $h);
        $bottom = 8 + (int) floor(($y - $this->sources->originY + $d) / $h);
        for ($cx = $left; $cx <= $right; $cx++) {
            for ($cy = $top; $cy <= $bottom; $cy++) {
                foreach ($this->fine[$cx << 30 | ($cy ^ $cx * 40503 & 0x3FFFFFFF)] ?? [] as $id) {
                    if (abs($this->nodeX[$id] - $x) <= $d && abs($this->nodeY[$id] - $y) <= $d) {
                        return $id;
                    }
                }
            }
        }
        $id = count($this->nodeX);
        $this->nodeX[] = $x;
        $this->nodeY[] = $y;
        $cx = (int) floor(($x - $this->sources->originX) / $h) + 8;
        $cy = (int) floor(($y - $this->sources->originY) / $h) + 8;
        $this->fine[$cx << 30 | ($cy ^ $cx * 40503 & 0x3FFFFFFF)][] = $id;

        return $id;
    }

    /** Nodes that were looked at beside segments. */
    private int $work = 0;

    private function sowCoarse(): void
    {
        // One huge shape must not make the cells so large that all the others share one.
        $sum = 0.0;
        $count = 0;
        foreach ($this->sources->coords as $c) {
            for ($i = 0, $last = count($c) - 2; $i < $last; $i += 6) {
                $sum += log(abs($c[$i + 6] - $c[$i]) + abs($c[$i + 7] - $c[$i + 1]) + $this->distance);
                $count++;
            }
        }
        $this->coarseSize = max(4 * $this->distance, min(
            $this->sources->extent / max(1.0, sqrt(count($this->nodeX))),
            3 * exp($sum / max(1, $count)),
        ));
        $h = $this->coarseSize;
        $ox = $this->sources->originX;
        $oy = $this->sources->originY;
        foreach ($this->nodeX as $id => $x) {
            $cx = (int) (($x - $ox) / $h);
            $cy = (int) (($this->nodeY[$id] - $oy) / $h);
            $this->coarse[$cx << 30 | ($cy ^ $cx * 40503 & 0x3FFFFFFF)][] = $id;
        }
    }

    /**
     * @param  list<float>  $seg
     * @return list<array{float, float, int, int}> t at start and end, node at start and end
     */
    private function split(array $seg, int $from, int $to): array
    {
        $found = [];
        $this->search($seg, 0.0, 1.0, $from, $to, $found, 0);
        if ($found === []) {
            return [[0.0, 1.0, $from, $to]];
        }
        asort($found);
        $parts = [];
        $t = 0.0;
        $a = $from;
        foreach ($found as $id => $next) {
            $parts[] = [$t, $next, $a, $id];
            [$t, $a] = [$next, $id];
        }
        $parts[] = [$t, 1.0, $a, $to];

        return $parts;
    }

    /**
     * Nodes that lie on a part of a segment, as node => t.
     *
     * @param  list<float>  $seg
     * @param  array<int, float>  $found
     */
    private function search(array $seg, float $t0, float $t1, int $from, int $to, array &$found, int $depth): void
    {
        $part = $depth === 0 ? $seg : Cubic::part($seg, $t0, $t1);
        $d = $this->distance;
        $h = $this->coarseSize;
        [$x0, $y0, $x1, $y1, $x2, $y2, $x3, $y3] = $part;
        $left = min($x0, $x1, $x2, $x3) - $d - $this->sources->originX;
        $right = max($x0, $x1, $x2, $x3) + $d - $this->sources->originX;
        $top = min($y0, $y1, $y2, $y3) - $d - $this->sources->originY;
        $bottom = max($y0, $y1, $y2, $y3) + $d - $this->sources->originY;
        [$cx0, $cx1] = [max(0, (int) ($left / $h)), (int) ($right / $h)];
        [$cy0, $cy1] = [max(0, (int) ($top / $h)), (int) ($bottom / $h)];
        $cells = ($cx1 - $cx0 + 1) * ($cy1 - $cy0 + 1);
        if ($depth < 10 && $cells > 16 && $cells <= 16 + count($this->nodeX)) {
            $middle = ($t0 + $t1) / 2;
            $this->search($seg, $t0, $middle, $from, $to, $found, $depth + 1);
            $this->search($seg, $middle, $t1, $from, $to, $found, $depth + 1);

            return;
        }
        $dx = $x3 - $x0;
        $dy = $y3 - $y0;
        $length = sqrt($dx * $dx + $dy * $dy);
        // The curve lies between its chord and three quarters of its handles' distance from it.
        $lowest = -INF;
        $highest = INF;
        if ($length > $d) {
            $h1 = ($dx * ($y1 - $y0) - $dy * ($x1 - $x0)) / $length;
            $h2 = ($dx * ($y2 - $y0) - $dy * ($x2 - $x0)) / $length;
            $lowest = 0.75 * min(0.0, $h1, $h2) - $d;
            $highest = 0.75 * max(0.0, $h1, $h2) + $d;
        }
        $near = $cells > 16 + count($this->nodeX)
            ? [$this->between($left + $this->sources->originX, $right + $this->sources->originX)]
            : $this->inCells($cx0, $cx1, $cy0, $cy1);
        foreach ($near as $ids) {
            $this->work += count($ids);
            if ($this->work > MapTooLarge::MOST_WORK / 40) {
                throw MapTooLarge::crowded();
            }
            foreach ($ids as $id) {
                if ($id === $from || $id === $to) {
                    continue;
                }
                $px = $this->nodeX[$id];
                $py = $this->nodeY[$id];
                if ($length > $d) {
                    $off = ($dx * ($py - $y0) - $dy * ($px - $x0)) / $length;
                    if ($off < $lowest || $off > $highest) {
                        continue;
                    }
                }
                $t = $this->parameterAt($seg, $px, $py, $t0, $t1);
                if ($t !== null) {
                    $found[$id] = $t;
                }
            }
        }
    }

    /** @return list<list<int>> nodes of coarse cells */
    private function inCells(int $left, int $right, int $top, int $bottom): array
    {
        $near = [];
        for ($cx = $left; $cx <= $right; $cx++) {
            for ($cy = $top; $cy <= $bottom; $cy++) {
                $near[] = $this->coarse[$cx << 30 | ($cy ^ $cx * 40503 & 0x3FFFFFFF)] ?? [];
            }
        }

        return $near;
    }

    /** @return list<int> nodes within a column */
    private function between(float $left, float $right): array
    {
        if ($this->fromLeft === null) {
            $byX = $this->nodeX;
            asort($byX);
            $this->fromLeft = array_keys($byX);
        }
        $low = 0;
        $high = count($this->fromLeft);
        while ($low < $high) {
            $middle = intdiv($low + $high, 2);
            $this->nodeX[$this->fromLeft[$middle]] < $left ? $low = $middle + 1 : $high = $middle;
        }
        $nodes = [];
        for ($i = $low, $n = count($this->fromLeft); $i < $n && $this->nodeX[$this->fromLeft[$i]] <= $right; $i++) {
            $nodes[] = $this->fromLeft[$i];
        }

        return $nodes;
    }

    /**
     * @param  list<float>  $seg
     * @return float|null the parameter of the nearest place, if it is within the weld distance and not at an end
     */
    private function parameterAt(array $seg, float $px, float $py, float $t0, float $t1): ?float
    {
        $d = $this->distance;
        [$ax, $ay, , , , , $bx, $by] = $seg;
        if (Cubic::isLine($seg)) {
            $dx = $bx - $ax;
            $dy = $by - $ay;
            $t = (($px - $ax) * $dx + ($py - $ay) * $dy) / ($dx * $dx + $dy * $dy);
            if ($t <= 0 || $t >= 1 || hypot($ax + $t * $dx - $px, $ay + $t * $dy - $py) > $d) {
                return null;
            }
        } else {
            $t = self::nearest($seg, $px, $py, $t0, $t1, $d);
            [$x, $y] = Cubic::at($seg, $t);
            if (abs($x - $px) > $d || abs($y - $py) > $d) {
                return null;
            }
        }
        // At an end there is nothing to split.
        if ((abs($px - $ax) <= $d && abs($py - $ay) <= $d && $t < 0.5) || (abs($px - $bx) <= $d && abs($py - $by) <= $d && $t > 0.5)) {
            return null;
        }

        return $t > 1e-9 && $t < 1 - 1e-9 ? $t : null;
    }

    /**
     * The parameter of the place nearest to a point, by Newton's method from every sample that is nearer than its neighbours,
     * until one leads within the distance: a hairpin has two sides.
     *
     * @param  list<float>  $s
     */
    private static function nearest(array $s, float $px, float $py, float $t0, float $t1, float $distance): float
    {
        $n = 12;
        $far = [];
        for ($k = 0; $k <= $n; $k++) {
            [$x, $y] = Cubic::at($s, $t0 + ($t1 - $t0) * $k / $n);
            $far[] = ($x - $px) ** 2 + ($y - $py) ** 2;
        }
        $best = INF;
        $found = $t0;
        for ($k = 0; $k <= $n; $k++) {
            if (($k > 0 && $far[$k - 1] < $far[$k]) || ($k < $n && $far[$k + 1] < $far[$k])) {
                continue;
            }
            $t = $t0 + ($t1 - $t0) * $k / $n;
            for ($i = 0; $i < 16; $i++) {
                [$x, $y] = Cubic::at($s, $t);
                [$dx, $dy] = Cubic::derivative($s, $t);
                $speed = $dx * $dx + $dy * $dy;
                if ($speed < 1e-30) {
                    break;
                }
                $step = (($px - $x) * $dx + ($py - $y) * $dy) / $speed;
                $t = min(1.0, max(0.0, $t + $step));
                if (abs($step) < 1e-13) {
                    break;
                }
            }
            [$x, $y] = Cubic::at($s, $t);
            $off = max(abs($x - $px), abs($y - $py));
            if ($off < $best) {
                [$best, $found] = [$off, $t];
            }
            if ($best <= $distance) {
                break;
            }
        }

        return $found;
    }

    /**
     * @param  list<float>  $part
     * @return list<float> the part with its ends on the nodes, its handles moved along
     */
    private function ended(array $part, int $a, int $b, bool $line): array
    {
        $ax = $this->nodeX[$a];
        $ay = $this->nodeY[$a];
        $bx = $this->nodeX[$b];
        $by = $this->nodeY[$b];
        if ($line) {
            return [$ax, $ay, $ax, $ay, $bx, $by, $bx, $by];
        }
        if ($part[0] === $ax && $part[1] === $ay && $part[6] === $bx && $part[7] === $by) {
            return $part;
        }

        return [
            $ax, $ay, $part[2] + $ax - $part[0], $part[3] + $ay - $part[1],
            $part[4] + $bx - $part[6], $part[5] + $by - $part[7], $bx, $by,
        ];
    }

    /**
     * @param  list<list<float>>  $others
     * @param  list<float>  $p
     * @return list<float>|null a curve already met that is the same as this one, in this one's direction
     */
    private function shared(array $others, array $p): ?array
    {
        $d = 2 * $this->distance;
        foreach ($others as $o) {
            if ($o[0] === $p[0] && $o[1] === $p[1] && $o[6] === $p[6] && $o[7] === $p[7]
                && abs($o[2] - $p[2]) <= $d && abs($o[3] - $p[3]) <= $d && abs($o[4] - $p[4]) <= $d && abs($o[5] - $p[5]) <= $d) {
                return $o;
            }
            if ($o[6] === $p[0] && $o[7] === $p[1] && $o[0] === $p[6] && $o[1] === $p[7]
                && abs($o[4] - $p[2]) <= $d && abs($o[5] - $p[3]) <= $d && abs($o[2] - $p[4]) <= $d && abs($o[3] - $p[5]) <= $d) {
                return [$o[6], $o[7], $o[4], $o[5], $o[2], $o[3], $o[0], $o[1]];
            }
        }

        return null;
    }
}
