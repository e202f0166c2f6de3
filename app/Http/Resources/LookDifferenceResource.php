<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * How far a look is from another.
 *
 * @phpstan-type LookDifferenceRow array{
 *     area_mm2: float,
 *     whole_mm2?: float,
 *     seen_mm2: float,
 *     percent: float,
 *     recoloured_mm2?: float,
 *     colour_distance?: float,
 *     ...
 * }
 */
final class LookDifferenceResource extends Resource
{
}
