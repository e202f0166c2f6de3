<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

/**
 * In which light the dots along edges were mixed: programs that draw mix the numbers of sRGB, lenses mix light itself. Edges lie anywhere in their dots, so
 * the shares along many of them come to one half in the mean: whichever is nearer to that is it.
 */
final class Light
{
    /** Dots along edges that are looked at, and at least. */
    private const LOOKED_AT = 4000;

    private const LEAST = 80;

    /** How often one mixture is told. */
    private const ALIKE = 6;

    /** Mean share of the lighter colour: light that was mixed comes to about two thirds in sRGB. */
    private const TOO_LIGHT = 0.6;

    /**
     * @param  non-empty-list<Ink>  $inks
     * @param  list<int>  $labels
     * @return list<float> of each value of a channel, 0 to 255, how much it counts: 0 to 1
     */
    public static function of(Scan $scan, array $inks, array $labels): array
    {
        $plain = array_map(static fn (int $value): float => $value / 255, range(0, 255));
        $linear = array_map(static fn (float $c): float => $c <= 0.04045 ? $c / 12.92 : (($c + 0.055) / 1.055) ** 2.4, $plain);
        $sums = [[0.0, 0], [0.0, 0]];
        $w = $scan->width;
        $n = count($labels);
        $step = max(1, intdiv($n, 400_000));
        $told = [];
        for ($i = $w; $i < $n - $w && $sums[0][1] < self::LOOKED_AT; $i += $step) {
            // A light colour above a dark one or the other way, with a dot between them that is neither.
            [$up, $down] = [$labels[$i - $w], $labels[$i + $w]];
            if ($up === $down || $scan->dots[$i - $w] !== $inks[$up]->dot() || $scan->dots[$i + $w] !== $inks[$down]->dot()) {
                continue;
            }
            $dot = $scan->dots[$i];
            // Along a straight edge the same few mixtures come again and again: they are told so often and no more.
            if ($dot === $inks[$up]->dot() || $dot === $inks[$down]->dot() || ($told[$dot] = ($told[$dot] ?? 0) + 1) > self::ALIKE) {
                continue;
            }
            [$a, $b] = [$scan->dots[$i - $w], $scan->dots[$i + $w]];
            foreach ([$plain, $linear] as $k => $value) {
                $from = $value[$a >> 16] + $value[$a >> 8 & 255] + $value[$a & 255];
                $to = $value[$b >> 16] + $value[$b >> 8 & 255] + $value[$b & 255];
                if (abs($from - $to) > 0.6) {
                    // How much of the lighter one it has.
                    $share = ($value[$dot >> 16] + $value[$dot >> 8 & 255] + $value[$dot & 255] - min($from, $to)) / abs($to - $from);
                    $sums[$k][0] += $share;
                    $sums[$k][1]++;
                }
            }
        }
        [[$of, $count], [$other, $others]] = $sums;
        if ($count < self::LEAST || $others < self::LEAST) {
            return $plain;
        }

        // Edges that all lie alike in their dots are off by chance: only what is far off, and right the other way, is not plain.
        return $of / $count > self::TOO_LIGHT && abs($other / $others - 0.5) < 0.5 * ($of / $count - 0.5) ? $linear : $plain;
    }
}
