<?php

declare(strict_types=1);

namespace NeatEdge\Core\Stroke;

enum Join: string
{
    case Miter = 'miter';
    case MiterClip = 'miter-clip';
    case Round = 'round';
    case Bevel = 'bevel';
}
