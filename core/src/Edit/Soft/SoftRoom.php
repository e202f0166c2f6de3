<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Soft;

use NeatEdge\Core\Edit\Room;

/** Soft edges, fades, and clips that are soft or painted by hand. */
final class SoftRoom implements Room
{
    public static function edits(): array
    {
        return [
            'soften' => SoftenPieces::class,
            'fade' => FadePieces::class,
            'soft-clip' => SoftClip::class,
            'paint-clip' => PaintClip::class,
            'release-soft' => ReleaseSoft::class,
            'harden' => HardenPieces::class,
        ];
    }
}
