<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

/** Which winding numbers count as inside (SVG 2, 13.4.2). */
enum FillRule: string
{
    case Nonzero = 'nonzero';
    case Evenodd = 'evenodd';
}
