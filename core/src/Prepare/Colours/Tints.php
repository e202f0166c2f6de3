<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Colours;

use NeatEdge\Core\Measure\Colour;

/** Colours that are another one, thinned by the ground: what a screen prints as dots of that one. Mixed in sRGB, as browsers mix what one can see through. */
final class Tints
{
    /** Colour distance (CIEDE2000) up to which a colour is taken for the mixture. */
    private const SAME = 2.0;

    /** Share of an ink under which, and from which on, a colour is the ground or the ink itself. */
    private const LEAST = 0.03;

    /**
     * @param  list<string>  $hexes  #rrggbb
     * @param  list<Colour>  $grounds  cloth or paper, and white where it is printed first
     * @param  list<string>  $inks  #rrggbb of those that somebody named: they are inks of their own
     * @return array<string, array{string, float}> by the tint: whose it is, and how much of it, 0 to 1
     */
    public static function of(array $hexes, array $grounds, array $inks = []): array
    {
        $far = [];
        foreach (array_unique($hexes) as $hex) {
            $colour = Colour::fromHex($hex);
            $far[$hex] = (float) array_reduce(
                $grounds,
                static fn (float $least, Colour $ground): float => min($least, $ground->lab()->distanceTo($colour->lab())),
                INF,
            );
        }
        // The strongest first: a tint is never of another tint.
        arsort($far);
        $own = $tints = [];
        foreach (array_map(strval(...), array_keys($far)) as $hex) {
            $best = null;
            foreach (in_array($hex, $inks, true) ? [] : $own as $ink) {
                foreach ($grounds as $ground) {
                    $share = self::share(Colour::fromHex($hex), Colour::fromHex($ink), $ground);
                    if ($share !== null && ($best === null || $share[1] < $best[2])) {
                        $best = [$ink, $share[0], $share[1]];
                    }
                }
            }
            if ($best === null) {
                $own[] = $hex;
            } else {
                $tints[$hex] = [$best[0], $best[1]];
            }
        }

        return $tints;
    }

    /** @return array{float, float}|null how much of an ink over a ground gives a colour, and how far the mixture is from it; null where none does */
    private static function share(Colour $colour, Colour $ink, Colour $ground): ?array
    {
        [$dr, $dg, $db] = [$ink->red - $ground->red, $ink->green - $ground->green, $ink->blue - $ground->blue];
        $all = $dr * $dr + $dg * $dg + $db * $db;
        if ($all === 0) {
            return null;
        }
        $share = (($colour->red - $ground->red) * $dr + ($colour->green - $ground->green) * $dg + ($colour->blue - $ground->blue) * $db) / $all;
        if ($share < self::LEAST || $share > 1 - self::LEAST) {
            return null;
        }
        $far = self::mixed($ground, [[$ink, $share]])->lab()->distanceTo($colour->lab());

        return $far <= self::SAME ? [$share, $far] : null;
    }

    /** @param  list<array{Colour, float}>  $inks  with their shares, together 1 at most */
    private static function mixed(Colour $ground, array $inks): Colour
    {
        [$r, $g, $b] = [(float) $ground->red, (float) $ground->green, (float) $ground->blue];
        foreach ($inks as [$ink, $share]) {
            $r += $share * ($ink->red - $ground->red);
            $g += $share * ($ink->green - $ground->green);
            $b += $share * ($ink->blue - $ground->blue);
        }
        $held = static fn (float $v): int => (int) max(0, min(255, round($v)));

        return new Colour($held($r), $held($g), $held($b));
    }

    /**
     * How much of two inks over a ground gives a colour, where two do: what lies between them in a gradient.
     *
     * @param  list<string>  $inks  #rrggbb
     * @param  list<Colour>  $grounds
     * @return array<string, float>|null shares by ink; null where no two give it
     */
    public static function between(Colour $colour, array $inks, array $grounds): ?array
    {
        $best = null;
        $least = self::SAME;
        foreach ($grounds as $ground) {
            foreach ($inks as $i => $ink) {
                foreach (array_slice($inks, $i + 1) as $other) {
                    [$a, $b] = [Colour::fromHex($ink), Colour::fromHex($other)];
                    for ($s = 0.0; $s <= 1.0; $s += 0.02) {
                        $share = self::share($colour, $b, self::mixed($ground, [[$a, $s]]));
                        // The second thins the first: what is left of that is its share.
                        $parts = $share === null ? null : [$s * (1 - $share[0]), $share[0]];
                        if ($parts !== null && $share[1] < $least) {
                            $least = $share[1];
                            $best = [$ink => $parts[0], $other => $parts[1]];
                        }
                    }
                }
            }
        }

        return $best;
    }
}
