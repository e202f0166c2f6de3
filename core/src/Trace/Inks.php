<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Patience\Patience;

/**
 * Of which colours a picture is made. Only what lies flat founds a colour: a dot along an edge is a mixture of two. What no mixture explains
 * - a line thinner than two dots - founds one of its own.
 *
 * @source S. Lloyd, "Least squares quantization in PCM", 1982, on bins of the flat dots; joined by CIEDE2000
 *
 * @phpstan-type Bin array{n: int, r: float, g: float, b: float}
 */
final class Inks
{
    /** Greatest difference of a channel to the neighbours of a dot that lies flat. */
    private const FLAT = 8;

    /** How far those neighbours are: JPEG shades what lies next to an edge, and what lies two dots off no less. */
    private const AROUND = [1];

    private const AROUND_LOSSY = [1, 2, 4];

    /** CIEDE2000 within which two colours are one. */
    private const NEAR = 3.0;

    /** The same of what is small in a noisy picture; dots of it at least, and how far (of 441) it is off what is known. */
    private const FLAT_SMALL = 14;

    private const SMALL = 12;

    private const SMALL_SHARE = 1.5e-4;

    private const UNEXPLAINED_SMALL = 44.0;

    /** CIEDE2000 within which a colour that has less than this share of another's dots is a tint of it, in a noisy picture. */
    private const TINTED = 9.0;

    private const TINT = 0.04;

    /** Share of the dots that a colour has at least, clean and noisy. */
    private const LEAST = 4e-5;

    private const LEAST_LOSSY = 4e-4;

    /** Colours that are proposed at most. */
    public const MOST = 24;

    /** Colours that are proposed for a photo. */
    private const OF_A_PHOTO = 6;

    /** Share of dots that lie flat, below which a picture is taken for a photo. */
    private const PHOTO = 0.3;

    /** Colours, told by the four highest bits of each channel, that a picture which is none has at most. */
    private const MANIFOLD = 200;

    /** Of 441: what is farther from each colour and each mixture of two is explained by none. */
    private const UNEXPLAINED = 46.0;

    private const UNEXPLAINED_LOSSY = 95.0;

    /**
     * @param  non-empty-list<Ink>  $inks  the largest first
     * @param  bool  $photo  whether it is one, as far as can be told: colours that run into each other
     */
    private function __construct(public readonly array $inks, public readonly bool $photo)
    {
    }

    /** @param  int|null  $wanted  how many; as many as there are when null */
    public static function of(Scan $scan, ?int $wanted = null): self
    {
        [$bins, $flat] = self::flat($scan, $scan->lossy ? self::AROUND_LOSSY : self::AROUND, self::FLAT);
        $total = max(1, count($scan->dots));
        $groups = self::groups($bins, self::NEAR);
        $least = max(6, (int) ($total * ($scan->lossy ? self::LEAST_LOSSY : self::LEAST)));
        $groups = array_values(array_filter($groups, static fn (array $group): bool => $group['n'] >= $least));
        $groups = $scan->lossy ? self::withSmall($scan, self::withoutTints($groups)) : $groups;
        $photo = ($flat < self::PHOTO * $total && self::manifold($scan) > self::MANIFOLD) || count($groups) > 3 * self::MOST;
        $groups = self::joined($groups, min($photo && $wanted === null ? self::OF_A_PHOTO : self::MOST, max(1, $wanted ?? self::MOST)));
        if (! $photo && ($wanted === null || count($groups) < $wanted)) {
            $groups = self::explained($scan, $groups, $wanted ?? self::MOST);
        }
        $groups = $groups === [] ? [self::mean($scan)] : $groups;
        usort($groups, static fn (array $a, array $b): int => $b['n'] <=> $a['n']);

        return new self(array_map(static function (array $group) use ($scan, $total): Ink {
            $colour = new Colour((int) round($group['r'] / $group['n']), (int) round($group['g'] / $group['n']), (int) round($group['b'] / $group['n']));
            $clear = $scan->clear === null ? null : new Colour($scan->clear >> 16 & 255, $scan->clear >> 8 & 255, $scan->clear & 255);

            return new Ink($colour, $group['n'] / $total, $clear !== null && $colour->distanceTo($clear) < 24);
        }, $groups), $photo);
    }

    private static function manifold(Scan $scan): int
    {
        $seen = [];
        foreach ($scan->dots as $dot) {
            $seen[$dot & 0xF0F0F0] = true;
        }

        return count($seen);
    }

    /** @return Bin */
    private static function mean(Scan $scan): array
    {
        $sum = ['n' => 0, 'r' => 0.0, 'g' => 0.0, 'b' => 0.0];
        foreach ($scan->dots as $dot) {
            $sum['n']++;
            $sum['r'] += $dot >> 16 & 255;
            $sum['g'] += $dot >> 8 & 255;
            $sum['b'] += $dot & 255;
        }

        return $sum;
    }

    /**
     * @param  list<int>  $around  how far the neighbours are that a dot is held against
     * @return array{array<int, Bin>, int} dots that lie flat by the five highest bits of each channel, and how many
     */
    private static function flat(Scan $scan, array $around, int $limit): array
    {
        [$w, $h, $dots] = [$scan->width, $scan->height, $scan->dots];
        $bins = [];
        $count = 0;
        for ($y = 0; $y < $h; $y++) {
            Patience::ask(32);
            for ($x = 0, $i = $y * $w; $x < $w; $x++, $i++) {
                $dot = $dots[$i];
                $flat = true;
                foreach ($around as $far) {
                    $flat = $flat && ($y < $far || self::near($dot, $dots[$i - $far * $w], $limit))
                        && ($y + $far >= $h || self::near($dot, $dots[$i + $far * $w], $limit))
                        && ($x < $far || self::near($dot, $dots[$i - $far], $limit)) && ($x + $far >= $w || self::near($dot, $dots[$i + $far], $limit));
                }
                if (! $flat) {
                    continue;
                }
                $count++;
                $key = ($dot >> 19) << 10 | ($dot >> 11 & 31) << 5 | ($dot >> 3 & 31);
                if (isset($bins[$key])) {
                    $bins[$key]['n']++;
                    $bins[$key]['r'] += $dot >> 16;
                    $bins[$key]['g'] += $dot >> 8 & 255;
                    $bins[$key]['b'] += $dot & 255;
                } else {
                    $bins[$key] = ['n' => 1, 'r' => (float) ($dot >> 16), 'g' => (float) ($dot >> 8 & 255), 'b' => (float) ($dot & 255)];
                }
            }
        }

        return [$bins, $count];
    }

    private static function near(int $dot, int $other, int $limit): bool
    {
        return $dot === $other || (abs(($dot >> 16) - ($other >> 16)) <= $limit && abs(($dot >> 8 & 255) - ($other >> 8 & 255)) <= $limit
            && abs(($dot & 255) - ($other & 255)) <= $limit);
    }

    /**
     * @param  array<int, Bin>  $bins
     * @return list<Bin>
     */
    private static function groups(array $bins, float $near): array
    {
        usort($bins, static fn (array $a, array $b): int => $b['n'] <=> $a['n']);
        $groups = [];
        $labs = [];
        foreach (array_slice($bins, 0, 4000) as $bin) {
            Patience::ask(16);
            $lab = self::colour($bin)->lab();
            $at = null;
            $least = $near;
            foreach ($labs as $k => $other) {
                // What is this far in lightness alone is no nearer at all.
                if (abs($other->l - $lab->l) > 2.5 * $near) {
                    continue;
                }
                $far = $other->distanceTo($lab);
                if ($far < $least) {
                    [$least, $at] = [$far, $k];
                }
            }
            if ($at === null) {
                $groups[] = $bin;
                $labs[] = $lab;
            } else {
                $groups[$at] = self::sum($groups[$at], $bin);
            }
        }

        return $groups;
    }

    /**
     * With the colours of what is small in a noisy picture: it lies flat next to itself, as no mixture along an edge does, and far from the others.
     *
     * @param  list<Bin>  $groups
     * @return list<Bin>
     */
    private static function withSmall(Scan $scan, array $groups): array
    {
        [$bins] = self::flat($scan, self::AROUND, self::FLAT_SMALL);
        $small = self::groups($bins, 2 * self::NEAR);
        usort($small, static fn (array $a, array $b): int => $b['n'] <=> $a['n']);
        foreach ($small as $group) {
            if ($group['n'] < max(self::SMALL, self::SMALL_SHARE * count($scan->dots)) || count($groups) >= self::MOST) {
                break;
            }
            $colour = self::colour($group);
            $near = array_filter($groups, static fn (array $one): bool => self::colour($one)->distanceTo($colour) < self::UNEXPLAINED_SMALL);
            if ($near === []) {
                $groups[] = $group;
            }
        }

        return $groups;
    }

    /**
     * JPEG tints a little of what lies near another colour: what is near a far larger colour is that one.
     *
     * @param  list<Bin>  $groups
     * @return list<Bin>
     */
    private static function withoutTints(array $groups): array
    {
        usort($groups, static fn (array $a, array $b): int => $b['n'] <=> $a['n']);
        $kept = [];
        foreach ($groups as $group) {
            $lab = self::colour($group)->lab();
            foreach ($kept as $other) {
                if ($group['n'] < self::TINT * $other['n'] && self::colour($other)->lab()->distanceTo($lab) < self::TINTED) {
                    continue 2;
                }
            }
            $kept[] = $group;
        }

        return $kept;
    }

    /**
     * @param  Bin  $a
     * @param  Bin  $b
     * @return Bin
     */
    private static function sum(array $a, array $b): array
    {
        return ['n' => $a['n'] + $b['n'], 'r' => $a['r'] + $b['r'], 'g' => $a['g'] + $b['g'], 'b' => $a['b'] + $b['b']];
    }

    /** @param  Bin  $bin */
    private static function colour(array $bin): Colour
    {
        return new Colour((int) round($bin['r'] / $bin['n']), (int) round($bin['g'] / $bin['n']), (int) round($bin['b'] / $bin['n']));
    }

    /**
     * The two that lose least by it become one, until there are few enough.
     *
     * @param  list<Bin>  $groups
     * @return list<Bin>
     */
    private static function joined(array $groups, int $most): array
    {
        usort($groups, static fn (array $a, array $b): int => $b['n'] <=> $a['n']);
        $groups = array_slice($groups, 0, 160);
        $labs = array_map(static fn (array $group) => self::colour($group)->lab(), $groups);
        while (count($groups) > $most) {
            Patience::ask(64);
            $best = null;
            $least = INF;
            foreach ($groups as $i => $a) {
                foreach ($groups as $k => $b) {
                    if ($k <= $i) {
                        continue;
                    }
                    $loss = $labs[$i]->distanceTo($labs[$k]) ** 2 * min($a['n'], $b['n']);
                    if ($loss < $least) {
                        [$least, $best] = [$loss, [$i, $k]];
                    }
                }
            }
            if ($best === null) {
                break;
            }
            [$i, $k] = $best;
            $groups[$i] = self::sum($groups[$i], $groups[$k]);
            $labs[$i] = self::colour($groups[$i])->lab();
            unset($groups[$k], $labs[$k]);
        }

        return array_values($groups);
    }

    /**
     * With the colours of what is too thin to lie flat.
     *
     * @param  list<Bin>  $groups
     * @return list<Bin>
     */
    private static function explained(Scan $scan, array $groups, int $most): array
    {
        $rare = [];
        $limit = $scan->lossy ? self::UNEXPLAINED_LOSSY : self::UNEXPLAINED;
        foreach ($scan->dots as $i => $dot) {
            if (($i & 4095) === 0) {
                Patience::ask(16);
            }
            $key = $dot >> 2 & 0x3F3F3F;
            $rare[$key] = ($rare[$key] ?? 0) + 1;
        }
        $least = max(4, (int) ($scan->width * $scan->height * 0.00002));
        for ($round = 0; $round < 12 && count($groups) < $most; $round++) {
            Patience::ask(64);
            $colours = array_map(static fn (array $group): array => [$group['r'] / $group['n'], $group['g'] / $group['n'], $group['b'] / $group['n']], $groups);
            $best = null;
            $most1 = 0.0;
            foreach ($rare as $key => $n) {
                $far = self::unexplained(self::middle($key), $colours);
                if ($far < $limit) {
                    unset($rare[$key]);
                } elseif ($n * $far * $far > $most1) {
                    // The farthest of many is the colour itself; what is nearer is mixed with what lies beside.
                    [$most1, $best] = [$n * $far * $far, $key];
                }
            }
            if ($best === null || array_sum($rare) < $least) {
                break;
            }
            $n = max(1, $rare[$best]);
            [$r, $g, $b] = self::middle($best);
            $groups[] = ['n' => $n, 'r' => $n * $r, 'g' => $n * $g, 'b' => $n * $b];
        }

        return $groups;
    }

    /** @return array{float, float, float} the middle of the colours that have the same six highest bits of each channel */
    private static function middle(int $bin): array
    {
        return [($bin >> 16 << 2) + 1.5, (($bin >> 8 & 63) << 2) + 1.5, (($bin & 63) << 2) + 1.5];
    }

    /**
     * @param  array{float, float, float}  $dot
     * @param  list<array{float, float, float}>  $colours
     * @return float how far from every colour and every mixture of two
     */
    private static function unexplained(array $dot, array $colours): float
    {
        [$r, $g, $b] = $dot;
        $least = INF;
        foreach ($colours as $i => [$ar, $ag, $ab]) {
            [$dr, $dg, $db] = [$r - $ar, $g - $ag, $b - $ab];
            $least = min($least, $dr * $dr + $dg * $dg + $db * $db);
            for ($k = 0; $k < $i; $k++) {
                [$br, $bg, $bb] = $colours[$k];
                [$er, $eg, $eb] = [$br - $ar, $bg - $ag, $bb - $ab];
                $long = $er * $er + $eg * $eg + $eb * $eb;
                $t = $long > 0 ? max(0.0, min(1.0, ($dr * $er + $dg * $eg + $db * $eb) / $long)) : 0.0;
                $least = min($least, ($dr - $t * $er) ** 2 + ($dg - $t * $eg) ** 2 + ($db - $t * $eb) ** 2);
            }
            if ($least < 64) {
                break;
            }
        }

        return sqrt($least);
    }
}
