<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DOMElement;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;

/** What a clipPath element lets be seen (CSS Masking 1, 5). */
final class ClipShape
{
    /** The shape of a clipPath in mm, or null where it holds what is not taken. */
    public static function of(Definitions $definitions, string $id, DOMElement $for, Scope $scope, int $depth = 0): ?Shape
    {
        $clip = $definitions->get($id);
        if ($clip === null) {
            return null;
        }
        $matrix = $scope->matrix;
        if ($clip->getAttribute('clipPathUnits') === 'objectBoundingBox') {
            if (! in_array($for->localName, BasicShape::NAMES, true)) {
                return null;
            }
            $box = (new Shape(BasicShape::contours($for, $scope->viewport, 16.0)[0]))->box();
            if ($box === null) {
                return new Shape([]);
            }
            $matrix = $matrix->after(new Matrix($box->width(), 0, 0, $box->height(), $box->left, $box->top));
        }
        $matrix = $matrix->after(TransformList::parse($clip->getAttribute('transform')));
        $shapes = [];
        foreach ($clip->childNodes as $child) {
            if (! $child instanceof DOMElement || in_array($child->localName, ['title', 'desc', 'metadata', 'animate', 'animateTransform', 'set'], true)) {
                continue;
            }
            $style = Style::initial()->of($clip, $definitions->sheet)->of($child, $definitions->sheet);
            if ($style->get('display') === 'none' || $style->get('visibility') === 'hidden') {
                continue;
            }
            $own = $matrix->after(TransformList::parse($child->getAttribute('transform')));
            $target = $child;
            if ($child->localName === 'use') {
                $href = Definitions::href($child);
                $target = $definitions->get(rawurldecode(substr($href, 1)));
                if ($target === null) {
                    continue;
                }
                $own = $own->after(Matrix::translation($scope->viewport->attribute($child, 'x', 'x', 0.0), $scope->viewport->attribute($child, 'y', 'y', 0.0)))
                    ->after(TransformList::parse($target->getAttribute('transform')));
                $style = $style->of($target, $definitions->sheet);
            }
            if (! in_array($target->localName, BasicShape::NAMES, true)) {
                return null;
            }
            $rule = $style->get('clip-rule') === 'evenodd' ? FillRule::Evenodd : FillRule::Nonzero;
            $shape = (new Shape(BasicShape::contours($target, $scope->viewport, 16.0)[0], $rule))->transformed($own);
            $inner = Definitions::reference($style->get('clip-path'));
            $shapes[] = $inner === null ? $shape : self::clipped($definitions, $shape, $inner, $child, $scope, $depth);
        }
        $shape = count($shapes) === 1 ? $shapes[0] : ($shapes === [] ? new Shape([]) : Combine::weld($shapes));
        $outer = Definitions::reference(Style::initial()->of($clip, $definitions->sheet)->get('clip-path'));

        return $outer === null ? $shape : self::clipped($definitions, $shape, $outer, $for, $scope, $depth);
    }

    private static function clipped(Definitions $definitions, Shape $shape, string $id, DOMElement $for, Scope $scope, int $depth): Shape
    {
        if ($depth > 8) {
            throw SvgRefused::usesItself($id, $for->getLineNo());
        }
        $clip = self::of($definitions, $id, $for, $scope, $depth + 1);

        return $clip === null ? $shape : Combine::keepOverlap([$shape, $clip]);
    }
}
