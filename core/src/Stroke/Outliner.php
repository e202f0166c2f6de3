<?php

declare(strict_types=1);

namespace NeatEdge\Core\Stroke;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
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
    /** Turn of one slice in a tight bend, in radians: what folds over must not fold onto what does not. */
    private const SLICE = 0.2;

    /** The same where the bend is as good as an arc of a circle: it folds over in one point, to the other side. */
    private const ROUND_SLICE = 1.7;

    /** @var list<Contour> sides, wedges and caps: nowhere negative, so that they add up */
    private array $parts = [];

    /** @var list<Shape> slices that may fold over themselves */
    private array $slices = [];

    /** @var list<list<float>> the left side of the run of strips being laid, from its start */
    private array $left = [];

    /** @var list<list<float>> its right side, from its start */
    private array $right = [];

    private readonly float $half;

    private function __construct(private readonly StrokeStyle $style, private readonly float $tolerance)
    {
        $this->half = $style->width / 2;
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

    private static function deviation(StrokeStyle $style, Tolerance $tolerance): float
    {
        // Both sides together leave a line's width within a hundredth.
        return min($tolerance->offset, $style->width * 0.004);
    }

    private function line(Contour $contour): void
    {
        $tiny = 1e-6 * $this->half;
        $segments = [];
        foreach ($contour->segments() as $s) {
            if (max(abs($s[2] - $s[0]), abs($s[3] - $s[1]), abs($s[4] - $s[0]), abs($s[5] - $s[1]), abs($s[6] - $s[0]), abs($s[7] - $s[1])) > $tiny) {
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
            array_push($strips, ...$this->strips($segment));
        }
        $before = $contour->closed ? $strips[count($strips) - 1][0] : null;
        $broken = false;
        foreach ($strips as $i => [$s, $folds, $smooth]) {
            Patience::ask(32);
            if ($folds) {
                $this->slice($s, 0);
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
        $last = $strips[count($strips) - 1];
        if ($contour->closed) {
            if ($broken) {
                if (! $strips[0][1] && ! $last[1]) {
                    $this->join($last[0], $strips[0][0]);
                }
                $this->endRun();
            } else {
                $this->turn($last[0], $strips[0][0]);
                $this->endRing();
            }

            return;
        }
        [$sx, $sy] = OffsetCurve::tangent($strips[0][0], 0.0);
        [$ex, $ey] = OffsetCurve::tangent($last[0], 1.0);
        if ($broken) {
            $this->endRun();
            $this->cap($strips[0][0][0], $strips[0][0][1], -$sx, -$sy);
            $this->cap($last[0][6], $last[0][7], $ex, $ey);

            return;
        }
        $this->endRun(
            $this->capSegments($last[0][6], $last[0][7], $ex, $ey),
            $this->capSegments($strips[0][0][0], $strips[0][0][1], -$sx, -$sy),
        );
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
     * @param  list<float>  $segment
     * @return list<array{list<float>, bool, bool}> its strips: curve, whether it folds over itself, whether it follows on smoothly
     */
    private function strips(array $segment): array
    {
        if (Cubic::isLine($segment)) {
            return [[$segment, false, false]];
        }
        $cuts = $this->cusps($segment);
        if ($cuts === []) {
            return $this->bends($segment);
        }
        $out = [];
        $from = 0.0;
        foreach ([...$cuts, 1.0] as $to) {
            if ($from > 0.0) {
                [$x, $y] = Cubic::at($segment, $from);
                $this->parts[] = Contour::circle($x, $y, $this->half);
            }
            array_push($out, ...$this->bends(Cubic::part($segment, $from, $to)));
            $from = $to;
        }

        return $out;
    }

    /**
     * @param  list<float>  $s
     * @return list<float> parameters inside the segment where it stops and turns round
     */
    private function cusps(array $s): array
    {
        // All three legs of the handles lead forward: then so does the curve, everywhere.
        $dx = $s[6] - $s[0];
        $dy = $s[7] - $s[1];
        if (($s[2] - $s[0]) * $dx + ($s[3] - $s[1]) * $dy > 0
            && ($s[4] - $s[2]) * $dx + ($s[5] - $s[3]) * $dy > 0
            && ($s[6] - $s[4]) * $dx + ($s[7] - $s[5]) * $dy > 0) {
            return [];
        }
        $found = [];
        $n = 32;
        $speed = static function (float $t) use ($s): float {
            [$dx, $dy] = Cubic::derivative($s, $t);

            return hypot($dx, $dy);
        };
        $top = max(array_map(static fn (int $k): float => $speed($k / $n), range(0, $n)));
        for ($k = 1; $k < $n; $k++) {
            $here = $speed($k / $n);
            if ($here > 0.25 * $top || $here > $speed(($k - 1) / $n) || $here > $speed(($k + 1) / $n)) {
                continue;
            }
            [$low, $high] = [($k - 1) / $n, ($k + 1) / $n];
            for ($i = 0; $i < 60; $i++) {
                $a = $low + ($high - $low) / 3;
                $b = $high - ($high - $low) / 3;
                $speed($a) < $speed($b) ? $high = $b : $low = $a;
            }
            $t = ($low + $high) / 2;
            if ($speed($t) < 1e-4 * $top && $t > 1e-3 && $t < 1 - 1e-3) {
                $found[] = $t;
            }
        }

        return $found;
    }

    /**
     * A curve without cusp in strips: cut where it begins to turn more tightly than half the width, and at inflections.
     *
     * @param  list<float>  $s
     * @return list<array{list<float>, bool, bool}>
     */
    private function bends(array $s): array
    {
        $n = 32;
        $tight = [];
        [$x0, $y0, $x1, $y1, $x2, $y2, $x3, $y3] = $s;
        $ax = 3 * ($x3 - 3 * $x2 + 3 * $x1 - $x0);
        $ay = 3 * ($y3 - 3 * $y2 + 3 * $y1 - $y0);
        $bx = 6 * ($x2 - 2 * $x1 + $x0);
        $by = 6 * ($y2 - 2 * $y1 + $y0);
        $cx = 3 * ($x1 - $x0);
        $cy = 3 * ($y1 - $y0);
        // A hair of caution: a strip that just begins to fold is laid as slices too.
        $most = 0.98 / $this->half;
        $any = false;
        for ($k = 0; $k <= $n; $k++) {
            $t = $k / $n;
            $dx = ($ax * $t + $bx) * $t + $cx;
            $dy = ($ay * $t + $by) * $t + $cy;
            $speed = $dx * $dx + $dy * $dy;
            $cross = abs($dx * (2 * $ay * $t + $by) - $dy * (2 * $ax * $t + $bx));
            $tight[$k] = $speed < 1e-24 || $cross > $most * $speed * sqrt($speed);
            $any = $any || $tight[$k];
        }
        $cuts = self::inflections($s);
        if (! $any && $cuts === []) {
            return [[$s, false, false]];
        }
        for ($k = 1; $k <= $n; $k++) {
            if ($tight[$k] !== $tight[$k - 1]) {
                $cuts[] = $this->border($s, ($k - 1) / $n, $k / $n, $tight[$k]);
            }
        }
        sort($cuts);
        $out = [];
        $from = 0.0;
        foreach ([...$cuts, 1.0] as $to) {
            if ($to - $from < 1e-9) {
                continue;
            }
            $out[] = [Cubic::part($s, $from, $to), abs(OffsetCurve::curvature($s, ($from + $to) / 2)) > $most, $from > 0.0];
            $from = $to;
        }

        return $out;
    }

    /** @param  list<float>  $s */
    private function border(array $s, float $low, float $high, bool $tightAbove): float
    {
        for ($i = 0; $i < 30; $i++) {
            $middle = ($low + $high) / 2;
            $tight = abs(OffsetCurve::curvature($s, $middle)) * $this->half > 0.98;
            $tight === $tightAbove ? $high = $middle : $low = $middle;
        }

        return ($low + $high) / 2;
    }

    /**
     * @param  list<float>  $s
     * @return list<float>
     */
    private static function inflections(array $s): array
    {
        // cross(C', C'') is a quadratic in t.
        [$ax, $ay] = [$s[2] - $s[0], $s[3] - $s[1]];
        [$bx, $by] = [$s[4] - 2 * $s[2] + $s[0], $s[5] - 2 * $s[3] + $s[1]];
        [$cx, $cy] = [$s[6] - 3 * $s[4] + 3 * $s[2] - $s[0], $s[7] - 3 * $s[5] + 3 * $s[3] - $s[1]];
        $a = $bx * $cy - $by * $cx;
        $b = $ax * $cy - $ay * $cx;
        $c = $ax * $by - $ay * $bx;
        $roots = [];
        if (abs($a) <= 1e-12 * (abs($b) + abs($c))) {
            $roots = $b != 0.0 ? [-$c / $b] : [];
        } elseif ($b * $b - 4 * $a * $c >= 0) {
            $q = -($b + ($b < 0 ? -1 : 1) * sqrt($b * $b - 4 * $a * $c)) / 2;
            $roots = $q != 0.0 ? [$q / $a, $c / $q] : [$q / $a];
        }
        $roots = array_filter($roots, static fn (float $t): bool => $t > 0.02 && $t < 0.98);
        sort($roots);

        return $roots;
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
            $left[0] = self::begunAt($left[0], $this->left[count($this->left) - 1]);
            $right[0] = self::begunAt($right[0], $this->right[count($this->right) - 1]);
        }
        array_push($this->left, ...$left);
        array_push($this->right, ...$right);
    }

    /**
     * @param  list<float>  $s
     * @param  list<float>  $before
     * @return list<float>
     */
    private static function begunAt(array $s, array $before): array
    {
        if (Cubic::isLine($s)) {
            return [$before[6], $before[7], $before[6], $before[7], $s[6], $s[7], $s[6], $s[7]];
        }

        return [$before[6], $before[7], $s[2] + $before[6] - $s[0], $s[3] + $before[7] - $s[1], $s[4], $s[5], $s[6], $s[7]];
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
        $outer = $this->outerTurn($x, $y, $ax, $ay, $bx, $by);
        $d = $turn > 0 ? $this->half : -$this->half;
        $from = [$x - $d * $ay, $y + $d * $ax];
        $to = [$x - $d * $by, $y + $d * $bx];
        // Both strips cover the way from one end to the other if they are long enough: no need to go over the line.
        $reach = $this->half * abs(sin($turn)) + 1e-9;
        $short = min(hypot($before[6] - $before[0], $before[7] - $before[1]), hypot($after[6] - $after[0], $after[7] - $after[1]));
        $inner = abs($turn) < 1.0 && $short > 2 * $reach && Cubic::isLine($before) && Cubic::isLine($after)
            ? [self::straight($from, $to)]
            : [self::straight($from, [$x, $y]), self::straight([$x, $y], $to)];
        if ($turn > 0) {
            array_push($this->left, ...$inner);
            array_push($this->right, ...$outer);
        } else {
            array_push($this->left, ...$outer);
            array_push($this->right, ...$inner);
        }
    }

    /**
     * @param  array{float, float}  $from
     * @param  array{float, float}  $to
     * @return list<float>
     */
    private static function straight(array $from, array $to): array
    {
        return [...$from, ...$from, ...$to, ...$to];
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
            $endCap = $endCap !== [] ? $endCap : [self::straight([$l[6], $l[7]], [$r[6], $r[7]])];
            $l = $this->left[0];
            $r = $this->right[0];
            $startCap = $startCap !== [] ? $startCap : [self::straight([$r[0], $r[1]], [$l[0], $l[1]])];
            $this->ring([...$this->left, ...$endCap, ...self::backwards($this->right), ...$startCap]);
        }
        $this->left = $this->right = [];
    }

    /** Closes the run of strips round a closed line: each side by itself. */
    private function endRing(): void
    {
        $this->ring($this->left);
        $this->ring(self::backwards($this->right));
        $this->left = $this->right = [];
    }

    /**
     * One contour of the stroke; sides, left forwards and right backwards, run against the sense of the other parts.
     *
     * @param  list<list<float>>  $segments
     */
    private function ring(array $segments): void
    {
        $segments = self::backwards($segments);
        $coords = [$segments[0][0], $segments[0][1]];
        foreach ($segments as $s) {
            array_push($coords, $s[2], $s[3], $s[4], $s[5], $s[6], $s[7]);
        }
        $this->parts[] = Thin::contour(new Contour($coords, true), $this->tolerance);
    }

    /**
     * @param  list<list<float>>  $segments
     * @return list<list<float>>
     */
    private static function backwards(array $segments): array
    {
        $out = [];
        for ($i = count($segments) - 1; $i >= 0; $i--) {
            $s = $segments[$i];
            $out[] = [$s[6], $s[7], $s[4], $s[5], $s[2], $s[3], $s[0], $s[1]];
        }

        return $out;
    }

    /** @param  list<float>  $s */
    private function slice(array $s, int $depth): void
    {
        [$ax, $ay] = OffsetCurve::tangent($s, 0.0);
        [$mx, $my] = OffsetCurve::tangent($s, 0.5);
        [$bx, $by] = OffsetCurve::tangent($s, 1.0);
        $turn = abs(atan2($ax * $my - $ay * $mx, $ax * $mx + $ay * $my)) + abs(atan2($mx * $by - $my * $bx, $mx * $bx + $my * $by));
        if ($turn > self::SLICE && $depth < 10 && ($turn > self::ROUND_SLICE || ! self::isRound($s))) {
            $this->slice(Cubic::part($s, 0.0, 0.5), $depth + 1);
            $this->slice(Cubic::part($s, 0.5, 1.0), $depth + 1);

            return;
        }
        $this->slices[] = Shape::of($this->band(
            OffsetCurve::of($s, $this->half, $this->tolerance),
            OffsetCurve::of($s, -$this->half, $this->tolerance),
        ));
    }

    /**
     * Whether a curve bends about alike everywhere.
     *
     * @param  list<float>  $s
     */
    private static function isRound(array $s): bool
    {
        $least = INF;
        $most = -INF;
        for ($k = 0; $k <= 4; $k++) {
            $bend = OffsetCurve::curvature($s, $k / 4);
            $least = min($least, $bend);
            $most = max($most, $bend);
        }

        return $least * $most > 0 && max(abs($least), abs($most)) < 1.3 * min(abs($least), abs($most));
    }

    /**
     * @param  list<list<float>>  $left
     * @param  list<list<float>>  $right
     */
    private function band(array $left, array $right): Contour
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
        $outer = $this->outerTurn($x, $y, $ax, $ay, $bx, $by);
        $last = $outer[count($outer) - 1];
        $this->parts[] = self::running(Contour::ofSegments([
            self::straight([$x, $y], [$outer[0][0], $outer[0][1]]), ...$outer, self::straight([$last[6], $last[7]], [$x, $y]),
        ], true));
    }

    /**
     * The way round the outer side of a join.
     *
     * @return non-empty-list<list<float>>
     */
    private function outerTurn(float $x, float $y, float $ax, float $ay, float $bx, float $by): array
    {
        $cross = $ax * $by - $ay * $bx;
        $dot = $ax * $bx + $ay * $by;
        $turn = atan2($cross, $dot);
        // The outer side lies against the turn.
        $d = $turn > 0 ? -$this->half : $this->half;
        $from = [$x - $d * $ay, $y + $d * $ax];
        $to = [$x - $d * $by, $y + $d * $bx];
        if ($this->style->join === Join::Round) {
            $pen = new Pen;
            $pen->moveTo(...$from);
            $pen->arcTo($this->half, $this->half, 0, false, $turn > 0, ...$to);

            return self::drawn($pen) ?: [self::straight($from, $to)];
        }
        $reach = 1 / max(1e-9, cos($turn / 2));
        if ($this->style->join === Join::Miter && $reach <= $this->style->miterLimit && $dot > -0.99999) {
            $k = $d / (1 + $dot);
            $tip = [$x - $k * ($ay + $by), $y + $k * ($ax + $bx)];

            return [self::straight($from, $tip), self::straight($tip, $to)];
        }
        if ($this->style->join === Join::MiterClip) {
            return $this->clippedMiter($x, $y, $from, $to, [$ax, $ay], [$bx, $by], $turn);
        }

        return [self::straight($from, $to)];
    }

    /** @return list<list<float>> nothing where the pen did not come away from its place */
    private static function drawn(Pen $pen): array
    {
        $contours = $pen->contours();

        return $contours === [] ? [] : $contours[0]->segments();
    }

    /**
     * A miter cut off square at the miter limit instead of at the corner.
     *
     * @source SVG 2, 13.5.6 "Computing the shape of the stroke": line join region of miter-clip.
     *
     * @param  array{float, float}  $from
     * @param  array{float, float}  $to
     * @param  array{float, float}  $a  direction before
     * @param  array{float, float}  $b  direction after
     * @return non-empty-list<list<float>>
     */
    private function clippedMiter(float $x, float $y, array $from, array $to, array $a, array $b, float $turn): array
    {
        $half = abs($turn) / 2;
        $limit = $this->style->miterLimit * $this->half;
        $full = $this->half / max(1e-9, cos($half));
        // How far each side runs on beyond its end before it meets the clip.
        $along = sin($half) < 1e-9 ? 0.0 : min($this->half * tan(min($half, M_PI_2 - 1e-9)), ($limit - $this->half * cos($half)) / sin($half));
        if ($along <= 0.0) {
            return [self::straight($from, $to)];
        }
        $p = [$from[0] + $along * $a[0], $from[1] + $along * $a[1]];
        $q = [$to[0] - $along * $b[0], $to[1] - $along * $b[1]];
        if ($full <= $limit) {
            return [self::straight($from, $p), self::straight($p, $to)];
        }

        return [self::straight($from, $p), self::straight($p, $q), self::straight($q, $to)];
    }

    /** A cap by itself, at an end whose line leaves in the given direction. */
    private function cap(float $x, float $y, float $tx, float $ty): void
    {
        $segments = $this->capSegments($x, $y, $tx, $ty);
        if ($this->style->cap !== Cap::Butt) {
            $last = $segments[count($segments) - 1];
            $this->parts[] = self::running(Contour::ofSegments([...$segments, self::straight([$last[6], $last[7]], [$segments[0][0], $segments[0][1]])], true));
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

            return self::drawn($pen) ?: [self::straight($left, $right)];
        }
        if ($this->style->cap === Cap::Square) {
            $p = [$left[0] + $d * $tx, $left[1] + $d * $ty];
            $q = [$right[0] + $d * $tx, $right[1] + $d * $ty];

            return [self::straight($left, $p), self::straight($p, $q), self::straight($q, $right)];
        }

        return [self::straight($left, $right)];
    }
}
