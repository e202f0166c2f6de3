<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * What a file is before it becomes a job.
 *
 * @phpstan-import-type FieldRow from FieldResource
 *
 * @phpstan-type LookedRow array{
 *     // Whether the file says how large it is.
 *     statesSize: bool,
 *     page: array{float, float},
 *     // Of the art: left, top, width, height.
 *     box: array{float, float, float, float}|null,
 *     outside: bool,
 *     leftOut: list<string>,
 *     picture: string,
 *     // What can be chosen of how it is taken.
 *     fields: list<FieldRow>,
 *     // What there is to say of it, in a sentence or two.
 *     says: string,
 *     pages: int,
 *     pagePictures: list<string>,
 * }
 */
final class LookedResource extends Resource
{
}
