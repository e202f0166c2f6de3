<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Lines;

use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Geometry\Contour;

/** Chosen nodes, checked against the contours that they are on. */
final class Nodes
{
    /**
     * @param  list<list<int>>  $nodes  contour and node of each
     * @param  list<Contour>  $contours
     * @return array<int, list<int>> nodes, rising, by contour
     *
     * @throws Refused
     */
    public static function byContour(array $nodes, array $contours, bool $segments = false): array
    {
        if ($nodes === []) {
            throw Refused::because($segments ? 'Choose a segment first.' : 'Choose nodes first.');
        }
        $byContour = [];
        foreach ($nodes as [$k, $i]) {
            $contour = $contours[$k] ?? null;
            $count = $contour === null ? 0 : $contour->segmentCount() + ($contour->closed || $segments ? 0 : 1);
            if ($i >= $count) {
                throw Refused::because($segments ? 'That segment is not there any more.' : 'That node is not there any more.');
            }
            $byContour[$k][$i] = $i;
        }

        return array_map(static function (array $list): array {
            sort($list);

            return $list;
        }, $byContour);
    }
}
