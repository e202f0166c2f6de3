<?php

declare(strict_types=1);

namespace NeatEdge\Core\Measure;

use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Patience\Patience;

/**
 * The outlines of a shape as places along them, and which stretches have another wall near, on which side. Most of an outline has none: only the rest is
 * measured. A place knows the segment and the parameter it came from.
 */
final class Walls
{
    /** Places are this share of the distance apart at most. */
    private const STEP = 0.5;

    /** The way round between two walls is at least so much longer than the way across: half a circle is 1.57 times. */
    private const ROUND = 1.3;

    private const MOST = 400_000;

    /** Cosine between a normal and the way to another wall under which it may lie on either side. */
    private const ASIDE = 0.35;

    public const INSIDE = 1;

    public const OUTSIDE = 2;

    /** @var list<float> */
    public array $x = [];

    /** @var list<float> */
    public array $y = [];

    /** @var list<int> */
    public array $contour = [];

    /** @var list<int> segment, the closing line of an open outline included */
    public array $segment = [];

    /** @var list<float> parameter of the place on its segment */
    public array $t = [];

    /** @var list<float> way along the contour, mm */
    public array $way = [];

    /** @var array<int, int> where another wall is near: INSIDE and OUTSIDE, added */
    public array $near = [];

    /** @var list<float> length of each contour, mm */
    public array $round = [];

    /** @var list<list<list<float>>> segments by contour */
    public array $segments = [];

    /** @var list<int> first place of each contour, and one past the last of all */
    public array $first = [];

    /** 1 where the material lies on the left of outlines, in the sense of the cross product; -1 where on the right. */
    public float $side = 1.0;

    /** @var list<float> unit normals into the material */
    private array $nx = [];

    /** @var list<float> */
    private array $ny = [];

    private float $step;

    private function __construct(private readonly float $distance)
    {
        $this->step = self::STEP * $distance;
    }

    /**
     * @param  Shape  $shape  as the planar map traces it: holes run against outer contours
     * @param  float  $distance  mm within which another wall is near
     */
    public static function of(Shape $shape, float $distance): self
    {
        $self = new self($distance);
        $self->step = max($self->step, $shape->roughLength() / self::MOST);
        $signed = 0.0;
        foreach ($shape->contours as $contour) {
            $signed += $contour->area();
        }
        $self->side = $signed >= 0 ? 1.0 : -1.0;
        foreach ($shape->contours as $contour) {
            $segments = $contour->segments();
            $c = $contour->coords;
            $last = count($c) - 2;
            if ($c[$last] !== $c[0] || $c[$last + 1] !== $c[1]) {
                $segments[] = Cubic::line($c[$last], $c[$last + 1], $c[0], $c[1]);
            }
            $self->segments[] = $segments;
        }
        $self->place();
        $self->mark();

        return $self;
    }

    private function place(): void
    {
        $step = $this->step;
        $side = $this->side;
        [$xs, $ys, $nxs, $nys, $contours, $numbers, $ts, $ways] = [[], [], [], [], [], [], [], []];
        foreach ($this->segments as $c => $segments) {
            $this->first[] = count($xs);
            $way = 0.0;
            foreach ($segments as $i => $s) {
                Patience::ask(8);
                [$x0, $y0, $x1, $y1, $x2, $y2, $x3, $y3] = $s;
                $line = $x1 === $x0 && $y1 === $y0 && $x2 === $x3 && $y2 === $y3;
                $leg = $line ? sqrt(($x3 - $x0) ** 2 + ($y3 - $y0) ** 2)
                    : 3 * sqrt(max(($x1 - $x0) ** 2 + ($y1 - $y0) ** 2, ($x2 - $x1) ** 2 + ($y2 - $y1) ** 2, ($x3 - $x2) ** 2 + ($y3 - $y2) ** 2));
                if ($leg < 1e-9) {
                    continue;
                }
                $n = (int) ceil($leg / $step);
                $px = $x0;
                $py = $y0;
                for ($k = 0; $k < $n; $k++) {
                    $t = (float) ($k / $n);
                    if ($line) {
                        $x = $x0 + ($x3 - $x0) * $t;
                        $y = $y0 + ($y3 - $y0) * $t;
                        $dx = $x3 - $x0;
                        $dy = $y3 - $y0;
                    } else {
                        $u = 1 - $t;
                        $a = $u * $u;
                        $b = 2 * $u * $t;
                        $d = $t * $t;
                        $x = $u * $a * $x0 + 3 * $a * $t * $x1 + 3 * $u * $d * $x2 + $t * $d * $x3;
                        $y = $u * $a * $y0 + 3 * $a * $t * $y1 + 3 * $u * $d * $y2 + $t * $d * $y3;
                        $dx = $a * ($x1 - $x0) + $b * ($x2 - $x1) + $d * ($x3 - $x2);
                        $dy = $a * ($y1 - $y0) + $b * ($y2 - $y1) + $d * ($y3 - $y2);
                    }
                    $speed = sqrt($dx * $dx + $dy * $dy);
                    $way += sqrt(($x - $px) * ($x - $px) + ($y - $py) * ($y - $py));
                    $px = $x;
                    $py = $y;
                    $xs[] = $x;
                    $ys[] = $y;
                    $nxs[] = $speed > 1e-12 ? -$side * $dy / $speed : 0.0;
                    $nys[] = $speed > 1e-12 ? $side * $dx / $speed : 0.0;
                    $contours[] = $c;
                    $numbers[] = $i;
                    $ts[] = $t;
                    $ways[] = $way;
                }
                $way += sqrt(($x3 - $px) * ($x3 - $px) + ($y3 - $py) * ($y3 - $py));
            }
            $this->round[] = $way;
        }
        $this->first[] = count($xs);
        [
            $this->x, $this->y, $this->nx, $this->ny, $this->contour, $this->segment, $this->t, $this->way,
        ] = [$xs, $ys, $nxs, $nys, $contours, $numbers, $ts, $ways];
    }

    /** Finds for each place whether another wall is near: cell by cell, with the cells around. */
    private function mark(): void
    {
        $x = $this->x;
        $y = $this->y;
        $nx = $this->nx;
        $ny = $this->ny;
        $contour = $this->contour;
        $way = $this->way;
        $round = $this->round;
        $reach = $this->distance + $this->step;
        $square = $reach * $reach;
        $slack = 1.5 * $this->step;
        $near = $x === [] ? [] : array_fill(0, count($x), 0);
        $cells = Cells::of($x, $y, $reach);
        foreach ($cells as $key => $own) {
            Patience::ask(8 * count($own));
            $around = Cells::around($cells, $key);
            // One strand of an outline passes through: nothing is near.
            if (count($around) < 4) {
                continue;
            }
            foreach ($own as $i) {
                $px = $x[$i];
                $py = $y[$i];
                $c = $contour[$i];
                $w = $way[$i];
                $mark = $near[$i];
                foreach ($around as $j) {
                    if ($mark === 3) {
                        break;
                    }
                    $dx = $x[$j] - $px;
                    $dy = $y[$j] - $py;
                    $d = $dx * $dx + $dy * $dy;
                    if ($d > $square) {
                        continue;
                    }
                    $d = sqrt($d);
                    if ($contour[$j] === $c) {
                        $between = $way[$j] - $w;
                        $between = $between < 0 ? -$between : $between;
                        $least = self::ROUND * $d + $slack;
                        if ($between < $least || $least > $round[$c] - $between) {
                            continue;
                        }
                    }
                    $toward = $nx[$i] * $dx + $ny[$i] * $dy;
                    $mark |= ($toward > -self::ASIDE * $d ? self::INSIDE : 0) | ($toward < self::ASIDE * $d ? self::OUTSIDE : 0);
                }
                $near[$i] = $mark;
            }
        }
        $this->near = $near;
    }
}
