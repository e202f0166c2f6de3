<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Approval;
use Illuminate\Http\Request;

/**
 * A proof, as whoever has its link sees it.
 *
 * @phpstan-import-type AnswerRow from ApprovalResource
 *
 * @phpstan-type ShownRow array{
 *     title: string,
 *     customer: string,
 *     // mm
 *     width: float,
 *     height: float,
 *     // mm of the picture, in which pins are told: that of the art, or of the thing it is shown on.
 *     across: float,
 *     down: float,
 *     processLabel: string,
 *     sheets: list<array{colour: string, name: string}>,
 *     // What it is made on, as the shop calls it; none in what was shared before these were kept.
 *     materials: list<string>,
 *     // What the preparation changed of what came in.
 *     sentence: string,
 *     ends: string,
 *     answers: list<AnswerRow>,
 * }
 */
final class ShownResource extends Resource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        /** @var Approval $approval */
        $approval = $this->resource;
        $facts = $approval->facts;

        return [
            'title' => $facts['title'],
            'customer' => $facts['customer'],
            'width' => (float) $facts['width_mm'],
            'height' => (float) $facts['height_mm'],
            'across' => (float) ($facts['meaning']['size'][0] ?? $facts['width_mm']),
            'down' => (float) ($facts['meaning']['size'][1] ?? $facts['height_mm']),
            'processLabel' => $facts['process'],
            'sheets' => $facts['sheets'],
            'materials' => $facts['materials'] ?? [],
            'sentence' => $facts['look'],
            'ends' => $approval->ends_at->toIso8601String(),
            'answers' => array_values($approval->answers->map(ApprovalResource::answer(...))->all()),
        ];
    }
}
