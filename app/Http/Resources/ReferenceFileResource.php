<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * A picture to draw after, as it was kept.
 *
 * @phpstan-type ReferenceFileRow array{file: string, name: string}
 */
final class ReferenceFileResource extends Resource
{
}
