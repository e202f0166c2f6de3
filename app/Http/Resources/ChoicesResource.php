<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * What there is to choose from, in the words of the shop.
 *
 * @phpstan-import-type FieldRow from FieldResource
 * @phpstan-import-type FieldValueRow from FieldResource
 *
 * @phpstan-type ChoicesRow array{
 *     processes: list<array{value: string, label: string, says: string, line: float, gap: float}>,
 *     // Of files that are taken.
 *     endings: list<string>,
 *     // Every kind of step, in the order in which they are proposed.
 *     steps: list<AboutStepRow>,
 *     findings: list<AboutFindingRow>,
 *     // Limits of a ticket besides line and gap.
 *     limits: list<FieldRow>,
 *     shapes: list<array{kind: string, label: string, fields: list<FieldRow>}>,
 *     repeat: list<FieldRow>,
 *     // What edits take whose forms the page has: those that make pieces soft, and that of the parts of a thing.
 *     soft: list<array{kind: string, fields: list<FieldRow>}>,
 *     // How a reference picture is traced.
 *     trace: list<FieldRow>,
 *     profiles: array<string, array{label: string, stops: list<array{float, float}>}>,
 *     // How long deleted jobs stay in the trash.
 *     trashDays: int,
 *     families: list<array{family: string, character: string, bold: bool, italic: bool, ...}>,
 * }
 * @phpstan-type AboutStepRow array{kind: string, label: string, says: string, rank: int, looks: bool, fields: list<FieldRow>}
 * @phpstan-type AboutFindingRow array{kind: string, label: string, says: string, limit: string, remedies: list<RemedyRow>}
 * @phpstan-type RemedyRow array{
 *     step: string, label: string, values: array<string, FieldValueRow>, source: bool, places: bool,
 *     // Whether it can be made on the art itself.
 *     onArt: bool,
 * }
 */
final class ChoicesResource extends Resource
{
}
