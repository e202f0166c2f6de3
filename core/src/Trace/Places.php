<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

use NeatEdge\Core\Patience\Patience;

/**
 * Where a border runs, to a part of a dot. Across a border, the dots' shares of the colour beyond come to as many dots as it covers there: for a straight
 * border that is exact, wherever it lies in its dots.
 *
 * @phpstan-type Run array{float, bool, float}
 */
final readonly class Places
{
    /** Shares that are taken for none of it, or all. */
    private const PURE = 0.02;

    private const PURE_LOSSY = 0.1;

    /** Dots that an edge is wide at most, to either side. */
    private const WIDE = 3;

    /** Steps to either side from which the direction of a border is told. */
    private const AROUND = 4;

    /** Brightness (0 to 255) by which two colours differ so that JPEG, which keeps colour coarser than light, is asked for light alone. */
    private const BY_LIGHT = 40.0;

    /** Share of how far two colours differ by which the ground is off their mixtures at least, for it to be told apart between them. */
    private const ASIDE = 0.35;

    /** @var list<array{float, float, float}> */
    private array $colours;

    private float $pure;

    /**
     * @param  list<Ink>  $inks
     * @param  list<float>  $value  see Light
     * @param  int|null  $ground  number of the colour that lies around everything
     */
    public function __construct(private Scan $scan, private Regions $regions, array $inks, private array $value, private ?int $ground = null)
    {
        $this->colours = array_map(static fn (Ink $ink): array => [$value[$ink->colour->red], $value[$ink->colour->green], $value[$ink->colour->blue]], $inks);
        $this->pure = $scan->lossy ? self::PURE_LOSSY : self::PURE;
    }

    /** @return list<array{float, float}> in dots of the picture; along its frame the corners of dots */
    public function along(Chain $chain): array
    {
        Patience::ask(count($chain->steps));
        [$x, $y] = [$chain->x, $chain->y];
        if ($chain->isFrame()) {
            $places = [[(float) $x, (float) $y]];
            foreach ($chain->steps as $way) {
                $x += [1, 0, -1, 0][$way];
                $y += [0, 1, 0, -1][$way];
                $places[] = [(float) $x, (float) $y];
            }

            return $places;
        }
        $weights = $this->weights($chain);
        $used = $this->used($chain);
        $places = [];
        foreach ($chain->steps as $k => $way) {
            if ($used[$k]) {
                $places[] = $this->place($x, $y, $way, $chain, $weights);
            }
            $x += $way === 0 ? 1 : ($way === 2 ? -1 : 0);
            $y += $way === 1 ? 1 : ($way === 3 ? -1 : 0);
        }

        return $places;
    }

    /**
     * What a dot's channels count for its share of the right colour against the left one, and what is to be taken off.
     *
     * @return array{float, float, float, float}
     */
    private function weights(Chain $chain): array
    {
        $a = $this->colours[$this->regions->label[$chain->left]];
        $b = $this->colours[$this->regions->label[$chain->right]];
        $d = [$b[0] - $a[0], $b[1] - $a[1], $b[2] - $a[2]];
        if ($this->scan->lossy) {
            $light = [0.299, 0.587, 0.114];
            $by = $light[0] * $d[0] + $light[1] * $d[1] + $light[2] * $d[2];
            if (abs($by) * 255 > self::BY_LIGHT) {
                $d = array_map(static fn (float $one): float => $one / $by, $light);

                return [$d[0], $d[1], $d[2], $d[0] * $a[0] + $d[1] * $a[1] + $d[2] * $a[2]];
            }
        }
        $long = max(1e-9, $d[0] * $d[0] + $d[1] * $d[1] + $d[2] * $d[2]);
        $d = array_map(static fn (float $one): float => $one / $long, $d);
        if ($this->ground !== null && ! in_array($this->ground, [$this->regions->label[$chain->left], $this->regions->label[$chain->right]], true)) {
            $d = self::withoutSeam($d, $a, $this->colours[$this->ground], $long);
        }

        return [$d[0], $d[1], $d[2], $d[0] * $a[0] + $d[1] * $a[1] + $d[2] * $a[2]];
    }

    /**
     * Colours that a renderer drew beside each other let through what lies beneath: a share of each dot along them is the ground's, and says nothing of where
     * the border is. It counts half for either.
     *
     * @param  array<float>  $d  weights of the channels
     * @param  array{float, float, float}  $a  the left colour
     * @param  array{float, float, float}  $ground
     * @param  float  $long  how far both colours differ, squared
     * @return array<float>
     */
    private static function withoutSeam(array $d, array $a, array $ground, float $long): array
    {
        $w = [$ground[0] - $a[0], $ground[1] - $a[1], $ground[2] - $a[2]];
        $along = $d[0] * $w[0] + $d[1] * $w[1] + $d[2] * $w[2];
        $aside = [$w[0] - $along * $long * $d[0], $w[1] - $along * $long * $d[1], $w[2] - $along * $long * $d[2]];
        $far = $aside[0] ** 2 + $aside[1] ** 2 + $aside[2] ** 2;
        if ($far < self::ASIDE ** 2 * $long) {
            return $d;
        }

        return array_map(static fn (float $one, float $off): float => $one - ($along - 0.5) * $off / $far, $d, $aside);
    }

    /** @return list<bool> of each step, whether it is crossed steeply enough to say where the border lies */
    private function used(Chain $chain): array
    {
        $n = count($chain->steps);
        $xs = $ys = [0];
        foreach ($chain->steps as $way) {
            $xs[] = $xs[count($xs) - 1] + ($way === 0 ? 1 : ($way === 2 ? -1 : 0));
            $ys[] = $ys[count($ys) - 1] + ($way === 1 ? 1 : ($way === 3 ? -1 : 0));
        }
        if ($n < 4) {
            return array_fill(0, $n, true);
        }
        $used = [];
        foreach ($chain->steps as $k => $way) {
            [$from, $to] = [$k - self::AROUND, $k + self::AROUND + 1];
            if ($chain->closed && $n > 2 * self::AROUND + 1) {
                $dx = $xs[($to + $n) % $n] - $xs[($from + $n) % $n];
                $dy = $ys[($to + $n) % $n] - $ys[($from + $n) % $n];
            } else {
                $dx = $xs[min($n, $to)] - $xs[max(0, $from)];
                $dy = $ys[min($n, $to)] - $ys[max(0, $from)];
            }
            $used[] = ($way & 1) === 0 ? abs($dx) >= 0.7 * abs($dy) : abs($dy) >= 0.7 * abs($dx);
        }

        return $used;
    }

    /**
     * @param  array{float, float, float, float}  $weights
     * @return array{float, float}
     */
    private function place(int $x, int $y, int $way, Chain $chain, array $weights): array
    {
        [$w, $h] = [$this->scan->width, $this->scan->height];
        // The dot on the left of the step, and from it away from the border: how many dots there are, and to the next.
        [$px, $py, $dx, $dy] = match ($way) {
            0 => [$x, $y - 1, 0, -1],
            1 => [$x, $y, 1, 0],
            2 => [$x - 1, $y, 0, 1],
            default => [$x - 1, $y - 1, -1, 0],
        };
        $step = $dy * $w + $dx;
        $left = $this->run($py * $w + $px, $step, $dx > 0 ? $w - $px : ($dx < 0 ? $px + 1 : ($dy > 0 ? $h - $py : $py + 1)), $chain->left, $weights, false);
        $qx = $px - $dx;
        $qy = $py - $dy;
        $right = $this->run($qy * $w + $qx, -$step, $dx > 0 ? $qx + 1 : ($dx < 0 ? $w - $qx : ($dy > 0 ? $qy + 1 : $h - $qy)), $chain->right, $weights, true);
        $into = $left[0] * (1 - $this->elsewhere($left, $right[0]));
        $missing = $right[0] * (1 - $this->elsewhere($right, $left[0]));
        $by = max(-1.5, min(1.5, $into - $missing));
        $cx = $x + ($way === 0 ? 0.5 : ($way === 2 ? -0.5 : 0.0));
        $cy = $y + ($way === 1 ? 0.5 : ($way === 3 ? -0.5 : 0.0));

        return [$cx + $by * $dx, $cy + $by * $dy];
    }

    /**
     * Where a side is so thin that none of its dots is pure, both of its borders lie in them: which share of what is missing of it the far one takes.
     *
     * @param  Run  $run  see run()
     * @param  float  $over  dots by which it lies over this border
     */
    private function elsewhere(array $run, float $over): float
    {
        if (! $run[1]) {
            return 0.0;
        }

        return $over > $this->pure ? ($run[2] > $this->pure ? 0.5 : 1.0) : ($run[2] > $this->pure ? 0.0 : 0.5);
    }

    /**
     * From the border away: how many dots of a side the other one covers.
     *
     * @param  int  $most  dots to the frame
     * @param  array{float, float, float, float}  $weights
     * @return Run that; whether its end is another border and no dot of it pure; and by how much it lies over that border
     */
    private function run(int $i, int $step, int $most, int $region, array $weights, bool $right): array
    {
        [$r, $g, $b, $off] = $weights;
        $sum = 0.0;
        $last = 1.0;
        $dots = $this->scan->dots;
        for ($k = 0; $k <= self::WIDE && $k < $most; $k++, $i += $step) {
            $dot = $dots[$i];
            $share = $r * $this->value[$dot >> 16] + $g * $this->value[$dot >> 8 & 255] + $b * $this->value[$dot & 255] - $off;
            $other = $right ? 1 - $share : $share;
            $other = $other < 0.0 ? 0.0 : ($other > 1.0 ? 1.0 : $other);
            if ($this->regions->of[$i] !== $region) {
                return [$sum, $k > 0, 1 - $other];
            }
            if ($k === self::WIDE || ($k > 0 && $other > $last)) {
                // It grows again: another edge.
                break;
            }
            $sum += $other;
            $last = $other;
            if ($other <= $this->pure) {
                break;
            }
        }

        return [$sum, false, 0.0];
    }
}
