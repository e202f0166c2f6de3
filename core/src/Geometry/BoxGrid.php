<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

/**
 * Which boxes hold a place, without looking at all of them: a uniform grid of about as many cells as there are boxes. Boxes
 * that cover many cells are kept in a list of their own, so that filling it is linear.
 */
final class BoxGrid
{
    /** Cells that a box may be put into. */
    private const MOST_CELLS = 64;

    /** @var array<int, list<int>> boxes by cell */
    private array $cells = [];

    /** @var list<int> boxes that cover many cells */
    private array $wide = [];

    private float $size = 1.0;

    /** @param  array<int, Box|null>  $boxes */
    public function __construct(private readonly array $boxes)
    {
        $all = array_filter($boxes);
        if ($all === []) {
            return;
        }
        $sides = array_map(static fn (Box $box): float => max($box->width(), $box->height()), $all);
        sort($sides);
        $this->size = max(1e-6, 2 * $sides[intdiv(count($sides), 2)]);
        foreach ($all as $i => $box) {
            [$x0, $x1, $y0, $y1] = [$this->cell($box->left), $this->cell($box->right), $this->cell($box->top), $this->cell($box->bottom)];
            if (($x1 - $x0 + 1) * ($y1 - $y0 + 1) > self::MOST_CELLS) {
                $this->wide[] = $i;

                continue;
            }
            for ($x = $x0; $x <= $x1; $x++) {
                for ($y = $y0; $y <= $y1; $y++) {
                    $this->cells[self::key($x, $y)][] = $i;
                }
            }
        }
    }

    /** @return list<int> keys of the boxes that hold a place, mm, in rising order */
    public function at(float $x, float $y): array
    {
        $out = [];
        foreach ([$this->wide, $this->cells[self::key($this->cell($x), $this->cell($y))] ?? []] as $list) {
            foreach ($list as $i) {
                $box = $this->boxes[$i];
                if ($box !== null && $box->left <= $x && $box->right >= $x && $box->top <= $y && $box->bottom >= $y) {
                    $out[] = $i;
                }
            }
        }
        sort($out);

        return $out;
    }

    /** @return list<int> keys of the boxes that touch another, in rising order */
    public function touching(Box $with): array
    {
        [$x0, $x1, $y0, $y1] = [$this->cell($with->left), $this->cell($with->right), $this->cell($with->top), $this->cell($with->bottom)];
        $near = $this->wide;
        if (($x1 - $x0 + 1) * ($y1 - $y0 + 1) > count($this->cells)) {
            $near = array_keys($this->boxes);
        } else {
            for ($x = $x0; $x <= $x1; $x++) {
                for ($y = $y0; $y <= $y1; $y++) {
                    array_push($near, ...($this->cells[self::key($x, $y)] ?? []));
                }
            }
        }
        $near = array_values(array_filter(array_unique($near), fn (int $i): bool => ($this->boxes[$i] ?? null)?->overlaps($with) ?? false));
        sort($near);

        return $near;
    }

    private function cell(float $mm): int
    {
        return (int) floor($mm / $this->size);
    }

    private static function key(int $x, int $y): int
    {
        return ($x << 32) ^ ($y & 0xFFFFFFFF);
    }
}
