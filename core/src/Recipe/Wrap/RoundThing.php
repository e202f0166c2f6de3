<?php

declare(strict_types=1);

namespace NeatEdge\Core\Recipe\Wrap;

use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Convex;

/**
 * F2: the outside of a round thing, such as a mug, as it is seen: straight, or wider at one end. What lies flat on its unrolled outside, in true size about its
 * middle, is laid round it, and only what faces whoever looks is kept. It is seen from far away, in parallel.
 *
 * @source a cylinder or cone unrolls without stretching: length round it stays length; seen in parallel, x = r sin(length / r)
 */
final readonly class RoundThing
{
    /** Half of what is laid out flat, mm: farther than any art. */
    private const FAR = 2e4;

    /** Radius in the middle, mm. */
    private float $middle;

    /** Radius that is gained on a mm upwards along the outside; nought for what is straight. */
    private float $slope;

    /** Upright mm on a mm along the outside. */
    private float $upright;

    /**
     * @param  float  $top  diameter, mm
     * @param  float  $bottom  diameter, mm
     * @param  float  $height  mm
     * @param  float  $above  how far it is looked down on, degrees, 0 to 80
     * @param  float  $turn  how far it is turned, degrees
     */
    public function __construct(public float $top, public float $bottom, public float $height, public float $above = 0.0, public float $turn = 0.0)
    {
        $this->middle = ($top + $bottom) / 4;
        $gain = ($top - $bottom) / 2;
        $side = hypot($height, $gain);
        $this->slope = abs($gain) < 1e-9 * $side ? 0.0 : $gain / $side;
        $this->upright = $height / $side;
    }

    /**
     * @param  float  $s  to the right of the middle, along the outside, mm
     * @param  float  $t  below it
     * @return array{float, float} where that is seen, from where the middle of the thing is, mm
     */
    public function at(float $s, float $t): array
    {
        [$angle, $radius, $down] = $this->round($s, $t);
        $above = deg2rad($this->above);

        return [$radius * sin($angle), $down * $this->upright * cos($above) + ($radius * cos($angle) - $this->middle) * sin($above)];
    }

    /** @return array{float, float, float} round the axis from the front, radians; radius there; and how far down the outside */
    private function round(float $s, float $t): array
    {
        $turn = deg2rad($this->turn);
        if ($this->slope === 0.0) {
            return [$s / $this->middle + $turn, $this->middle, $t];
        }
        // Unrolled it is part of a ring about its tip, which lies below where it is wider above.
        $tip = $this->middle / $this->slope;
        $far = hypot($s, $tip - $t);

        return [atan2($s, abs($tip - $t)) / abs($this->slope) + $turn, $far * abs($this->slope), $tip - ($tip <=> 0) * $far];
    }

    /** How far round, on either side of the front, it is seen, radians. */
    public function seen(): float
    {
        // The outside faces away where its normal does: one that widens upwards hides more of itself the more it is looked down on.
        return acos(max(-1.0, min(1.0, $this->slope / $this->upright * tan(deg2rad($this->above)))));
    }

    /** @return list<array{float, float}> what can be seen of it, flat, as a polygon round the middle */
    private function facing(): array
    {
        $turn = deg2rad($this->turn);
        $ends = [-$this->seen() - $turn, $this->seen() - $turn];
        if ($this->slope === 0.0) {
            [$left, $right] = [$ends[0] * $this->middle, $ends[1] * $this->middle];

            return [[$left, -self::FAR], [$right, -self::FAR], [$right, self::FAR], [$left, self::FAR]];
        }
        $tip = $this->middle / $this->slope;
        $ray = fn (float $angle): array => [self::FAR * sin($angle * abs($this->slope)), $tip - ($tip <=> 0) * self::FAR * cos($angle * abs($this->slope))];

        return [[0.0, $tip], $ray($ends[0]), $ray($ends[1])];
    }

    /** Whether all of a flat shape can be seen, from where its middle is. */
    public function faces(Shape $shape): bool
    {
        return (new Convex($this->facing()))->holds($shape);
    }

    /**
     * What of a flat shape can be seen, from where its middle is; whole where all of it can.
     *
     * @param  bool  $asLines  whether closed outlines are lines, too, which are not closed anew along the edge
     */
    public function kept(Shape $shape, bool $asLines = false): Shape
    {
        return (new Convex($this->facing()))->kept($shape, $asLines);
    }
}
