<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * How many findings there were before a step and are after it.
 *
 * @phpstan-type FoundRow array{before: array{findings: int, serious: int}, after: array{findings: int, serious: int}}
 */
final class FoundResource extends Resource
{
}
