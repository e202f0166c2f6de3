<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * Families that ship, and fonts that the shop added.
 *
 * @phpstan-import-type FontRow from FontResource
 *
 * @phpstan-type FontsRow array{shipped: list<mixed>, added: list<FontRow>}
 */
final class FontsResource extends Resource
{
}
