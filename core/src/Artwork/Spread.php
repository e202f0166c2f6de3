<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

/** What a gradient does beyond its ends (SVG 2, 14.2.2). */
enum Spread: string
{
    case Pad = 'pad';
    case Reflect = 'reflect';
    case Repeat = 'repeat';
}
