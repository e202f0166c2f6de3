<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Line\Steps;

/** One step of preparation: artwork in, artwork out, nothing else touched. Made from validated fields, see Steps. */
interface Step
{
    /** What it is called, does and takes. */
    public static function about(): AboutStep;

    /** @throws Refused for values that it cannot be made from */
    public static function from(Values $values): self;

    /** A fixed word for scripts and stored lines, such as outline-strokes. */
    public function key(): string;

    /** What the page calls it. */
    public function label(): string;

    /** @return array<string, mixed> the values that decide its outcome, by the names of its fields: for the cache, the page and the stored line */
    public function values(): array;

    public function apply(Artwork $artwork): Artwork;
}
