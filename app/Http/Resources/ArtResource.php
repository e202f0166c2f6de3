<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * Art as a page draws it: path data and paints, lengths in mm.
 *
 * @phpstan-import-type StepValueRow from FieldResource
 *
 * @phpstan-type FrameRow array{
 *     width: float,
 *     height: float,
 *     layers: list<LayerRow>,
 *     groups: array<string, string>,
 *     guides: list<GuideRow>,
 *     reference: ReferencePictureRow|null,
 *     line: list<LineStepRow>,
 * }
 * @phpstan-type ArtRow array{
 *     width: float,
 *     height: float,
 *     layers: list<LayerRow>,
 *     groups: array<string, string>,
 *     guides: list<GuideRow>,
 *     reference: ReferencePictureRow|null,
 *     line: list<LineStepRow>,
 *     pieces: list<PieceRow>,
 * }
 * @phpstan-type LayerRow array{
 *     id: string, name: string, hidden: bool, locked: bool,
 *     // What it is of a thing that art is shown on.
 *     part?: string,
 *     // Where art lies on it.
 *     place?: array<string, mixed>,
 * }
 * @phpstan-type GuideRow array{id: string, upright: bool, at: float}
 * @phpstan-type ReferencePictureRow array{file: string, name: string, x: float, y: float, width: float, height: float, strength: float, hidden: bool,
 *     locked: bool}
 * @phpstan-type LineStepRow array{
 *     id: string, kind: string, label: string, on: bool, values: array<string, StepValueRow>,
 *     // What is wrong with where it stands.
 *     says: string|null,
 * }
 * @phpstan-type PieceRow array{
 *     id: string,
 *     name: string,
 *     // What it is called in lists: its name, else what it is and its colour.
 *     called: string,
 *     d: string,
 *     fill: string|null,
 *     paint: string|null,
 *     fillOpacity: float,
 *     rule: FillRuleRow,
 *     nodes: int,
 *     box: array{float, float, float, float}|null,
 *     fillGradient?: GradientPaintRow,
 *     strokeGradient?: GradientPaintRow,
 *     picture?: PicturePaintRow,
 *     stroke?: StrokePaintRow,
 *     transform?: string,
 *     // Outline of a stroke that a browser cannot draw.
 *     outline?: string,
 *     clip?: array{d: string, rule: FillRuleRow},
 *     // How softly it is seen.
 *     soft?: SoftRow,
 *     // What a soft piece is painted with, once it is prepared: it is seen within its outline.
 *     drawn?: array{pieces: list<array<string, mixed>>, soft: SoftRow},
 *     layer: string,
 *     groups: list<string>,
 *     hidden: bool,
 *     locked: bool,
 *     turn: float,
 *     blend: string,
 *     // What of it is still adjustable: shape and its kind, text, linked, corners, mirror, repeat.
 *     // As it was typed, where it is still text.
 *     text?: string,
 *     live: list<string>|null,
 * }
 * @phpstan-type SoftRow array{
 *     // mm: the deviation of the Gaussian that it is blurred by.
 *     edge: float,
 *     // How much is seen where, by the opacities of its stops.
 *     fade: GradientPaintRow|null,
 *     // Drawings whose light is what is seen of it, one after the other: each a list of pieces as they are told here.
 *     clips: list<list<array<string, mixed>>>,
 * }
 * @phpstan-type FillRuleRow 'nonzero'|'evenodd'
 * @phpstan-type GradientPaintRow array{
 *     kind: 'linear'|'radial',
 *     axis: list<float>,
 *     spread: 'pad'|'reflect'|'repeat',
 *     transform: string,
 *     stops: list<array{at: float, colour: string, opacity: float}>,
 * }
 * @phpstan-type PicturePaintRow array{href: string|null, width: float, height: float, fit: string, transform: string}
 * @phpstan-type StrokePaintRow array{
 *     colour: string,
 *     opacity: float,
 *     width: float,
 *     cap: 'butt'|'round'|'square',
 *     join: 'miter'|'round'|'bevel',
 *     miter: float,
 *     dashes: string,
 *     offset: float,
 *     side: 'centre'|'inside'|'outside',
 *     // Whether a tool follows it once: it paints nothing.
 *     cut?: bool,
 *     // What stands at the ends of an open line: kinds as the edit "stroke" has them, and their size in widths of the line.
 *     ends: array{string, string, float}|null,
 *     stops: list<array{float, float}>|null,
 *     // Least and greatest width on the art: two unlike ones where it was stretched with its piece.
 *     widths: array{float, float},
 * }
 * @phpstan-type ChangesRow array{
 *     pieces: list<PieceRow>,
 *     gone: list<string>,
 *     // Ids of all pieces from the back to the front, where their order is another.
 *     order: list<string>|null,
 *     frame: FrameRow|null,
 * }
 */
final class ArtResource extends Resource
{
}
