<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

/** How much of a file is taken before it is refused: bytes, levels, counts, and the size of the page in mm. */
final readonly class Limits
{
    public function __construct(
        public int $bytes = 20_000_000,
        public int $unpackedBytes = 60_000_000,
        public int $entityBytes = 1_000_000,
        public int $depth = 200,
        public int $pieces = 50_000,
        public int $segments = 500_000,
        public float $size = 200_000.0,
    ) {
    }

    /**
     * These limits with some of them set by name, as shops write them.
     *
     * @param  array<string, string>  $values
     *
     * @throws UnknownLimit
     */
    public function with(array $values): self
    {
        $own = get_object_vars($this);
        foreach ($values as $name => $value) {
            if (! array_key_exists($name, $own)) {
                throw UnknownLimit::name($name, array_keys($own));
            }
            if (preg_match('/^\d{1,12}$/', $value) !== 1 || (int) $value === 0) {
                throw UnknownLimit::value($name, $value);
            }
            $own[$name] = $name === 'size' ? (float) $value : (int) $value;
        }

        return new self(...$own);
    }
}
