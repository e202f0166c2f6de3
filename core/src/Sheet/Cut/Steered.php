<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Cut;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Polyline;

/** A way of a machine's axis in chords; along some of them the blade only scratches while it turns. */
final readonly class Steered
{
    /**
     * @param  non-empty-list<array{float, float}>  $points  mm
     * @param  array<int, true>  $light  numbers of points to which it goes lightly
     */
    public function __construct(public array $points, public array $light = [])
    {
    }

    /** @param  float  $flat  mm that chords leave curves by */
    public static function along(Contour $line, float $flat): self
    {
        $points = Polyline::of($line, $flat);

        return new self($points === [] ? [[$line->coords[0], $line->coords[1]]] : $points);
    }
}
