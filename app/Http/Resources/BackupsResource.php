<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * Backups of the shop that lie where it is served.
 *
 * @phpstan-type BackupsRow array{
 *     kept: list<array{name: string, at: string, bytes: int}>,
 *     // When one failed, where none was made since.
 *     failed: string|null,
 * }
 */
final class BackupsResource extends Resource
{
}
