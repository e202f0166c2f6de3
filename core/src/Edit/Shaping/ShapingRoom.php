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
            'outline-strokes' => OutlinePieces::class,
            'cells' => ShapeCells::class, 'fill-enclosed' => FillEnclosed::class, 'weave' => Weave::class,
            'part' => PartPieces::class, 'trim' => TrimLines::class, 'extend' => ExtendLines::class,
            'pull-apart' => PullApart::class, 'lift-hole' => TakeHole::class, 'fill-hole' => TakeHole::class,
            'inset' => OffsetPieces::class, 'outset' => OffsetPieces::class, 'ring' => OffsetPieces::class,
            'cut-border' => CutBorders::class, 'drop-shade' => DropShade::class, 'spread-behind' => SpreadBehind::class, 'wrap' => WrapPieces::class,
            'clean-nodes' => CleanPieces::class, 'merge-by-colour' => MergePieces::class,
        ];
    }
}
