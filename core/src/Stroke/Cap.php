<?php

declare(strict_types=1);

namespace NeatEdge\Core\Stroke;

enum Cap: string
{
    case Butt = 'butt';
    case Round = 'round';
    case Square = 'square';
}
