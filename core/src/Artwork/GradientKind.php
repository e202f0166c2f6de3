<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

enum GradientKind: string
{
    case Linear = 'linear';
    case Radial = 'radial';
}
