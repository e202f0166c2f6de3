<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

/**
 * An affine matrix in the order of SVG's matrix(a b c d e f): x' = ax + cy + e, y' = bx + dy + f.
 */
final readonly class Matrix
{
    public function __construct(
        public float $a,
        public float $b,
        public float $c,
        public float $d,
        public float $e,
        public float $f,
    ) {
    }

    public static function identity(): self
    {
        return new self(1, 0, 0, 1, 0, 0);
    }

    public static function translation(float $x, float $y): self
    {
        return new self(1, 0, 0, 1, $x, $y);
    }

    public static function scaling(float $x, float $y): self
    {
        return new self($x, 0, 0, $y, 0, 0);
    }

    /** @param  float  $degrees clockwise on the bench, where y grows downwards */
    public static function rotation(float $degrees, float $aboutX = 0, float $aboutY = 0): self
    {
        $cos = cos(deg2rad($degrees));
        $sin = sin(deg2rad($degrees));

        return new self(
            $cos, $sin, -$sin, $cos,
            $aboutX - $cos * $aboutX + $sin * $aboutY,
            $aboutY - $sin * $aboutX - $cos * $aboutY,
        );
    }

    /** This matrix applied after $first. */
    public function after(self $first): self
    {
        return new self(
            $this->a * $first->a + $this->c * $first->b,
            $this->b * $first->a + $this->d * $first->b,
            $this->a * $first->c + $this->c * $first->d,
            $this->b * $first->c + $this->d * $first->d,
            $this->a * $first->e + $this->c * $first->f + $this->e,
            $this->b * $first->e + $this->d * $first->f + $this->f,
        );
    }

    public function apply(float $x, float $y): Point
    {
        return new Point($this->a * $x + $this->c * $y + $this->e, $this->b * $x + $this->d * $y + $this->f);
    }

    public function determinant(): float
    {
        return $this->a * $this->d - $this->b * $this->c;
    }

    /** Of a matrix that is not singular. */
    public function inverse(): self
    {
        $det = $this->determinant();

        return new self(
            $this->d / $det,
            -$this->b / $det,
            -$this->c / $det,
            $this->a / $det,
            ($this->c * $this->f - $this->d * $this->e) / $det,
            ($this->b * $this->e - $this->a * $this->f) / $det,
        );
    }

    public function isSingular(): bool
    {
        return abs($this->determinant()) < 1e-18;
    }

    /** Whether it moves and does nothing else. */
    public function isTranslation(): bool
    {
        return abs($this->a - 1) < 1e-12 && abs($this->d - 1) < 1e-12 && abs($this->b) < 1e-12 && abs($this->c) < 1e-12;
    }

    public function isIdentity(): bool
    {
        return $this->a === 1.0 && $this->b === 0.0 && $this->c === 0.0
            && $this->d === 1.0 && $this->e === 0.0 && $this->f === 0.0;
    }

    /** Whether lengths change by the same factor in every direction, so that a circle stays a circle. */
    public function isSimilarity(): bool
    {
        $tiny = 1e-9 * (abs($this->a) + abs($this->b) + abs($this->c) + abs($this->d));

        return (abs($this->a - $this->d) <= $tiny && abs($this->b + $this->c) <= $tiny)
            || (abs($this->a + $this->d) <= $tiny && abs($this->b - $this->c) <= $tiny);
    }

    /** The square root of the change of area: the usual scale of a stroke width. */
    public function meanScale(): float
    {
        return sqrt(abs($this->determinant()));
    }

    /** The largest factor by which any length grows (greatest singular value). */
    public function greatestScale(): float
    {
        $p = ($this->a + $this->d) / 2;
        $q = ($this->b - $this->c) / 2;
        $r = ($this->a - $this->d) / 2;
        $s = ($this->b + $this->c) / 2;

        return hypot($p, $q) + hypot($r, $s);
    }
}
