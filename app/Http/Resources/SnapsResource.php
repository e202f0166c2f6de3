<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * Places to snap to: x, y, what it is, whose it is; and edges as chains of places, by piece.
 *
 * @phpstan-type SnapsRow array{points: list<array{float, float, string, string}>, edges: array<string, list<list<float>>>}
 */
final class SnapsResource extends Resource
{
}
