<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * All that the shop has, and of what kinds.
 *
 * @phpstan-import-type FieldRow from FieldResource
 * @phpstan-import-type StockItemRow from StockItemResource
 *
 * @phpstan-type StockRow array{kinds: array<string, StockKindRow>, items: list<StockItemRow>}
 * @phpstan-type StockKindRow array{
 *     label: string, one: string, says: string, fields: list<FieldRow>,
 *     // Fields that tell one from another.
 *     brief: list<string>,
 *     // Processes whose tickets name one.
 *     for: list<string>,
 *     // Whether whoever asks may add and change them.
 *     changes: bool,
 * }
 */
final class StockResource extends Resource
{
}
