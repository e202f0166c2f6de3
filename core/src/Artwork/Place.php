<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

/** Where a piece belongs on the bench, and whether it can be seen and touched there. */
final readonly class Place
{
    /**
     * @param  string  $layer  id of its layer
     * @param  list<string>  $groups  ids of the groups that it is in, the outermost first
     */
    public function __construct(public string $layer = Layer::FIRST, public array $groups = [], public bool $hidden = false, public bool $locked = false)
    {
    }

    public function with(mixed ...$changes): self
    {
        /** @var array<string, mixed> $all */
        $all = [...get_object_vars($this), ...$changes];

        return new self(...$all);
    }
}
