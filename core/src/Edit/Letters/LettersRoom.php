<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Letters;

use NeatEdge\Core\Edit\Room;

/** Text that stays text. */
final class LettersRoom implements Room
{
    public static function edits(): array
    {
        return [
            'text' => DrawText::class,
            'set-text' => SetText::class,
        ];
    }
}
