<?php

declare(strict_types=1);

namespace NeatEdge\Core\Seen;

use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\ScanLines;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Patience\Patience;

/**
 * A tone for each cell of a lattice: how much is covered, 0 to 1. What lies outside it is bare.
 *
 * @source Filter Effects 1, feGaussianBlur: three box blurs in place of a Gaussian
 */
final class ToneGrid
{
    /** Lines of a cell at which is asked what a shape covers. */
    private const FINE = 12;

    /**
     * @param  float  $left  mm, of the first cell's edge
     * @param  float  $top  mm, of the first cell's edge
     * @param  float  $cell  mm a side
     * @param  array<int, float>  $tones  row by row
     */
    private function __construct(
        public readonly float $left,
        public readonly float $top,
        public readonly float $cell,
        public readonly int $columns,
        public readonly int $rows,
        public array $tones,
    ) {
    }

    public static function over(Box $box, float $cell): self
    {
        $columns = max(1, (int) ceil($box->width() / $cell));
        $rows = max(1, (int) ceil($box->height() / $cell));

        return new self($box->left, $box->top, $cell, $columns, $rows, array_fill(0, $columns * $rows, 0.0));
    }

    /** The same lattice with one tone everywhere. */
    public function filled(float $tone): self
    {
        return new self($this->left, $this->top, $this->cell, $this->columns, $this->rows, array_fill(0, $this->columns * $this->rows, $tone));
    }

    /** The same lattice with what a shape covers of each cell. */
    public function covered(Shape $shape): self
    {
        $grid = $this->filled(0.0);
        if ($shape->contours === []) {
            return $grid;
        }
        $scan = new ScanLines([$shape], 0.0, $this->cell / 8);
        $lines = [];
        for ($k = 0, $n = $this->rows * self::FINE; $k < $n; $k++) {
            $lines[] = $this->top + ($k + 0.5) * $this->cell / self::FINE;
        }
        $share = 1 / self::FINE;
        foreach ($scan->along($lines) as $k => $stretches) {
            $at = intdiv($k, self::FINE) * $this->columns;
            foreach ($stretches as [$from, $to]) {
                $a = max(0.0, ($from - $this->left) / $this->cell);
                $b = min((float) $this->columns, ($to - $this->left) / $this->cell);
                if ($b <= $a) {
                    continue;
                }
                $first = (int) $a;
                $last = min($this->columns - 1, (int) $b);
                if ($first === $last) {
                    $grid->tones[$at + $first] += $share * ($b - $a);

                    continue;
                }
                $grid->tones[$at + $first] += $share * ($first + 1 - $a);
                for ($i = $first + 1; $i < $last; $i++) {
                    $grid->tones[$at + $i] += $share;
                }
                $grid->tones[$at + $last] += $share * ($b - $last);
            }
        }

        return $grid;
    }

    /** @param  float  $deviation  mm */
    public function blurred(float $deviation): self
    {
        $size = (int) floor($deviation / $this->cell * 3 * sqrt(2 * M_PI) / 4 + 0.5);
        if ($size < 2) {
            return $this;
        }
        // An even size has no middle: two that lean either way, and one that is odd.
        $boxes = $size % 2 === 1 ? array_fill(0, 3, [intdiv($size, 2), intdiv($size, 2)])
            : [[intdiv($size, 2), intdiv($size, 2) - 1], [intdiv($size, 2) - 1, intdiv($size, 2)], [intdiv($size, 2), intdiv($size, 2)]];
        $tones = $this->tones;
        foreach ($boxes as [$before, $after]) {
            $tones = self::boxed($tones, $this->rows, $this->columns, $this->columns, 1, $before, $after);
            $tones = self::boxed($tones, $this->columns, $this->rows, 1, $this->columns, $before, $after);
        }

        return new self($this->left, $this->top, $this->cell, $this->columns, $this->rows, $tones);
    }

    /**
     * The mean of so many cells before and after each, along one direction.
     *
     * @param  array<int, float>  $tones
     * @param  int  $lines  how many runs there are
     * @param  int  $long  cells of a run
     * @param  int  $between  from a run to the next
     * @param  int  $step  from a cell of a run to the next
     * @return array<int, float>
     */
    private static function boxed(array $tones, int $lines, int $long, int $between, int $step, int $before, int $after): array
    {
        $share = 1 / ($before + $after + 1);
        $out = $tones;
        for ($line = 0; $line < $lines; $line++) {
            Patience::ask(16);
            $start = $line * $between;
            $sum = 0.0;
            for ($i = 0, $n = min($after, $long); $i < $n; $i++) {
                $sum += $tones[$start + $i * $step];
            }
            for ($i = 0; $i < $long; $i++) {
                if ($i + $after < $long) {
                    $sum += $tones[$start + ($i + $after) * $step];
                }
                $out[$start + $i * $step] = $sum > 1e-9 ? $sum * $share : 0.0;
                if ($i - $before >= 0) {
                    $sum -= $tones[$start + ($i - $before) * $step];
                }
            }
        }

        return $out;
    }

    /** The same lattice with tones of two put together cell by cell. @param  callable(float, float): float  $together */
    public function with(self $other, callable $together): self
    {
        return new self(
            $this->left,
            $this->top,
            $this->cell,
            $this->columns,
            $this->rows,
            array_map($together, $this->tones, $other->tones),
        );
    }

    /**
     * The same lattice with each tone changed by its place.
     *
     * @param  callable(float, float, float): float  $changed  of the tone and the middle of its cell, mm
     */
    public function changed(callable $changed): self
    {
        $tones = [];
        foreach ($this->tones as $k => $tone) {
            $tones[] = $tone <= 0.0 ? 0.0
                : $changed($tone, $this->left + ($k % $this->columns + 0.5) * $this->cell, $this->top + (intdiv($k, $this->columns) + 0.5) * $this->cell);
        }

        return new self($this->left, $this->top, $this->cell, $this->columns, $this->rows, $tones);
    }

    /** The tone at a place, between those of the four cells about it. */
    public function at(float $x, float $y): float
    {
        $u = ($x - $this->left) / $this->cell - 0.5;
        $v = ($y - $this->top) / $this->cell - 0.5;
        $i = (int) floor($u);
        $j = (int) floor($v);
        [$u, $v] = [$u - $i, $v - $j];

        return (1 - $v) * ((1 - $u) * $this->cell($i, $j) + $u * $this->cell($i + 1, $j))
            + $v * ((1 - $u) * $this->cell($i, $j + 1) + $u * $this->cell($i + 1, $j + 1));
    }

    public function cell(int $column, int $row): float
    {
        return $column < 0 || $row < 0 || $column >= $this->columns || $row >= $this->rows ? 0.0 : $this->tones[$row * $this->columns + $column];
    }
}
