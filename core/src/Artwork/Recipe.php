<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;

/**
 * How a shape is made while it can still be adjusted: a base, what is done to it in turn, and where the outcome is laid.
 * The matrix comes last, so that any transform of the piece is exact and leaves every value as it was typed.
 */
final readonly class Recipe
{
    /** @param  list<Change>  $changes  in the space of the base */
    public function __construct(public Base $base, public Matrix $matrix = new Matrix(1, 0, 0, 1, 0, 0), public array $changes = [])
    {
    }

    /** Of a piece as it is: its own recipe, or its contours to begin one with. */
    public static function of(Piece $piece): self
    {
        return $piece->recipe ?? new self(new Contours($piece->shape));
    }

    public function shape(): Shape
    {
        $shape = $this->base->shape();
        foreach ($this->changes as $change) {
            $shape = $change->on($shape);
        }

        return $shape->transformed($this->matrix);
    }

    public function withBase(Base $base): self
    {
        return new self($base, $this->matrix, $this->changes);
    }

    /** A change of the same kind is replaced where it stands; another comes last. */
    public function changed(Change $change): self
    {
        $changes = $this->changes;
        foreach ($changes as $i => $one) {
            if ($one::class === $change::class) {
                $changes[$i] = $change;

                return new self($this->base, $this->matrix, $changes);
            }
        }

        return new self($this->base, $this->matrix, [...$changes, $change]);
    }

    /**
     * @template T of Change
     *
     * @param  class-string<T>  $kind
     * @return T|null
     */
    public function change(string $kind): ?Change
    {
        foreach ($this->changes as $change) {
            if ($change instanceof $kind) {
                return $change;
            }
        }

        return null;
    }

    /** @param  class-string<Change>  $kind */
    public function without(string $kind): self
    {
        return new self($this->base, $this->matrix, array_values(array_filter($this->changes, static fn (Change $change): bool => ! $change instanceof $kind)));
    }

    /** The same where lengths and angles of the base are those of the bench: what a mirror or a ring needs to be true there. */
    public function trueToBench(): self
    {
        if ($this->matrix->isSimilarity()) {
            return $this;
        }

        return new self(new Contours($this->shape()));
    }

    /**
     * Moved, turned or scaled. A base that has a size and is stretched along its own sides takes it as its own.
     */
    public function transformed(Matrix $matrix): self
    {
        $all = $matrix->after($this->matrix);
        $x = hypot($all->a, $all->b);
        $y = hypot($all->c, $all->d);
        $straight = abs($all->a * $all->c + $all->b * $all->d) <= 1e-9 * $x * $y && $all->determinant() > 0;
        if ($this->changes === [] && $straight && (abs($x - 1) > 1e-9 || abs($y - 1) > 1e-9)) {
            $base = $this->base->sized($x, $y);
            if ($base !== null) {
                return new self($base, new Matrix($all->a / $x, $all->b / $x, $all->c / $y, $all->d / $y, $all->e, $all->f));
            }
        }

        return new self($this->base, $all, $this->changes);
    }

    /** @return list<Knob> of its base and of all that is done to it */
    public function knobs(): array
    {
        return array_merge(...array_map(fn (Base|Change $part): array => $part->knobs($this), [$this->base, ...$this->changes]));
    }

    /**
     * The same with what a knob of it sets, whichever part that is of.
     *
     * @param  float  $x  where it is dragged to, mm on the page
     * @return self|null null where no part has such a knob
     */
    public function dragged(string $knob, float $x, float $y): ?self
    {
        $base = $this->base->dragged($knob, $x, $y, $this);
        if ($base !== null) {
            return $this->withBase($base);
        }
        foreach ($this->changes as $change) {
            $changed = $change->dragged($knob, $x, $y, $this);
            if ($changed !== null) {
                return $this->changed($changed);
            }
        }

        return null;
    }

    /** What a knob of it stands at, in a few words. */
    public function reading(string $knob): string
    {
        foreach ([$this->base, ...$this->changes] as $part) {
            $reading = $part->reading($knob, $this);
            if ($reading !== '') {
                return $reading;
            }
        }

        return '';
    }
}
