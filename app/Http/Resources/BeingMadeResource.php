<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * It is being made: of the work is told, and whoever asked asks again when it is done.
 *
 * @phpstan-import-type HistoryRow from HistoryResource
 * @phpstan-import-type WorkRow from WorkResource
 *
 * @phpstan-type BeingMadeRow array{
 *     message?: string,
 *     work: WorkRow,
 *     // Where the job stands is known before its sheets are.
 *     history?: HistoryRow,
 * }
 */
final class BeingMadeResource extends Resource
{
}
