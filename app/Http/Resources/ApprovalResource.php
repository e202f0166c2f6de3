<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\ShownLinks;
use App\Models\Approval;
use App\Models\ApprovalAnswer;
use Illuminate\Http\Request;

/**
 * A proof that was shown to a customer.
 *
 * @phpstan-type ApprovalRow array{
 *     id: int,
 *     // What of the job it shows, as a key.
 *     shows: string,
 *     at: string|null,
 *     ends: string,
 *     // Whether its link leads there.
 *     live: bool,
 *     seen: string|null,
 *     to: string,
 *     // Why the mail with its link was not sent; nothing where it was, or none was to be.
 *     unsent: string,
 *     width: float,
 *     height: float,
 *     ground: string,
 *     // Who shared it, where that is known.
 *     by: string|null,
 *     // Its link, told once, when it is made.
 *     link: string|null,
 *     answers: list<AnswerRow>,
 * }
 * @phpstan-type AnswerRow array{
 *     id: int, kind: 'approved'|'changes', by: string, words: string, at: string|null,
 *     // mm from the upper left corner of the page.
 *     pins: list<PinRow>,
 *     settled: bool,
 *     // Who said that it is done, where that is known; nobody outside the shop is told.
 *     settledBy?: string|null,
 * }
 * @phpstan-type PinRow array{
 *     x: float,
 *     y: float,
 *     words: string,
 *     // Whether it lies beside the art, on the thing that was shown: then it has no place.
 *     beside?: bool,
 * }
 */
final class ApprovalResource extends Resource
{
    private ?string $secret = null;

    /** @return $this telling its link */
    public function telling(string $secret): static
    {
        $this->secret = $secret;

        return $this;
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [...self::row($this->resource), 'link' => $this->secret === null ? null : ShownLinks::address($this->secret)];
    }

    /** @return array<string, mixed> */
    public static function row(Approval $approval): array
    {
        return [
            'id' => $approval->id,
            'shows' => $approval->state,
            'at' => $approval->created_at?->toIso8601String(),
            'ends' => $approval->ends_at->toIso8601String(),
            'live' => $approval->isOpen(),
            'seen' => $approval->seen_at?->toIso8601String(),
            'to' => $approval->sent_to,
            'unsent' => $approval->unsent->last()->unsent ?? '',
            'width' => (float) $approval->facts['width_mm'],
            'height' => (float) $approval->facts['height_mm'],
            'ground' => $approval->facts['ground'],
            'by' => $approval->person?->name,
            'link' => null,
            'answers' => array_values($approval->answers->map(self::atBench(...))->all()),
        ];
    }

    /** @return array<string, mixed> as the shop sees it: pins where they lie on the art, whatever it was shown on */
    public static function atBench(ApprovalAnswer $answer): array
    {
        $pins = array_map(static fn (array $pin): array => ! array_key_exists('on', $pin) ? [...$pin, 'beside' => false] : [
            'x' => (float) ($pin['on'][0] ?? 0.0), 'y' => (float) ($pin['on'][1] ?? 0.0), 'words' => $pin['words'], 'beside' => $pin['on'] === null,
        ], $answer->pins);

        return [...self::answer($answer), 'pins' => $pins, 'settledBy' => $answer->settler?->name];
    }

    /** @return array<string, mixed> as whoever has the link sees it */
    public static function answer(ApprovalAnswer $answer): array
    {
        return [
            'id' => $answer->id,
            'kind' => $answer->kind,
            'by' => $answer->by,
            'words' => $answer->words,
            'at' => $answer->created_at?->toIso8601String(),
            'pins' => array_map(static fn (array $pin): array => ['x' => (float) $pin['x'], 'y' => (float) $pin['y'], 'words' => $pin['words']], $answer->pins),
            'settled' => $answer->settled_at !== null,
        ];
    }
}
