<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * What is chosen: its box in the frame that its turn gives, its upright box, and the details of each piece.
 *
 * @phpstan-import-type FieldRow from FieldResource
 * @phpstan-import-type FieldValueRow from FieldResource
 *
 * @phpstan-type ChosenRow array{
 *     frame: array{left: float, top: float, width: float, height: float, turn: float},
 *     // Width and height of all that is painted, strokes included; null where that is too much to measure.
 *     outer: array{float, float}|null,
 *     box: array{float, float, float, float},
 *     details: list<PieceDetailRow>,
 * }
 * @phpstan-type PieceDetailRow array{
 *     id: string,
 *     editable: bool,
 *     contours: list<NodeContourRow>,
 *     // contour, node, radius, x, y
 *     corners: list<array{int, int, float, float, float}>,
 * shape: array{kind: string, label: string, fields: list<FieldRow>, values: array<string, FieldValueRow>, matrix: array{float, float, float, float, float,
 * float}}|null,
 *     text: TextValuesRow|null,
 *     linked: string|null,
 *     mirror: array{x: float, y: float, angle: float, reach: float}|null,
 *     repeat: array<string, FieldValueRow>|null,
 *     shaped: array{kind: string, values: array<string, FieldValueRow>}|null,
 *     // Places on the page by which it is adjusted: each is dragged by the edit "knob".
 *     knobs: list<array{name: string, says: string, x: float, y: float, as: string, angle: float}>,
 *     // Places on a line with width stops, at equal shares of its length, and the direction there: x, y, dx, dy.
 *     rail: list<array{float, float, float, float}>,
 * }
 * @phpstan-type NodeContourRow array{
 *     closed: bool,
 *     // start point, then six numbers a segment
 *     coords: list<float>,
 *     kinds: list<'corner'|'smooth'|'even'>,
 * }
 * @phpstan-type TextValuesRow array{
 *     text: string,
 *     family: string,
 *     bold: bool,
 *     italic: bool,
 *     size: float,
 *     // mm; null where the size itself was said.
 *     capitals: float|null,
 *     spacing: float,
 *     leading: float,
 *     align: 'start'|'middle'|'end',
 *     inside: bool,
 *     stand: 'above'|'on'|'below',
 *     slide: float,
 *     distance: float,
 *     onLine: bool,
 *     follows: string|null,
 *     stops: list<float>,
 *     ...
 * }
 */
final class ChosenResource extends Resource
{
}
