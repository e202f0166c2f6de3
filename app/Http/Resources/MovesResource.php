<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * What the machine will do, in its order and time.
 *
 * @phpstan-type MovesRow array{seconds: float, cut_mm: float, air_mm: float, moves: list<array{layer: int, from: float, to: float, points: list<float>, ...}>}
 */
final class MovesResource extends Resource
{
}
