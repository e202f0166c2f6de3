<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Arranging;

use NeatEdge\Core\Edit\Room;

/** Where pieces lie, and which there are. */
final class ArrangingRoom implements Room
{
    public static function edits(): array
    {
        return [
            'remove' => RemovePieces::class,
            'move' => MovePieces::class,
            'transform' => TransformPieces::class,
            'place' => PlacePieces::class,
            'flip' => FlipPieces::class,
            're-square' => ReSquare::class,
            'align' => AlignPieces::class,
            'distribute' => DistributePieces::class,
            'copy' => CopyPieces::class,
            'paste' => PastePieces::class,
            'order' => OrderPieces::class,
            'group' => GroupPieces::class,
            'ungroup' => UngroupPieces::class,
            'mark' => MarkPieces::class,
        ];
    }
}
