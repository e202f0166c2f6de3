<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap;

use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Patience\Patience;

/**
 * The outlines that were laid into a planar map, kept whole so that the outcome can give the true curves back.
 * A place on them is a contour and a whole-contour parameter g = segment + t.
 */
final class Sources
{
    /** Grid steps that the longer side may span: differences stay under 2^30, so cross products are exact in 64 bits. */
    private const SPAN = 1 << 29;

    private const FINEST = 1048576.0;

    /** @var list<list<float>> packed coordinates of each contour (see Contour), closed, mm */
    public array $coords = [];

    /** @var list<int> segments of each contour */
    public array $segments = [];

    /** @var list<int> */
    public array $owner = [];

    /** @var list<bool> by owner */
    public array $evenodd = [];

    /** How many owners enclose something; those after them are borders. */
    public readonly int $filled;

    public float $originX = 0.0;

    public float $originY = 0.0;

    /** Grid steps per mm, a power of two. */
    public float $scale = self::FINEST;

    public float $extent = 0.0;

    /** A power of two by which all is enlarged, so that a speck is combined as exactly as a sign. */
    public float $unit = 1.0;

    /** Art smaller than this is enlarged, mm. */
    private const SMALL = 4.0;

    /** @var array<int, true> contours that enclose nothing: lines that part faces; an open one ends in a segment that is not laid */
    public array $border = [];

    /** @var array<int, int> by open border: the segment that only leads back to its start */
    public array $unlaid = [];

    /**
     * @param  list<Shape>  $shapes  one owner each
     * @param  list<Shape>  $borders  lines that part faces and enclose nothing, owners after those of the shapes
     */
    public function __construct(array $shapes, array $borders = [])
    {
        $this->filled = $filled = count($shapes);
        array_push($shapes, ...$borders);
        $this->frame($shapes);
        if ($this->extent > 0.0 && $this->extent < self::SMALL) {
            $this->unit = 2.0 ** min(60, ceil(log(self::SMALL / $this->extent, 2)));
            $enlarged = Matrix::scaling($this->unit, $this->unit);
            $shapes = array_map(static fn (Shape $shape): Shape => $shape->transformed($enlarged), $shapes);
            $this->scale = self::FINEST;
            $this->frame($shapes);
        }
        $tiny = 1 / $this->scale;
        foreach ($shapes as $owner => $shape) {
            $this->evenodd[] = $shape->rule === FillRule::Evenodd;
            foreach ($shape->contours as $contour) {
                Patience::ask(4);
                $coords = self::closedAndProper($contour->coords, $tiny);
                if (count($coords) > 2) {
                    if ($owner >= $filled) {
                        $this->border[count($this->coords)] = true;
                        if (! $contour->closed && ! self::meets($contour->coords)) {
                            $this->unlaid[count($this->coords)] = intdiv(count($coords) - 2, 6) - 1;
                        }
                    }
                    $this->coords[] = $coords;
                    $this->segments[] = intdiv(count($coords) - 2, 6);
                    $this->owner[] = $owner;
                }
            }
        }
    }

    /** @param  list<float>  $c */
    private static function meets(array $c): bool
    {
        $last = count($c) - 2;

        return $c[$last] === $c[0] && $c[$last + 1] === $c[1];
    }

    /** @param  list<Shape>  $shapes */
    private function frame(array $shapes): void
    {
        $left = $top = INF;
        $right = $bottom = -INF;
        foreach ($shapes as $shape) {
            foreach ($shape->contours as $contour) {
                // Handles bound the curve.
                foreach ($contour->coords as $i => $value) {
                    if ($i & 1) {
                        $top = $value < $top ? $value : $top;
                        $bottom = $value > $bottom ? $value : $bottom;
                    } else {
                        $left = $value < $left ? $value : $left;
                        $right = $value > $right ? $value : $right;
                    }
                }
            }
        }
        if ($left > $right) {
            return;
        }
        $this->extent = max($right - $left, $bottom - $top, 1e-9);
        while ($this->extent * $this->scale > self::SPAN) {
            $this->scale /= 2;
        }
        while ($this->extent * $this->scale < (1 << 24)) {
            $this->scale *= 2;
        }
        // The origin lies on a whole step, so that art moved by whole steps meets the same grid.
        $this->originX = floor($left * $this->scale) / $this->scale - 16 / $this->scale;
        $this->originY = floor($top * $this->scale) / $this->scale - 16 / $this->scale;
    }

    /**
     * @param  list<float>  $c
     * @return list<float> closed by a line where it was open, without segments shorter than a grid step; straight curves are lines
     */
    private static function closedAndProper(array $c, float $tiny): array
    {
        $last = count($c) - 2;
        if ($c[$last] !== $c[0] || $c[$last + 1] !== $c[1]) {
            array_push($c, $c[$last], $c[$last + 1], $c[0], $c[1], $c[0], $c[1]);
            $last += 6;
        }
        $proper = true;
        for ($i = 0; $i < $last; $i += 6) {
            if (self::isShort($c, $i, $tiny)) {
                $proper = false;
            } elseif (self::isStraight($c, $i, $tiny)) {
                [$c[$i + 2], $c[$i + 3], $c[$i + 4], $c[$i + 5]] = [$c[$i], $c[$i + 1], $c[$i + 6], $c[$i + 7]];
            }
        }
        if ($proper) {
            return $c;
        }
        $coords = [$c[0], $c[1]];
        for ($i = 0; $i < $last; $i += 6) {
            if (self::isShort($c, $i, $tiny)) {
                continue;
            }
            $n = count($coords);
            $line = $c[$i + 2] === $c[$i] && $c[$i + 3] === $c[$i + 1] && $c[$i + 4] === $c[$i + 6] && $c[$i + 5] === $c[$i + 7];
            if ($line && $coords[$n - 2] === $c[$i + 6] && $coords[$n - 1] === $c[$i + 7]) {
                // What was left out before it has moved its start onto its end.
                continue;
            }
            $line
                ? array_push($coords, $coords[$n - 2], $coords[$n - 1], $c[$i + 6], $c[$i + 7], $c[$i + 6], $c[$i + 7])
                : array_push($coords, $c[$i + 2], $c[$i + 3], $c[$i + 4], $c[$i + 5], $c[$i + 6], $c[$i + 7]);
        }
        $n = count($coords) - 2;
        if ($n > 0 && ($coords[$n] !== $coords[0] || $coords[$n + 1] !== $coords[1])) {
            array_push($coords, $coords[$n], $coords[$n + 1], $coords[0], $coords[1], $coords[0], $coords[1]);
        }

        return $coords;
    }

    /** @param  list<float>  $c */
    private static function isShort(array $c, int $i, float $tiny): bool
    {
        $x = $c[$i];
        $y = $c[$i + 1];

        return abs($c[$i + 6] - $x) < $tiny && abs($c[$i + 7] - $y) < $tiny
            && abs($c[$i + 2] - $x) < $tiny && abs($c[$i + 3] - $y) < $tiny
            && abs($c[$i + 4] - $x) < $tiny && abs($c[$i + 5] - $y) < $tiny;
    }

    /**
     * Whether a segment with handles is nothing but a line: they lie on it, between its ends.
     *
     * @param  list<float>  $c
     */
    private static function isStraight(array $c, int $i, float $tiny): bool
    {
        $x = $c[$i];
        $y = $c[$i + 1];
        $dx = $c[$i + 6] - $x;
        $dy = $c[$i + 7] - $y;
        $square = $dx * $dx + $dy * $dy;
        if ($square < $tiny * $tiny) {
            return false;
        }
        $off = 0.01 * $tiny * sqrt($square);
        $px = $c[$i + 2] - $x;
        $py = $c[$i + 3] - $y;
        if (abs($dx * $py - $dy * $px) > $off) {
            return false;
        }
        $qx = $c[$i + 4] - $x;
        $qy = $c[$i + 5] - $y;
        if (abs($dx * $qy - $dy * $qx) > $off) {
            return false;
        }
        $p = $dx * $px + $dy * $py;
        $q = $dx * $qx + $dy * $qy;

        return $p >= -$off && $p <= $square + $off && $q >= -$off && $q <= $square + $off;
    }
}
