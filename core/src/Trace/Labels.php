<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

use NeatEdge\Core\Patience\Patience;

/**
 * Which colour each dot of a picture belongs to. A dot amid dots of its colour is sure; one along an edge is a mixture of what lies around it and belongs
 * to the one that it has more of, never to a third colour that happens to look like the mixture.
 */
final class Labels
{
    /** Of 441: a dot that is no farther from a mixture is that mixture. */
    private const MIXTURE = 30.0;

    private const MIXTURE_LOSSY = 60.0;

    /** Dots around a dot in which its mixture is sought. */
    private const REACH = 2;

    private const REACH_LOSSY = 4;

    /** @var array<int, array{int, float}> the nearest colour of a dot, and how far (squared) */
    private array $nearest = [];

    /** @var list<array{int, int, int}> */
    private array $colours;

    /** @param  list<Ink>  $inks */
    private function __construct(private readonly Scan $scan, array $inks)
    {
        $this->colours = array_map(static fn (Ink $ink): array => [$ink->colour->red, $ink->colour->green, $ink->colour->blue], $inks);
    }

    /**
     * @param  non-empty-list<Ink>  $inks
     * @return list<int> a number of the list of inks for each dot, row by row
     */
    public static function of(Scan $scan, array $inks): array
    {
        return count($inks) === 1 ? array_fill(0, count($scan->dots), 0) : (new self($scan, $inks))->labels();
    }

    /** @return list<int> */
    private function labels(): array
    {
        [$w, $h] = [$this->scan->width, $this->scan->height];
        $near = [];
        foreach ($this->scan->dots as $i => $dot) {
            if ($i % $w === 0) {
                Patience::ask(16);
            }
            $near[] = ($this->nearest[$dot] ??= $this->nearestOf($dot))[0];
        }
        $sure = $this->sure($near);
        $labels = $near;
        for ($y = 0; $y < $h; $y++) {
            Patience::ask(16);
            for ($x = 0, $i = $y * $w; $x < $w; $x++, $i++) {
                if ($sure[$i] < 0) {
                    $labels[$i] = $this->mixed($sure, $x, $y, $near[$i]);
                }
            }
        }

        return array_values($labels);
    }

    /** @return array{int, float} */
    private function nearestOf(int $dot): array
    {
        [$r, $g, $b] = [$dot >> 16 & 255, $dot >> 8 & 255, $dot & 255];
        $at = 0;
        $least = INF;
        foreach ($this->colours as $k => [$cr, $cg, $cb]) {
            $far = ($r - $cr) ** 2 + ($g - $cg) ** 2 + ($b - $cb) ** 2;
            if ($far < $least) {
                [$least, $at] = [$far, $k];
            }
        }

        return [$at, (float) $least];
    }

    /**
     * @param  list<int>  $near
     * @return list<int> the colour of a dot that lies, with its four neighbours, amid one colour; else -1
     */
    private function sure(array $near): array
    {
        [$w, $h, $dots] = [$this->scan->width, $this->scan->height, $this->scan->dots];
        // Half of the way to the next colour is a mixture; a quarter is noise.
        $limits = [];
        foreach ($this->colours as $i => [$r, $g, $b]) {
            $least = INF;
            foreach ($this->colours as $k => [$or, $og, $ob]) {
                if ($i !== $k) {
                    $least = min($least, ($r - $or) ** 2 + ($g - $og) ** 2 + ($b - $ob) ** 2);
                }
            }
            $limits[] = max(($this->scan->lossy ? 0.16 : 0.09) * $least, 36.0);
        }
        $close = [];
        foreach ($dots as $i => $dot) {
            $close[] = $this->nearest[$dot][1] <= $limits[$near[$i]];
        }
        $sure = [];
        for ($y = 0; $y < $h; $y++) {
            Patience::ask(16);
            $up = $y > 0 ? -$w : 0;
            $down = $y < $h - 1 ? $w : 0;
            for ($x = 0, $i = $y * $w; $x < $w; $x++, $i++) {
                $label = $near[$i];
                $left = $x > 0 ? $i - 1 : $i;
                $right = $x < $w - 1 ? $i + 1 : $i;
                $sure[] = $close[$i] && $near[$i + $up] === $label && $near[$i + $down] === $label && $near[$left] === $label && $near[$right] === $label
                    && (int) $close[$i + $up] + (int) $close[$i + $down] + (int) $close[$left] + (int) $close[$right] >= 3 ? $label : -1;
            }
        }

        return $this->scan->lossy ? self::surer($sure, $w, $h) : $sure;
    }

    /**
     * Of a noisy picture only dots amid sure ones are sure.
     *
     * @param  list<int>  $sure
     * @return list<int>
     */
    private static function surer(array $sure, int $w, int $h): array
    {
        $surer = [];
        foreach ($sure as $i => $label) {
            $x = $i % $w;
            $surer[] = $label >= 0 && ($i < $w || $sure[$i - $w] === $label) && ($i + $w >= $w * $h || $sure[$i + $w] === $label)
                && ($x === 0 || $sure[$i - 1] === $label) && ($x === $w - 1 || $sure[$i + 1] === $label) ? $label : -1;
        }

        return $surer;
    }

    /**
     * @param  list<int>  $sure
     * @return int the colour that a dot along an edge has most of
     */
    private function mixed(array $sure, int $x, int $y, int $near): int
    {
        [$w, $h] = [$this->scan->width, $this->scan->height];
        $around = [];
        $reach = $this->scan->lossy ? self::REACH_LOSSY : self::REACH;
        for ($v = max(0, $y - $reach), $last = min($h - 1, $y + $reach); $v <= $last; $v++) {
            for ($i = $v * $w + max(0, $x - $reach), $end = $v * $w + min($w - 1, $x + $reach); $i <= $end; $i++) {
                if ($sure[$i] >= 0) {
                    $around[$sure[$i]] = true;
                }
            }
        }
        $dot = $this->scan->dots[$y * $w + $x];
        $limit = ($this->scan->lossy ? self::MIXTURE_LOSSY : self::MIXTURE) ** 2;
        if (count($around) >= 2) {
            $best = $near;
            $least = INF;
            $around = array_keys($around);
            foreach ($around as $i => $a) {
                for ($k = 0; $k < $i; $k++) {
                    [$share, $far] = $this->share($dot, $a, $around[$k]);
                    if ($far < $least) {
                        [$least, $best] = [$far, $share < 0.5 ? $a : $around[$k]];
                    }
                }
            }
            // Nearer to a colour of its own than to any mixture: a thin line of it.
            $own = $this->nearest[$dot][1];

            return $least > $limit && $own < $least ? $near : $best;
        }
        if (count($around) === 1) {
            $ground = array_key_first($around);

            return $near === $ground ? $ground : $this->besideOnly($ground, $x, $y, $near);
        }

        return $near;
    }

    /** Of what is thin only its ground is sure: it has the colour that is farthest from that nearby. */
    private function besideOnly(int $ground, int $x, int $y, int $near): int
    {
        [$w, $h] = [$this->scan->width, $this->scan->height];
        [$gr, $gg, $gb] = $this->colours[$ground];
        $most = 0;
        $other = $near;
        for ($v = max(0, $y - 1), $last = min($h - 1, $y + 1); $v <= $last; $v++) {
            for ($i = $v * $w + max(0, $x - 1), $end = $v * $w + min($w - 1, $x + 1); $i <= $end; $i++) {
                $dot = $this->scan->dots[$i];
                $far = (($dot >> 16 & 255) - $gr) ** 2 + (($dot >> 8 & 255) - $gg) ** 2 + (($dot & 255) - $gb) ** 2;
                if ($far > $most) {
                    [$most, $other] = [$far, $this->nearest[$dot][0]];
                }
            }
        }
        if ($other === $ground) {
            return $ground;
        }
        $dot = $this->scan->dots[$y * $w + $x];
        [$share, $far] = $this->share($dot, $ground, $other);
        $limit = ($this->scan->lossy ? self::MIXTURE_LOSSY : self::MIXTURE) ** 2;

        return $far > $limit && $this->nearest[$dot][1] < $far ? $near : ($share < 0.5 ? $ground : $other);
    }

    /** @return array{float, float} how much of the second colour a dot has of the two, and how far (squared) it is from that mixture */
    private function share(int $dot, int $a, int $b): array
    {
        [$ar, $ag, $ab] = $this->colours[$a];
        [$br, $bg, $bb] = $this->colours[$b];
        [$dr, $dg, $db] = [($dot >> 16 & 255) - $ar, ($dot >> 8 & 255) - $ag, ($dot & 255) - $ab];
        [$er, $eg, $eb] = [$br - $ar, $bg - $ag, $bb - $ab];
        $long = $er * $er + $eg * $eg + $eb * $eb;
        $t = $long > 0 ? max(0.0, min(1.0, ($dr * $er + $dg * $eg + $db * $eb) / $long)) : 0.0;

        return [$t, ($dr - $t * $er) ** 2 + ($dg - $t * $eg) ** 2 + ($db - $t * $eb) ** 2];
    }
}
