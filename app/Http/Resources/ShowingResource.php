<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * A job's art on a thing: what was chosen, and what does not fit.
 *
 * @phpstan-import-type FieldRow from FieldResource
 * @phpstan-import-type FieldValueRow from FieldResource
 *
 * @phpstan-type ShowingRow array{
 *     // As the list of things calls it.
 *     thing: string,
 *     // mm of the picture.
 *     width: float,
 *     height: float,
 *     lights: bool,
 *     // What can be given a colour; null where it is as it was drawn.
 *     parts: list<array{layer: string, label: string, colour: string|null, drawn: string}>,
 *     places: list<ShownPlaceRow>,
 *     says: list<string>,
 * }
 * @phpstan-type ShownPlaceRow array{
 *     layer: string,
 *     label: string,
 *     // Whose art lies there; null for this job's own, nought for nothing.
 *     job: int|null,
 *     // The named state of it that lies there; null for its art of now.
 *     version: int|null,
 *     // Whether the thing can be turned to show what lies farther round.
 *     turns: bool,
 *     fields: list<FieldRow>,
 *     values: array<string, FieldValueRow>,
 *     // mm in truth, across and down; null where nothing lies.
 *     size: array{float, float}|null,
 * }
 */
final class ShowingResource extends Resource
{
}
