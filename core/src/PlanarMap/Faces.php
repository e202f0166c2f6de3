<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap;

/**
 * Half-edges, the cycles that they form, and which face each cycle bounds.
 *
 * Half-edge 2e runs along edge e from its first to its second vertex, 2e + 1 back; each has its face on its left. A
 * cycle that runs anticlockwise (in the sense of the cross product) bounds a face from outside and names it; every
 * other cycle is the rim of a connected part that lies inside some face, or in the open.
 *
 * @source de Berg et al., "Computational Geometry", 3rd ed. 2008, chapter 2 (doubly-connected edge list)
 */
final class Faces
{
    public const OPEN = -1;

    /** @var list<int> the half-edge after each, round the face on its left */
    public array $next = [];

    /** @var list<int> cycle of each half-edge */
    public array $cycle = [];

    /** @var list<int> first half-edge of each cycle */
    public array $first = [];

    /** @var list<int> the face that each cycle bounds: a cycle's number, or OPEN */
    public array $face = [];

    public function __construct(private readonly Chords $edges)
    {
        $this->link();
        $rims = $this->walk();
        $this->place($rims);
    }

    private function link(): void
    {
        $a = $this->edges->a;
        $b = $this->edges->b;
        $one = [];
        $two = [];
        $more = [];
        foreach ($a as $e => $v) {
            $h = 2 * $e;
            if (! isset($one[$v])) {
                $one[$v] = $h;
            } elseif (! isset($two[$v])) {
                $two[$v] = $h;
            } else {
                $more[$v][] = $h;
            }
            $v = $b[$e];
            $h++;
            if (! isset($one[$v])) {
                $one[$v] = $h;
            } elseif (! isset($two[$v])) {
                $two[$v] = $h;
            } else {
                $more[$v][] = $h;
            }
        }
        $next = $a === [] ? [] : array_fill(0, 2 * count($a), 0);
        foreach ($one as $v => $h) {
            $k = $two[$v] ?? $h;
            if (! isset($more[$v])) {
                $next[$h ^ 1] = $k;
                $next[$k ^ 1] = $h;

                continue;
            }
            $around = $this->sorted($v, [$h, $k, ...$more[$v]]);
            $before = $around[count($around) - 1];
            foreach ($around as $out) {
                $next[$out ^ 1] = $before;
                $before = $out;
            }
        }
        $this->next = $next;
    }

    /**
     * @param  list<int>  $out  half-edges that leave a vertex
     * @return list<int> in order of their angle, by exact cross products
     */
    private function sorted(int $v, array $out): array
    {
        $x = $this->edges->x;
        $y = $this->edges->y;
        $a = $this->edges->a;
        $b = $this->edges->b;
        $ox = $x[$v];
        $oy = $y[$v];
        $dxs = [];
        $dys = [];
        $n = count($out);
        for ($i = 0; $i < $n; $i++) {
            $h = $out[$i];
            $w = $h & 1 ? $a[$h >> 1] : $b[$h >> 1];
            $dx = $x[$w] - $ox;
            $dy = $y[$w] - $oy;
            $upper = $dy > 0 || ($dy === 0 && $dx > 0);
            for ($j = $i - 1; $j >= 0; $j--) {
                $px = $dxs[$j];
                $py = $dys[$j];
                $pUpper = $py > 0 || ($py === 0 && $px > 0);
                if ($pUpper === $upper ? $px * $dy - $py * $dx > 0 : $pUpper) {
                    break;
                }
                $dxs[$j + 1] = $px;
                $dys[$j + 1] = $py;
                $out[$j + 1] = $out[$j];
            }
            $dxs[$j + 1] = $dx;
            $dys[$j + 1] = $dy;
            $out[$j + 1] = $h;
        }

        return array_values($out);
    }

    /** @return array<int, int> cycle that is a rim => its leftmost vertex */
    private function walk(): array
    {
        $x = $this->edges->x;
        $y = $this->edges->y;
        $a = $this->edges->a;
        $b = $this->edges->b;
        $next = $this->next;
        $count = count($next);
        $cycle = $count === 0 ? [] : array_fill(0, $count, -1);
        $first = [];
        $face = [];
        $rims = [];
        for ($start = 0; $start < $count; $start++) {
            if ($cycle[$start] >= 0) {
                continue;
            }
            $c = count($first);
            $first[] = $start;
            $h = $start;
            $v = $h & 1 ? $b[$h >> 1] : $a[$h >> 1];
            $ox = $x[$v];
            $oy = $y[$v];
            $px = 0;
            $py = 0;
            $left = $v;
            $sum = 0;
            do {
                $cycle[$h] = $c;
                $v = $h & 1 ? $a[$h >> 1] : $b[$h >> 1];
                $qx = $x[$v] - $ox;
                $qy = $y[$v] - $oy;
                $sum += $px * $qy - $py * $qx;
                $px = $qx;
                $py = $qy;
                if ($x[$v] < $x[$left] || ($x[$v] === $x[$left] && $y[$v] < $y[$left])) {
                    $left = $v;
                }
                $h = $next[$h];
            } while ($h !== $start);
            if ($sum > 0) {
                $face[] = $c;
            } else {
                $face[] = self::OPEN;
                $rims[$c] = $left;
            }
        }
        $this->cycle = $cycle;
        $this->first = $first;
        $this->face = $face;

        return $rims;
    }

    /**
     * Finds the face round each rim by a ray to the left from its leftmost vertex.
     *
     * @param  array<int, int>  $rims
     */
    private function place(array $rims): void
    {
        if (count($rims) < 2) {
            return;
        }
        $x = $this->edges->x;
        $y = $this->edges->y;
        $a = $this->edges->a;
        $b = $this->edges->b;
        $left = PHP_INT_MAX;
        $right = 0;
        foreach ($a as $v) {
            $left = min($left, $x[$v]);
            $right = max($right, $x[$v]);
        }
        $shift = max(4, (int) ceil(log(max(16, ($right - $left) / max(1.0, sqrt(count($a)))), 2)));
        $rows = [];
        foreach ($rims as $v) {
            $rows[$y[$v] >> $shift] = true;
        }
        // Only rows that a ray runs through are filled.
        $cells = [];
        foreach ($a as $e => $v) {
            $w = $b[$e];
            $x0 = $x[$v];
            $y0 = $y[$v];
            $x1 = $x[$w];
            $y1 = $y[$w];
            $slope = $y1 === $y0 ? 0.0 : ($x1 - $x0) / ($y1 - $y0);
            $last = max($y0, $y1) >> $shift;
            for ($cy = min($y0, $y1) >> $shift; $cy <= $last; $cy++) {
                if (! isset($rows[$cy]) || $y0 === $y1) {
                    continue;
                }
                $p = $x0 + $slope * (($cy << $shift) - $y0);
                $q = $x0 + $slope * ((($cy + 1) << $shift) - $y0);
                $to = min($x1, (int) max($p, $q) + 2) >> $shift;
                for ($cx = max($x0, (int) min($p, $q) - 2) >> $shift; $cx <= $to; $cx++) {
                    $cells[$cy << 30 | ($cx ^ $cy * 40503 & 0x3FFFFFFF)][] = $e;
                }
            }
        }
        $hit = [];
        foreach ($rims as $c => $v) {
            $hit[$c] = $this->leftOf($x[$v], $y[$v], $cells, $shift, $left >> $shift);
        }
        // The edge on the left may belong to another rim: then both hang in the same face.
        foreach ($hit as $c => $h) {
            $chain = [];
            while ($h !== null && isset($hit[$this->cycle[$h]]) && $this->face[$this->cycle[$h]] === self::OPEN) {
                $chain[] = $this->cycle[$h];
                $h = $hit[$this->cycle[$h]];
            }
            $face = $h === null ? self::OPEN : $this->face[$this->cycle[$h]];
            $this->face[$c] = $face;
            foreach ($chain as $other) {
                $this->face[$other] = $face;
            }
        }
    }

    /**
     * @param  array<int, list<int>>  $cells
     * @return int|null the half-edge whose left side faces the point
     */
    private function leftOf(int $px, int $py, array $cells, int $shift, int $leftmost): ?int
    {
        $x = $this->edges->x;
        $y = $this->edges->y;
        $a = $this->edges->a;
        $b = $this->edges->b;
        $row = $py >> $shift;
        $best = null;
        $bestX = -1.0;
        $bestSlope = 0.0;
        for ($cx = $px >> $shift; $cx >= $leftmost; $cx--) {
            foreach ($cells[$row << 30 | ($cx ^ $row * 40503 & 0x3FFFFFFF)] ?? [] as $e) {
                $v = $a[$e];
                $w = $b[$e];
                $up = $y[$v] < $y[$w];
                if (! $up) {
                    [$v, $w] = [$w, $v];
                }
                $y0 = $y[$v];
                if ($py < $y0 || $py >= $y[$w]) {
                    continue;
                }
                $dx = $x[$w] - $x[$v];
                $dy = $y[$w] - $y0;
                // Strictly to the left of the point, exactly.
                if ($dx * ($py - $y0) >= ($px - $x[$v]) * $dy) {
                    continue;
                }
                $at = $x[$v] + $dx * (($py - $y0) / $dy);
                $slope = $dx / $dy;
                if ($at > $bestX + 1e-6 || ($at > $bestX - 1e-6 && $slope > $bestSlope)) {
                    [$best, $bestX, $bestSlope] = [$up ? 2 * $e + 1 : 2 * $e, $at, $slope];
                }
            }
            if ($best !== null && $bestX >= ($cx << $shift)) {
                break;
            }
        }

        return $best;
    }
}
