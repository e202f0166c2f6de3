<?php

declare(strict_types=1);

namespace NeatEdge\Core\Line;

use NeatEdge\Core\Edit\Room;

/** The line by which a job is prepared, and what is mended of what checks found. */
final class LineRoom implements Room
{
    public static function edits(): array
    {
        return [
            'line-insert' => ChangeLine::class, 'line-remove' => ChangeLine::class, 'line-move' => ChangeLine::class, 'line-copy' => ChangeLine::class,
            'line-switch' => ChangeLine::class, 'line-set' => ChangeLine::class, 'line-use' => ChangeLine::class, 'line-cure' => ChangeLine::class,
            'mend' => Mend::class,
        ];
    }
}
