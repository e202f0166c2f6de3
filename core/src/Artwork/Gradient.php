<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Measure\Colour;

/**
 * A run of colours along a line or out of a circle, as SVG 2, chapter 14 has it. It is kept as paint: no knife and
 * no single ink gives it, but a printer does.
 */
final readonly class Gradient
{
    /**
     * @param  list<float>  $axis  linear: x1, y1, x2, y2; radial: cx, cy, r, fx, fy, fr; in the gradient's own space
     * @param  non-empty-list<array{float, Colour, float}>  $stops  offset 0 to 1 (never falling), colour, opacity 0 to 1
     * @param  Matrix  $matrix  from the gradient's own space to mm
     */
    public function __construct(
        public GradientKind $kind,
        public array $axis,
        public array $stops,
        public Matrix $matrix,
        public Spread $spread = Spread::Pad,
    ) {
    }

    public function transformed(Matrix $matrix): self
    {
        return new self($this->kind, $this->axis, $this->stops, $matrix->after($this->matrix), $this->spread);
    }

    public function faded(float $opacity): self
    {
        $stops = array_map(static fn (array $stop): array => [$stop[0], $stop[1], $stop[2] * $opacity], $this->stops);

        return new self($this->kind, $this->axis, $stops, $this->matrix, $this->spread);
    }

    public function isOpaque(): bool
    {
        foreach ($this->stops as $stop) {
            if ($stop[2] <= 0.9999) {
                return false;
            }
        }

        return true;
    }

    /** The one colour that stands for it where only one can be shown: the mean along its run, and the mean opacity. */
    public function mean(): Paint
    {
        $sum = [0.0, 0.0, 0.0, 0.0];
        $last = [0.0, $this->stops[0][1], $this->stops[0][2]];
        foreach ([...$this->stops, [1.0, $this->stops[count($this->stops) - 1][1], $this->stops[count($this->stops) - 1][2]]] as $stop) {
            $half = ($stop[0] - $last[0]) / 2;
            foreach ([$last, $stop] as [, $colour, $opacity]) {
                $sum[0] += $half * $colour->red * $opacity;
                $sum[1] += $half * $colour->green * $opacity;
                $sum[2] += $half * $colour->blue * $opacity;
                $sum[3] += $half * $opacity;
            }
            $last = $stop;
        }
        $whole = max(1e-9, $sum[3]);

        return new Paint(new Colour((int) round($sum[0] / $whole), (int) round($sum[1] / $whole), (int) round($sum[2] / $whole)), $sum[3]);
    }

    /** The same for gradients that paint the same. */
    public function key(): string
    {
        $m = $this->matrix;
        $text = $this->kind->value.$this->spread->value;
        foreach ([...$this->axis, $m->a, $m->b, $m->c, $m->d, $m->e, $m->f] as $number) {
            $text .= sprintf(' %.6f', $number);
        }
        foreach ($this->stops as [$at, $colour, $opacity]) {
            $text .= sprintf(' %.5f%s%.4f', $at, $colour->hex(), $opacity);
        }

        return $this->kind->value.'-'.hash('xxh128', $text);
    }
}
