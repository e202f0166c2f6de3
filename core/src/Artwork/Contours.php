<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

use NeatEdge\Core\Geometry\Shape;

/** Plain curves as the base of a recipe. */
final readonly class Contours extends Base
{
    public function __construct(private Shape $shape)
    {
    }

    public static function kind(): string
    {
        return 'contours';
    }

    public function stored(Stored $as): array
    {
        return ['shape' => $as->shape($this->shape)];
    }

    public static function read(array $data, Stored $as): self
    {
        return new self($as->toShape($data['shape']));
    }

    public function isAdjustable(): bool
    {
        return false;
    }

    public function marks(): array
    {
        return [];
    }

    public function shape(): Shape
    {
        return $this->shape;
    }
}
