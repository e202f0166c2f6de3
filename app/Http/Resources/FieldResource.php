<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * One value that can be typed, as it is described once for the page, the command line and this interface.
 *
 * @phpstan-type FieldValueRow float|string|bool
 * @phpstan-type StepValueRow float|string|bool|list<mixed>
 * @phpstan-type FieldRow array{
 *     name: string,
 *     label: string,
 *     // Its kind: lengths are mm, angles degrees, shares 0 to 1.
 *     type: FieldTypeRow,
 *     // What it is when nothing is said.
 *     usual: float|string|bool,
 *     least: float,
 *     most: float,
 *     // Labels by value, of a choice.
 *     options: array<string, string>,
 *     help: string,
 *     // Whether nothing stands for it.
 *     needed: bool,
 *     // Of a group or of rows.
 *     parts: list<array<string, mixed>>,
 *     // Another field, and those of its values with which this one says anything.
 *     where: array{string, list<string>}|null,
 * }
 * @phpstan-type FieldTypeRow string
 */
final class FieldResource extends Resource
{
}
