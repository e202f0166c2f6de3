<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

/**
 * A run of line and cubic segments, closed or open.
 *
 * Coordinates are packed: start point, then six floats a segment (first handle, second handle, end).
 * A line is a segment whose handles lie on its ends, so no kind has to be kept beside it.
 */
final readonly class Contour
{
    /** @param  list<float>  $coords 6n + 2 floats, mm */
    public function __construct(public array $coords, public bool $closed)
    {
    }

    /** @param  list<array{float, float}>  $points joined by straight lines */
    public static function polygon(array $points, bool $closed = true): self
    {
        $pen = new Pen;
        foreach ($points as $i => [$x, $y]) {
            $i === 0 ? $pen->moveTo($x, $y) : $pen->lineTo($x, $y);
        }
        if ($closed) {
            $pen->close();
        }

        return $pen->contours()[0] ?? new self([0.0, 0.0], $closed);
    }

    /** @param  list<list<float>>  $segments  at least one, each beginning where the one before ends */
    public static function ofSegments(array $segments, bool $closed): self
    {
        $coords = [$segments[0][0], $segments[0][1]];
        foreach ($segments as $s) {
            array_push($coords, $s[2], $s[3], $s[4], $s[5], $s[6], $s[7]);
        }

        return new self($coords, $closed);
    }

    public static function circle(float $x, float $y, float $radius): self
    {
        return self::ellipse($x, $y, $radius, $radius);
    }

    /** Four cubics with the usual handle length, off by at most 0.03 % of the radius. */
    public static function ellipse(float $x, float $y, float $rx, float $ry): self
    {
        $hx = $rx * Pen::QUARTER;
        $hy = $ry * Pen::QUARTER;

        return new self([
            $x + $rx, $y,
            $x + $rx, $y + $hy, $x + $hx, $y + $ry, $x, $y + $ry,
            $x - $hx, $y + $ry, $x - $rx, $y + $hy, $x - $rx, $y,
            $x - $rx, $y - $hy, $x - $hx, $y - $ry, $x, $y - $ry,
            $x + $hx, $y - $ry, $x + $rx, $y - $hy, $x + $rx, $y,
        ], true);
    }

    public static function rectangle(float $x, float $y, float $width, float $height): self
    {
        return self::polygon([[$x, $y], [$x + $width, $y], [$x + $width, $y + $height], [$x, $y + $height]]);
    }

    public function segmentCount(): int
    {
        return intdiv(count($this->coords) - 2, 6);
    }

    /** @return list<float> eight floats, see Cubic */
    public function segment(int $i): array
    {
        return array_slice($this->coords, 6 * $i, 8);
    }

    /** @return list<list<float>> */
    public function segments(): array
    {
        $segments = [];
        for ($i = 0, $n = $this->segmentCount(); $i < $n; $i++) {
            $segments[] = $this->segment($i);
        }

        return $segments;
    }

    /** @return list<list<float>> its segments, of a closed contour with the line back to its start where that is not drawn */
    public function closedSegments(): array
    {
        $segments = $this->segments();
        $n = count($segments);
        if ($this->closed && $n > 0 && hypot($segments[$n - 1][6] - $segments[0][0], $segments[$n - 1][7] - $segments[0][1]) > 1e-9) {
            $segments[] = Cubic::line($segments[$n - 1][6], $segments[$n - 1][7], $segments[0][0], $segments[0][1]);
        }

        return $segments;
    }

    /** Nodes as an artist counts them: a closed contour's last point is its first. */
    public function nodeCount(): int
    {
        $n = $this->segmentCount();
        $last = count($this->coords) - 2;
        $meets = $this->coords[0] === $this->coords[$last] && $this->coords[1] === $this->coords[$last + 1];

        return $this->closed && $meets ? $n : $n + 1;
    }

    /** The exact box of the curve, not of its handles. */
    public function box(): Box
    {
        $c = $this->coords;
        $left = $right = $c[0];
        $top = $bottom = $c[1];
        $bent = [];
        for ($i = 0, $n = count($c) - 2; $i < $n; $i += 6) {
            $x = $c[$i + 6];
            $y = $c[$i + 7];
            $left = $x < $left ? $x : $left;
            $right = $x > $right ? $x : $right;
            $top = $y < $top ? $y : $top;
            $bottom = $y > $bottom ? $y : $bottom;
            if ($c[$i + 2] !== $c[$i] || $c[$i + 3] !== $c[$i + 1] || $c[$i + 4] !== $x || $c[$i + 5] !== $y) {
                $bent[] = $i;
            }
        }

        return $bent === [] ? new Box($left, $top, $right, $bottom) : self::bulged($c, $bent, $left, $top, $right, $bottom);
    }

    /**
     * A box of nodes, grown to where curves bulge out of it: only where a handle lies outside may the curve do so.
     *
     * @param  list<float>  $c
     * @param  list<int>  $bent  where curves begin that are no lines
     */
    private static function bulged(array $c, array $bent, float $left, float $top, float $right, float $bottom): Box
    {
        foreach ($bent as $i) {
            if ($c[$i + 2] < $left || $c[$i + 4] < $left || $c[$i + 2] > $right || $c[$i + 4] > $right) {
                foreach (Cubic::turns($c[$i], $c[$i + 2], $c[$i + 4], $c[$i + 6]) as $t) {
                    $x = Cubic::at(array_slice($c, $i, 8), $t)[0];
                    $left = $x < $left ? $x : $left;
                    $right = $x > $right ? $x : $right;
                }
            }
            if ($c[$i + 3] < $top || $c[$i + 5] < $top || $c[$i + 3] > $bottom || $c[$i + 5] > $bottom) {
                foreach (Cubic::turns($c[$i + 1], $c[$i + 3], $c[$i + 5], $c[$i + 7]) as $t) {
                    $y = Cubic::at(array_slice($c, $i, 8), $t)[1];
                    $top = $y < $top ? $y : $top;
                    $bottom = $y > $bottom ? $y : $bottom;
                }
            }
        }

        return new Box($left, $top, $right, $bottom);
    }

    /** Signed area in mm² of the contour as if closed; positive runs clockwise on the bench. */
    public function area(): float
    {
        $c = $this->coords;
        // Relative to the start, so that a small shape far from the origin keeps its digits.
        $ox = $c[0];
        $oy = $c[1];
        $px = $py = $sum = 0.0;
        for ($i = 2, $n = count($c); $i < $n; $i += 6) {
            $ax = $c[$i] - $ox;
            $ay = $c[$i + 1] - $oy;
            $bx = $c[$i + 2] - $ox;
            $by = $c[$i + 3] - $oy;
            $qx = $c[$i + 4] - $ox;
            $qy = $c[$i + 5] - $oy;
            // Green's theorem, exact for a cubic; see Cubic::doubleArea().
            $sum += $px * (6 * $ay + 3 * $by + $qy) + 3 * $ax * ($by + $qy - 2 * $py) + 3 * $bx * (2 * $qy - $py - $ay) - $qx * ($py + 3 * $ay + 6 * $by);
            $px = $qx;
            $py = $qy;
        }

        return $sum / 20;
    }

    /**
     * About how long it is, the closing line included, to some percent: each segment as the mean of its chord and the way along its handles. For what is
     * decided by the order of size only.
     */
    public function roughLength(): float
    {
        $c = $this->coords;
        $sum = 0.0;
        $last = count($c) - 2;
        for ($i = 0; $i < $last; $i += 6) {
            $x = $c[$i];
            $y = $c[$i + 1];
            $ax = $c[$i + 2];
            $ay = $c[$i + 3];
            $bx = $c[$i + 4];
            $by = $c[$i + 5];
            $dx = $c[$i + 6];
            $dy = $c[$i + 7];
            $sum += sqrt(($dx - $x) * ($dx - $x) + ($dy - $y) * ($dy - $y)) + sqrt(($ax - $x) * ($ax - $x) + ($ay - $y) * ($ay - $y))
                + sqrt(($bx - $ax) * ($bx - $ax) + ($by - $ay) * ($by - $ay)) + sqrt(($dx - $bx) * ($dx - $bx) + ($dy - $by) * ($dy - $by));
        }

        return $sum / 2 + ($this->closed ? hypot($c[$last] - $c[0], $c[$last + 1] - $c[1]) : 0.0);
    }

    /** Length in mm, the closing line included. */
    public function length(): float
    {
        $sum = 0.0;
        foreach ($this->segments() as $segment) {
            $sum += Cubic::length($segment);
        }
        $last = count($this->coords) - 2;

        return $this->closed
            ? $sum + hypot($this->coords[$last] - $this->coords[0], $this->coords[$last + 1] - $this->coords[1])
            : $sum;
    }

    public function reversed(): self
    {
        $reversed = [];
        for ($i = count($this->coords) - 2; $i >= 0; $i -= 2) {
            $reversed[] = $this->coords[$i];
            $reversed[] = $this->coords[$i + 1];
        }

        return new self($reversed, $this->closed);
    }

    public function transformed(Matrix $m): self
    {
        if ($m->isIdentity()) {
            return $this;
        }
        $moved = [];
        $c = $this->coords;
        for ($i = 0, $n = count($c); $i < $n; $i += 2) {
            $moved[] = $m->a * $c[$i] + $m->c * $c[$i + 1] + $m->e;
            $moved[] = $m->b * $c[$i] + $m->d * $c[$i + 1] + $m->f;
        }

        return new self($moved, $this->closed);
    }
}
