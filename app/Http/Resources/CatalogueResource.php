<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * Every kind of edit as it describes itself, by its kind.
 *
 * @phpstan-import-type FieldRow from FieldResource
 *
 * @phpstan-type CatalogueRow array<string, AboutRow>
 * @phpstan-type AboutRow array{
 *     label: string,
 *     says: string,
 *     fields: list<FieldRow>,
 *     // Pieces that must be chosen.
 *     least: int,
 *     under: string,
 *     // The letter that, with Shift, takes the tool in hand.
 *     key: string,
 *     press: ''|'at-once'|'cells'|'line'|'turn',
 * }
 */
final class CatalogueResource extends Resource
{
}
