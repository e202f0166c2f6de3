<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

/** A part of a circle: what machines that know arcs are told instead of many chords. */
final readonly class Arc
{
    /** Radii beyond this, mm, are straight for any machine. */
    private const FLATTEST = 20_000.0;

    /**
     * @param  float  $sweep  radians from its start to its end; positive runs clockwise on the bench, where y grows downwards
     */
    private function __construct(public float $x, public float $y, public float $radius, public float $from, public float $sweep)
    {
    }

    /**
     * The arc that a cubic segment is, to a tolerance; null where it is none.
     *
     * @param  list<float>  $s  see Cubic
     */
    public static function of(array $s, float $tolerance): ?self
    {
        if (Cubic::isLine($s)) {
            return null;
        }
        $middle = Cubic::at($s, 0.5);
        $circle = self::through($s[0], $s[1], $middle[0], $middle[1], $s[6], $s[7]);
        if ($circle === null) {
            return null;
        }
        [$x, $y, $r] = $circle;
        if ($r > self::FLATTEST || $r < 1e-6) {
            return null;
        }
        foreach ([0.1, 0.25, 0.4, 0.6, 0.75, 0.9] as $t) {
            [$px, $py] = Cubic::at($s, $t);
            if (abs(hypot($px - $x, $py - $y) - $r) > $tolerance) {
                return null;
            }
        }
        $from = atan2($s[1] - $y, $s[0] - $x);
        $via = atan2($middle[1] - $y, $middle[0] - $x);
        $to = atan2($s[7] - $y, $s[6] - $x);
        $first = self::turn($via - $from);
        $second = self::turn($to - $via);
        // Half of an arc never passes half a turn, so both halves turn one way.
        if ($first * $second <= 0 || abs($first + $second) > 1.9 * M_PI) {
            return null;
        }

        return new self($x, $y, $r, $from, $first + $second);
    }

    /**
     * The circle through three places.
     *
     * @return array{float, float, float}|null middle and radius; null where they lie on a line
     */
    private static function through(float $ax, float $ay, float $bx, float $by, float $cx, float $cy): ?array
    {
        $d = 2 * (($bx - $ax) * ($cy - $ay) - ($by - $ay) * ($cx - $ax));
        if (abs($d) < 1e-12) {
            return null;
        }
        $b = ($bx - $ax) ** 2 + ($by - $ay) ** 2;
        $c = ($cx - $ax) ** 2 + ($cy - $ay) ** 2;
        $ux = (($cy - $ay) * $b - ($by - $ay) * $c) / $d;
        $uy = (($bx - $ax) * $c - ($cx - $ax) * $b) / $d;

        return [$ax + $ux, $ay + $uy, hypot($ux, $uy)];
    }

    /** An angle as a turn of at most half a circle either way. */
    private static function turn(float $angle): float
    {
        return $angle - 2 * M_PI * round($angle / (2 * M_PI));
    }

    /** Tangent of a quarter of the angle: how drawings in exchange formats say an arc between two places. */
    public function bulge(): float
    {
        return tan($this->sweep / 4);
    }
}
