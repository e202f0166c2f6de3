<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Prepare\OutlineStrokes;
use NeatEdge\Core\Stroke\Offset;
use NeatEdge\Core\Tests\Support\RealArt;

/** Nodes of icons inset, outset and ringed, against what lines and arcs need: counted on the outcome alone, see Nodes. */
final class ShapeNodes
{
    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        $counts = ['inset' => [0, 0], 'outset' => [0, 0], 'ring' => [0, 0]];
        foreach (RealArt::of('map-signs', 100) as $svg) {
            $artwork = (new OutlineStrokes)->apply(Reader::read($svg)->artwork);
            $scale = 80 / max($artwork->width, $artwork->height);
            $shape = Combine::weld(array_map(static fn (Piece $piece): Shape => $piece->shape, $artwork->pieces))->transformed(Matrix::scaling($scale, $scale));
            foreach ([
                'inset' => Offset::inset($shape, 0.8),
                'outset' => Offset::outset($shape, 1.2),
                'ring' => Offset::ring($shape, 0.6, 1.2),
            ] as $kind => $made) {
                $counts[$kind][0] += $made->nodeCount();
                foreach ($made->contours as $contour) {
                    $counts[$kind][1] += Nodes::needed($contour->segments());
                }
            }
        }
        foreach ($counts as $kind => [$nodes, $needed]) {
            yield ["nodes of 100 icons, {$kind}, times the need", sprintf('%.3f (%d/%d)', $nodes / max(1, $needed), $nodes, $needed), 'at most 1.3'];
        }
    }
}
