<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * Where the copies of a sheet lie, with their outlines, to be moved by hand.
 *
 * @phpstan-type CopiesRow array{
 *     sheet: string,
 *     width: float,
 *     height: float,
 *     designs: list<string>,
 *     copies: list<array{design: int, sheet: int, x: float, y: float, turn: float, kept: bool, matrix: list<float>}>,
 * }
 */
final class CopiesResource extends Resource
{
}
