<?php

declare(strict_types=1);

namespace NeatEdge\Core\Recipe\Linked;

use NeatEdge\Core\Artwork\Base;
use NeatEdge\Core\Artwork\Leaders;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Artwork\References;
use NeatEdge\Core\Artwork\Stored;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;

/** D12: the shape of another piece, which it follows. Where the source lies does not matter, only what it looks like. */
final readonly class LinkedCopy extends Base
{
    /**
     * @param  string  $source  id of the piece that it follows
     * @param  float  $x  mm by which the source has moved since it was copied
     * @param  float  $y  mm
     * @param  Shape  $shape  the source as it would lie had it not moved
     */
    public function __construct(public string $source, public float $x, public float $y, private Shape $shape)
    {
    }

    public static function kind(): string
    {
        return 'linked';
    }

    public function stored(Stored $as): array
    {
        return ['source' => $this->source, 'x' => $this->x, 'y' => $this->y, 'shape' => $as->shape($this->shape)];
    }

    public static function read(array $data, Stored $as): self
    {
        return new self($data['source'], (float) $data['x'], (float) $data['y'], $as->toShape($data['shape']));
    }

    public function label(): string
    {
        return 'Linked copy';
    }

    public function said(): string
    {
        return 'linked copy';
    }

    public function follows(): array
    {
        return [$this->source];
    }

    public function following(array $ids): ?self
    {
        return $ids === [] ? null : $this->from($ids[0]);
    }

    public function led(Piece $piece, Recipe $recipe, Leaders $leaders): Piece
    {
        $before = $leaders->before($this->source);
        $source = $leaders->now($this->source);
        if ($source === null) {
            // Its source is gone: it stays as it is, on its own.
            return References::following($piece, [$this->source => null]);
        }
        if ($before === $source || $before === null) {
            return $piece;
        }
        $base = $before->shape === $source->shape ? $this : $this->after($before->shape, $source->shape);
        $followed = $piece->withRecipe($recipe->withBase($base));
        if ($source->fill === $before->fill && $source->stroke === $before->stroke) {
            return $followed;
        }
        // Its paints lie on it as the source's lie there.
        $way = $recipe->matrix->after($base->back());

        return $followed->with(fill: $source->fill?->transformed($way), stroke: $source->stroke?->transformed($way, true));
    }

    public function told(Recipe $recipe): array
    {
        return ['linked' => $this->source];
    }

    public static function of(Piece $source): self
    {
        return new self($source->id, 0.0, 0.0, $source->shape);
    }

    public function shape(): Shape
    {
        return $this->shape;
    }

    /** The same after another source, which looks alike and lies alike. */
    public function from(string $source): self
    {
        return new self($source, $this->x, $this->y, $this->shape);
    }

    /** From where the source lies now to where its shape was when it was copied. */
    public function back(): Matrix
    {
        return Matrix::translation(-$this->x, -$this->y);
    }

    /** After its source was changed. */
    public function after(Shape $before, Shape $after): self
    {
        $moved = self::move($before, $after);
        if ($moved !== null) {
            return new self($this->source, $this->x + $moved[0], $this->y + $moved[1], $this->shape);
        }

        return new self($this->source, $this->x, $this->y, $after->transformed(Matrix::translation(-$this->x, -$this->y)));
    }

    /** @return array{float, float}|null by how much a shape was moved; null when it was changed in another way */
    private static function move(Shape $before, Shape $after): ?array
    {
        if (count($before->contours) !== count($after->contours) || $before->isEmpty()) {
            return null;
        }
        $dx = $after->contours[0]->coords[0] - $before->contours[0]->coords[0];
        $dy = $after->contours[0]->coords[1] - $before->contours[0]->coords[1];
        foreach ($before->contours as $i => $contour) {
            $other = $after->contours[$i]->coords;
            if (count($other) !== count($contour->coords)) {
                return null;
            }
            foreach ($contour->coords as $k => $value) {
                if (abs($other[$k] - $value - ($k % 2 === 0 ? $dx : $dy)) > 1e-9) {
                    return null;
                }
            }
        }

        return [$dx, $dy];
    }
}
