<?php

declare(strict_types=1);

namespace NeatEdge\Core\Measure;

/** Places in square cells, to find those near one another. */
final class Cells
{
    private const HALF = 1_000_000;

    /**
     * @param  array<int, float>  $x
     * @param  array<int, float>  $y
     * @param  float  $size  mm of a cell
     * @return array<int, list<int>> numbers of places by cell
     */
    public static function of(array $x, array $y, float $size): array
    {
        $cells = [];
        foreach ($x as $i => $px) {
            $gx = (int) floor($px / $size) + self::HALF;
            $gy = (int) floor($y[$i] / $size) + self::HALF;
            // The column is mixed into the low bits, which are all that PHP hashes an integer by.
            $cells[$gx << 30 | ($gy ^ $gx * 40503 & 0x3FFFFFFF)][] = $i;
        }

        return $cells;
    }

    /**
     * @param  array<int, list<int>>  $cells
     * @return list<int> all in a cell and in the eight around it
     */
    public static function around(array $cells, int $key): array
    {
        $cx = $key >> 30;
        $cy = ($key & 0x3FFFFFFF) ^ ($cx * 40503 & 0x3FFFFFFF);
        $near = [];
        for ($gx = $cx - 1; $gx <= $cx + 1; $gx++) {
            $mixed = $gx * 40503 & 0x3FFFFFFF;
            for ($gy = $cy - 1; $gy <= $cy + 1; $gy++) {
                $cell = $cells[$gx << 30 | ($gy ^ $mixed)] ?? null;
                if ($cell !== null) {
                    $near[] = $cell;
                }
            }
        }

        return match (count($near)) {
            0 => [],
            1 => $near[0],
            default => array_merge(...$near),
        };
    }

    /**
     * @param  array<int, list<int>>  $cells
     * @param  float  $size  mm of a cell
     * @return list<int> all in the cell of a place and in the eight around it
     */
    public static function at(array $cells, float $x, float $y, float $size): array
    {
        $gx = (int) floor($x / $size) + self::HALF;
        $gy = (int) floor($y / $size) + self::HALF;

        return self::around($cells, $gx << 30 | ($gy ^ $gx * 40503 & 0x3FFFFFFF));
    }
}
