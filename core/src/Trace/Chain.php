<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

/** One border between two regions, from one place where three meet to the next, or round and closed. Both use it. */
final readonly class Chain
{
    /**
     * @param  list<int>  $steps  directions of travel from corner to corner of dots: 0 right, 1 down, 2 left, 3 up
     * @param  int  $left  number of the region on the left of travel; -1 outside of the picture
     * @param  int  $right  and on the right
     * @param  int  $x  corner of dots where it begins
     */
    public function __construct(public array $steps, public int $left, public int $right, public int $x, public int $y, public bool $closed)
    {
    }

    /** Whether it runs along the frame of the picture. */
    public function isFrame(): bool
    {
        return $this->left < 0 || $this->right < 0;
    }

    /** @return array{int, int} the corner of dots where it ends */
    public function end(): array
    {
        $way = array_count_values($this->steps);

        return [$this->x + ($way[0] ?? 0) - ($way[2] ?? 0), $this->y + ($way[1] ?? 0) - ($way[3] ?? 0)];
    }
}
