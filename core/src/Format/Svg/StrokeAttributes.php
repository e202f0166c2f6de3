<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Stroke\Cap;
use NeatEdge\Core\Stroke\Join;
use NeatEdge\Core\Stroke\StrokeStyle;

/** The stroke properties (SVG 2, 13.5) as a stroke in mm. */
final class StrokeAttributes
{
    /** The stroke in force, or null where it has no width. */
    public static function stroke(Paint $paint, Scope $scope): ?Stroke
    {
        $style = $scope->style;
        $font = $scope->fontSize();
        $width = $scope->viewport->length($style->get('stroke-width'), 'o', $font) ?? 1.0;
        if ($width <= 0.0) {
            return null;
        }
        $dashes = [];
        if ($style->get('stroke-dasharray') !== 'none') {
            foreach (preg_split('/[\s,]+/', $style->get('stroke-dasharray'), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $part) {
                $dash = $scope->viewport->length($part, 'o', $font);
                if ($dash === null || $dash < 0) {
                    $dashes = [];
                    break;
                }
                $dashes[] = $dash;
            }
        }
        $own = new StrokeStyle(
            $width,
            Cap::tryFrom($style->get('stroke-linecap')) ?? Cap::Butt,
            // Joins of SVG 2 that few programs write fall back as the standard says.
            Join::tryFrom($style->get('stroke-linejoin')) ?? Join::Miter,
            max(1.0, (float) $style->get('stroke-miterlimit')),
            array_sum($dashes) > 0 ? $dashes : [],
            $scope->viewport->length($style->get('stroke-dashoffset'), 'o', $font) ?? 0.0,
        );
        if ($style->get('vector-effect') === 'non-scaling-stroke') {
            return new Stroke($paint, $own->scaled(Length::MM_PER['px']));
        }

        return $scope->matrix->isSimilarity()
            ? new Stroke($paint, $own->scaled($scope->matrix->meanScale()))
            : new Stroke($paint, $own, $scope->matrix);
    }
}
