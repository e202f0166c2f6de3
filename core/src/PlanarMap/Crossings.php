<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap;

use NeatEdge\Core\Patience\Patience;

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

    /** Times that doubtful chords are flattened again, four times finer each. */
    private const ROUNDS = 6;

    /** @var array<int, list<int>> edge => vertex keys (x << 31 | y) on it */
    private array $cuts = [];

    /** @var array<int, true> edges that run so close to others that their chords cannot tell how the curves lie */
    private array $doubtful = [];

    /** @var array<int, true> keys (x << 31 | y) of the crossings in the cell that is looked at */
    private array $crossings = [];

    /** How many crossings were found; one on the border of two cells counts twice. */
    private int $met = 0;

    /** Crossings times the edges beside them, summed up: what all but makes the time. */
    private int $work = 0;

    /** Distance in grid steps within which edges that do not meet are looked at for that. */
    private int $reach;

    private function __construct(private readonly Chords $chords, private readonly ?Refinement $refinement)
    {
        $this->reach = $refinement === null ? 0 : (int) $refinement->reach();
    }

    /**
     * @param  Refinement|null  $refinement  adds finer chords where needed
     * @return array<int, list<int>> edge => keys (x << 31 | y) of the vertices at which it must be cut, possibly repeated
     */
    public static function find(Chords $chords, ?Refinement $refinement = null): array
    {
        $self = new self($chords, $refinement);
        $self->run();

        return $self->cuts;
    }

    private function run(): void
    {
        $count = count($this->chords->a);
        if ($count < 2) {
            return;
        }
        if ($count > MapTooLarge::MOST_CHORDS) {
            throw MapTooLarge::chords($count);
        }
        $shift = $this->cellShift();
        $order = [];
        $x = $this->chords->x;
        foreach ($this->chords->a as $e => $v) {
            $order[] = $x[$v] << 28 | $e;
        }
        unset($x);
        sort($order);
        $cells = $this->cells($order, $shift);
        unset($order);
        $this->look($cells, $shift);
        for ($round = 0; $round < self::ROUNDS && $this->doubtful !== []; $round++) {
            $again = $this->refine($cells, $shift);
            if ($again === []) {
                return;
            }
            // Only the finer chords can still be in doubt, and they lie nearer to their curves.
            $this->reach = (int) ($this->reach / Refinement::FINER);
            $this->look($again, $shift);
            foreach ($again as $key => $edges) {
                $cells[$key] = $edges;
            }
        }
    }

    /** @param  array<int, list<int>>  $cells */
    private function look(array $cells, int $shift): void
    {
        foreach ($cells as $key => $edges) {
            Patience::ask(count($edges) * 2);
            if (count($edges) < 2) {
                continue;
            }
            if (count($edges) > self::CROWD && $shift > 4) {
                $column = $key >> 30;
                $row = ($key & 0x3FFFFFFF) ^ ($column * 40503 & 0x3FFFFFFF);
                $this->divide($edges, $column << $shift, $row << $shift, $shift);
            } else {
                $this->meet($edges, $shift);
            }
        }
    }

    /**
     * Puts finer chords in the place of doubtful ones and forgets what was found in the cells that they touch.
     *
     * @param  array<int, list<int>>  $cells
     * @return array<int, list<int>> the cells that must be looked at again
     */
    private function refine(array $cells, int $shift): array
    {
        $gone = [];
        $new = [];
        foreach ($this->doubtful as $e => $_) {
            $parts = $this->refinement?->parts($e) ?? [];
            if ($parts !== []) {
                $gone[$e] = true;
                array_push($new, ...$parts);
                unset($this->cuts[$e]);
            }
        }
        $this->doubtful = [];
        if ($new === []) {
            return [];
        }
        $x = $this->chords->x;
        $a = $this->chords->a;
        $pack = static fn (int $e): int => $x[$a[$e]] << 28 | $e;
        $old = $this->cells(array_map($pack, array_keys($gone)), $shift);
        $fresh = $this->cells(array_map($pack, $new), $shift);
        $again = [];
        $seen = [];
        foreach ($old + $fresh as $key => $_) {
            $order = [];
            foreach ([...$cells[$key] ?? [], ...$fresh[$key] ?? []] as $e) {
                Patience::ask();
                if (! isset($gone[$e])) {
                    $order[] = $x[$a[$e]] << 28 | $e;
                    $seen[$e] = true;
                }
            }
            sort($order);
            $again[$key] = array_map(static fn (int $packed): int => $packed & 0xFFFFFFF, $order);
        }
        foreach ($seen as $e => $_) {
            if (! isset($this->cuts[$e])) {
                continue;
            }
            $keep = [];
            foreach ($this->cuts[$e] as $key) {
                $column = $key >> 31 >> $shift;
                if (! isset($again[$column << 30 | ((($key & 0x7FFFFFFF) >> $shift) ^ $column * 40503 & 0x3FFFFFFF)])) {
                    $keep[] = $key;
                }
            }
            if ($keep === []) {
                unset($this->cuts[$e]);
            } else {
                $this->cuts[$e] = $keep;
            }
        }

        return $again;
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
     * @param  list<int>  $order  left end << 28 | edge
     * @return array<int, list<int>> edges by cell, in the given order
     */
    private function cells(array $order, int $shift): array
    {
        $x = $this->chords->x;
        $y = $this->chords->y;
        $a = $this->chords->a;
        $b = $this->chords->b;
        $cells = [];
        // Nearness beyond a cell's border is looked for in proportion to the cell: crowded cells hold short chords.
        $wide = 2 + min(intdiv($this->reach, 2), 1 << $shift >> 4);
        foreach ($order as $packed) {
            $e = $packed & 0xFFFFFFF;
            ($e & 127) === 0 && Patience::ask(128);
            $v = $a[$e];
            $w = $b[$e];
            $x0 = $x[$v];
            $x1 = $x[$w];
            $y0 = $y[$v];
            $y1 = $y[$w];
            $left = ($x0 - $wide) >> $shift;
            $right = ($x1 + $wide) >> $shift;
            if ($y0 < $y1) {
                $top = ($y0 - $wide) >> $shift;
                $bottom = ($y1 + $wide) >> $shift;
            } else {
                $top = ($y1 - $wide) >> $shift;
                $bottom = ($y0 + $wide) >> $shift;
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
                $from = max($x0, ($cx << $shift) - $wide - 1);
                $to = min($x1, (($cx + 1) << $shift) + $wide + 1);
                $p = $y0 + $slope * ($from - $x0);
                $q = $x1 === $x0 ? $y1 : $y0 + $slope * ($to - $x0);
                if ($p > $q) {
                    [$p, $q] = [$q, $p];
                }
                $last = min($bottom, ((int) $q + $wide + 1) >> $shift);
                for ($cy = max($top, ((int) $p - $wide - 1) >> $shift); $cy <= $last; $cy++) {
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
        $shift--;
        $size = 1 << $shift;
        $wide = 3 + min(intdiv($this->reach, 2), $size >> 4);
        $total = 0;
        $parts = [];
        for ($k = 0; $k < 4; $k++) {
            $x0 = $left + ($k & 1) * $size - $wide;
            $y0 = $top + ($k >> 1) * $size - $wide;
            $part = $this->within($edges, $x0, $y0, $x0 + $size + 2 * $wide, $y0 + $size + 2 * $wide);
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
                $this->meet($part, $shift);
            }
        }
    }

    /**
     * Edges that come into a box.
     *
     * @param  list<int>  $edges
     * @return list<int>
     */
    private function within(array $edges, int $x0, int $y0, int $x1, int $y1): array
    {
        $x = $this->chords->x;
        $y = $this->chords->y;
        $a = $this->chords->a;
        $b = $this->chords->b;
        $within = [];
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
            if (! (($s1 > 0 && $s2 > 0 && $s3 > 0 && $s4 > 0) || ($s1 < 0 && $s2 < 0 && $s3 < 0 && $s4 < 0))) {
                $within[] = $e;
            }
        }

        return $within;
    }

    /**
     * Every pair of edges of one cell, then every new crossing against every edge.
     *
     * @param  list<int>  $edges  in order of their left end
     */
    private function meet(array $edges, int $shift): void
    {
        $x = $this->chords->x;
        $y = $this->chords->y;
        $a = $this->chords->a;
        $b = $this->chords->b;
        $n = count($edges);
        $gap = min($this->reach, 1 << $shift >> 3);
        $this->crossings = [];
        for ($i = 0; $i < $n - 1; $i++) {
            $e = $edges[$i];
            $ea = $a[$e];
            $eb = $b[$e];
            $ax = $x[$ea];
            $ay = $y[$ea];
            $by = $y[$eb];
            $dx = $x[$eb] - $ax;
            $dy = $by - $ay;
            $reach = $dx + ($dy < 0 ? -$dy : $dy);
            $wide = $gap * 2 * $reach;
            $right = $x[$eb] + $gap;
            $above = ($dy < 0 ? $by : $ay) - $gap;
            $below = ($dy < 0 ? $ay : $by) + $gap;
            for ($j = $i + 1; $j < $n; $j++) {
                $f = $edges[$j];
                $fa = $a[$f];
                $cx = $x[$fa];
                if ($cx > $right) {
                    break;
                }
                $fb = $b[$f];
                $cy = $y[$fa];
                $gy = $y[$fb];
                if ($cy < $gy ? ($gy < $above || $cy > $below) : ($cy < $above || $gy > $below)) {
                    continue;
                }
                // An edge passes a vertex if it meets the unit square round it: both boxes and the edge's own normal
                // must overlap. Twice the cross product is compared with the pixel's reach, so halves need no fractions.
                $c1 = 2 * ($dx * ($cy - $ay) - $dy * ($cx - $ax));
                $c2 = 2 * ($dx * ($gy - $ay) - $dy * ($x[$fb] - $ax));
                if ($c1 > 0) {
                    $nearest = $c1 < $c2 ? $c1 : $c2;
                } else {
                    $nearest = $c1 > $c2 ? -$c1 : -$c2;
                }
                // Both ends of it on one side, and farther off than the pixel reaches.
                if ($nearest > $reach) {
                    if ($nearest < $wide) {
                        $this->beside($e, $f, $nearest, $c2 - $c1);
                    }
                } elseif ($fa === $ea && $fb === $eb) {
                    $this->equal($e, $f);
                } else {
                    $this->touch($e, $f, $c1, $c2, $reach);
                }
            }
        }
        $this->passAll($edges);
    }

    /**
     * Two edges that run beside each other: whether they are so near that their curves may meet.
     *
     * @param  int  $nearest  twice the lesser cross product of the one and an end of the other
     * @param  int|float  $cross  twice that of both directions
     */
    private function beside(int $e, int $f, int $nearest, int|float $cross): void
    {
        if ($this->refinement === null || isset($this->doubtful[$e], $this->doubtful[$f])) {
            return;
        }
        $along = $this->along($e);
        $beside = $this->along($f);
        $slack = $this->reach * Refinement::LEAN * ($along + $beside);
        $near = 2 * $along * ($this->nearness($along) + $this->nearness($beside));
        if ($nearest < $near && $cross < $slack && $cross > -$slack && $this->refinement->isDoubtful($e, $f, false)) {
            $this->doubtful[$e] = $this->doubtful[$f] = true;
        }
    }

    /** How far an edge runs across and down together, in grid steps. */
    private function along(int $e): int
    {
        $v = $this->chords->a[$e];
        $w = $this->chords->b[$e];

        return $this->chords->x[$w] - $this->chords->x[$v] + abs($this->chords->y[$w] - $this->chords->y[$v]);
    }

    /** How far off its curve an edge of a length may lie, in grid steps. */
    private function nearness(int $along): float
    {
        return $along < $this->reach * Refinement::SHORT / 2 ? $along / Refinement::SHORT : $this->reach / 2;
    }

    /** Equal edges: cut at their ends, so that they are found to be one. */
    private function equal(int $e, int $f): void
    {
        foreach ([$this->chords->a[$f], $this->chords->b[$f]] as $v) {
            $this->cuts[$e][] = $this->cuts[$f][] = $this->chords->x[$v] << 31 | $this->chords->y[$v];
        }
        if ($this->refinement !== null && $this->refinement->isDoubtful($e, $f, true)) {
            $this->doubtful[$e] = $this->doubtful[$f] = true;
        }
    }

    /**
     * Two edges that may meet: where an end of one lies on the other, and where they cross.
     *
     * @param  int  $c1  twice the cross product of the one and the begin of the other
     * @param  int  $c2  the same with its end
     * @param  int  $reach  how far a pixel reaches across the one
     */
    private function touch(int $e, int $f, int $c1, int $c2, int $reach): void
    {
        $x = $this->chords->x;
        $y = $this->chords->y;
        $ea = $this->chords->a[$e];
        $eb = $this->chords->b[$e];
        $fa = $this->chords->a[$f];
        $fb = $this->chords->b[$f];
        $cx = $x[$fa];
        $cy = $y[$fa];
        $dx = $x[$fb] - $cx;
        $dy = $y[$fb] - $cy;
        $c3 = 2 * ($dx * ($y[$ea] - $cy) - $dy * ($x[$ea] - $cx));
        $c4 = 2 * ($dx * ($y[$eb] - $cy) - $dy * ($x[$eb] - $cx));
        $beside = $dx + ($dy < 0 ? -$dy : $dy);
        if ($c1 <= $reach && $c1 >= -$reach) {
            $this->passes($e, $fa);
        }
        if ($c2 <= $reach && $c2 >= -$reach) {
            $this->passes($e, $fb);
        }
        if ($c3 <= $beside && $c3 >= -$beside) {
            $this->passes($f, $ea);
        }
        if ($c4 <= $beside && $c4 >= -$beside) {
            $this->passes($f, $eb);
        }
        // The difference is the cross product of the directions: small where they are nearly parallel. An edge that
        // begins where the other ends leads on.
        $slack = $this->reach * Refinement::LEAN * ($reach + $beside);
        $cross = $c2 - $c1;
        if ($cross < $slack && $cross > -$slack && $eb !== $fa && $ea !== $fb) {
            $this->lean($e, $f);
        }
        if ($c1 !== 0 && $c2 !== 0 && ($c1 > 0) !== ($c2 > 0) && $c3 !== 0 && $c4 !== 0 && ($c3 > 0) !== ($c4 > 0)) {
            $t = ($c1 >> 1) / (($c1 >> 1) - ($c2 >> 1));
            $this->cross($e, $f, (int) ($cx + $t * $dx + 0.5), (int) ($cy + $t * $dy + 0.5));
        }
    }

    /** Two edges that meet and are nearly parallel. */
    private function lean(int $e, int $f): void
    {
        if ($this->refinement !== null && ! isset($this->doubtful[$e], $this->doubtful[$f]) && $this->refinement->isDoubtful($e, $f, true)) {
            $this->doubtful[$e] = $this->doubtful[$f] = true;
        }
    }

    /** An edge near whose line a vertex lies is cut at it, unless it is an end or lies beyond it. */
    private function passes(int $e, int $v): void
    {
        $a = $this->chords->a[$e];
        $b = $this->chords->b[$e];
        if ($v === $a || $v === $b) {
            return;
        }
        $x = $this->chords->x;
        $y = $this->chords->y;
        $px = $x[$v];
        $py = $y[$v];
        if ($px >= $x[$a] && $px <= $x[$b] && ($y[$a] < $y[$b] ? $py >= $y[$a] && $py <= $y[$b] : $py >= $y[$b] && $py <= $y[$a])) {
            $this->cuts[$e][] = $px << 31 | $py;
        }
    }

    /** Both are cut where they cross, unless that is an end. */
    private function cross(int $e, int $f, int $px, int $py): void
    {
        $key = $px << 31 | $py;
        foreach ([$e, $f] as $edge) {
            foreach ([$this->chords->a[$edge], $this->chords->b[$edge]] as $v) {
                if ($this->chords->x[$v] === $px && $this->chords->y[$v] === $py) {
                    continue 2;
                }
            }
            $this->cuts[$edge][] = $key;
        }
        $this->crossings[$key] = true;
    }

    /**
     * Every edge of a cell is cut at each crossing in it whose pixel it passes.
     *
     * @param  list<int>  $edges
     */
    private function passAll(array $edges): void
    {
        $n = count($edges);
        $crossings = $this->crossings;
        $this->met += count($crossings);
        $this->work += count($crossings) * $n;
        if ($this->work > MapTooLarge::MOST_WORK) {
            throw MapTooLarge::crowded();
        }
        if ($this->met > MapTooLarge::MOST_CROSSINGS) {
            throw MapTooLarge::crossings();
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
