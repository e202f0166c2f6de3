<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

/** Draws contours: the commands of an SVG path, on absolute coordinates. */
final class Pen
{
    /** Handle length of a quarter of a unit circle. */
    public const QUARTER = 0.5522847498307936;

    /** @var list<Contour> */
    private array $done = [];

    /** @var list<float> */
    private array $coords = [];

    /** @var list<int> numbers of the nodes, in the contour being drawn, at which only an arc was parted */
    private array $parted = [];

    /** @var list<list<int>> */
    private array $partedDone = [];

    public function moveTo(float $x, float $y): void
    {
        $this->finish(false);
        $this->coords = [$x, $y];
    }

    public function lineTo(float $x, float $y): void
    {
        [$fromX, $fromY] = $this->position();
        array_push($this->coords, $fromX, $fromY, $x, $y, $x, $y);
    }

    public function cubicTo(float $x1, float $y1, float $x2, float $y2, float $x, float $y): void
    {
        array_push($this->coords, $x1, $y1, $x2, $y2, $x, $y);
    }

    public function quadTo(float $cx, float $cy, float $x, float $y): void
    {
        [$fromX, $fromY] = $this->position();
        $this->cubicTo(
            $fromX + 2 / 3 * ($cx - $fromX), $fromY + 2 / 3 * ($cy - $fromY),
            $x + 2 / 3 * ($cx - $x), $y + 2 / 3 * ($cy - $y),
            $x, $y,
        );
    }

    /**
     * An elliptical arc, as cubics of at most a quarter turn each.
     *
     * @source SVG 2, appendix B.2.4: conversion from endpoint to center parameterization
     *
     * @param  float  $degrees  turn of the ellipse's x axis
     */
    public function arcTo(float $rx, float $ry, float $degrees, bool $large, bool $sweep, float $x, float $y): void
    {
        [$x0, $y0] = $this->position();
        $rx = abs($rx);
        $ry = abs($ry);
        if ($x0 === $x && $y0 === $y) {
            return;
        }
        if ($rx < 1e-12 || $ry < 1e-12) {
            $this->lineTo($x, $y);

            return;
        }
        $cos = cos(deg2rad($degrees));
        $sin = sin(deg2rad($degrees));
        $px = ($cos * ($x0 - $x) + $sin * ($y0 - $y)) / 2;
        $py = (-$sin * ($x0 - $x) + $cos * ($y0 - $y)) / 2;
        $lambda = ($px / $rx) ** 2 + ($py / $ry) ** 2;
        if ($lambda > 1) {
            $rx *= sqrt($lambda);
            $ry *= sqrt($lambda);
        }
        $under = ($rx * $ry) ** 2 / (($rx * $py) ** 2 + ($ry * $px) ** 2) - 1;
        $factor = ($large === $sweep ? -1 : 1) * sqrt(max(0.0, $under));
        $cxp = $factor * $rx * $py / $ry;
        $cyp = -$factor * $ry * $px / $rx;
        $cx = $cos * $cxp - $sin * $cyp + ($x0 + $x) / 2;
        $cy = $sin * $cxp + $cos * $cyp + ($y0 + $y) / 2;
        $start = atan2(($py - $cyp) / $ry, ($px - $cxp) / $rx);
        $turn = atan2((-$py - $cyp) / $ry, (-$px - $cxp) / $rx) - $start;
        if ($sweep && $turn < 0) {
            $turn += 2 * M_PI;
        } elseif (! $sweep && $turn > 0) {
            $turn -= 2 * M_PI;
        }
        $this->turn(new Matrix($cos * $rx, $sin * $rx, -$sin * $ry, $cos * $ry, $cx, $cy), $start, $turn, $x, $y);
    }

    /**
     * A part of a circle of radius one, brought to where it lies.
     *
     * @param  float  $start  radians
     * @param  float  $turn  radians
     */
    private function turn(Matrix $place, float $start, float $turn, float $x, float $y): void
    {
        $parts = max(1, (int) ceil(abs($turn) / (M_PI / 2) - 1e-6));
        $step = $turn / $parts;
        $k = 4 / 3 * tan($step / 4);
        $node = intdiv(count($this->coords), 6);
        for ($i = 1; $i < $parts; $i++) {
            $this->parted[] = $node + $i;
        }
        for ($i = 0; $i < $parts; $i++) {
            $a = $start + $i * $step;
            $b = $a + $step;
            $points = [
                [cos($a) - $k * sin($a), sin($a) + $k * cos($a)],
                [cos($b) + $k * sin($b), sin($b) - $k * cos($b)],
                [cos($b), sin($b)],
            ];
            $cubic = [];
            foreach ($points as [$ux, $uy]) {
                $cubic[] = $place->a * $ux + $place->c * $uy + $place->e;
                $cubic[] = $place->b * $ux + $place->d * $uy + $place->f;
            }
            if ($i === $parts - 1) {
                [$cubic[4], $cubic[5]] = [$x, $y];
            }
            $this->cubicTo(...$cubic);
        }
    }

    public function close(): void
    {
        if ($this->coords === []) {
            return;
        }
        [$x, $y] = [$this->coords[0], $this->coords[1]];
        if (count($this->coords) > 2 && $this->position() !== [$x, $y]) {
            $this->lineTo($x, $y);
        }
        $this->finish(true);
        $this->coords = [$x, $y];
    }

    /** @return array{float, float} */
    public function position(): array
    {
        $n = count($this->coords);

        return $n === 0 ? [0.0, 0.0] : [$this->coords[$n - 2], $this->coords[$n - 1]];
    }

    /** @return list<Contour> what was drawn so far; a lone moveTo draws nothing */
    public function contours(): array
    {
        $this->finish(false);
        $this->coords = [];

        return $this->done;
    }

    /** @return list<list<int>> by contour, the numbers of nodes that nobody placed: those inside an arc of more than a quarter turn */
    public function partedArcs(): array
    {
        return $this->partedDone;
    }

    private function finish(bool $closed): void
    {
        if (count($this->coords) > 2 || ($closed && count($this->coords) === 2)) {
            $coords = $this->coords;
            if (count($coords) === 2) {
                // "M x y Z": a point that a round or square cap still shows.
                [$x, $y] = $coords;
                array_push($coords, $x, $y, $x, $y, $x, $y);
            }
            $this->done[] = new Contour($coords, $closed);
            $this->partedDone[] = $this->parted;
        }
        $this->parted = [];
    }
}
