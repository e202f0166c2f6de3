<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Shape;

/** A part of the plane without a dent, in which shapes are kept: closed ones are closed anew along its edge, lines end there. */
final readonly class Convex
{
    /** @var list<array{float, float, float}> its edges as a x + b y + c, at least nought within */
    private array $edges;

    /** @param  list<array{float, float}>  $corners  mm, round it either way */
    public function __construct(private array $corners)
    {
        $doubled = array_map(static fn (array $p, array $q): float => $p[0] * $q[1] - $q[0] * $p[1], $corners, [...array_slice($corners, 1), $corners[0]]);
        $side = array_sum($doubled) > 0 ? -1.0 : 1.0;
        $edges = [];
        foreach ($corners as $i => [$ax, $ay]) {
            [$bx, $by] = $corners[($i + 1) % count($corners)];
            $long = $side * max(1e-12, hypot($bx - $ax, $by - $ay));
            $edges[] = [($by - $ay) / $long, ($ax - $bx) / $long, ($ay * $bx - $ax * $by) / $long];
        }
        $this->edges = $edges;
    }

    /** About the middle. @param  float  $width  mm @param  float  $height  mm */
    public static function rectangle(float $width, float $height): self
    {
        [$x, $y] = [$width / 2, $height / 2];

        return new self([[-$x, -$y], [$x, -$y], [$x, $y], [-$x, $y]]);
    }

    /** Whether a shape lies in it whole, as far as its nodes and handles tell. */
    public function holds(Shape $shape): bool
    {
        foreach ($shape->contours as $contour) {
            for ($i = 0, $n = count($contour->coords); $i < $n; $i += 2) {
                if ($this->inside($contour->coords[$i], $contour->coords[$i + 1]) < 0.0) {
                    return false;
                }
            }
        }

        return true;
    }

    /**
     * What of a shape lies in it; the very shape where all of it does.
     *
     * @param  bool  $asLines  whether closed outlines are lines, too
     */
    public function kept(Shape $shape, bool $asLines = false): Shape
    {
        if ($this->holds($shape)) {
            return $shape;
        }
        $closed = $asLines ? [] : array_values(array_filter($shape->contours, static fn (Contour $contour): bool => $contour->closed));
        $kept = $closed === [] ? [] : Combine::keepOverlap([new Shape($closed, $shape->rule), Shape::of(Contour::polygon($this->corners))])->contours;
        foreach ($shape->contours as $contour) {
            if ($asLines || ! $contour->closed) {
                array_push($kept, ...$this->parts($contour));
            }
        }

        return new Shape($kept, $shape->rule);
    }

    /** How far within it a place lies, mm; less than nothing outside. */
    private function inside(float $x, float $y): float
    {
        $least = INF;
        foreach ($this->edges as [$a, $b, $c]) {
            $least = min($least, $a * $x + $b * $y + $c);
        }

        return $least;
    }

    /**
     * The stretches of a line that lie in it.
     *
     * @return list<Contour>
     */
    private function parts(Contour $line): array
    {
        $runs = [];
        $run = [];
        $isFirst = true;
        $beginsWithin = false;
        $isWhole = true;
        foreach ($line->closedSegments() as $s) {
            $cuts = [0.0, 1.0];
            foreach ($this->edges as [$a, $b, $c]) {
                array_push($cuts, ...Cubic::crossings($s, $a, $b, $c));
            }
            sort($cuts);
            for ($k = 1, $n = count($cuts); $k < $n; $k++) {
                if ($cuts[$k] - $cuts[$k - 1] < 1e-9) {
                    continue;
                }
                $part = Cubic::isLine($s)
                    ? Cubic::line(...Cubic::placeOn($s, $cuts[$k - 1]), ...Cubic::placeOn($s, $cuts[$k]))
                    : Cubic::part($s, $cuts[$k - 1], $cuts[$k]);
                if ($this->inside(...Cubic::placeOn($part, 0.5)) >= 0.0) {
                    $run[] = $part;
                    $beginsWithin = $beginsWithin || $isFirst;
                } else {
                    $isWhole = false;
                    $runs = $run === [] ? $runs : [...$runs, $run];
                    $run = [];
                }
                $isFirst = false;
            }
        }
        if ($isWhole) {
            return [$line];
        }
        // Round a closed one, the last stretch goes on as the first.
        if ($run !== [] && $line->closed && $beginsWithin && $runs !== []) {
            $runs[0] = [...$run, ...$runs[0]];
            $run = [];
        }

        return array_map(static fn (array $run): Contour => Contour::ofSegments($run, false), $run === [] ? $runs : [...$runs, $run]);
    }
}
