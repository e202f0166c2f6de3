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
    private const EVEN = 14.0;

    /** Of 255: darker than this no part of a ground is. */
    private const DARK = 70.0;

    /** Of 255: what is darker than the ground by more is drawn on it. */
    private const DRAWN = 7.0;

    /** Share of the parts that show the ground at least, and how far (of 255) they are off a smooth one at most, as mean squares. */
    private const SHOWN = 0.35;

    private const SMOOTH = 2.2;

    public static function of(Scan $scan): Scan
    {
        if ($scan->clear !== null || min($scan->width, $scan->height) < 4 * self::PARTS) {
            return $scan;
        }
        [$ground, $shown] = self::ground(self::lightest($scan)) ?? [null, []];
        if ($ground === null) {
            return $scan;
        }
        // Where nothing shows it, a ground is only guessed at.
        $values = array_map(static fn (array $part): float => self::at($ground, $part[0], $part[1]), $shown);

        return $values === [] || min($values) < self::DARK || max($values) - min($values) < self::EVEN ? $scan : self::against($scan, $ground);
    }

    /**
     * A smooth ground of the second order through what is lightest; parts that lie darker have something drawn all over and are left out.
     *
     * @param  list<array{float, float, float}>  $parts
     * @return array{list<float>, list<array{float, float, float}>}|null its six numbers, and the parts that show it; null where there is none
     */
    private static function ground(array $parts): ?array
    {
        $kept = array_values(array_filter($parts, static fn (array $part): bool => $part[2] >= self::DARK));
        for ($round = 0; $round < 12; $round++) {
            $ground = count($kept) < max(8, self::SHOWN * count($parts)) ? null : self::fitted($kept);
            if ($ground === null) {
                return null;
            }
            $next = array_values(array_filter($parts, static fn (array $part): bool => $part[2] >= self::at($ground, $part[0], $part[1]) - self::DRAWN));
            if (count($next) === count($kept)) {
                break;
            }
            $kept = $next;
        }
        $sum = 0.0;
        foreach ($kept as [$x, $y, $value]) {
            $sum += ($value - self::at($ground, $x, $y)) ** 2;
        }

        return sqrt($sum / count($kept)) <= self::SMOOTH ? [$ground, $kept] : null;
    }

    /** @param  list<float>  $ground */
    private static function at(array $ground, float $x, float $y): float
    {
        return $ground[0] + $ground[1] * $x + $ground[2] * $y + $ground[3] * $x * $x + $ground[4] * $x * $y + $ground[5] * $y * $y;
    }

    /**
     * Least squares, by Gauss.
     *
     * @param  list<array{float, float, float}>  $parts
     * @return list<float>|null
     */
    private static function fitted(array $parts): ?array
    {
        $rows = array_fill(0, 6, array_fill(0, 7, 0.0));
        foreach ($parts as [$x, $y, $value]) {
            $one = [1.0, $x, $y, $x * $x, $x * $y, $y * $y, $value];
            for ($i = 0; $i < 6; $i++) {
                for ($k = 0; $k < 7; $k++) {
                    $rows[$i][$k] += $one[$i] * $one[$k];
                }
            }
        }
        for ($i = 0; $i < 6; $i++) {
            if (abs($rows[$i][$i]) < 1e-9) {
                return null;
            }
            for ($k = 0; $k < 6; $k++) {
                $share = $k === $i ? 0.0 : $rows[$k][$i] / $rows[$i][$i];
                for ($m = $i; $m < 7 && $share !== 0.0; $m++) {
                    $rows[$k][$m] -= $share * $rows[$i][$m];
                }
            }
        }

        return array_map(static fn (int $i): float => $rows[$i][6] / $rows[$i][$i], range(0, 5));
    }

    /** @return list<array{float, float, float}> the middle of each part, in shares of the picture's longer side, and how light the lightest of it is */
    private static function lightest(Scan $scan): array
    {
        $long = max($scan->width, $scan->height);
        $cell = $long / self::PARTS;
        $parts = [];
        for ($top = 0.0; $top < $scan->height; $top += $cell) {
            for ($left = 0.0; $left < $scan->width; $left += $cell) {
                Patience::ask(64);
                $count = array_fill(0, 256, 0);
                $all = 0;
                for ($y = (int) $top, $bottom = min($scan->height, (int) ($top + $cell)); $y < $bottom; $y += 2) {
                    for ($x = (int) $left, $right = min($scan->width, (int) ($left + $cell)); $x < $right; $x += 2) {
                        $dot = $scan->dots[$y * $scan->width + $x];
                        $count[intdiv(299 * ($dot >> 16) + 587 * ($dot >> 8 & 255) + 114 * ($dot & 255), 1000)]++;
                        $all++;
                    }
                }
                // The ground is what a good share is as light as: one glint is none.
                for ($value = 255, $sum = 0; $value > 0 && $sum < 0.15 * $all; $value--) {
                    $sum += $count[$value];
                }
                $parts[] = [($left + $cell / 2) / $long, ($top + $cell / 2) / $long, (float) $value];
            }
        }

        return $parts;
    }

    /** @param  list<float>  $ground */
    private static function against(Scan $scan, array $ground): Scan
    {
        $long = max($scan->width, $scan->height);
        $dots = [];
        for ($y = 0, $i = 0; $y < $scan->height; $y++) {
            Patience::ask(32);
            for ($x = 0; $x < $scan->width; $x++, $i++) {
                $by = 250 / max(1.0, self::at($ground, ($x + 0.5) / $long, ($y + 0.5) / $long));
                $dot = $scan->dots[$i];
                $dots[] = min(255, (int) (($dot >> 16) * $by)) << 16 | min(255, (int) (($dot >> 8 & 255) * $by)) << 8 | min(255, (int) (($dot & 255) * $by));
            }
        }

        return new Scan($scan->width, $scan->height, $dots, null, true, $scan->shrunk, $scan->left, $scan->top, $scan->whole());
    }
}
