<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

/** How a paint meets what lies under it, in the names of the W3C's Compositing and Blending Level 1. */
enum Blend: string
{
    case Normal = 'normal';
    case Multiply = 'multiply';
    case Screen = 'screen';
    case Darken = 'darken';
    case Lighten = 'lighten';
}
