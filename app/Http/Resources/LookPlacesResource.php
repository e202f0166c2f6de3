<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * Where a step changed the look, the largest first.
 *
 * @phpstan-type LookPlacesRow list<array{x: float, y: float, width: float, height: float, area: float}>
 */
final class LookPlacesResource extends Resource
{
}
