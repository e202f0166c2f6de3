<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * What the shop calls its colours, by colour.
 *
 * @phpstan-type ColourNamesRow array<string, string>
 */
final class ColourNamesResource extends Resource
{
}
