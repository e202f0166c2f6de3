<?php

declare(strict_types=1);

namespace NeatEdge\Core\Stroke;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Pen;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\PlanarMap\Combine;

/**
 * Turns a stroke into the filled outline that looks the same.
 *
 * The stroke is laid out as strips along the segments, wedges at the joins and caps at the ends, all running the same
 * way round, and welded. Where a line turns more tightly than half its width, a strip folds over itself and would
 * cancel out; there it is laid as narrow slices that are owners of their own.
 */
final class Outliner
{
    /** Turn of one slice in a tight bend, in radians. */
    private const SLICE = 0.2;

    /** @var list<Contour> strips, wedges and caps: nowhere negative, so that they add up */
    private array $parts = [];

    /** @var list<Shape> slices that may fold over themselves */
    private array $slices = [];

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
        if ($style->width <= 0.0) {
            return new Shape([]);
        }
        $box = (new Shape($contours))->box();
        if ($box === null) {
            return new Shape([]);
        }
        $tolerance ??= Tolerance::forExtent(max($box->width(), $box->height()) + $style->width);
        $self = new self($style, min($tolerance->offset, $style->width * 0.01));
        foreach ($contours as $contour) {
            foreach ($style->dashes === [] ? [$contour] : Dashes::of($contour, $style) as $line) {
                $self->line($line);
            }
        }
        $shapes = [new Shape($self->parts, FillRule::Nonzero), ...$self->slices];
        $welded = Combine::weld($shapes, new Tolerance(
            min($tolerance->flatness, $style->width * 0.002),
            min($tolerance->weld, $style->width * 0.0002),
            $tolerance->offset,
        ));

        return Thin::shape($welded, $self->tolerance);
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
            $this->point($contour->coords[0], $contour->coords[1]);

            return;
        }
        $pieces = [];
        foreach ($segments as $segment) {
            array_push($pieces, ...$this->strip($segment));
        }
        $last = count($pieces) - 1;
        for ($i = 0; $i < $last; $i++) {
            $this->join($pieces[$i], $pieces[$i + 1]);
        }
        if ($contour->closed) {
            $this->join($pieces[$last], $pieces[0]);
        } else {
            [$tx, $ty] = OffsetCurve::tangent($pieces[0], 0.0);
            $this->cap($pieces[0][0], $pieces[0][1], -$tx, -$ty);
            $this->cap($pieces[$last][6], $pieces[$last][7], ...OffsetCurve::tangent($pieces[$last], 1.0));
        }
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
     * @return list<list<float>> the segment in parts between which a join is due: cut at cusps only
     */
    private function strip(array $segment): array
    {
        if (Cubic::isLine($segment)) {
            $this->lay([$segment]);

            return [$segment];
        }
        $cuts = $this->cusps($segment);
        $out = [];
        $from = 0.0;
        foreach ([...$cuts, 1.0] as $to) {
            if ($from > 0.0) {
                [$x, $y] = Cubic::at($segment, $from);
                $this->parts[] = Contour::circle($x, $y, $this->half);
            }
            $part = Cubic::part($segment, $from, $to);
            $this->bend($part);
            $out[] = $part;
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
     * Lays a curve without cusp: as strips where it is gentle, as slices where it is tighter than half the width.
     *
     * @param  list<float>  $s
     */
    private function bend(array $s): void
    {
        $n = 32;
        $tight = [];
        for ($k = 0; $k <= $n; $k++) {
            // A hair of caution: a strip that just begins to fold is laid as slices too.
            $tight[$k] = abs(OffsetCurve::curvature($s, $k / $n)) * $this->half > 0.98;
        }
        $from = 0.0;
        $gentle = [];
        for ($k = 1; $k <= $n; $k++) {
            if ($k < $n && $tight[$k] === $tight[$k - 1]) {
                continue;
            }
            $to = $k / $n;
            if ($tight[$k] !== $tight[$k - 1]) {
                $to = $this->border($s, ($k - 1) / $n, $k / $n, $tight[$k]);
            }
            $this->bendPart($s, $from, $to, $tight[$k - 1]);
            if ($k === $n && $to < 1.0) {
                $this->bendPart($s, $to, 1.0, $tight[$k]);
            }
            $from = $to;
        }
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

    /** @param  list<float>  $s */
    private function bendPart(array $s, float $from, float $to, bool $tight): void
    {
        if ($to - $from < 1e-9) {
            return;
        }
        $part = Cubic::part($s, $from, $to);
        if ($tight) {
            $this->slice($part, 0);

            return;
        }
        // At an inflection the sides change roles: fitted apart, they need fewer nodes.
        $cuts = self::inflections($part);
        $pieces = [];
        $at = 0.0;
        foreach ([...$cuts, 1.0] as $next) {
            $pieces[] = Cubic::part($part, $at, $next);
            $at = $next;
        }
        $this->lay($pieces);
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
     * One strip along pieces that follow on smoothly.
     *
     * @param  non-empty-list<list<float>>  $pieces
     */
    private function lay(array $pieces): void
    {
        $left = [];
        $right = [];
        foreach ($pieces as $piece) {
            array_push($left, ...OffsetCurve::of($piece, $this->half, $this->tolerance));
            array_push($right, ...OffsetCurve::of($piece, -$this->half, $this->tolerance));
        }
        $this->parts[] = self::running($this->band($left, $right));
    }

    /** @param  list<float>  $s */
    private function slice(array $s, int $depth): void
    {
        [$ax, $ay] = OffsetCurve::tangent($s, 0.0);
        [$mx, $my] = OffsetCurve::tangent($s, 0.5);
        [$bx, $by] = OffsetCurve::tangent($s, 1.0);
        $turn = abs(atan2($ax * $my - $ay * $mx, $ax * $mx + $ay * $my)) + abs(atan2($mx * $by - $my * $bx, $mx * $bx + $my * $by));
        if ($turn > self::SLICE && $depth < 10) {
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
     * @param  list<float>  $before
     * @param  list<float>  $after
     */
    private function join(array $before, array $after): void
    {
        [$ax, $ay] = OffsetCurve::tangent($before, 1.0);
        [$bx, $by] = OffsetCurve::tangent($after, 0.0);
        $cross = $ax * $by - $ay * $bx;
        $dot = $ax * $bx + $ay * $by;
        $turn = atan2($cross, $dot);
        if (abs($turn) < 1e-7) {
            return;
        }
        [$x, $y] = [$after[0], $after[1]];
        // The outer side lies against the turn.
        $d = $turn > 0 ? -$this->half : $this->half;
        [$px, $py] = [$x - $d * $ay, $y + $d * $ax];
        [$qx, $qy] = [$x - $d * $by, $y + $d * $bx];
        $pen = new Pen;
        $pen->moveTo($x, $y);
        $pen->lineTo($px, $py);
        if ($this->style->join === Join::Round) {
            $pen->arcTo($this->half, $this->half, 0, false, $turn > 0, $qx, $qy);
        } else {
            $reach = 1 / max(1e-9, cos($turn / 2));
            if ($this->style->join === Join::Miter && $reach <= $this->style->miterLimit && $dot > -0.99999) {
                $k = $d / (1 + $dot);
                $pen->lineTo($x - $k * ($ay + $by), $y + $k * ($ax + $bx));
            }
            $pen->lineTo($qx, $qy);
        }
        $pen->close();
        foreach ($pen->contours() as $wedge) {
            $this->parts[] = self::running($wedge);
        }
    }

    /** A cap at an end whose line leaves in the given direction. */
    private function cap(float $x, float $y, float $tx, float $ty): void
    {
        $d = $this->half;
        if ($this->style->cap === Cap::Butt) {
            return;
        }
        $pen = new Pen;
        $pen->moveTo($x - $d * $ty, $y + $d * $tx);
        if ($this->style->cap === Cap::Round) {
            $pen->arcTo($d, $d, 0, false, false, $x + $d * $tx, $y + $d * $ty);
            $pen->arcTo($d, $d, 0, false, false, $x + $d * $ty, $y - $d * $tx);
        } else {
            $pen->lineTo($x - $d * $ty + $d * $tx, $y + $d * $tx + $d * $ty);
            $pen->lineTo($x + $d * $ty + $d * $tx, $y - $d * $tx + $d * $ty);
            $pen->lineTo($x + $d * $ty, $y - $d * $tx);
        }
        $pen->close();
        foreach ($pen->contours() as $cap) {
            $this->parts[] = self::running($cap);
        }
    }
}
