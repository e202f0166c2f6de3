<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

/**
 * How exact the engine works, in millimetres. The figures shrink with the art, so that a mark of a
 * few millimetres is treated as carefully, for its size, as a banner.
 */
final readonly class Tolerance
{
    /**
     * @param  float  $flatness  greatest distance between a curve and the chords that stand for it while crossings are sought
     * @param  float  $weld  end points and curves nearer than this are taken as one
     * @param  float  $offset  greatest deviation of an outlined stroke from the true offset
     */
    public function __construct(
        public float $flatness = 0.005,
        public float $weld = 0.0005,
        public float $offset = 0.005,
    ) {
    }

    /** @param  float  $extent the longer side of the art */
    public static function forExtent(float $extent): self
    {
        return new self(
            max(1e-9, min(0.005, $extent * 5e-5)),
            max(1e-10, min(0.0005, $extent * 1e-5)),
            max(1e-8, min(0.005, $extent * 2e-4)),
        );
    }
}
