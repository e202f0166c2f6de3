<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;

/** Characters of one element in one style, as outlines in the user units of their text element. */
final readonly class TextRun
{
    /**
     * @param  list<Contour>  $contours
     * @param  Box|null  $box  of the cells of all characters of the text element
     */
    public function __construct(public array $contours, public Scope $scope, public ?Box $box)
    {
    }
}
