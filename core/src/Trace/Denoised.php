<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

use NeatEdge\Core\Patience\Patience;

/**
 * A picture with grain, as scanners and dim cameras give it, made smooth: each dot becomes the mean of those around it that differ from it by no more than
 * the grain does. What is drawn differs by more and stays as it is.
 *
 * @source J. Immerkær, "Fast noise variance estimation", 1996, by the median; J.-S. Lee, "Digital image smoothing and the sigma filter", 1983
 */
final class Denoised
{
    /** Of 255: with less grain a picture stays as it is. */
    private const LEAST = 3.0;

    /** Grain, as its deviation, that two dots of one colour may differ by. */
    private const ALIKE = 2.6;

    /** Dots around one in which its like are sought. */
    private const REACH = 2;

    /** A dot with fewer of its like is grain itself: it becomes the mean of its neighbours. */
    private const FEW = 4;

    public static function of(Scan $scan): Scan
    {
        $grain = self::grain($scan);
        if ($scan->clear !== null || $grain < self::LEAST) {
            return $scan;
        }
        // Once more, with what is left of it, for what is drawn thin.
        $smooth = self::smooth($scan, $grain);
        $left = self::grain($smooth);

        return $left < self::LEAST ? $smooth : self::smooth($smooth, $left);
    }

    /** @return float of 255, the deviation of the grain */
    public static function grain(Scan $scan): float
    {
        [$w, $h] = [$scan->width, $scan->height];
        if ($w < 3 || $h < 3) {
            return 0.0;
        }
        $dots = $scan->dots;
        $step = max(1, intdiv($w * $h, 60_000));
        $off = [];
        for ($i = $w + 1, $last = $w * ($h - 1) - 1; $i < $last; $i += $step) {
            if ($i % $w === 0 || $i % $w === $w - 1) {
                continue;
            }
            $sum = 0;
            foreach ([[-$w - 1, 1], [-$w, -2], [-$w + 1, 1], [-1, -2], [0, 4], [1, -2], [$w - 1, 1], [$w, -2], [$w + 1, 1]] as [$to, $times]) {
                $sum += $times * ($dots[$i + $to] >> 8 & 255);
            }
            $off[] = abs($sum);
        }
        sort($off);

        return $off === [] ? 0.0 : $off[intdiv(count($off), 2)] / 0.6745 / 6;
    }

    private static function smooth(Scan $scan, float $grain): Scan
    {
        [$w, $h, $dots] = [$scan->width, $scan->height, $scan->dots];
        $alike = (int) ceil(self::ALIKE * $grain);
        $smooth = [];
        for ($y = 0, $i = 0; $y < $h; $y++) {
            Patience::ask(128);
            [$top, $bottom] = [max(0, $y - self::REACH), min($h - 1, $y + self::REACH)];
            for ($x = 0; $x < $w; $x++, $i++) {
                [$left, $right] = [max(0, $x - self::REACH), min($w - 1, $x + self::REACH)];
                $dot = $dots[$i];
                [$r, $g, $b] = [$dot >> 16, $dot >> 8 & 255, $dot & 255];
                $rs = $gs = $bs = $count = 0;
                for ($v = $top; $v <= $bottom; $v++) {
                    for ($k = $v * $w + $left, $end = $v * $w + $right; $k <= $end; $k++) {
                        $other = $dots[$k];
                        [$or, $og, $ob] = [$other >> 16, $other >> 8 & 255, $other & 255];
                        if (abs($or - $r) <= $alike && abs($og - $g) <= $alike && abs($ob - $b) <= $alike) {
                            $rs += $or;
                            $gs += $og;
                            $bs += $ob;
                            $count++;
                        }
                    }
                }
                if ($count < self::FEW) {
                    [$rs, $gs, $bs, $count] = self::around($dots, $x, $y, $w, $h);
                }
                $smooth[] = intdiv($rs, $count) << 16 | intdiv($gs, $count) << 8 | intdiv($bs, $count);
            }
        }

        return new Scan($w, $h, $smooth, null, true, $scan->shrunk, $scan->left, $scan->top, $scan->whole());
    }

    /**
     * @param  list<int>  $dots
     * @return array{int, int, int, int} sums of the neighbours' channels, and how many they are
     */
    private static function around(array $dots, int $x, int $y, int $w, int $h): array
    {
        $rs = $gs = $bs = $count = 0;
        for ($v = max(0, $y - 1); $v <= min($h - 1, $y + 1); $v++) {
            for ($u = max(0, $x - 1); $u <= min($w - 1, $x + 1); $u++) {
                if ($u !== $x || $v !== $y) {
                    $dot = $dots[$v * $w + $u];
                    $rs += $dot >> 16;
                    $gs += $dot >> 8 & 255;
                    $bs += $dot & 255;
                    $count++;
                }
            }
        }

        return $count === 0 ? [$dots[$y * $w + $x] >> 16, $dots[$y * $w + $x] >> 8 & 255, $dots[$y * $w + $x] & 255, 1] : [$rs, $gs, $bs, $count];
    }
}
