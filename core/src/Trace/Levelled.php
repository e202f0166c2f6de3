<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

use NeatEdge\Core\Patience\Patience;

/**
 * A paper that is not evenly lit made even: a smooth ground is fitted to what is lightest in each part of the picture, and each dot is told against it.
 * A picture whose ground is even already, or has no light ground, stays as it is.
 */
final class Levelled
{
    /** Parts that a picture is looked at in, along its longer side. */
    private const PARTS = 12;

    /** Of 255: by less the ground of an even picture differs from part to part. */
    private const EVEN = 9.0;

    /** Of 255: darker than this no part of a ground is. */
    private const DARK = 90.0;

    public static function of(Scan $scan): Scan
    {
        if ($scan->clear !== null || min($scan->width, $scan->height) < 4 * self::PARTS) {
            return $scan;
        }
        [$grid, $across, $down, $cell] = self::lightest($scan);
        $values = array_merge(...$grid);
        sort($values);
        $n = count($values);
        // What is even, or changes at once from one part to the next, is no light that falls off.
        [$low, $high] = $n === 0 ? [0.0, 0.0] : [$values[intdiv($n, 20)], $values[$n - 1 - intdiv($n, 20)]];
        if ($low < self::DARK || $high - $low < self::EVEN || ! self::isSmooth($grid, $across, $down)) {
            return $scan;
        }

        return self::against($scan, $grid, $across, $down, $cell);
    }

    /** @return array{list<list<float>>, int, int, float} the lightest of each part, row by row */
    private static function lightest(Scan $scan): array
    {
        $cell = max($scan->width, $scan->height) / self::PARTS;
        $across = max(1, (int) ceil($scan->width / $cell));
        $down = max(1, (int) ceil($scan->height / $cell));
        $grid = [];
        for ($v = 0; $v < $down; $v++) {
            $row = [];
            for ($u = 0; $u < $across; $u++) {
                Patience::ask(64);
                $count = array_fill(0, 256, 0);
                $all = 0;
                for ($y = (int) ($v * $cell), $bottom = min($scan->height, (int) (($v + 1) * $cell)); $y < $bottom; $y += 2) {
                    for ($x = (int) ($u * $cell), $right = min($scan->width, (int) (($u + 1) * $cell)); $x < $right; $x += 2) {
                        $dot = $scan->dots[$y * $scan->width + $x];
                        $count[intdiv(299 * ($dot >> 16) + 587 * ($dot >> 8 & 255) + 114 * ($dot & 255), 1000)]++;
                        $all++;
                    }
                }
                // The ground is what a good share is as light as: one glint is none.
                for ($value = 255, $sum = 0; $value > 0 && $sum < 0.15 * $all; $value--) {
                    $sum += $count[$value];
                }
                $row[] = (float) $value;
            }
            $grid[] = $row;
        }

        return [$grid, $across, $down, $cell];
    }

    /** @param  list<list<float>>  $grid */
    private static function isSmooth(array $grid, int $across, int $down): bool
    {
        $flat = array_merge(...$grid);
        $span = $flat === [] ? 0.0 : max($flat) - min($flat);
        $bent = 0.0;
        for ($v = 0; $v < $down; $v++) {
            for ($u = 0; $u < $across; $u++) {
                if ($u > 0 && $u < $across - 1) {
                    $bent = max($bent, abs($grid[$v][$u - 1] - 2 * $grid[$v][$u] + $grid[$v][$u + 1]));
                }
                if ($v > 0 && $v < $down - 1) {
                    $bent = max($bent, abs($grid[$v - 1][$u] - 2 * $grid[$v][$u] + $grid[$v + 1][$u]));
                }
            }
        }

        return $bent <= max(16.0, 0.5 * $span);
    }

    /** @param  list<list<float>>  $grid */
    private static function against(Scan $scan, array $grid, int $across, int $down, float $cell): Scan
    {
        $dots = [];
        for ($y = 0, $i = 0; $y < $scan->height; $y++) {
            Patience::ask(32);
            $v = max(0.0, min($down - 1.0, ($y + 0.5) / $cell - 0.5));
            $v0 = (int) $v;
            $v1 = min($down - 1, $v0 + 1);
            $fv = $v - $v0;
            for ($x = 0; $x < $scan->width; $x++, $i++) {
                $u = max(0.0, min($across - 1.0, ($x + 0.5) / $cell - 0.5));
                $u0 = (int) $u;
                $u1 = min($across - 1, $u0 + 1);
                $fu = $u - $u0;
                $ground = ($grid[$v0][$u0] * (1 - $fu) + $grid[$v0][$u1] * $fu) * (1 - $fv) + ($grid[$v1][$u0] * (1 - $fu) + $grid[$v1][$u1] * $fu) * $fv;
                $by = 250 / max(1.0, $ground);
                $dot = $scan->dots[$i];
                $dots[] = min(255, (int) (($dot >> 16) * $by)) << 16 | min(255, (int) (($dot >> 8 & 255) * $by)) << 8 | min(255, (int) (($dot & 255) * $by));
            }
        }

        return new Scan($scan->width, $scan->height, $dots, null, true, $scan->shrunk, $scan->left, $scan->top, $scan->whole());
    }
}
