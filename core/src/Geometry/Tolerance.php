<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

/**
 * How exact the engine works, in millimetres. The figures shrink with the art, so that a mark of a
 * few millimetres is treated as carefully, for its size, as a banner.
 */
final readonly class Tolerance
{
    /** Chords of a map that is measured, in those of one that is drawn. */
    private const COARSER = 4.0;

    /**
     * @param  float  $flatness  greatest distance between a curve and the chords that stand for it while crossings are sought
     * @param  float  $weld  end points and curves nearer than this are taken as one
     * @param  float  $offset  greatest deviation of an outlined stroke from the true offset
     * @param  bool  $refine  whether curves that run closer than the flatness are told apart
     */
    public function __construct(
        public float $flatness = 0.005,
        public float $weld = 0.000002,
        public float $offset = 0.005,
        public bool $refine = true,
    ) {
    }

    /** The same for art that is larger by a factor. */
    public function times(float $factor): self
    {
        return $factor === 1.0 ? $this : new self($this->flatness * $factor, $this->weld * $factor, $this->offset * $factor, $this->refine);
    }

    /**
     * The same for a map that is only measured: with the lens of each curve on its chord counted, chords may be coarse, and curves that run close need
     * not be told apart.
     */
    public function measuring(): self
    {
        return new self(self::COARSER * $this->flatness, $this->weld, $this->offset, refine: false);
    }

    /** @param  float  $extent the longer side of the art */
    public static function forExtent(float $extent): self
    {
        return new self(
            max(1e-9, min(0.005, $extent * 5e-5)),
            max(1e-12, min(0.000002, $extent * 1e-7)),
            max(1e-8, min(0.005, $extent * 2e-4)),
        );
    }
}
