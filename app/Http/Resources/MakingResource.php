<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * A job as it is laid out: choices, sheets and plates.
 *
 * @phpstan-import-type FieldRow from FieldResource
 * @phpstan-import-type FieldValueRow from FieldResource
 * @phpstan-import-type HistoryRow from HistoryResource
 *
 * @phpstan-type MakingRow array{
 *     fields: list<FieldRow>,
 *     values: array<string, FieldValueRow>,
 *     // Number of the material, by colour.
 *     materials: array<string, int>,
 *     layouts: list<LaidOutRow>,
 *     formats: list<FileFormatRow>,
 *     // How its files were written last; null where none were.
 *     files: FilesChosenRow|null,
 *     nested: bool,
 *     // Whether it was changed since it was prepared.
 *     stale: bool,
 *     along: list<AlongRow>,
 *     others: list<array{id: int, title: string, ready: bool}>,
 *     history: HistoryRow,
 * }
 * @phpstan-type FilesChosenRow array{
 *     format: string,
 *     together: bool,
 *     // Number of the machine that a sheet was sent to.
 *     machine: int|null,
 *     // What was chosen of each format, by its fields.
 *     values: array<string, array<string, FieldValueRow>>,
 * }
 * @phpstan-type AlongRow array{
 *     // Another job that is laid with it, and how often.
 *     job: int,
 *     copies: int,
 * }
 * @phpstan-type LaidOutRow array{
 *     name: string,
 *     title: string,
 *     material: string,
 *     width_mm: float,
 *     height_mm: float,
 *     art_width_mm: float,
 *     art_height_mm: float,
 *     length_mm: float,
 *     used: float|null,
 *     says: list<string>,
 *     // What would surprise at the machine.
 *     warns: list<string>,
 *     loses: list<string>,
 * layers: list<array{role: string, name: string, colour: string, stroke: array{string, float, string}, label: string, lines: int, length_mm: float,
 * area_mm2: float, parts: int, overprints: bool}>,
 * }
 * @phpstan-type FileFormatRow array{key: string, label: string, extension: string, says: string, several: bool, fields: list<FieldRow>}
 */
final class MakingResource extends Resource
{
}
