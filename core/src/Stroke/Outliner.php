<?php

declare(strict_types=1);

namespace NeatEdge\Core\Stroke;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Pen;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\Patience\Patience;
use NeatEdge\Core\PlanarMap\Combine;

/**
 * Turns a stroke into the filled outline that looks the same.
 *
 * A stroke is the union of strips along its segments, wedges at its joins and caps at its ends. All of them laid the same
 * way round, the edges that two of them share cancel, and what is left is one contour: along the left side, round the
 * cap, back along the right side, over the line itself on the inner side of each join. Its winding number is the number
 * of strips that lie over a place, so the nonzero rule gives their union. Where a line turns more tightly than half its
 * width, a strip folds over itself and would cancel out; there it is laid as narrow slices that are owners of their own.
 */
final class Outliner
{
    /** @var list<Contour> sides, wedges and caps: nowhere negative, so that they add up */
    private array $parts = [];

    /** @var list<Shape> slices that may fold over themselves */
    private array $slices = [];

    /** @var list<list<float>> the left side of the run of strips being laid, from its start */
    private array $left = [];

    /** @var list<list<float>> its right side, from its start */
    private array $right = [];

    private readonly float $half;

    private readonly Strips $strips;

    private readonly Corner $corner;

    private function __construct(private readonly StrokeStyle $style, private readonly float $tolerance)
    {
        $this->half = $style->width / 2;
        $this->strips = new Strips($this->half);
        $this->corner = new Corner($style);
    }

    /**
     * @param  list<Contour>  $contours
     * @param  Tolerance|null  $tolerance  its offset is the greatest deviation from the true offset
     */
    public static function outline(array $contours, StrokeStyle $style, ?Tolerance $tolerance = null): Shape
    {
        $tolerance ??= self::tolerance($contours, $style);
        $shapes = self::laid($contours, $style, $tolerance);
        if ($shapes === []) {
            return new Shape([]);
        }
        $welded = Combine::weld($shapes, self::laidTolerance($style, $tolerance));

        return Thin::shape($welded, self::deviation($style, $tolerance));
    }

    /** How exact what was laid for a stroke is combined: its sides are fitted, not exact, and what lies closer than that need not be told apart. */
    public static function laidTolerance(StrokeStyle $style, Tolerance $tolerance): Tolerance
    {
        return new Tolerance(
            min($tolerance->flatness, $style->width * 0.002),
            min($tolerance->flatness * 0.1, $style->width * 0.0002),
            $tolerance->offset,
            false,
        );
    }

    /**
     * The shapes whose union is the stroke: they overlap themselves and one another.
     *
     * @param  list<Contour>  $contours
     * @return list<Shape>
     */
    public static function laid(array $contours, StrokeStyle $style, ?Tolerance $tolerance = null): array
    {
        if ($style->width <= 0.0) {
            return [];
        }
        $tolerance ??= self::tolerance($contours, $style);
        $self = new self($style, self::deviation($style, $tolerance));
        foreach ($contours as $contour) {
            foreach ($style->dashes === [] ? [$contour] : Dashes::of($contour, $style) as $line) {
                $self->line($line);
            }
        }

        return $self->parts === [] ? $self->slices : [new Shape($self->parts, FillRule::Nonzero), ...$self->slices];
    }

    /** @param  list<Contour>  $contours */
    private static function tolerance(array $contours, StrokeStyle $style): Tolerance
    {
        $box = (new Shape($contours))->box();

        return Tolerance::forExtent($box === null ? $style->width : max($box->width(), $box->height()) + $style->width);
    }

    public static function deviation(StrokeStyle $style, Tolerance $tolerance): float
    {
        // Both sides together leave a line's width within a hundredth.
        return min($tolerance->offset, $style->width * 0.004);
    }

    private function line(Contour $contour): void
    {
        $tiny = 1e-6 * $this->half;
        $segments = [];
        foreach ($contour->segments() as $s) {
            if (Strips::reach($s) > $tiny) {
                $segments[] = $s;
            }
        }
        if ($segments === []) {
            if ($contour->coords !== []) {
                $this->point($contour->coords[0], $contour->coords[1]);
            }

            return;
        }
        /** @var list<array{list<float>, bool, bool}> $strips curve, whether it folds over itself, whether it follows on smoothly */
        $strips = [];
        foreach ($segments as $segment) {
            [$laid, $stops] = $this->strips->of($segment);
            array_push($strips, ...$laid);
            foreach ($stops as [$x, $y]) {
                $this->parts[] = Contour::circle($x, $y, $this->half);
            }
        }
        $before = $contour->closed ? $strips[count($strips) - 1][0] : null;
        $broken = false;
        foreach ($strips as $i => [$s, $folds, $smooth]) {
            Patience::ask(32);
            if ($folds) {
                foreach (Strips::slices($s) as $slice) {
                    $this->slices[] = Shape::of(self::band(
                        OffsetCurve::of($slice, $this->half, $this->tolerance),
                        OffsetCurve::of($slice, -$this->half, $this->tolerance),
                    ));
                }
            }
            if ($before !== null && ! $smooth && ($i > 0 || $folds || $strips[count($strips) - 1][1])) {
                if ($this->left === [] || $folds) {
                    $this->join($before, $s);
                } else {
                    $this->turn($before, $s);
                }
            }
            if ($folds) {
                $this->endRun();
                $broken = true;
            } else {
                $this->lay($s);
            }
            $before = $s;
        }
        if ($contour->closed) {
            $this->endClosed($strips, $broken);
        } else {
            $this->endOpen($strips, $broken);
        }
    }

    /**
     * Ends a closed line.
     *
     * @param  list<array{list<float>, bool, bool}>  $strips  see Strips, at least one
     * @param  bool  $broken  whether one of them folds over itself: then it is no ring
     */
    private function endClosed(array $strips, bool $broken): void
    {
        [$first, $last] = [$strips[0], $strips[count($strips) - 1]];
        if (! $broken) {
            $this->turn($last[0], $first[0]);
            $this->endRing();

            return;
        }
        if (! $first[1] && ! $last[1]) {
            $this->join($last[0], $first[0]);
        }
        $this->endRun();
    }

    /**
     * Ends an open line, with its caps.
     *
     * @param  list<array{list<float>, bool, bool}>  $strips  see Strips, at least one
     */
    private function endOpen(array $strips, bool $broken): void
    {
        [$first, $last] = [$strips[0][0], $strips[count($strips) - 1][0]];
        [$sx, $sy] = OffsetCurve::tangent($first, 0.0);
        [$ex, $ey] = OffsetCurve::tangent($last, 1.0);
        if ($broken) {
            $this->endRun();
            $this->cap($first[0], $first[1], -$sx, -$sy);
            $this->cap($last[6], $last[7], $ex, $ey);

            return;
        }
        $this->endRun($this->capSegments($last[6], $last[7], $ex, $ey), $this->capSegments($first[0], $first[1], -$sx, -$sy));
    }

    /** A line without length: only its caps show. */
    private function point(float $x, float $y): void
    {
        if ($this->style->cap === Cap::Round) {
            $this->parts[] = Contour::circle($x, $y, $this->half);
        } elseif ($this->style->cap === Cap::Square) {
            $this->parts[] = Contour::rectangle($x - $this->half, $y - $this->half, 2 * $this->half, 2 * $this->half);
        }
    }

    /**
     * One strip more for the run.
     *
     * @param  list<float>  $s
     */
    private function lay(array $s): void
    {
        $left = OffsetCurve::of($s, $this->half, $this->tolerance);
        $right = OffsetCurve::of($s, -$this->half, $this->tolerance);
        // A smooth joint has one place on each side, not two a rounding apart.
        if ($this->left !== []) {
            $left[0] = Strips::begunAt($left[0], $this->left[count($this->left) - 1]);
            $right[0] = Strips::begunAt($right[0], $this->right[count($this->right) - 1]);
        }
        array_push($this->left, ...$left);
        array_push($this->right, ...$right);
    }

    /**
     * Leads both sides of the run from one strip to the next: round the outer side as the join says, over the line
     * itself on the inner side.
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
        $outer = $this->corner->round($x, $y, $ax, $ay, $bx, $by);
        $d = $turn > 0 ? $this->half : -$this->half;
        $from = [$x - $d * $ay, $y + $d * $ax];
        $to = [$x - $d * $by, $y + $d * $bx];
        $inner = $this->corner->isCovered($before, $after, $turn)
            ? [Corner::straight($from, $to)]
            : [Corner::straight($from, [$x, $y]), Corner::straight([$x, $y], $to)];
        if ($turn > 0) {
            array_push($this->left, ...$inner);
            array_push($this->right, ...$outer);
        } else {
            array_push($this->left, ...$outer);
            array_push($this->right, ...$inner);
        }
    }

    /**
     * Closes the run of strips: both sides, and what lies between them at the ends.
     *
     * @param  list<list<float>>  $endCap  from the left side to the right
     * @param  list<list<float>>  $startCap  from the right side to the left
     */
    private function endRun(array $endCap = [], array $startCap = []): void
    {
        if ($this->left !== []) {
            $l = $this->left[count($this->left) - 1];
            $r = $this->right[count($this->right) - 1];
            $endCap = $endCap !== [] ? $endCap : [Corner::straight([$l[6], $l[7]], [$r[6], $r[7]])];
            $l = $this->left[0];
            $r = $this->right[0];
            $startCap = $startCap !== [] ? $startCap : [Corner::straight([$r[0], $r[1]], [$l[0], $l[1]])];
            $this->ring([...$this->left, ...$endCap, ...Strips::backwards($this->right), ...$startCap]);
        }
        $this->left = $this->right = [];
    }

    /** Closes the run of strips round a closed line: each side by itself. */
    private function endRing(): void
    {
        $this->ring($this->left);
        $this->ring(Strips::backwards($this->right));
        $this->left = $this->right = [];
    }

    /**
     * One contour of the stroke; sides, left forwards and right backwards, run against the sense of the other parts.
     *
     * @param  list<list<float>>  $segments
     */
    private function ring(array $segments): void
    {
        $segments = Strips::backwards($segments);
        $this->parts[] = Thin::contour(Contour::ofSegments($segments, true), $this->tolerance);
    }

    /**
     * The area between two lines that run alike.
     *
     * @param  list<list<float>>  $left
     * @param  list<list<float>>  $right
     */
    public static function band(array $left, array $right): Contour
    {
        $coords = [$left[0][0], $left[0][1]];
        foreach ($left as $s) {
            array_push($coords, $s[2], $s[3], $s[4], $s[5], $s[6], $s[7]);
        }
        $n = count($coords);
        $far = $right[count($right) - 1];
        array_push($coords, $coords[$n - 2], $coords[$n - 1], $far[6], $far[7], $far[6], $far[7]);
        foreach (array_reverse($right) as $s) {
            array_push($coords, $s[4], $s[5], $s[2], $s[3], $s[0], $s[1]);
        }
        $n = count($coords);
        array_push($coords, $coords[$n - 2], $coords[$n - 1], $coords[0], $coords[1], $coords[0], $coords[1]);

        return new Contour($coords, true);
    }

    /** The contour running clockwise on the bench, so that windings add up and never cancel. */
    private static function running(Contour $contour): Contour
    {
        return $contour->area() < 0 ? $contour->reversed() : $contour;
    }

    /**
     * The wedge at a join where no run of strips goes on.
     *
     * @param  list<float>  $before
     * @param  list<float>  $after
     */
    private function join(array $before, array $after): void
    {
        [$ax, $ay] = OffsetCurve::tangent($before, 1.0);
        [$bx, $by] = OffsetCurve::tangent($after, 0.0);
        if (abs(atan2($ax * $by - $ay * $bx, $ax * $bx + $ay * $by)) < 1e-7) {
            return;
        }
        [$x, $y] = [$after[0], $after[1]];
        $outer = $this->corner->round($x, $y, $ax, $ay, $bx, $by);
        $last = $outer[count($outer) - 1];
        $this->parts[] = self::running(Contour::ofSegments([
            Corner::straight([$x, $y], [$outer[0][0], $outer[0][1]]), ...$outer, Corner::straight([$last[6], $last[7]], [$x, $y]),
        ], true));
    }

    /** A cap by itself, at an end whose line leaves in the given direction. */
    private function cap(float $x, float $y, float $tx, float $ty): void
    {
        $segments = $this->capSegments($x, $y, $tx, $ty);
        if ($this->style->cap !== Cap::Butt) {
            $last = $segments[count($segments) - 1];
            $this->parts[] = self::running(Contour::ofSegments(
                [...$segments, Corner::straight([$last[6], $last[7]], [$segments[0][0], $segments[0][1]])],
                true,
            ));
        }
    }

    /**
     * The way round an end whose line leaves in the given direction, from its left side to its right.
     *
     * @return non-empty-list<list<float>>
     */
    private function capSegments(float $x, float $y, float $tx, float $ty): array
    {
        $d = $this->half;
        $left = [$x - $d * $ty, $y + $d * $tx];
        $right = [$x + $d * $ty, $y - $d * $tx];
        if ($this->style->cap === Cap::Round) {
            $pen = new Pen;
            $pen->moveTo(...$left);
            $pen->arcTo($d, $d, 0, false, false, $x + $d * $tx, $y + $d * $ty);
            $pen->arcTo($d, $d, 0, false, false, ...$right);

            return Corner::drawn($pen) ?: [Corner::straight($left, $right)];
        }
        if ($this->style->cap === Cap::Square) {
            $p = [$left[0] + $d * $tx, $left[1] + $d * $ty];
            $q = [$right[0] + $d * $tx, $right[1] + $d * $ty];

            return [Corner::straight($left, $p), Corner::straight($p, $q), Corner::straight($q, $right)];
        }

        return [Corner::straight($left, $right)];
    }
}
