<?php

declare(strict_types=1);

namespace NeatEdge\Core\Proof\Surface;

use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Warp;
use NeatEdge\Core\PlanarMap\Convex;
use NeatEdge\Core\Recipe\Wrap\Perspective;

/** Flat, seen at an angle. */
final readonly class Angled implements Surface
{
    private Perspective $corners;

    /**
     * @param  Shape  $area  on the picture: its four corners say the angle
     * @param  float  $width  mm in truth
     * @param  float  $height  mm in truth
     * @param  float  $deviation  mm that what is bent may leave its true image by
     */
    public function __construct(Shape $area, private Box $box, private float $width, private float $height, private float $deviation)
    {
        $coords = $area->contours[0]->coords ?? [];
        $nodes = [];
        for ($i = 0, $n = count($coords) - 2; $i < $n; $i += 6) {
            $nodes[] = [$coords[$i], $coords[$i + 1]];
        }
        // Those of its box where it has others.
        if (count($nodes) !== 4) {
            $nodes = [[$box->left, $box->top], [$box->right, $box->top], [$box->right, $box->bottom], [$box->left, $box->bottom]];
        }
        // Upper left is where both are least; the rest follow round, clockwise.
        $middle = $box->middle();
        usort($nodes, static fn (array $a, array $b): int => atan2($a[1] - $middle->y, $a[0] - $middle->x) <=> atan2($b[1] - $middle->y, $b[0] - $middle->x));
        $this->corners = new Perspective(array_merge(...$nodes));
    }

    public function at(float $x, float $y, float $turn): array
    {
        return $this->corners->at($x / $this->width + 0.5, $y / $this->height + 0.5);
    }

    public function seen(Shape $flat, float $turn, bool $asLines): Shape
    {
        // Far beyond its edge lies the horizon, behind which all comes back.
        $kept = Convex::rectangle($this->width, $this->height)->kept($flat, $asLines);

        return $kept->isEmpty() ? $kept : Warp::shape($kept, fn (float $x, float $y): array => $this->at($x, $y, $turn), $this->deviation);
    }

    public function holds(Shape $flat, float $turn): bool
    {
        return Convex::rectangle($this->width, $this->height)->holds($flat);
    }

    public function guess(float $x, float $y, float $turn): array
    {
        $middle = $this->box->middle();

        return [($x - $middle->x) * $this->width / max(1e-9, $this->box->width()), ($y - $middle->y) * $this->height / max(1e-9, $this->box->height())];
    }

    public function round(): float
    {
        return 0.0;
    }
}
