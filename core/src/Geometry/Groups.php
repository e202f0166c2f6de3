<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

/**
 * Things by number, joined two by two into groups.
 *
 * @source R. E. Tarjan, "Efficiency of a good but not linear set union algorithm", 1975, with paths halved
 */
final class Groups
{
    /** @var array<int, int> */
    private array $root;

    /** @param  list<int>  $numbers  each in a group of its own at first */
    public function __construct(array $numbers)
    {
        $this->root = array_combine($numbers, $numbers);
    }

    /** The number of one of its group, the same for all of it until it is joined with another. */
    public function of(int $number): int
    {
        while ($this->root[$number] !== $number) {
            $number = $this->root[$number] = $this->root[$this->root[$number]];
        }

        return $number;
    }

    public function join(int $one, int $other): void
    {
        $this->root[$this->of($one)] = $this->of($other);
    }
}
