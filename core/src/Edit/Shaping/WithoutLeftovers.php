<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use LogicException;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\ShowsMarks;

/** An operation whose slivers are seen to. Made by the registry, for any edit that takes the fields of Leftovers. */
final readonly class WithoutLeftovers implements Edit, ShowsMarks
{
    public function __construct(private Edit $edit, private Leftovers $leftovers)
    {
    }

    public static function about(string $kind): About
    {
        throw new LogicException('It has no kind of its own.');
    }

    public static function from(Values $values): self
    {
        throw new LogicException('It is made round another edit.');
    }

    public function label(): string
    {
        return $this->edit->label();
    }

    public function apply(Artwork $artwork): Artwork
    {
        return $this->leftovers->applied($artwork, $this->edit->apply($artwork));
    }

    public function marks(Artwork $artwork): array
    {
        return $this->edit instanceof ShowsMarks ? $this->edit->marks($artwork) : [];
    }
}
