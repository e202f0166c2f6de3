<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * What a typed length comes to.
 *
 * @phpstan-type LengthRow array{mm: float}
 */
final class LengthResource extends Resource
{
}
