<?php

declare(strict_types=1);

namespace NeatEdge\Core\Stroke;

enum Join: string
{
    case Miter = 'miter';
    case Round = 'round';
    case Bevel = 'bevel';
}
