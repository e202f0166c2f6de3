<?php

declare(strict_types=1);

namespace NeatEdge\Core\Recipe\Wrap;

/**
 * A flat thing seen at an angle, such as a sign on a wall: a homography takes the corners of the art to four places, and every straight line stays straight.
 *
 * @source P. S. Heckbert, "Fundamentals of texture mapping and image warping", 1989, section 2.2.3: the square to a quadrilateral
 */
final readonly class Perspective
{
    /** @var array{float, float, float, float, float, float, float, float} the homography's upper two rows, and its third row without its one */
    private array $h;

    /** @param  list<float>  $corners  x and y of upper left, upper right, lower right, lower left, mm */
    public function __construct(public array $corners)
    {
        [$x0, $y0, $x1, $y1, $x2, $y2, $x3, $y3] = $corners;
        [$dx1, $dy1, $dx2, $dy2] = [$x1 - $x2, $y1 - $y2, $x3 - $x2, $y3 - $y2];
        [$sx, $sy] = [$x0 - $x1 + $x2 - $x3, $y0 - $y1 + $y2 - $y3];
        $det = $dx1 * $dy2 - $dx2 * $dy1;
        $g = abs($det) < 1e-12 ? 0.0 : ($sx * $dy2 - $dx2 * $sy) / $det;
        $k = abs($det) < 1e-12 ? 0.0 : ($dx1 * $sy - $sx * $dy1) / $det;
        $this->h = [$x1 - $x0 + $g * $x1, $x3 - $x0 + $k * $x3, $x0, $y1 - $y0 + $g * $y1, $y3 - $y0 + $k * $y3, $y0, $g, $k];
    }

    /** Whether the corners go round without a dent: else the art would be turned inside out. */
    public function isConvex(): bool
    {
        for ($i = 0; $i < 8; $i += 2) {
            [$ax, $ay, $bx, $by, $cx, $cy] = array_map(fn (int $k): float => $this->corners[($i + $k) % 8], range(0, 5));
            if (($bx - $ax) * ($cy - $by) - ($by - $ay) * ($cx - $bx) <= 1e-9) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  float  $u  share of the width
     * @param  float  $v  share of the height
     * @return array{float, float} mm
     */
    public function at(float $u, float $v): array
    {
        [$a, $b, $c, $d, $e, $f, $g, $k] = $this->h;
        $w = $g * $u + $k * $v + 1.0;

        return [($a * $u + $b * $v + $c) / $w, ($d * $u + $e * $v + $f) / $w];
    }
}
