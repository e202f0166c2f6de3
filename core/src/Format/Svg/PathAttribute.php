<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\PathData;
use NeatEdge\Core\Geometry\PathTooLong;

/** Path data in a file. */
final class PathAttribute
{
    /**
     * @return array{list<Contour>, int|null, list<list<int>>} see PathData
     *
     * @throws SvgRefused when it has more segments
     */
    public static function parse(string $text, int $most): array
    {
        try {
            return PathData::parse($text, $most);
        } catch (PathTooLong) {
            throw SvgRefused::tooManySegments($most);
        }
    }
}
