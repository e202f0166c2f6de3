<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

/** An upright rectangle in millimetres. */
final readonly class Box
{
    public function __construct(
        public float $left,
        public float $top,
        public float $right,
        public float $bottom,
    ) {
    }

    /** The smallest box around all of them, or null for none. */
    public static function around(self ...$boxes): ?self
    {
        if ($boxes === []) {
            return null;
        }

        return new self(
            min(array_map(static fn (self $box): float => $box->left, $boxes)),
            min(array_map(static fn (self $box): float => $box->top, $boxes)),
            max(array_map(static fn (self $box): float => $box->right, $boxes)),
            max(array_map(static fn (self $box): float => $box->bottom, $boxes)),
        );
    }

    public function middle(): Point
    {
        return new Point(($this->left + $this->right) / 2, ($this->top + $this->bottom) / 2);
    }

    public function width(): float
    {
        return $this->right - $this->left;
    }

    public function height(): float
    {
        return $this->bottom - $this->top;
    }

    /** The same, wider by so many mm on every side. */
    public function grown(float $by): self
    {
        return new self($this->left - $by, $this->top - $by, $this->right + $by, $this->bottom + $by);
    }

    public function overlaps(self $other): bool
    {
        return $this->left <= $other->right && $other->left <= $this->right
            && $this->top <= $other->bottom && $other->top <= $this->bottom;
    }

    public function contains(self $other): bool
    {
        return $this->left <= $other->left && $other->right <= $this->right
            && $this->top <= $other->top && $other->bottom <= $this->bottom;
    }
}
