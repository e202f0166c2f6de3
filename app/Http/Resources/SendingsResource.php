<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * Machines of the shop, and what of a job was sent to them.
 *
 * @phpstan-import-type FieldValueRow from FieldResource
 * @phpstan-import-type SendingRow from SendingResource
 *
 * @phpstan-type SendingsRow array{machines: list<MachineRow>, sendings: list<SendingRow>}
 * @phpstan-type MachineRow array{
 *     id: int, kind: string, name: string, values: array<string, FieldValueRow>,
 *     format: string,
 *     // Whether it makes what the process of the job wants.
 *     fits: bool,
 * }
 */
final class SendingsResource extends Resource
{
}
