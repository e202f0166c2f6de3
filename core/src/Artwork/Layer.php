<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

/** A sheet of tracing paper that pieces lie on: named, hidden, locked and ordered as one. */
final readonly class Layer
{
    /** The id of the layer that every artwork begins with. */
    public const FIRST = 'l1';

    /**
     * @param  string  $part  what it is of a thing that art is shown on (see LayerPart); nothing as a rule
     * @param  array<string, mixed>  $place  where art lies on it, see PlaceOfArt
     */
    public function __construct(
        public string $id,
        public string $name,
        public bool $hidden = false,
        public bool $locked = false,
        public string $part = '',
        public array $place = [],
    ) {
    }

    public function with(mixed ...$changes): self
    {
        /** @var array<string, mixed> $all */
        $all = [...get_object_vars($this), ...$changes];

        return new self(...$all);
    }
}
