<?php

declare(strict_types=1);

namespace NeatEdge\Core\Proof\Surface;

use NeatEdge\Core\Geometry\Shape;

/** How a thing bends what lies on it: from mm in truth about the middle of a place to mm of the picture. */
interface Surface
{
    /**
     * @param  float  $x  mm in truth, to the right of the middle of the place
     * @param  float  $y  mm in truth, below it
     * @param  float  $turn  degrees by which the thing is turned
     * @return array{float, float} where that is seen, mm of the picture
     */
    public function at(float $x, float $y, float $turn): array;

    /**
     * A shape as it is seen; empty where all of it faces away.
     *
     * @param  bool  $asLines  whether closed outlines are lines, too, which end where they are no longer seen
     */
    public function seen(Shape $flat, float $turn, bool $asLines): Shape;

    /** Whether all of a shape is seen: nothing of it is cut off, as far as its nodes and handles tell. */
    public function holds(Shape $flat, float $turn): bool;

    /**
     * Where to begin to look for what is seen at a place of the picture.
     *
     * @return array{float, float} mm in truth
     */
    public function guess(float $x, float $y, float $turn): array;

    /** @return float mm in truth once round it; nought where it is not round, and cannot be turned */
    public function round(): float;
}
