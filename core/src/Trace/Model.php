<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Pen;

/** A closed border that is a shape with a name: circle, ellipse or rectangle, its corners round or sharp. */
final readonly class Model
{
    /**
     * @param  'circle'|'ellipse'|'rectangle'  $kind
     * @param  float  $x  of its middle, as the others in one unit: dots or mm
     * @param  float  $turn  degrees, clockwise on the bench
     * @param  float  $radius  of the corners of a rectangle
     */
    public function __construct(
        public string $kind,
        public float $x,
        public float $y,
        public float $width,
        public float $height,
        public float $turn = 0.0,
        public float $radius = 0.0,
    ) {
    }

    public function with(mixed ...$changes): self
    {
        /** @var array<string, mixed> $all */
        $all = [...get_object_vars($this), ...$changes];

        return new self(...$all);
    }

    /** How far it is from a place, less than none within. */
    public function off(float $x, float $y): float
    {
        $angle = deg2rad($this->turn);
        [$x, $y] = [$x - $this->x, $y - $this->y];
        [$u, $v] = [$x * cos($angle) + $y * sin($angle), $y * cos($angle) - $x * sin($angle)];
        [$a, $b] = [$this->width / 2, $this->height / 2];
        if ($this->kind === 'circle') {
            return sqrt($u * $u + $v * $v) - $a;
        }
        if ($this->kind === 'ellipse') {
            // To the first order, which is enough near it (G. Taubin, 1991).
            $slope = 2 * sqrt($u * $u / $a ** 4 + $v * $v / $b ** 4);

            return $slope < 1e-12 ? -min($a, $b) : ($u * $u / ($a * $a) + $v * $v / ($b * $b) - 1) / $slope;
        }
        [$dx, $dy] = [abs($u) - $a + $this->radius, abs($v) - $b + $this->radius];

        return sqrt(max($dx, 0.0) ** 2 + max($dy, 0.0) ** 2) + min(max($dx, $dy), 0.0) - $this->radius;
    }

    /** Clockwise on the bench. */
    public function contour(): Contour
    {
        [$a, $b, $r] = [$this->width / 2, $this->height / 2, $this->radius];
        if ($this->kind !== 'rectangle') {
            $contour = Contour::ellipse(0.0, 0.0, $a, $b);
        } elseif ($r <= 0) {
            $contour = Contour::rectangle(-$a, -$b, 2 * $a, 2 * $b);
        } else {
            $k = $r * Pen::QUARTER;
            $segments = [];
            foreach ([[1, -1], [1, 1], [-1, 1], [-1, -1]] as $i => [$sx, $sy]) {
                // The corner, from the side that comes in to the one that leaves.
                [$ix, $iy] = $i % 2 === 0 ? [$sx * ($a - $r), $sy * $b] : [$sx * $a, $sy * ($b - $r)];
                [$ox, $oy] = $i % 2 === 0 ? [$sx * $a, $sy * ($b - $r)] : [$sx * ($a - $r), $sy * $b];
                [$ihx, $ihy] = $i % 2 === 0 ? [$ix + $sx * $k, $iy] : [$ix, $iy + $sy * $k];
                [$ohx, $ohy] = $i % 2 === 0 ? [$ox, $oy + $sy * $k] : [$ox + $sx * $k, $oy];
                if ($segments !== []) {
                    $last = $segments[count($segments) - 1];
                    $segments[] = Cubic::line($last[6], $last[7], $ix, $iy);
                }
                $segments[] = [$ix, $iy, $ihx, $ihy, $ohx, $ohy, $ox, $oy];
            }
            $last = $segments[count($segments) - 1];
            $segments[] = Cubic::line($last[6], $last[7], $segments[0][0], $segments[0][1]);
            $long = static fn (array $s): bool => hypot($s[6] - $s[0], $s[7] - $s[1]) > 1e-9;
            $contour = Contour::ofSegments(array_values(array_filter($segments, $long)), true);
        }

        return $contour->transformed(Matrix::translation($this->x, $this->y)->after(Matrix::rotation($this->turn)));
    }
}
