<?php

declare(strict_types=1);

namespace NeatEdge\Core\Separate;

use Closure;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Pen;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Inside;
use NeatEdge\Core\Patience\Patience;

/**
 * X5: tints as dots on a lattice, as large as the tint is dense. Up to half cover dots stand on the cloth; beyond it holes stand in the ink.
 */
final readonly class Halftone
{
    /** Dots that one plate has at most. */
    public const MOST = 400_000;

    /** How long an oval dot is to its width: it touches its neighbour at two fifths of cover. */
    private const OVAL = 1.96;

    /** Change of cover over a cell from which on it is looked at in more places. */
    private const STEEP = 0.1;

    /**
     * @param  float  $ruling  lines an inch
     * @param  float  $degrees  of the lattice, clockwise on the bench
     * @param  string  $dot  round, oval or line
     * @param  float  $least  mm across the least dot or hole that the screen holds; smaller ones are dropped, or kept at that
     * @param  bool  $keepLeast  whether they are kept at the limit
     */
    public function __construct(
        public float $ruling,
        public float $degrees,
        private string $dot = 'round',
        private float $least = 0.0,
        private bool $keepLeast = false,
    ) {
    }

    /** mm between rows of dots. */
    public function pitch(): float
    {
        return 25.4 / $this->ruling;
    }

    /**
     * @param  Closure(float, float): float  $cover  0 to 1, at a place in mm
     * @return Shape dots whose middle lies in the region, none touching the form of another's path
     */
    public function dots(Shape $region, Closure $cover): Shape
    {
        $box = $region->box();
        if ($box === null) {
            return new Shape([]);
        }
        $inside = new Inside($region);
        $pitch = $this->pitch();
        $cos = cos(deg2rad($this->degrees));
        $sin = sin(deg2rad($this->degrees));
        // The lattice stands at the page's corner, so that dots of neighbours run on.
        $corners = [[$box->left, $box->top], [$box->right, $box->top], [$box->left, $box->bottom], [$box->right, $box->bottom]];
        $u = array_map(static fn (array $p): float => ($p[0] * $cos + $p[1] * $sin) / $pitch, $corners);
        $v = array_map(static fn (array $p): float => ($p[1] * $cos - $p[0] * $sin) / $pitch, $corners);
        $dots = [];
        for ($j = (int) floor(min($v)), $jl = (int) ceil(max($v)); $j <= $jl; $j++) {
            for ($i = (int) floor(min($u)), $il = (int) ceil(max($u)); $i <= $il; $i++) {
                Patience::ask(32);
                $x = ($i * $cos - $j * $sin) * $pitch;
                $y = ($i * $sin + $j * $cos) * $pitch;
                if ($x < $box->left || $x > $box->right || $y < $box->top || $y > $box->bottom || ! $inside->holds($x, $y)) {
                    continue;
                }
                foreach ($this->dot($x, $y, $this->covered($cover, $x, $y, $pitch, $cos, $sin), $pitch, $cos, $sin) as $contour) {
                    $dots[] = $contour;
                }
            }
        }

        return new Shape($dots);
    }

    /** @param  Closure(float, float): float  $cover */
    private function covered(Closure $cover, float $x, float $y, float $pitch, float $cos, float $sin): float
    {
        $middle = $cover($x, $y);
        $q = $pitch / 4;
        $ends = [
            $cover($x + $q * $cos, $y + $q * $sin),
            $cover($x - $q * $cos, $y - $q * $sin),
            $cover($x - $q * $sin, $y + $q * $cos),
            $cover($x + $q * $sin, $y - $q * $cos),
        ];
        if (max($ends) - min($ends) > self::STEEP / 2) {
            $middle = ($middle + array_sum($ends)) / 5;
        }

        return max(0.0, min(1.0, $middle));
    }

    /** @return list<Contour> */
    private function dot(float $x, float $y, float $cover, float $pitch, float $cos, float $sin): array
    {
        $square = static fn (float $w, float $h): Contour => self::turned($x, $y, $cos, $sin, Contour::rectangle(-$w / 2, -$h / 2, $w, $h)->coords);
        if ($cover > 0.9995) {
            return [$square($pitch, $pitch)];
        }
        if ($this->dot === 'line') {
            $high = $cover * $pitch;
            if ($high < $this->least) {
                $high = $this->keepLeast && $cover > 0.005 ? $this->least : 0.0;
            } elseif ($pitch - $high < $this->least) {
                $high = $this->keepLeast ? $pitch - $this->least : $pitch;
            }

            return $high <= 0 ? [] : [$square($pitch, $high)];
        }
        $long = $this->dot === 'oval' ? sqrt(self::OVAL) : 1.0;
        $part = $cover <= 0.5 ? $cover : 1 - $cover;
        $r = sqrt($part * $pitch * $pitch / M_PI);
        if (2 * $r / $long < $this->least) {
            $r = $this->keepLeast && $part > 0.005 ? $this->least * $long / 2 : 0.0;
        }
        if ($cover <= 0.5) {
            return $r <= 0 ? [] : [self::turned($x, $y, $cos, $sin, self::oval($r * $long, $r / $long))];
        }
        $cell = $square($pitch, $pitch);

        return $r <= 0 ? [$cell] : [$cell, self::turned($x, $y, $cos, $sin, self::oval(min($r * $long, 0.499 * $pitch), $r / $long))->reversed()];
    }

    /**
     * @return list<float> coordinates of an ellipse about the origin
     */
    private static function oval(float $rx, float $ry): array
    {
        $hx = $rx * Pen::QUARTER;
        $hy = $ry * Pen::QUARTER;

        return [$rx, 0.0, $rx, $hy, $hx, $ry, 0.0, $ry, -$hx, $ry, -$rx, $hy, -$rx, 0.0, -$rx, -$hy, -$hx, -$ry, 0.0, -$ry, $hx, -$ry, $rx, -$hy, $rx, 0.0];
    }

    /** @param  list<float>  $coords  about the origin */
    private static function turned(float $x, float $y, float $cos, float $sin, array $coords): Contour
    {
        $turned = [];
        for ($i = 0, $n = count($coords); $i < $n; $i += 2) {
            $turned[] = $x + $coords[$i] * $cos - $coords[$i + 1] * $sin;
            $turned[] = $y + $coords[$i] * $sin + $coords[$i + 1] * $cos;
        }

        return new Contour($turned, true);
    }

    /**
     * Angles for some inks, so that no two of them make a pattern: 30 degrees apart for three, the lightest between two of them.
     *
     * @param  list<float>  $lightness  L* of each
     * @return list<float> degrees
     */
    public static function angles(array $lightness): array
    {
        $order = array_keys($lightness);
        usort($order, static fn (int $a, int $b): int => [$lightness[$a], $a] <=> [$lightness[$b], $b]);
        // The darkest at 45, where the eye sees a lattice least.
        $angles = [45.0, 75.0, 15.0, 0.0];
        $turned = [];
        foreach ($order as $k => $i) {
            $turned[$i] = $angles[$k] ?? fmod(45.0 + 7.5 * $k, 90.0);
        }
        ksort($turned);

        return array_values($turned);
    }
}
