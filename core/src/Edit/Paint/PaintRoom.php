<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Paint;

use NeatEdge\Core\Edit\Room;

/** Fills, strokes and blends. */
final class PaintRoom implements Room
{
    public static function edits(): array
    {
        return [
            'fill' => FillPieces::class,
            'stroke' => StrokePieces::class,
            'blend' => BlendPieces::class,
            'recolour' => Recolour::class,
        ];
    }
}
