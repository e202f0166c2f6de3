<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Artwork;

/** Keeps what steps gave, by the content that went into them. */
interface StepCache
{
    /** @return array{Artwork, StepReport}|null */
    public function get(string $key): ?array;

    public function put(string $key, Artwork $artwork, StepReport $report): void;
}
