<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Live;

use NeatEdge\Core\Edit\Room;

/** What stays adjustable: copies, mirrors, repeats, roundings, clips. */
final class LiveRoom implements Room
{
    public static function edits(): array
    {
        return [
            'knob' => DragKnob::class,
            'link-copy' => LinkCopies::class,
            'bake' => Bake::class,
            'round-corners' => RoundChosenCorners::class,
            'mirror-half' => MirrorPieces::class,
            'repeat' => RepeatPieces::class,
            'clip' => ClipPieces::class,
            'release-clip' => ReleaseClip::class,
        ];
    }
}
