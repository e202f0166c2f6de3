<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\Stroke\Outliner;

/** Every stroke becomes a filled outline that looks the same; a piece with fill and stroke parts into two. */
final readonly class OutlineStrokes implements Step
{
    public function key(): string
    {
        return 'outline-strokes';
    }

    public function label(): string
    {
        return 'Outline strokes';
    }

    public function values(): array
    {
        return [];
    }

    public function apply(Artwork $artwork): Artwork
    {
        $tolerance = Tolerance::forExtent(max($artwork->width, $artwork->height));
        $pieces = [];
        foreach ($artwork->pieces as $piece) {
            if ($piece->stroke === null) {
                $pieces[] = $piece;

                continue;
            }
            if ($piece->fill !== null) {
                $pieces[] = new Piece($piece->id, $piece->shape, $piece->fill, null, $piece->name);
            }
            $outline = self::outline($piece->shape, $piece->stroke, $tolerance);
            if (! $outline->isEmpty()) {
                $id = $piece->fill !== null ? "{$piece->id}-line" : $piece->id;
                $pieces[] = new Piece($id, $outline, $piece->stroke->paint, null, $piece->name);
            }
        }

        return $artwork->withPieces($pieces);
    }

    private static function outline(Shape $shape, Stroke $stroke, Tolerance $tolerance): Shape
    {
        if ($stroke->pen === null) {
            return Outliner::outline($shape->contours, $stroke->style, $tolerance);
        }
        $scale = max(1e-9, $stroke->pen->greatestScale());
        $here = new Tolerance($tolerance->flatness / $scale, $tolerance->weld / $scale, $tolerance->offset / $scale);

        return Outliner::outline($shape->transformed($stroke->pen->inverse())->contours, $stroke->style, $here)->transformed($stroke->pen);
    }
}
