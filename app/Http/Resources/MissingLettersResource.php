<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * Letters that stand in for a font which was not at hand: where they are, and how many were changed by hand since.
 *
 * @phpstan-type MissingLettersRow array{pieces: list<string>, stay: int, box: array{x: float, y: float, width: float, height: float}|null}
 */
final class MissingLettersResource extends Resource
{
}
