<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap;

use NeatEdge\Core\Patience\Patience;

/**
 * Half-edges, the chains that they form between junctions, the cycles of chains, and which face each cycle bounds.
 *
 * Half-edge 2e runs along edge e from its first to its second vertex, 2e + 1 back; each has its face on its left.
 * Between two junctions, vertices where more than two edges meet, half-edges form a chain: nothing about a face can
 * change along it, so that all that follows goes over chains, of which there are a fraction. Chain 2k runs one way,
 * 2k + 1 back. A cycle that runs anticlockwise (in the sense of the cross product) bounds a face from outside and names
 * it; every other cycle is the rim of a connected part that lies inside some face, or in the open.
 *
 * @source de Berg et al., "Computational Geometry", 3rd ed. 2008, chapter 2 (doubly-connected edge list)
 */
final class Faces
{
    public const OPEN = -1;

    /** @var list<int> the half-edge after each, round the face on its left */
    public array $next = [];

    /** @var list<int> first half-edge of each chain; the last is the first of its counterpart, turned round */
    public array $head = [];

    /** @var list<int> the chain after each, round the face on its left */
    public array $onward = [];

    /** @var list<int> cycle of each chain */
    public array $cycle = [];

    /** @var list<int> first chain of each cycle */
    public array $first = [];

    /** @var list<int> the face that each cycle bounds: a cycle's number, or OPEN */
    public array $face = [];

    /** @var list<int> by edge: the chain that its forward half belongs to */
    private array $chain = [];

    public function __construct(private readonly Chords $edges)
    {
        $junctions = $this->link();
        [$areas, $lefts] = $this->chains($junctions);
        $rims = $this->walk($areas, $lefts);
        $this->place($rims);
    }

    /** @return array<int, list<int>> vertex where more than two edges meet, or where a line ends => all half-edges that leave it */
    private function link(): array
    {
        $a = $this->edges->a;
        $b = $this->edges->b;
        $count = count($this->edges->x);
        $one = $two = $count === 0 ? [] : array_fill(0, $count, -1);
        $more = [];
        foreach ($a as $e => $v) {
            ($e & 127) === 0 && Patience::ask(128);
            $h = 2 * $e;
            if ($one[$v] < 0) {
                $one[$v] = $h;
            } elseif ($two[$v] < 0) {
                $two[$v] = $h;
            } else {
                $more[$v][] = $h;
            }
            $v = $b[$e];
            $h++;
            if ($one[$v] < 0) {
                $one[$v] = $h;
            } elseif ($two[$v] < 0) {
                $two[$v] = $h;
            } else {
                $more[$v][] = $h;
            }
        }
        $next = $a === [] ? [] : array_fill(0, 2 * count($a), 0);
        $ends = [];
        foreach ($one as $v => $h) {
            ($v & 127) === 0 && Patience::ask(128);
            if ($h < 0) {
                continue;
            }
            if (! isset($more[$v])) {
                $k = $two[$v];
                if ($k < 0) {
                    // A line ends here, and goes back: as good as a junction.
                    $ends[$v] = [$h];
                    $k = $h;
                }
                $next[$h ^ 1] = $k;
                $next[$k ^ 1] = $h;

                continue;
            }
            $around = $this->sorted($v, [$h, $two[$v], ...$more[$v]]);
            $more[$v] = $around;
            $before = $around[count($around) - 1];
            foreach ($around as $junctions) {
                $next[$junctions ^ 1] = $before;
                $before = $junctions;
            }
        }
        $this->next = $next;

        return $more + $ends;
    }

    /**
     * @param  array<int, list<int>>  $junctions
     * @return array{list<int>, list<int>} by pair of chains: twice the area between the even one and its start, and its leftmost vertex
     */
    private function chains(array $junctions): array
    {
        $count = count($this->edges->a);
        $this->chain = $count === 0 ? [] : array_fill(0, $count, -1);
        $this->head = [];
        $starts = [];
        foreach ($junctions as $leaving) {
            Patience::ask(2);
            foreach ($leaving as $h) {
                $starts[] = $h;
            }
        }
        [$areas, $lefts] = $this->follow($starts, $junctions);
        // Then the loops without any junction.
        $loops = array_map(static fn (int $e): int => 2 * $e, array_keys($this->chain, -1, true));
        [$more, $others] = $this->follow($loops, $junctions);
        $this->onward = [];
        foreach ($this->head as $d => $_) {
            $h = $this->next[$this->head[$d ^ 1] ^ 1];
            $this->onward[] = $h & 1 ? $this->chain[$h >> 1] ^ 1 : $this->chain[$h >> 1];
        }

        return [[...$areas, ...$more], [...$lefts, ...$others]];
    }

    /**
     * Follows edges from where chains begin to the next junction; those that lie on a chain already begin none.
     *
     * @param  list<int>  $starts  half-edges
     * @param  array<int, list<int>>  $junctions
     * @return array{list<int>, list<int>} see chains()
     *
     * @phpstan-impure
     */
    private function follow(array $starts, array $junctions): array
    {
        [$x, $y, $a, $b] = [$this->edges->x, $this->edges->y, $this->edges->a, $this->edges->b];
        $next = $this->next;
        $chain = $this->chain;
        $head = $this->head;
        $this->chain = $this->head = [];
        $areas = $lefts = [];
        foreach ($starts as $h) {
            if ($chain[$h >> 1] >= 0) {
                continue;
            }
            $d = count($head);
            $left = $start = $h & 1 ? $b[$h >> 1] : $a[$h >> 1];
            $ox = $leftX = $x[$start];
            $oy = $y[$start];
            $px = $py = $sum = 0;
            for ($k = $h; ; $k = $next[$k]) {
                $e = $k >> 1;
                if ($k & 1) {
                    $chain[$e] = $d + 1;
                    $v = $a[$e];
                } else {
                    $chain[$e] = $d;
                    $v = $b[$e];
                }
                $vx = $x[$v];
                $qx = $vx - $ox;
                $qy = $y[$v] - $oy;
                $sum += $px * $qy - $py * $qx;
                $px = $qx;
                $py = $qy;
                if ($vx <= $leftX && ($vx < $leftX || $y[$v] < $y[$left])) {
                    $left = $v;
                    $leftX = $vx;
                }
                if ($v === $start || isset($junctions[$v])) {
                    break;
                }
            }
            array_push($head, $h, $k ^ 1);
            $areas[] = $sum;
            $lefts[] = $left;
        }
        $this->chain = $chain;
        $this->head = $head;

        return [$areas, $lefts];
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

    /**
     * @param  list<int>  $areas
     * @param  list<int>  $lefts
     * @return array<int, int> cycle that is a rim => its leftmost vertex
     */
    private function walk(array $areas, array $lefts): array
    {
        $x = $this->edges->x;
        $y = $this->edges->y;
        $a = $this->edges->a;
        $b = $this->edges->b;
        $head = $this->head;
        $onward = $this->onward;
        $count = count($head);
        $cycle = $count === 0 ? [] : array_fill(0, $count, -1);
        $first = [];
        $face = [];
        $rims = [];
        for ($start = 0; $start < $count; $start++) {
            Patience::ask(4);
            if ($cycle[$start] >= 0) {
                continue;
            }
            $c = count($first);
            $first[] = $start;
            $d = $start;
            $h = $head[$d & ~1];
            $v = $h & 1 ? $b[$h >> 1] : $a[$h >> 1];
            $ox = $x[$v];
            $oy = $y[$v];
            $left = $lefts[$d >> 1];
            $sum = 0;
            do {
                $cycle[$d] = $c;
                $h = $head[$d & ~1];
                $v = $h & 1 ? $b[$h >> 1] : $a[$h >> 1];
                $h = $head[$d | 1];
                $w = $h & 1 ? $b[$h >> 1] : $a[$h >> 1];
                // Seen from another origin, the area grows by the triangle to the chain's ends.
                $area = $areas[$d >> 1] + ($x[$v] - $ox) * ($y[$w] - $y[$v]) - ($y[$v] - $oy) * ($x[$w] - $x[$v]);
                $sum += $d & 1 ? -$area : $area;
                $v = $lefts[$d >> 1];
                if ($x[$v] < $x[$left] || ($x[$v] === $x[$left] && $y[$v] < $y[$left])) {
                    $left = $v;
                }
                $d = $onward[$d];
            } while ($d !== $start);
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
        $hit = $this->leftOfAll($rims) ?? $this->leftOfEach($rims);
        // The edge on the left may belong to another rim: then both hang in the same face.
        foreach ($hit as $c => $h) {
            $chain = [];
            while ($h !== null && isset($hit[$this->cycleOf($h)]) && $this->face[$this->cycleOf($h)] === self::OPEN) {
                $chain[] = $this->cycleOf($h);
                $h = $hit[$this->cycleOf($h)];
            }
            $face = $h === null ? self::OPEN : $this->face[$this->cycleOf($h)];
            $this->face[$c] = $face;
            foreach ($chain as $other) {
                $this->face[$other] = $face;
            }
        }
    }

    /**
     * The first of heights at or below the top of each row.
     *
     * @param  non-empty-list<int>  $ys  in order
     * @param  int  $shift  a row's height is 1 << shift
     * @return list<int> by row: places in the list
     */
    private static function firstIn(array $ys, int $shift): array
    {
        $first = [];
        $i = 0;
        $count = count($ys);
        for ($row = 0, $rows = ($ys[$count - 1] - $ys[0]) >> $shift; $row <= $rows; $row++) {
            while ($i < $count && $ys[$i] < $ys[0] + ($row << $shift)) {
                $i++;
            }
            $first[] = $i;
        }

        return $first;
    }

    /**
     * Goes over all edges once and tries each on the rims at its height: fast where edges are short.
     *
     * @param  non-empty-array<int, int>  $rims
     * @return array<int, int|null>|null by rim: the half-edge next to its left; null where edges are long and rims many
     */
    private function leftOfAll(array $rims): ?array
    {
        [$x, $y, $b] = [$this->edges->x, $this->edges->y, $this->edges->b];
        $order = array_map(static fn (int $v): int => $y[$v], $rims);
        asort($order);
        $cycles = array_keys($order);
        $ys = array_values($order);
        $xs = array_map(static fn (int $c): int => $x[$rims[$c]], $cycles);
        $count = count($ys);
        $low = $ys[0];
        $high = $ys[$count - 1];
        $shift = max(0, (int) ceil(log(max(1.0, ($high - $low + 1) / (2 * $count)), 2)));
        $firstIn = self::firstIn($ys, $shift);
        $ys[] = PHP_INT_MAX;
        $best = array_fill(0, $count, -1);
        $bestX = $bestSlope = array_fill(0, $count, -1.0);
        $tries = 8 * count($b) + 1_000_000;
        foreach ($this->edges->a as $e => $v) {
            ($e & 127) === 0 && Patience::ask(128);
            $w = $b[$e];
            $y0 = $y[$v];
            $y1 = $y[$w];
            $up = $y0 < $y1;
            if (! $up) {
                [$v, $w, $y0, $y1] = [$w, $v, $y1, $y0];
            }
            if ($y1 <= $low || $y0 > $high) {
                continue;
            }
            $i = $y0 <= $low ? 0 : $firstIn[($y0 - $low) >> $shift];
            while ($ys[$i] < $y0) {
                $i++;
            }
            if ($ys[$i] >= $y1) {
                continue;
            }
            $x0 = $x[$v];
            $dx = $x[$w] - $x0;
            $dy = $y1 - $y0;
            for (; $ys[$i] < $y1; $i++) {
                $py = $ys[$i];
                // Strictly to the left of the point, exactly.
                if ($dx * ($py - $y0) >= ($xs[$i] - $x0) * $dy) {
                    continue;
                }
                $at = $x0 + $dx * (($py - $y0) / $dy);
                if ($at > $bestX[$i] + 1e-6 || ($at > $bestX[$i] - 1e-6 && $dx / $dy > $bestSlope[$i])) {
                    $best[$i] = $up ? 2 * $e + 1 : 2 * $e;
                    $bestX[$i] = $at;
                    $bestSlope[$i] = $dx / $dy;
                }
                if (--$tries < 0) {
                    return null;
                }
            }
        }
        $hit = array_combine($cycles, $best);

        return array_map(static fn (int $h): ?int => $h < 0 ? null : $h, $hit);
    }

    /**
     * The same by cells of edges, each rim's row searched from it to the left.
     *
     * @param  array<int, int>  $rims
     * @return array<int, int|null>
     */
    private function leftOfEach(array $rims): array
    {
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
            ($e & 127) === 0 && Patience::ask(128);
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

        return $hit;
    }

    /** The face that a half-edge has on its left. */
    public function leftOfHalf(int $half): int
    {
        return $this->face[$this->cycleOf($half)];
    }

    private function cycleOf(int $half): int
    {
        return $this->cycle[$this->chain[$half >> 1] ^ ($half & 1)];
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
