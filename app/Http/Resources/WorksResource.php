<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * What waits, runs, or ended just now; of one job also the last of each kind, by kind.
 *
 * @phpstan-import-type WorkRow from WorkResource
 *
 * @phpstan-type WorksRow array{works: list<WorkRow>, last: array<string, WorkRow>}
 */
final class WorksResource extends Resource
{
}
