<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Edit\Room;

/** The handwork by which lines and overlaps become clean pieces. */
final class ShapingRoom implements Room
{
    public static function edits(): array
    {
        return [
            'weld' => CombinePieces::class,
            'cut-away' => CombinePieces::class,
            'keep-overlap' => CombinePieces::class,
            'keep-difference' => CombinePieces::class,
            'split-all' => CombinePieces::class,
            'compound' => MakeCompound::class,
            'separate' => SeparatePieces::class,
        ];
    }
}
