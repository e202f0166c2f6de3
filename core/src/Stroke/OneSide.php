<?php

declare(strict_types=1);

namespace NeatEdge\Core\Stroke;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\Patience\Patience;

/**
 * An area and what lies along one side of its outline, as one winding number.
 *
 * Half a stroke is a union of strips, as the whole one is (see Outliner), and the contours of its winding number are a ring beside the line and the line
 * itself. Added to the winding number of the area, the line cancels: what is left are the rings alone, a quarter of the segments.
 */
final class OneSide
{
    /** A corner that turns back by more than half a turn without this, in radians, is none whose side could be told from its directions. */
    private const BACK = 0.01;

    /** Segments shorter than this are none, in deviations. */
    private const TINY = 0.05;

    /** @var list<Contour> rings, nowhere negative together */
    private array $rings = [];

    /** @var list<Shape> slices that may fold over themselves */
    private array $apart = [];

    /** @var list<list<float>> the ring being laid */
    private array $ring = [];

    private readonly float $half;

    private readonly float $tolerance;

    private readonly Strips $strips;

    private readonly Corner $corner;

    /** @param  int  $side  1 for the left side, where with y down the inside of a contour lies that runs clockwise; -1 for the right */
    private function __construct(StrokeStyle $style, Tolerance $tolerance, private readonly int $side)
    {
        $this->half = $style->width / 2;
        $this->tolerance = Outliner::deviation($style, $tolerance);
        $this->strips = new Strips($this->half, $side);
        $this->corner = new Corner($style);
    }

    /**
     * Shapes whose union is an area made larger.
     *
     * @param  Shape  $area  contours that meet neither themselves nor each other, holes running against what they lie in: an outcome of a planar map
     * @param  StrokeStyle  $style  its width is twice the distance
     * @return list<Shape>
     */
    public static function outside(Shape $area, StrokeStyle $style, Tolerance $tolerance): array
    {
        $self = new self($style, $tolerance, -1);
        foreach (self::running($area) as $contour) {
            $self->line($contour);
        }

        return [new Shape($self->rings, FillRule::Nonzero), ...$self->apart];
    }

    /**
     * Shapes whose union is a frame without an area that was made smaller.
     *
     * @param  Shape  $area  as for outside()
     * @param  Contour  $frame  round all of it
     * @return list<Shape>
     */
    public static function inside(Shape $area, StrokeStyle $style, Tolerance $tolerance, Contour $frame): array
    {
        $self = new self($style, $tolerance, 1);
        foreach (self::running($area) as $contour) {
            $self->line($contour);
        }
        $rings = array_map(static fn (Contour $ring): Contour => $ring->reversed(), $self->rings);

        return [new Shape([$frame->area() < 0 ? $frame->reversed() : $frame, ...$rings], FillRule::Nonzero), ...$self->apart];
    }

    /** @return list<Contour> the contours of an area, what encloses running clockwise on the bench */
    private static function running(Shape $area): array
    {
        $sum = array_sum(array_map(static fn (Contour $contour): float => $contour->area(), $area->contours));

        return $sum < 0 ? array_map(static fn (Contour $contour): Contour => $contour->reversed(), $area->contours) : $area->contours;
    }

    private function line(Contour $contour): void
    {
        /** @var list<array{list<float>, bool, bool}> $strips */
        $strips = [];
        foreach ($this->plain($contour) as $s) {
            // Where it stops and turns round it has a corner like any other.
            array_push($strips, ...$this->strips->of($s)[0]);
        }
        if ($strips === []) {
            return;
        }
        $this->ring = [];
        $before = null;
        foreach ($strips as [$s, $folds, $smooth]) {
            Patience::ask(32);
            if ($before !== null && ! $smooth) {
                $this->turn($before, $s);
            }
            $this->lay($s, $folds);
            $before = $s;
        }
        $this->turn($strips[count($strips) - 1][0], $strips[0][0]);
        $this->to($this->ring[0][0], $this->ring[0][1]);
        $this->rings[] = Thin::contour(Contour::ofSegments($this->ring, true), $this->tolerance);
    }

    /**
     * The segments of a contour without what is smaller than the outcome is exact: a handle that short turns a line by any angle, and where it turns it back
     * over itself the sides are no more what they were.
     *
     * @return list<list<float>>
     */
    private function plain(Contour $contour): array
    {
        $least = $this->tolerance;
        $plain = [];
        foreach ($contour->closedSegments() as $s) {
            if (Strips::reach($s) <= self::TINY * $least) {
                continue;
            }
            if (abs($s[2] - $s[0]) + abs($s[3] - $s[1]) < $least) {
                $s = [$s[0], $s[1], $s[0], $s[1], $s[4], $s[5], $s[6], $s[7]];
            }
            if (abs($s[4] - $s[6]) + abs($s[5] - $s[7]) < $least) {
                $s = [$s[0], $s[1], $s[2], $s[3], $s[6], $s[7], $s[6], $s[7]];
            }
            $plain[] = $s;
        }

        return $plain;
    }

    /**
     * One strip more. Where it folds over itself the ring goes along the line, and the strip is laid by itself, in slices.
     *
     * @param  list<float>  $s
     */
    private function lay(array $s, bool $folds): void
    {
        if ($folds) {
            foreach (Strips::slices($s) as $slice) {
                $this->apart[] = Shape::of(Outliner::band(OffsetCurve::of($slice, $this->side * $this->half, $this->tolerance), [$slice]));
            }
        }
        $beside = $folds ? [$s] : OffsetCurve::of($s, $this->side * $this->half, $this->tolerance);
        $last = $this->ring[count($this->ring) - 1] ?? null;
        if ($last !== null) {
            $far = hypot($last[6] - $beside[0][0], $last[7] - $beside[0][1]);
            if ($far > 1e-3 * $this->half) {
                $this->to($beside[0][0], $beside[0][1]);
            } else {
                // A smooth joint has one place, not two a rounding apart.
                $beside[0] = Strips::begunAt($beside[0], $last);
            }
        }
        array_push($this->ring, ...$beside);
    }

    /**
     * Leads the ring from one strip to the next: round the outer side of the corner as the join says, over the line itself on the inner side.
     *
     * @param  list<float>  $before
     * @param  list<float>  $after
     */
    private function turn(array $before, array $after): void
    {
        [$ax, $ay] = OffsetCurve::tangent($before, 1.0);
        [$bx, $by] = OffsetCurve::tangent($after, 0.0);
        $turn = atan2($ax * $by - $ay * $bx, $ax * $bx + $ay * $by);
        if (abs($turn) < 1e-7) {
            return;
        }
        [$x, $y] = [$after[0], $after[1]];
        if (abs($turn) > M_PI - self::BACK) {
            // Round the tip of a spike, or round the end of a slit, where it covers nothing that is not covered.
            $turn = -$this->side * abs($turn);
        }
        if ($turn * $this->side < 0) {
            $outer = $this->corner->round($x, $y, $ax, $ay, $bx, $by, $turn);
            $this->to($outer[0][0], $outer[0][1]);
            array_push($this->ring, ...$outer);

            return;
        }
        if (! $this->corner->isCovered($before, $after, $turn)) {
            $this->to($x, $y);
        }
    }

    /** Leads the ring straight to a place, unless it is there. */
    private function to(float $x, float $y): void
    {
        $last = $this->ring[count($this->ring) - 1];
        if ($last[6] !== $x || $last[7] !== $y) {
            $this->ring[] = Corner::straight([$last[6], $last[7]], [$x, $y]);
        }
    }
}
