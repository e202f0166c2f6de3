<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

use NeatEdge\Core\Patience\Patience;

/**
 * Which boxes hold a place or touch another, without looking at all of them: for each power of two mm a grid of its own, with
 * the boxes that are about as large, so that each stands in few cells, however large it is, and those around a place stand in
 * one cell of each grid.
 */
final class BoxGrid
{
    /** @var array<int, array<int, list<int>>> numbers of boxes, by power and cell */
    private array $levels = [];

    /** @param  array<int, Box|null>  $boxes */
    public function __construct(private readonly array $boxes)
    {
        foreach (array_filter($boxes) as $i => $box) {
            $level = (int) ceil(log(max(1e-3, $box->width(), $box->height()), 2));
            foreach (self::cells($box, 2.0 ** $level) as $cell) {
                $this->levels[$level][$cell][] = $i;
            }
        }
    }

    /** @return list<int> keys of the boxes that hold a place, mm, in rising order */
    public function at(float $x, float $y): array
    {
        $keys = [];
        foreach ($this->levels as $level => $cells) {
            Patience::ask(2);
            $side = 2.0 ** $level;
            foreach ($cells[self::key((int) floor($x / $side), (int) floor($y / $side))] ?? [] as $i) {
                $box = $this->boxes[$i];
                if ($box !== null && $box->left <= $x && $box->right >= $x && $box->top <= $y && $box->bottom >= $y) {
                    $keys[] = $i;
                }
            }
        }
        sort($keys);

        return $keys;
    }

    /** @return list<int> keys of the boxes that touch another, in rising order */
    public function touching(Box $with): array
    {
        $keys = [];
        foreach ($this->levels as $level => $cells) {
            $side = 2.0 ** $level;
            // Where it reaches over more cells than there are, they are all looked into.
            $reaches = ($with->width() / $side + 1) * ($with->height() / $side + 1) > count($cells) ? array_keys($cells) : self::cells($with, $side);
            foreach ($reaches as $cell) {
                foreach ($cells[$cell] ?? [] as $i) {
                    $box = $this->boxes[$i];
                    if ($box !== null && $box->overlaps($with)) {
                        $keys[$i] = $i;
                    }
                }
            }
        }
        sort($keys);

        return $keys;
    }

    /** @return list<int> cells that a box reaches into */
    private static function cells(Box $box, float $side): array
    {
        $cells = [];
        for ($x = (int) floor($box->left / $side), $x1 = (int) floor($box->right / $side); $x <= $x1; $x++) {
            for ($y = (int) floor($box->top / $side), $y1 = (int) floor($box->bottom / $side); $y <= $y1; $y++) {
                $cells[] = self::key($x, $y);
            }
        }

        return $cells;
    }

    private static function key(int $x, int $y): int
    {
        return ($x << 32) ^ ($y & 0xFFFFFFFF);
    }
}
