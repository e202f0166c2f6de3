<?php

declare(strict_types=1);

namespace NeatEdge\Core\Line;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Prepare\StepReport;

/** Keeps what steps gave, by the content that went into them. */
interface StepCache
{
    /** @return array{Artwork, StepReport}|null */
    public function get(string $key): ?array;

    public function put(string $key, Artwork $artwork, StepReport $report): void;
}
