<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Support;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Pen;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Random and deliberately awkward shapes; the same seed gives the same shapes. */
final class RandomArt
{
    private readonly Randomizer $random;

    public function __construct(public readonly int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    public function between(float $low, float $high): float
    {
        return $low + ($high - $low) * $this->random->getInt(0, 1 << 30) / (1 << 30);
    }

    public function pick(int $count): int
    {
        return $this->random->getInt(0, $count - 1);
    }

    /** A shape of any kind within about $reach of the origin. */
    public function shape(float $reach = 20.0): Shape
    {
        $x = $this->between(-$reach, $reach) / 2;
        $y = $this->between(-$reach, $reach) / 2;
        $r = $this->between($reach / 8, $reach / 2);

        return match ($this->pick(8)) {
            0 => Shape::of(Contour::circle($x, $y, $r)),
            1 => Shape::of($this->roundedRectangle($x, $y, 1.6 * $r, $r, $r / 4)->transformed(Matrix::rotation($this->between(0, 360), $x, $y))),
            2 => new Shape([$this->star($x, $y, $r, 5 + $this->pick(4))], $this->pick(2) === 0 ? FillRule::Nonzero : FillRule::Evenodd),
            3 => Shape::of($this->selfCrossingStar($x, $y, $r, 5 + 2 * $this->pick(3))),
            4 => new Shape([Contour::circle($x, $y, $r), Contour::circle($x, $y, $r * 0.6)], FillRule::Evenodd),
            5 => new Shape([$this->scribble($reach, 4 + $this->pick(4))], $this->pick(2) === 0 ? FillRule::Nonzero : FillRule::Evenodd),
            6 => Shape::of($this->needle($x, $y, $r)),
            default => Shape::of(Contour::rectangle(round($x), round($y), max(1.0, round($r)), max(1.0, round($r / 2)))),
        };
    }

    /**
     * Two outlines that lie awkwardly to each other.
     *
     * @return array{string, Shape, Shape} what kind of pair it is, and the two
     */
    public function pair(): array
    {
        $offsets = [0.0, 1e-9, 1e-8, 1e-7, 1e-6, 1e-5, 1e-4, 1e-3, 1e-2];
        $offset = $offsets[$this->pick(9)] * ($this->pick(2) === 0 ? 1 : -1);
        $x = $this->between(-5, 5);
        $y = $this->between(-5, 5);
        $turn = $this->between(0, 2 * M_PI);
        $r = $this->between(2, 9);
        switch ($this->pick(8)) {
            case 0:
                $a = $this->shape();

                return ['near copy', $a, $a->transformed(Matrix::translation($offset, $offset / 3))];
            case 1:
                $other = $this->between(1, 9);
                $apart = ($this->pick(2) === 0 ? $r + $other : $r - $other) + $offset;

                return [
                    'tangent circles',
                    Shape::of(Contour::circle($x, $y, $r)),
                    Shape::of(Contour::circle($x + $apart * cos($turn), $y + $apart * sin($turn), $other)),
                ];
            case 2:
                return ['fan', $this->fan($x, $y, 2 + $this->pick(20)), $this->fan($x + $offset, $y, 2 + $this->pick(20))];
            case 3:
                return ['spiral', Shape::of($this->spiral($x, $y, $r, 2 + $this->pick(4))), $this->shape()];
            case 4:
                return ['cusps', new Shape([$this->cusped($x, $y, $r)]), new Shape([$this->cusped($x + $offset, $y, $r)])];
            case 5:
                $a = Combine::weld([$this->shape()]);

                return ['told otherwise', $a, $this->retold($a)];
            case 6:
                $a = Combine::weld([$this->shape()]);

                return ['told otherwise and moved', $a, $this->retold($a)->transformed(Matrix::translation($offset, -$offset))];
            default:
                return ['any', $this->shape(), $this->shape()];
        }
    }

    /** Bars that all pass through one point. */
    private function fan(float $x, float $y, int $bars): Shape
    {
        $out = [];
        for ($k = 0; $k < $bars; $k++) {
            $bar = Contour::rectangle($x - 8, $y, 16, 0.3 + 0.2 * ($k % 3));
            $out[] = $bar->transformed(Matrix::rotation(180 * $k / $bars, $x, $y));
        }

        return new Shape($out, FillRule::Nonzero);
    }

    /** A band that winds outwards. */
    private function spiral(float $x, float $y, float $r, int $turns): Contour
    {
        $pen = new Pen;
        $pen->moveTo($x, $y);
        $radius = 0.0;
        $step = $r / (4 * $turns);
        $at = static fn (int $k, float $radius): array => [$x + $radius * [1, 0, -1, 0][$k % 4], $y + $radius * [0, 1, 0, -1][$k % 4]];
        for ($k = 1; $k <= 4 * $turns; $k++) {
            $radius += $step;
            $pen->arcTo($radius, $radius, 0, false, true, ...$at($k, $radius));
        }
        for ($k = 4 * $turns - 1; $k >= 0; $k--) {
            $pen->arcTo($radius, $radius, 0, false, false, ...$at($k, $radius - 0.4 * $step * ($k / (4 * $turns)) - $step));
            $radius -= $step;
        }
        $pen->close();

        return $pen->contours()[0];
    }

    /** Curves that stop and turn round on the spot. */
    private function cusped(float $x, float $y, float $r): Contour
    {
        $pen = new Pen;
        $pen->moveTo($x, $y);
        $pen->cubicTo($x + $r, $y + $r, $x, $y + $r, $x + $r, $y);
        $pen->cubicTo($x + $r / 2, $y - $r, $x + $r / 2, $y - $r, $x, $y);
        $pen->cubicTo($x - $r, $y + $r, $x - $r, $y - $r, $x, $y);
        $pen->close();

        return $pen->contours()[0];
    }

    /** The same outline as someone else might have given it: reversed, begun elsewhere, or split at other places. */
    public function retold(Shape $shape): Shape
    {
        $contours = [];
        foreach ($shape->contours as $contour) {
            $segments = [];
            foreach ($contour->segments() as $segment) {
                if ($this->pick(2) === 0) {
                    $t = $this->between(0.1, 0.9);
                    array_push($segments, Cubic::part($segment, 0.0, $t), Cubic::part($segment, $t, 1.0));
                } else {
                    $segments[] = $segment;
                }
            }
            $turn = $this->pick(count($segments));
            $segments = [...array_slice($segments, $turn), ...array_slice($segments, 0, $turn)];
            $again = Contour::ofSegments($segments, true);
            $contours[] = $this->pick(2) === 0 ? $again : $again->reversed();
        }

        return new Shape($contours, FillRule::Evenodd);
    }

    public function star(float $x, float $y, float $r, int $points): Contour
    {
        $out = [];
        for ($k = 0; $k < 2 * $points; $k++) {
            $at = $k % 2 === 0 ? $r : 0.45 * $r;
            $out[] = [$x + $at * cos(M_PI * $k / $points), $y + $at * sin(M_PI * $k / $points)];
        }

        return Contour::polygon($out);
    }

    public function selfCrossingStar(float $x, float $y, float $r, int $points): Contour
    {
        $out = [];
        for ($k = 0; $k < $points; $k++) {
            $angle = 2 * M_PI * $k * intdiv($points, 2) / $points;
            $out[] = [$x + $r * cos($angle), $y + $r * sin($angle)];
        }

        return Contour::polygon($out);
    }

    public function roundedRectangle(float $x, float $y, float $w, float $h, float $r): Contour
    {
        $pen = new Pen;
        $pen->moveTo($x + $r, $y);
        $pen->lineTo($x + $w - $r, $y);
        $pen->arcTo($r, $r, 0, false, true, $x + $w, $y + $r);
        $pen->lineTo($x + $w, $y + $h - $r);
        $pen->arcTo($r, $r, 0, false, true, $x + $w - $r, $y + $h);
        $pen->lineTo($x + $r, $y + $h);
        $pen->arcTo($r, $r, 0, false, true, $x, $y + $h - $r);
        $pen->lineTo($x, $y + $r);
        $pen->arcTo($r, $r, 0, false, true, $x + $r, $y);
        $pen->close();

        return $pen->contours()[0];
    }

    private function needle(float $x, float $y, float $r): Contour
    {
        return Contour::polygon([[$x, $y], [$x + $r, $y + 0.001], [$x + 2 * $r, $y], [$x + $r, $y + $this->between(-0.2, 0.2)]]);
    }

    private function scribble(float $reach, int $curves): Contour
    {
        $pen = new Pen;
        $at = fn (): float => $this->between(-$reach, $reach) / 2;
        $pen->moveTo($at(), $at());
        for ($k = 0; $k < $curves; $k++) {
            $this->pick(4) === 0 ? $pen->lineTo($at(), $at()) : $pen->cubicTo($at(), $at(), $at(), $at(), $at(), $at());
        }
        $pen->close();

        return $pen->contours()[0];
    }
}
