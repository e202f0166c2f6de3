<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

/** How much of a file is taken before it is refused. */
final readonly class Limits
{
    public function __construct(
        public int $bytes = 20_000_000,
        public int $unpackedBytes = 60_000_000,
        public int $entityBytes = 1_000_000,
        public int $depth = 200,
        public int $pieces = 100_000,
        public int $segments = 500_000,
        public float $size = 200_000.0,
    ) {
    }
}
