<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Batch;
use Illuminate\Http\Request;

/**
 * A batch as a list has it.
 *
 * @phpstan-import-type BatchRow from BatchResource
 *
 * @phpstan-type ListedBatchRow BatchRow
 */
final class ListedBatchResource extends Resource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return BatchResource::row($this->resource);
    }
}
