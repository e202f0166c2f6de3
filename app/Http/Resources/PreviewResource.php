<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * What would come of something, stored nowhere; which of these depends on what was asked.
 *
 * @phpstan-import-type ArtRow from ArtResource
 * @phpstan-import-type FindingRow from FindingResource
 * @phpstan-import-type FrameRow from ArtResource
 * @phpstan-import-type PieceRow from ArtResource
 * @phpstan-import-type StepReportRow from PreparationResource
 *
 * @phpstan-type PreviewRow PreviewedRow|MarksRow|PreviewedStepRow|ForetoldRow|OtherCureRow|CheckedRow|NoneRow
 * @phpstan-type NoneRow array{none: bool}
 * @phpstan-type PreviewedRow array{
 *     pieces: list<PieceRow>,
 *     gone: list<string>,
 *     order: list<string>|null,
 *     frame: FrameRow|null,
 *     report?: OutcomeRow,
 *     // Of what is made by a drag: what it comes to.
 *     reading?: string,
 * }
 * @phpstan-type OutcomeRow array{
 *     before: int,
 *     nodesBefore: int,
 *     after: int,
 *     nodesAfter: int,
 *     leftovers: int,
 *     says: string,
 * }
 * @phpstan-type MarksRow array{marks: list<MarkRow>}
 * @phpstan-type MarkRow array{
 *     kind: 'cell'|'stretch'|'gap'|'sticks-out'|'crossing'|'fault'|'node'|'frame'|'net'|'grid',
 *     x: float,
 *     y: float,
 *     says: string,
 *     d: string,
 *     state: string,
 * }
 * @phpstan-type PreviewedStepRow array{art: ArtRow, report: StepReportRow}
 * @phpstan-type ForetoldRow array{
 *     // Places of those that the remedy is about, and what is found anew.
 *     cures: int,
 *     leaves: int,
 *     makes: list<array{kind: string, label: string, count: int}>,
 * }
 * @phpstan-type OtherCureRow array{
 *     // The remedy that would cure more.
 *     label: string,
 *     cures: int,
 *     leaves: int,
 *     makes: list<array{kind: string, label: string, count: int}>,
 * }
 * @phpstan-type CheckedRow array{region: array{float, float, float, float}|null, findings: list<FindingRow>}
 */
final class PreviewResource extends Resource
{
}
