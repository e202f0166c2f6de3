<?php

declare(strict_types=1);

namespace NeatEdge\Core\Recipe\Mirror;

use NeatEdge\Core\Artwork\Change;
use NeatEdge\Core\Artwork\Knob;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Artwork\Stored;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;

/**
 * D5: one half is drawn, the other follows about an axis. An open line whose ends lie on the axis, or nearly, gives one
 * closed outline with one node where it meets the axis; what runs over the axis is cut there.
 */
final readonly class MirrorHalf extends Change
{
    /**
     * @param  float  $x  a place on the axis, mm, in the space of the base
     * @param  float  $y  mm
     * @param  float  $angle  degrees of the axis; 90 is upright
     * @param  float  $reach  mm from the axis within which an end is drawn onto it
     * @param  int  $side  the side that is drawn, with the axis laid upright: 1 right, -1 left; 0 where most of it lies
     */
    public function __construct(public float $x, public float $y, public float $angle, public float $reach, public int $side = 0)
    {
    }

    public static function kind(): string
    {
        return 'mirror';
    }

    public function stored(Stored $as): array
    {
        return ['x' => $this->x, 'y' => $this->y, 'angle' => $this->angle, 'reach' => $this->reach, 'side' => $this->side];
    }

    public static function read(array $data, Stored $as): self
    {
        return new self((float) $data['x'], (float) $data['y'], (float) $data['angle'], (float) $data['reach'], (int) ($data['side'] ?? 0));
    }

    public function told(Recipe $recipe): array
    {
        [$x, $y, $angle] = $this->axis($recipe);

        return ['mirror' => ['x' => $x, 'y' => $y, 'angle' => $angle, 'reach' => $this->reach * $recipe->matrix->meanScale()]];
    }

    public function knobs(Recipe $recipe): array
    {
        [$x, $y, $angle] = $this->axis($recipe);

        return [new Knob('axis', 'Axis', $x, $y, Knob::AXIS, $angle)];
    }

    public function dragged(string $knob, float $x, float $y, Recipe $recipe): ?self
    {
        if ($knob !== 'axis' || $recipe->matrix->isSingular()) {
            return null;
        }
        $at = $recipe->matrix->inverse()->apply($x, $y);

        return (new self($at->x, $at->y, $this->angle, $this->reach))->heldTo($recipe->base->shape());
    }

    public function reading(string $knob, Recipe $recipe): string
    {
        [$x, $y] = $this->axis($recipe);

        return $knob === 'axis' ? sprintf('Axis at %.2f, %.2f mm', $x, $y) : '';
    }

    /** @return array{float, float, float} a place on the axis on the bench, mm, and its degrees there */
    private function axis(Recipe $recipe): array
    {
        $at = $recipe->matrix->apply($this->x, $this->y);
        $ahead = $recipe->matrix->apply($this->x + cos(deg2rad($this->angle)), $this->y + sin(deg2rad($this->angle)));

        return [$at->x, $at->y, rad2deg(atan2($ahead->y - $at->y, $ahead->x - $at->x))];
    }

    /** The same, holding to the side on which most of a shape lies now, whatever its nodes do later. */
    public function heldTo(Shape $shape): self
    {
        $box = $shape->transformed($this->laid())->box();

        return new self($this->x, $this->y, $this->angle, $this->reach, $box === null ? 0 : ($box->left + $box->right >= 0 ? 1 : -1));
    }

    private function laid(): Matrix
    {
        return Matrix::rotation(90 - $this->angle)->after(Matrix::translation(-$this->x, -$this->y));
    }

    public function on(Shape $shape): Shape
    {
        // With the axis laid on x = 0, reflecting is a change of one sign, and a node on the axis has exactly x = 0.
        $lay = $this->laid();
        $back = Matrix::translation($this->x, $this->y)->after(Matrix::rotation($this->angle - 90));
        $shape = $shape->transformed($lay);
        $box = $shape->box();
        if ($box === null) {
            return $shape;
        }
        $side = $this->side !== 0 ? (float) $this->side : ($box->left + $box->right >= 0 ? 1.0 : -1.0);
        $halves = [];
        $closed = [];
        foreach ($shape->contours as $contour) {
            if ($contour->closed) {
                $closed[] = $contour;
            } else {
                foreach ($this->cut($contour, $side) as $part) {
                    array_push($halves, ...self::whole($part));
                }
            }
        }
        if ($closed !== []) {
            array_push($halves, ...$this->closedOnes(new Shape($closed, $shape->rule), $side));
        }

        return (new Shape($halves, $shape->rule))->transformed($back);
    }

    /** @return list<Contour> */
    private function closedOnes(Shape $shape, float $side): array
    {
        $box = $shape->box();
        if ($box === null) {
            return [];
        }
        $near = $side > 0 ? $box->left : -$box->right;
        if ($near > $this->reach) {
            // Running the other way round, so that the two add up where they lie over each other.
            $other = array_map(static fn (Contour $contour): Contour => $contour->transformed(Matrix::scaling(-1, 1))->reversed(), $shape->contours);

            return [...$shape->contours, ...$other];
        }
        if ($near < -1e-9) {
            // What lies beyond the axis is cut off by the half of the bench that counts.
            $far = max(abs($box->left), abs($box->right)) + 1;
            $half = Contour::rectangle($side > 0 ? 0.0 : -$far, $box->top - 1, $far, $box->height() + 2);
            $shape = Combine::keepOverlap([$shape, Shape::of($half)]);
        }
        $closed = [];
        foreach ($shape->contours as $contour) {
            $parts = $this->withoutAxis($contour);
            if ($parts === null) {
                array_push($closed, $contour, $contour->transformed(Matrix::scaling(-1, 1))->reversed());

                continue;
            }
            foreach ($parts as $part) {
                array_push($closed, ...self::whole($part));
            }
        }

        return $closed;
    }

    /**
     * A closed contour without its lines along the axis, as open ones; null when it has none.
     *
     * @return list<Contour>|null
     */
    private function withoutAxis(Contour $contour): ?array
    {
        $segments = $contour->segments();
        $last = $segments[count($segments) - 1] ?? null;
        if ($last === null) {
            return null;
        }
        if (hypot($last[6] - $segments[0][0], $last[7] - $segments[0][1]) > 1e-9) {
            $segments[] = Cubic::line($last[6], $last[7], $segments[0][0], $segments[0][1]);
        }
        $n = count($segments);
        $on = array_map(fn (array $s): bool => Cubic::isLine($s) && abs($s[0]) <= $this->reach && abs($s[6]) <= $this->reach, $segments);
        $first = array_search(true, $on, true);
        if ($first === false || ! in_array(false, $on, true)) {
            return null;
        }
        $rows = [];
        $run = [];
        for ($k = 1; $k <= $n; $k++) {
            $i = ((int) $first + $k) % $n;
            if (! $on[$i]) {
                $run[] = $segments[$i];
            } elseif ($run !== []) {
                $rows[] = $this->onAxis(Contour::ofSegments($run, false));
                $run = [];
            }
        }

        return $rows;
    }

    /** An open line with its ends drawn onto the axis where they are near it; a handle goes along with its node. */
    private function onAxis(Contour $contour): Contour
    {
        $c = $contour->coords;
        $last = count($c) - 2;
        foreach ([[0, 2], [$last, $last - 2]] as [$node, $handle]) {
            if (abs($c[$node]) <= $this->reach) {
                $line = $c[$handle] === $c[$node] && $c[$handle + 1] === $c[$node + 1];
                $c[$handle] = $line ? 0.0 : $c[$handle] - $c[$node];
                $c[$node] = 0.0;
            }
        }

        return new Contour(array_values($c), false);
    }

    /**
     * What of an open line lies on the side that counts, its ends on the axis where it was cut or ended near it.
     *
     * @return list<Contour>
     */
    private function cut(Contour $contour, float $side): array
    {
        $contour = $this->onAxis($contour);
        $runs = [[]];
        foreach ($contour->segments() as $s) {
            $cuts = [0.0];
            foreach (Cubic::crossings($s, 1.0, 0.0, 0.0, 1e-9) as $t) {
                $cuts[] = $t;
            }
            $cuts[] = 1.0;
            for ($i = 1, $n = count($cuts); $i < $n; $i++) {
                if ($cuts[$i] - $cuts[$i - 1] < 1e-9) {
                    continue;
                }
                $part = Cubic::part($s, $cuts[$i - 1], $cuts[$i]);
                [$from, $to] = [$i > 1 ? 0.0 : $part[0], $i < $n - 1 ? 0.0 : $part[6]];
                $part = Cubic::isLine($s) ? Cubic::line($from, $part[1], $to, $part[7]) : [
                    $from, $part[1], $part[2], $part[3], $part[4], $part[5], $to, $part[7],
                ];
                $middle = Cubic::placeOn($part, 0.5)[0];
                if ($middle * $side >= 0 || abs($middle) <= 1e-9) {
                    $runs[count($runs) - 1][] = $part;
                } elseif ($runs[count($runs) - 1] !== []) {
                    $runs[] = [];
                }
            }
        }

        return array_values(array_map(
            static fn (array $run): Contour => Contour::ofSegments($run, false),
            array_filter($runs, static fn (array $run): bool => $run !== []),
        ));
    }

    /**
     * A half with its reflection, joined wherever it ends on the axis.
     *
     * @return list<Contour>
     */
    private static function whole(Contour $half): array
    {
        $other = $half->transformed(Matrix::scaling(-1, 1))->reversed();
        $last = count($half->coords) - 2;
        $starts = $half->coords[0] === 0.0;
        $ends = $half->coords[$last] === 0.0;
        // On the axis -0.0 and 0.0 are one place.
        $coords = array_map(static fn (float $v): float => $v + 0.0, $other->coords);
        if ($ends) {
            return [self::straightened(new Contour([...$half->coords, ...array_slice($coords, 2)], $starts))];
        }
        if ($starts) {
            return [self::straightened(new Contour([...$coords, ...array_slice($half->coords, 2)], false))];
        }

        return [$half, new Contour($coords, false)];
    }

    /** Two lines that meet on the axis and run straight through it are one, without a node there. */
    private static function straightened(Contour $contour): Contour
    {
        $straight = [];
        foreach ($contour->segments() as $s) {
            $last = array_pop($straight);
            if ($last !== null && self::goesThrough($last, $s)) {
                $straight[] = Cubic::line($last[0], $last[1], $s[6], $s[7]);
            } elseif ($last !== null) {
                array_push($straight, $last, $s);
            } else {
                $straight[] = $s;
            }
        }
        $last = $straight[count($straight) - 1];
        if ($contour->closed && count($straight) > 2 && self::goesThrough($last, $straight[0])) {
            $straight = [Cubic::line($last[0], $last[1], $straight[0][6], $straight[0][7]), ...array_slice($straight, 1, -1)];
        }

        return Contour::ofSegments($straight, $contour->closed);
    }

    /**
     * @param  list<float>  $a
     * @param  list<float>  $b
     */
    private static function goesThrough(array $a, array $b): bool
    {
        return $b[0] === 0.0 && Cubic::isLine($a) && Cubic::isLine($b) && abs($a[1] - $a[7]) < 1e-9 && abs($b[1] - $b[7]) < 1e-9 && $a[0] * $b[6] < 0;
    }
}
