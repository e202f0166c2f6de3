<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\StockItem;
use Illuminate\Http\Request;

/**
 * Something that the shop has.
 *
 * @phpstan-import-type FieldValueRow from FieldResource
 *
 * @phpstan-type StockItemRow array{id: int, kind: string, name: string, values: array<string, FieldValueRow>}
 */
final class StockItemResource extends Resource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return self::row($this->resource);
    }

    /** @return array<string, mixed> */
    public static function row(StockItem $stockItem): array
    {
        return ['id' => $stockItem->id, 'kind' => $stockItem->kind, 'name' => $stockItem->name, 'values' => (object) $stockItem->data];
    }
}
