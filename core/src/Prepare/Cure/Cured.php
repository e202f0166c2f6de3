<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Cure;

use NeatEdge\Core\Artwork\Artwork;

/**
 * What came of curing, and what was done and left.
 *
 * @phpstan-type Deed array{kind: string, at: array{float, float}|null, measured: float|null, how: string}
 */
final readonly class Cured
{
    /**
     * @param  list<Deed>  $done  in mm; how: what was done
     * @param  list<Deed>  $left  how: why not
     */
    public function __construct(public Artwork $artwork, public array $done = [], public array $left = [])
    {
    }

    /** The same with other art. */
    public function on(Artwork $artwork): self
    {
        return new self($artwork, $this->done, $this->left);
    }

    /** With what was done on top of it. */
    public function then(self $next): self
    {
        return new self($next->artwork, [...$this->done, ...$next->done], [...$this->left, ...$next->left]);
    }
}
