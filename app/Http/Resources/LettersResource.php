<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Letter;
use Illuminate\Http\Request;

/**
 * The stand-in mailbox.
 *
 * @phpstan-type LettersRow array{
 *     // Whether mail ends here; else it goes out by a server.
 *     stand_in: bool,
 *     letters: list<LetterRow>,
 * }
 * @phpstan-type LetterRow array{
 *     id: int, to: string, subject: string, words: string, at: string,
 *     // Why no server took it; nothing of one that is here by intent.
 *     unsent: string,
 * }
 */
final class LettersResource extends Resource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [...$this->resource, 'letters' => array_map(static fn (Letter $letter): array => [
            'id' => $letter->id, 'to' => $letter->to, 'subject' => $letter->subject, 'words' => $letter->words, 'unsent' => $letter->unsent,
            'at' => $letter->created_at->toIso8601String(),
        ], $this->resource['letters'])];
    }
}
