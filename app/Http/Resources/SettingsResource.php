<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * What the shop has its own way in.
 *
 * @phpstan-import-type FieldRow from FieldResource
 *
 * @phpstan-type SettingsRow array{fields: list<FieldRow>, values: array<string, string>}
 */
final class SettingsResource extends Resource
{
}
