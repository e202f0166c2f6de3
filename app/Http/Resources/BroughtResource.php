<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * What a file draws, as text to be pasted on a bench: lengths in mm, of a file that states none at 96 units an inch.
 *
 * @phpstan-type BroughtRow array{
 *     art: string,
 *     count: int,
 *     // Left, top, width and height of all that is drawn; null where nothing is.
 *     box: array{float, float, float, float}|null,
 *     // What of it was left out or replaced, a sentence each.
 *     leftOut: list<string>,
 * }
 */
final class BroughtResource extends Resource
{
}
