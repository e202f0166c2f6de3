<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Sending;
use Illuminate\Http\Request;

/**
 * A sheet on its way to a machine.
 *
 * @phpstan-import-type WorkRow from WorkResource
 *
 * @phpstan-type SendingRow array{
 *     id: int, machine: string, kind: string, file: string, title: string, number: int,
 *     work: WorkRow|null,
 *     length: float,
 *     log: list<array{at: string, what: string, ...}>,
 *     version: int,
 *     // Who sent it, where that is known.
 *     by: string|null,
 * }
 */
final class SendingResource extends Resource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return self::row($this->resource);
    }

    /** @return array<string, mixed> */
    public static function row(Sending $sending): array
    {
        return [
            'id' => $sending->id,
            'machine' => $sending->machine,
            'kind' => $sending->kind,
            'file' => $sending->file,
            'title' => $sending->title,
            'number' => $sending->number,
            'work' => $sending->work === null ? null : WorkResource::row($sending->work),
            'length' => $sending->length_mm,
            'log' => $sending->log,
            'version' => $sending->version,
            'by' => $sending->person?->name,
        ];
    }
}
