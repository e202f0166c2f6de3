<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap;

/**
 * Finds where edges meet and which vertices each edge must pass through, so that after cutting no two edges cross.
 *
 * @source Snap rounding: Hobby, "Practical segment intersection with finite precision output", 1999, in one pass:
 *         crossings are rounded to the grid, and every original edge is cut at each vertex whose pixel it passes.
 *
 * A hot kernel: edges are bucketed into square cells, and in each cell every pair of edges is looked at once. Edges
 * are registered two grid steps wider than they are, so that a cell knows all edges that pass a vertex in it.
 */
final class Crossings
{
    /** Cells with more edges than this are divided. */
    private const CROWD = 40;

    /** @var array<int, list<int>> edge => vertex keys (x << 31 | y) on it */
    private array $cuts = [];

    private function __construct(private readonly Chords $chords)
    {
    }

    /**
     * @return array<int, list<int>> edge => keys (x << 31 | y) of the vertices at which it must be cut, possibly repeated
     */
    public static function find(Chords $chords): array
    {
        $self = new self($chords);
        $self->run();

        return $self->cuts;
    }

    private function run(): void
    {
        $count = count($this->chords->a);
        if ($count < 2) {
            return;
        }
        $shift = $this->cellShift();
        foreach ($this->cells($shift) as $key => $edges) {
            if (count($edges) < 2) {
                continue;
            }
            if (count($edges) > self::CROWD && $shift > 4) {
                $column = $key >> 30;
                $row = ($key & 0x3FFFFFFF) ^ ($column * 40503 & 0x3FFFFFFF);
                $this->divide($edges, $column << $shift, $row << $shift, $shift);
            } else {
                $this->meet($edges);
            }
        }
    }

    private function cellShift(): int
    {
        $x = $this->chords->x;
        $y = $this->chords->y;
        $b = $this->chords->b;
        $sum = 0;
        foreach ($this->chords->a as $e => $v) {
            $w = $b[$e];
            $sum += abs($x[$w] - $x[$v]) + abs($y[$w] - $y[$v]);
        }

        return max(4, (int) round(log(max(1.0, 1.6 * $sum / count($b)), 2)));
    }

    /**
     * Cells are keyed by column << 30 | row, with the column mixed into the row's bits: PHP's hash of an integer is its
     * low bits, and without the mixing all cells of a row would fall into one chain.
     *
     * @return array<int, list<int>> edges by cell, those of each cell in order of their left end
     */
    private function cells(int $shift): array
    {
        $x = $this->chords->x;
        $y = $this->chords->y;
        $a = $this->chords->a;
        $b = $this->chords->b;
        $order = [];
        foreach ($a as $e => $v) {
            $order[] = $x[$v] << 28 | $e;
        }
        sort($order);
        $cells = [];
        foreach ($order as $packed) {
            $e = $packed & 0xFFFFFFF;
            $v = $a[$e];
            $w = $b[$e];
            $x0 = $x[$v];
            $x1 = $x[$w];
            $y0 = $y[$v];
            $y1 = $y[$w];
            $left = ($x0 - 2) >> $shift;
            $right = ($x1 + 2) >> $shift;
            if ($y0 < $y1) {
                $top = ($y0 - 2) >> $shift;
                $bottom = ($y1 + 2) >> $shift;
            } else {
                $top = ($y1 - 2) >> $shift;
                $bottom = ($y0 + 2) >> $shift;
            }
            if ($left === $right) {
                for ($cy = $top; $cy <= $bottom; $cy++) {
                    $cells[$left << 30 | ($cy ^ $left * 40503 & 0x3FFFFFFF)][] = $e;
                }

                continue;
            }
            if ($top === $bottom) {
                for ($cx = $left; $cx <= $right; $cx++) {
                    $cells[$cx << 30 | ($top ^ $cx * 40503 & 0x3FFFFFFF)][] = $e;
                }

                continue;
            }
            // Column by column, only the rows that the edge passes there.
            $slope = $x1 === $x0 ? 0.0 : ($y1 - $y0) / ($x1 - $x0);
            for ($cx = $left; $cx <= $right; $cx++) {
                $from = max($x0, ($cx << $shift) - 3);
                $to = min($x1, (($cx + 1) << $shift) + 3);
                $p = $y0 + $slope * ($from - $x0);
                $q = $x1 === $x0 ? $y1 : $y0 + $slope * ($to - $x0);
                if ($p > $q) {
                    [$p, $q] = [$q, $p];
                }
                $last = min($bottom, ((int) $q + 3) >> $shift);
                for ($cy = max($top, ((int) $p - 3) >> $shift); $cy <= $last; $cy++) {
                    $cells[$cx << 30 | ($cy ^ $cx * 40503 & 0x3FFFFFFF)][] = $e;
                }
            }
        }

        return $cells;
    }

    /**
     * A crowded cell as four, while that helps.
     *
     * @param  list<int>  $edges
     */
    private function divide(array $edges, int $left, int $top, int $shift): void
    {
        $x = $this->chords->x;
        $y = $this->chords->y;
        $a = $this->chords->a;
        $b = $this->chords->b;
        $shift--;
        $size = 1 << $shift;
        $total = 0;
        $parts = [];
        for ($k = 0; $k < 4; $k++) {
            $x0 = $left + ($k & 1) * $size - 3;
            $y0 = $top + ($k >> 1) * $size - 3;
            $x1 = $x0 + $size + 6;
            $y1 = $y0 + $size + 6;
            $part = [];
            foreach ($edges as $e) {
                $v = $a[$e];
                $w = $b[$e];
                $px = $x[$v];
                $py = $y[$v];
                $qx = $x[$w];
                $qy = $y[$w];
                if ($px > $x1 || $qx < $x0 || ($py > $y1 && $qy > $y1) || ($py < $y0 && $qy < $y0)) {
                    continue;
                }
                $dx = $qx - $px;
                $dy = $qy - $py;
                // All four corners on one side: the edge passes by.
                $s1 = $dx * ($y0 - $py) - $dy * ($x0 - $px);
                $s2 = $dx * ($y0 - $py) - $dy * ($x1 - $px);
                $s3 = $dx * ($y1 - $py) - $dy * ($x0 - $px);
                $s4 = $dx * ($y1 - $py) - $dy * ($x1 - $px);
                if (($s1 > 0 && $s2 > 0 && $s3 > 0 && $s4 > 0) || ($s1 < 0 && $s2 < 0 && $s3 < 0 && $s4 < 0)) {
                    continue;
                }
                $part[] = $e;
            }
            $total += count($part);
            $parts[] = $part;
        }
        $helps = $total < 3 * count($edges);
        foreach ($parts as $k => $part) {
            if (count($part) < 2) {
                continue;
            }
            if (count($part) > self::CROWD && $helps && $shift > 4) {
                $this->divide($part, $left + ($k & 1) * $size, $top + ($k >> 1) * $size, $shift);
            } else {
                $this->meet($part);
            }
        }
    }

    /**
     * Every pair of edges of one cell, then every new crossing against every edge.
     *
     * @param  list<int>  $edges  in order of their left end
     */
    private function meet(array $edges): void
    {
        $x = $this->chords->x;
        $y = $this->chords->y;
        $a = $this->chords->a;
        $b = $this->chords->b;
        $n = count($edges);
        $crossings = [];
        for ($i = 0; $i < $n - 1; $i++) {
            $e = $edges[$i];
            $ea = $a[$e];
            $eb = $b[$e];
            $ax = $x[$ea];
            $ay = $y[$ea];
            $bx = $x[$eb];
            $by = $y[$eb];
            if ($ay < $by) {
                $low = $ay;
                $high = $by;
            } else {
                $low = $by;
                $high = $ay;
            }
            $dx = $bx - $ax;
            $dy = $by - $ay;
            $reach = $dx + $high - $low;
            for ($j = $i + 1; $j < $n; $j++) {
                $f = $edges[$j];
                $fa = $a[$f];
                $cx = $x[$fa];
                if ($cx > $bx) {
                    break;
                }
                $fb = $b[$f];
                $cy = $y[$fa];
                $gy = $y[$fb];
                if ($cy < $gy ? ($gy < $low || $cy > $high) : ($cy < $low || $gy > $high)) {
                    continue;
                }
                $gx = $x[$fb];
                $c1 = $dx * ($cy - $ay) - $dy * ($cx - $ax);
                $c2 = $dx * ($gy - $ay) - $dy * ($gx - $ax);
                // An edge passes a vertex if it meets the unit square round it: both boxes and the edge's own normal
                // must overlap. Twice the cross product is compared with the pixel's reach, so halves need no fractions.
                $far1 = $c1 < 0 ? -2 * $c1 : 2 * $c1;
                $far2 = $c2 < 0 ? -2 * $c2 : 2 * $c2;
                if (($c1 > 0) === ($c2 > 0) && $c1 !== 0 && $c2 !== 0 && $far1 > $reach && $far2 > $reach) {
                    continue;
                }
                if ($far1 <= $reach && $fa !== $ea && $fa !== $eb
                    && $cx >= $ax && $cx <= $bx && $cy >= $low && $cy <= $high) {
                    $this->cuts[$e][] = $cx << 31 | $cy;
                }
                if ($far2 <= $reach && $fb !== $ea && $fb !== $eb
                    && $gx >= $ax && $gx <= $bx && $gy >= $low && $gy <= $high) {
                    $this->cuts[$e][] = $gx << 31 | $gy;
                }
                $fdx = $gx - $cx;
                $fdy = $gy - $cy;
                $c3 = $fdx * ($ay - $cy) - $fdy * ($ax - $cx);
                $c4 = $fdx * ($by - $cy) - $fdy * ($bx - $cx);
                $freach = $fdx + ($fdy < 0 ? -$fdy : $fdy);
                if (($c3 < 0 ? -2 * $c3 : 2 * $c3) <= $freach && $ea !== $fa && $ea !== $fb && $ax >= $cx && $ax <= $gx
                    && ($fdy >= 0 ? $ay >= $cy && $ay <= $gy : $ay >= $gy && $ay <= $cy)) {
                    $this->cuts[$f][] = $ax << 31 | $ay;
                }
                if (($c4 < 0 ? -2 * $c4 : 2 * $c4) <= $freach && $eb !== $fa && $eb !== $fb && $bx >= $cx && $bx <= $gx
                    && ($fdy >= 0 ? $by >= $cy && $by <= $gy : $by >= $gy && $by <= $cy)) {
                    $this->cuts[$f][] = $bx << 31 | $by;
                }
                if ((($c1 > 0 && $c2 < 0) || ($c1 < 0 && $c2 > 0)) && (($c3 > 0 && $c4 < 0) || ($c3 < 0 && $c4 > 0))) {
                    $t = $c1 / ($c1 - $c2);
                    $px = (int) ($cx + $t * $fdx + 0.5);
                    $py = (int) ($cy + $t * $fdy + 0.5);
                    if (($px !== $ax || $py !== $ay) && ($px !== $bx || $py !== $by)) {
                        $this->cuts[$e][] = $px << 31 | $py;
                    }
                    if (($px !== $cx || $py !== $cy) && ($px !== $gx || $py !== $gy)) {
                        $this->cuts[$f][] = $px << 31 | $py;
                    }
                    $crossings[$px << 31 | $py] = true;
                }
            }
        }
        if ($n > 2) {
            foreach ($crossings as $key => $_) {
                $this->passAt($key, $edges);
            }
        }
    }

    /** @param  list<int>  $edges */
    private function passAt(int $key, array $edges): void
    {
        $x = $this->chords->x;
        $y = $this->chords->y;
        $a = $this->chords->a;
        $b = $this->chords->b;
        $px = $key >> 31;
        $py = $key & 0x7FFFFFFF;
        foreach ($edges as $e) {
            $ea = $a[$e];
            $ax = $x[$ea];
            if ($ax > $px) {
                break;
            }
            $eb = $b[$e];
            $bx = $x[$eb];
            if ($bx < $px) {
                continue;
            }
            $ay = $y[$ea];
            $by = $y[$eb];
            $dy = $by - $ay;
            if ($dy >= 0 ? ($py < $ay || $py > $by) : ($py < $by || $py > $ay)) {
                continue;
            }
            $dx = $bx - $ax;
            $cross = 2 * ($dx * ($py - $ay) - $dy * ($px - $ax));
            $reach = $dx + ($dy < 0 ? -$dy : $dy);
            if ($cross <= $reach && $cross >= -$reach && ($px !== $ax || $py !== $ay) && ($px !== $bx || $py !== $by)) {
                $this->cuts[$e][] = $key;
            }
        }
    }
}
