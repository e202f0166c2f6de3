<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DOMElement;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;

/** What a clipPath element lets be seen (CSS Masking 1, 5). */
final readonly class ClipShape
{
    private const DEEPEST = 8;

    public function __construct(private Definitions $definitions, private TextReader $text, private Limits $limits)
    {
    }

    /** Whether the clipPath is measured against the box of what it clips. */
    public static function needsBox(DOMElement $clip): bool
    {
        return $clip->getAttribute('clipPathUnits') === 'objectBoundingBox';
    }

    /**
     * @param  Scope  $scope  of the element that is clipped
     * @param  Box|null  $box  of that element, in its user units
     * @return Shape in mm
     */
    public function of(DOMElement $clip, Scope $scope, ?Box $box, int $depth = 0): Shape
    {
        if ($depth > self::DEEPEST) {
            throw SvgRefused::usesItself($clip->getAttribute('id'), $clip->getLineNo());
        }
        $style = $this->definitions->styleOf($clip);
        $outer = $scope->unclipped($style, Matrix::identity());
        $inner = $outer;
        if (self::needsBox($clip)) {
            if ($box === null) {
                return new Shape([]);
            }
            $inner = $outer->inside($style, new Matrix($box->width(), 0, 0, $box->height(), $box->left, $box->top));
        }
        $inner = $inner->inside($style, TransformList::of($clip, $style, $scope->viewport));
        $shapes = [];
        foreach ($clip->childNodes as $child) {
            if ($child instanceof DOMElement) {
                $shape = $this->child($child, $inner, $depth);
                if ($shape !== null) {
                    $shapes[] = $shape;
                }
            }
        }
        $shape = count($shapes) === 1 ? $shapes[0] : ($shapes === [] ? new Shape([]) : Combine::weld($shapes));

        return $this->clipped($shape, $style, $scope, $box, $depth);
    }

    private function child(DOMElement $child, Scope $scope, int $depth): ?Shape
    {
        $style = $scope->style->of($child, $this->definitions->sheet);
        if ($style->get('display') === 'none' || in_array($style->get('visibility'), ['hidden', 'collapse'], true)) {
            return null;
        }
        $own = $scope->inside($style, TransformList::of($child, $style, $scope->viewport));
        if ($child->localName === 'use') {
            $href = Definitions::href($child);
            $target = str_starts_with($href, '#') ? $this->definitions->get(rawurldecode(substr($href, 1))) : null;
            if ($target === null || in_array($target->localName, ['use', 'g', 'symbol'], true)) {
                return null;
            }
            $move = Matrix::translation($scope->viewport->attribute($child, 'x', 'x', 0.0), $scope->viewport->attribute($child, 'y', 'y', 0.0));
            $shape = $this->child($target, $own->inside($style, $move), $depth);

            return $shape === null ? null : $this->clipped($shape, $style, $own, null, $depth);
        }
        if ($child->localName === 'text') {
            $contours = [];
            foreach ($this->text->runs($child, $own) as $run) {
                array_push($contours, ...$run->contours);
            }
            $rule = FillRule::Nonzero;
        } elseif (in_array($child->localName, BasicShape::NAMES, true)) {
            $contours = BasicShape::contours($child, $scope->viewport, $own->fontSize(), $this->limits->segments)[0];
            $rule = $style->get('clip-rule') === 'evenodd' ? FillRule::Evenodd : FillRule::Nonzero;
        } else {
            return null;
        }
        $shape = new Shape($contours, $rule);

        return $this->clipped($shape->transformed($own->matrix), $style, $own, $shape->box(), $depth);
    }

    private function clipped(Shape $shape, Style $style, Scope $scope, ?Box $box, int $depth): Shape
    {
        $id = Definitions::reference($style->get('clip-path'));
        $clip = $id === null ? null : $this->definitions->get($id);
        if ($clip === null || $clip->localName !== 'clipPath') {
            return $shape;
        }

        return Combine::keepOverlap([$shape, $this->of($clip, $scope, $box, $depth + 1)]);
    }
}
