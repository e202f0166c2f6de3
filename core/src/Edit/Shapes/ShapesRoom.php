<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shapes;

use NeatEdge\Core\Edit\Room;

/** Shapes from typed values. */
final class ShapesRoom implements Room
{
    public static function edits(): array
    {
        return [
            'draw-shape' => DrawShape::class,
            'shape-values' => ShapeValues::class,
        ];
    }
}
