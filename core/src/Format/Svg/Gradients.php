<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DOMElement;
use NeatEdge\Core\Artwork\Gradient;
use NeatEdge\Core\Artwork\GradientKind;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Spread;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Measure\Colour;

/** linearGradient and radialGradient as paint (SVG 2, 14.2). */
final class Gradients
{
    /** @param  Box|null  $box  of what is painted, in its own units */
    public static function paint(Definitions $definitions, DOMElement $element, Scope $scope, ?Box $box): ?Paint
    {
        $chain = array_values(array_filter(
            $definitions->chain($element),
            static fn (DOMElement $dOMElement): bool => in_array($dOMElement->localName, ['linearGradient', 'radialGradient'], true),
        ));
        $stops = self::stops($definitions, $chain);
        if ($stops === []) {
            return null;
        }
        $last = $stops[count($stops) - 1];
        $flat = new Paint($last[1], $last[2]);
        if (count($stops) === 1) {
            return $flat;
        }
        $matrix = $scope->matrix;
        $byBox = Definitions::attribute($chain, 'gradientUnits') !== 'userSpaceOnUse';
        if ($byBox) {
            if ($box === null || $box->width() <= 0 || $box->height() <= 0) {
                return null;
            }
            $matrix = $matrix->after(new Matrix($box->width(), 0, 0, $box->height(), $box->left, $box->top));
        }
        $transform = Definitions::attribute($chain, 'gradientTransform');
        if ($transform === '') {
            $transform = $definitions->styleOf($element)->get('transform');
        }
        $matrix = $matrix->after(TransformList::parse($transform === 'none' ? '' : $transform));
        if ($matrix->isSingular()) {
            return $flat;
        }
        $isLinear = $element->localName === 'linearGradient';
        $axis = self::axis($chain, $isLinear, $byBox ? new Viewport(1.0, 1.0) : $scope->viewport);
        if ($axis === null) {
            return $flat;
        }
        $same = array_filter($stops, static fn (array $stop): bool => $stop[1]->hex() !== $last[1]->hex() || $stop[2] !== $last[2]) === [];

        return $same ? $flat : Paint::gradient(new Gradient(
            $isLinear ? GradientKind::Linear : GradientKind::Radial,
            $axis,
            $stops,
            $matrix,
            Spread::tryFrom(Definitions::attribute($chain, 'spreadMethod')) ?? Spread::Pad,
        ));
    }

    /**
     * @param  list<DOMElement>  $chain
     * @return list<float>|null see Gradient; null where it has no length, so that only its end is seen
     */
    private static function axis(array $chain, bool $isLinear, Viewport $view): ?array
    {
        $get = static fn (string $name, string $direction, string $default): float => $view->length(Definitions::attribute($chain, $name), $direction)
            ?? $view->length($default, $direction) ?? 0.0;
        if ($isLinear) {
            $axis = [$get('x1', 'x', '0%'), $get('y1', 'y', '0%'), $get('x2', 'x', '100%'), $get('y2', 'y', '0%')];

            return $axis[0] === $axis[2] && $axis[1] === $axis[3] ? null : $axis;
        }
        [$cx, $cy, $r] = [$get('cx', 'x', '50%'), $get('cy', 'y', '50%'), $get('r', 'o', '50%')];
        $has = static fn (string $name): bool => Definitions::attribute($chain, $name) !== '';

        return $r <= 0
            ? null
            : [$cx, $cy, $r, $has('fx') ? $get('fx', 'x', '50%') : $cx, $has('fy') ? $get('fy', 'y', '50%') : $cy, $get('fr', 'o', '0%')];
    }

    /**
     * @param  list<DOMElement>  $chain
     * @return list<array{float, Colour, float}> offset, colour, opacity
     */
    private static function stops(Definitions $definitions, array $chain): array
    {
        foreach ($chain as $element) {
            $stops = [];
            $style = null;
            $reached = 0.0;
            foreach ($element->childNodes as $child) {
                if (! $child instanceof DOMElement || $child->localName !== 'stop') {
                    continue;
                }
                $style ??= $definitions->styleOf($element);
                $own = $style->of($child, $definitions->sheet);
                $text = $own->get('stop-color');
                $colour = ColourText::parse(strcasecmp($text, 'currentcolor') === 0 ? $own->get('color') : $text) ?? [new Colour(0, 0, 0), 1.0];
                // Offsets never fall back: one lower than the one before counts as that.
                $reached = max($reached, ColourText::unit($child->getAttribute('offset'), 1.0) ?? 0.0);
                $stops[] = [$reached, $colour[0], $colour[1] * (ColourText::unit($own->get('stop-opacity'), 1.0) ?? 1.0)];
            }
            if ($stops !== []) {
                return $stops;
            }
        }

        return [];
    }
}
