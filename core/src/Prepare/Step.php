<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Artwork;

/** One step of preparation: artwork in, artwork out, nothing else touched. */
interface Step
{
    /** A fixed word for scripts and stored lines, such as outline-strokes. */
    public function key(): string;

    /** What the page calls it. */
    public function label(): string;

    /** @return array<string, float|bool|string> the values that decide its outcome, for the cache and the page */
    public function values(): array;

    public function apply(Artwork $artwork): Artwork;
}
