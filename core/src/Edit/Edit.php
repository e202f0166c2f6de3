<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Line\Edits;

/** What an artist does on the bench: artwork in, artwork out. Made from validated fields, see Edits. */
interface Edit
{
    /** What it is called, does and takes, as one of the kinds that it serves. */
    public static function about(string $kind): About;

    /** @throws Refused for fields that it cannot be made from */
    public static function from(Values $values): self;

    /** What the history calls it. */
    public function label(): string;

    /** @throws Refused */
    public function apply(Artwork $artwork): Artwork;
}
