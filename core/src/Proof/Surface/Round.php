<?php

declare(strict_types=1);

namespace NeatEdge\Core\Proof\Surface;

use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Warp;
use NeatEdge\Core\Recipe\Wrap\RoundThing;

/** Round something, that may be turned. The box of the place is its diameter and height. */
final readonly class Round implements Surface
{
    private float $scale;

    /** @var array{float, float} mm of the picture: where the middle of the place is seen from the front */
    private array $front;

    /**
     * @param  Box  $box  on the picture
     * @param  RoundThing  $thing  in truth, as it stands when nothing is turned
     * @param  float  $deviation  mm that what is bent may leave its true image by
     */
    public function __construct(Box $box, private RoundThing $thing, private float $deviation)
    {
        $wide = max($thing->top, $thing->bottom);
        $this->scale = $box->width() / $wide;
        // Looked down on, what is round sags at the front, so that it lies lower than the middle of its box.
        $this->front = [$box->middle()->x, $box->middle()->y + $this->scale * $wide / 2 * sin(deg2rad($thing->above)) / 2];
    }

    public function at(float $x, float $y, float $turn): array
    {
        [$u, $v] = $this->turned($turn)->at($x, $y);

        return [$this->front[0] + $this->scale * $u, $this->front[1] + $this->scale * $v];
    }

    public function seen(Shape $flat, float $turn, bool $asLines): Shape
    {
        $thing = $this->turned($turn);
        $kept = $thing->kept($flat, $asLines);
        $onPicture = new Matrix($this->scale, 0.0, 0.0, $this->scale, ...$this->front);

        return $kept->isEmpty() ? $kept : Warp::shape($kept, $thing->at(...), $this->deviation / max(1e-6, $this->scale))->transformed($onPicture);
    }

    public function holds(Shape $flat, float $turn): bool
    {
        return $this->turned($turn)->faces($flat);
    }

    public function guess(float $x, float $y, float $turn): array
    {
        $radius = max($this->thing->top, $this->thing->bottom) / 2;
        $across = ($x - $this->front[0]) / $this->scale;

        return [$radius * (asin(max(-0.999, min(0.999, $across / $radius))) - deg2rad($turn)), ($y - $this->front[1]) / $this->scale];
    }

    public function round(): float
    {
        return M_PI * ($this->thing->top + $this->thing->bottom) / 2;
    }

    private function turned(float $turn): RoundThing
    {
        return new RoundThing($this->thing->top, $this->thing->bottom, $this->thing->height, $this->thing->above, $turn);
    }
}
