<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * Something that was found on the bench or in what was prepared, or left out of a file.
 *
 * @phpstan-type FindingRow array{
 *     kind: string,
 *     severity: SeverityRow,
 *     message: string,
 *     // mm from the upper left corner of the page.
 *     at?: array{float, float},
 *     // What of a file it stands for: left, top, width, height.
 *     box?: list<float>,
 *     width_mm?: float,
 *     limit_mm?: float,
 *     length_mm?: float,
 *     typical_mm?: float,
 *     piece?: string,
 *     // Key of the step of preparation that mends it.
 *     step?: string,
 *     // Colour of the sheet that it is on, or what else it is made of.
 *     sheet?: string,
 *     // Too small to be looked at before the others.
 *     minor?: bool,
 *     // Somebody looked at it.
 *     seen?: bool,
 *     // Why somebody can do without it.
 *     accepted?: string|null,
 *     // Who said so, where that is known.
 *     acceptedBy?: string,
 *     // A font that was missing is at hand now, or another stands instead; why it is accepted is said by us then.
 *     cured?: 'added'|'instead',
 *     // Outlines of the thin stretch, mm, whole.
 *     ribbon?: list<list<array{float, float}>>,
 *     ...
 * }
 * @phpstan-type SeverityRow 'serious'|'warning'|'note'
 * @phpstan-type FindingGroupRow array{
 *     kind: string,
 *     sheet: string|null,
 *     severity: SeverityRow,
 *     // Numbers of its findings among the notices and then what was found; the narrowest first, the small ones last.
 *     findings: list<int>,
 *     minor: int,
 *     seen: int,
 *     accepted: int,
 *     least_mm: float|null,
 *     typical_mm: float|null,
 *     length_mm: float|null,
 * }
 */
final class FindingResource extends Resource
{
}
