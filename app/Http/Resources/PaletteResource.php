<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * The colours of a job by how much of them is seen, and what could become what.
 *
 * @phpstan-type PaletteRow array{
 *     colours: list<array{hex: string, area: float, share: float, name: string}>,
 *     // Colours that are flat nowhere.
 *     blended: list<array{hex: string, of: 'gradient'|'see-through', area: float}>,
 *     near: list<JoiningRow>,
 *     // What becomes what when they are cut down, the last step first.
 *     down: list<JoiningRow>,
 * }
 * @phpstan-type JoiningRow array{from: string, to: string, distance: float, cost: float}
 */
final class PaletteResource extends Resource
{
}
