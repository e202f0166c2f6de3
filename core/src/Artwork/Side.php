<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

/** Where a stroke lies on its line. Only a closed line has an inside. */
enum Side: string
{
    case Centre = 'centre';
    case Inside = 'inside';
    case Outside = 'outside';
}
