<?php

declare(strict_types=1);

namespace NeatEdge\Core\Line;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Prepare\StepReport;

/** A cache for as long as the process lives. */
final class MemoryCache implements StepCache
{
    /** @var array<string, array{Artwork, StepReport}> */
    private array $kept = [];

    public function get(string $key): ?array
    {
        return $this->kept[$key] ?? null;
    }

    public function put(string $key, Artwork $artwork, StepReport $report): void
    {
        $this->kept[$key] = [$artwork, $report];
    }
}
