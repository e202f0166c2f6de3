<?php

declare(strict_types=1);

namespace NeatEdge\Core\Measure;

use NeatEdge\Core\Geometry\Point;

/** A stretch that is narrower than a limit. */
final readonly class ThinPlace
{
    /**
     * @param  Point  $at  between the walls where it is narrowest
     * @param  float  $width  mm, there
     * @param  float  $typical  mm, the median along the stretch
     * @param  float  $length  mm, of what is narrower than the limit
     * @param  bool  $pointed  whether it runs out into a point, where its width is nothing
     * @param  list<list<Point>>  $ribbon  what lies between the walls, whole: for each part up one wall and back down the other
     * @param  list<Point>  $middle  places along its middle line
     * @param  list<list<array{float, float, float}>>  $rows  its middle line in stretches, in order: x, y and the width there, mm
     */
    public function __construct(
        public Point $at,
        public float $width,
        public float $typical,
        public float $length,
        public bool $pointed = false,
        public array $ribbon = [],
        public array $middle = [],
        public array $rows = [],
    ) {
    }
}
