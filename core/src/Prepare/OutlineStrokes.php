<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Matrix;
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
        $tolerance = $artwork->tolerance();
        $pieces = [];
        foreach ($artwork->pieces as $piece) {
            if ($piece->stroke === null) {
                $pieces[] = $piece;

                continue;
            }
            $filled = $piece->fill !== null && self::enclosesSomething($piece->shape);
            if ($filled) {
                $pieces[] = new Piece($piece->id, $piece->shape, $piece->fill, null, $piece->name);
            }
            $outline = self::outline($piece->shape, $piece->stroke, $tolerance);
            if (! $outline->isEmpty()) {
                $id = $filled ? "{$piece->id}-line" : $piece->id;
                $pieces[] = new Piece($id, $outline, $piece->stroke->paint, null, $piece->name);
            }
        }

        return $artwork->withPieces($pieces);
    }

    /** One straight line, or one there and back, is often given a fill that nobody sees. */
    private static function enclosesSomething(Shape $shape): bool
    {
        foreach ($shape->contours as $contour) {
            $segments = $contour->segments();
            if (count($segments) > 2 || array_filter($segments, static fn (array $s): bool => ! Cubic::isLine($s)) !== []) {
                return true;
            }
        }

        return false;
    }

    /** @param  Tolerance|null  $tolerance  in mm; by the shape's own extent when null */
    public static function outline(Shape $shape, Stroke $stroke, ?Tolerance $tolerance = null): Shape
    {
        if ($stroke->pen === null) {
            return Outliner::outline($shape->contours, $stroke->style, $tolerance);
        }

        return Outliner::outline($shape->transformed($stroke->pen->inverse())->contours, $stroke->style, self::inPen($stroke->pen, $tolerance))->transformed($stroke->pen);
    }

    /**
     * The shapes whose union is the stroke: see Outliner.
     *
     * @return list<Shape>
     */
    public static function laid(Shape $shape, Stroke $stroke, Tolerance $tolerance): array
    {
        $pen = $stroke->pen;
        if ($pen === null) {
            return Outliner::laid($shape->contours, $stroke->style, $tolerance);
        }
        $laid = Outliner::laid($shape->transformed($pen->inverse())->contours, $stroke->style, self::inPen($pen, $tolerance));

        return array_map(static fn (Shape $part): Shape => $part->transformed($pen), $laid);
    }

    private static function inPen(Matrix $pen, ?Tolerance $tolerance): ?Tolerance
    {
        return $tolerance?->times(1 / max(1e-9, $pen->greatestScale()));
    }
}
