<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Lines;

use NeatEdge\Core\Edit\Room;

/** Lines and their nodes. */
final class LinesRoom implements Room
{
    public static function edits(): array
    {
        return [
            'draw-line' => DrawLine::class,
            'continue-line' => ContinueLine::class,
            'brush-line' => BrushLine::class,
            'move-nodes' => MoveNodes::class,
            'move-handle' => MoveHandle::class,
            'bend-segment' => BendSegment::class,
            'add-node' => AddNode::class,
            'delete-nodes' => DeleteNodes::class,
            'node-kind' => NodeKind::class,
            'segment-kind' => SegmentKind::class,
            'break-at' => BreakAtNodes::class,
            'delete-segment' => DeleteSegment::class,
            'join-ends' => JoinEnds::class,
            'join-lines' => JoinLines::class,
            'close-line' => CloseLine::class,
            'reverse-line' => ReverseLine::class,
        ];
    }
}
