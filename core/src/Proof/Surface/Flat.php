<?php

declare(strict_types=1);

namespace NeatEdge\Core\Proof\Surface;

use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;

/** Seen from the front. */
final readonly class Flat implements Surface
{
    private Matrix $matrix;

    private Matrix $back;

    /**
     * @param  Box  $box  on the picture
     * @param  float  $width  mm in truth
     */
    public function __construct(Box $box, float $width)
    {
        $scale = $box->width() / $width;
        $this->matrix = new Matrix($scale, 0.0, 0.0, $scale, $box->middle()->x, $box->middle()->y);
        $this->back = $this->matrix->inverse();
    }

    public function at(float $x, float $y, float $turn): array
    {
        $at = $this->matrix->apply($x, $y);

        return [$at->x, $at->y];
    }

    public function seen(Shape $flat, float $turn, bool $asLines): Shape
    {
        return $flat->transformed($this->matrix);
    }

    public function holds(Shape $flat, float $turn): bool
    {
        return true;
    }

    public function guess(float $x, float $y, float $turn): array
    {
        $at = $this->back->apply($x, $y);

        return [$at->x, $at->y];
    }

    public function round(): float
    {
        return 0.0;
    }
}
