<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DOMElement;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Check\Severity;
use NeatEdge\Core\Format\Notes;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;

/** The fill and stroke properties as paint (SVG 2, 13.2). */
final readonly class Paints
{
    public function __construct(private Definitions $definitions, private Notes $notes)
    {
    }

    /**
     * @param  string  $property  fill or stroke
     * @param  Shape  $shape  what is painted, in its user units
     * @param  Box|null  $box  what paint in box units is measured by; the shape's own when null
     * @return Paint|DOMElement|null a paint, a pattern element, or nothing
     */
    public function of(Scope $scope, string $property, Shape $shape, ?Box $box): Paint|DOMElement|null
    {
        $style = $scope->style;
        $text = $style->get($property);
        if ($text === 'none') {
            return null;
        }
        $opacity = ColourText::unit($style->get("{$property}-opacity"), 1.0) ?? 1.0;
        if (str_starts_with($text, 'context-')) {
            $text = $style->get($text);
        }
        if (str_starts_with($text, 'url') && preg_match('/^url\(\s*["\']?\s*([^"\')]*?)\s*["\']?\s*\)\s*(.*)$/is', $text, $found) === 1) {
            $target = str_starts_with($found[1], '#') ? $this->definitions->get(rawurldecode(substr($found[1], 1))) : null;
            if (! str_starts_with($found[1], '#')) {
                $this->notes->outside('a paint', $shape->transformed($scope->matrix)->box()?->middle());
            }
            // A pattern without a size is as if it were not there: what is written behind it counts.
            if ($target?->localName === 'pattern' && Patterns::hasSize($this->definitions, $target, $scope)) {
                return $opacity <= 0.0 ? null : $target;
            }
            if ($target !== null && in_array($target->localName, ['linearGradient', 'radialGradient'], true)) {
                return $opacity <= 0.0 ? null : Gradients::paint($this->definitions, $target, $scope, $box ?? $shape->box())?->faded($opacity);
            }
            $text = trim($found[2]);
        }
        if ($text === '' || $text === 'none' || $opacity <= 0.0) {
            return null;
        }
        $colour = $this->colour($scope, $property, $text, $shape);

        return $colour === null || $colour[1] * $opacity <= 0.0 ? null : new Paint($colour[0], $colour[1] * $opacity);
    }

    /** @return array{Colour, float}|null with its opacity */
    private function colour(Scope $scope, string $property, string $text, Shape $shape): ?array
    {
        $text = strcasecmp($text, 'currentcolor') === 0 ? $scope->style->get('color') : $text;

        return ColourText::parse($text) ?? $this->unread($scope, $property, $text, $shape);
    }

    /**
     * What cannot be read is as if it had not been written (CSS): fill is black, stroke is none.
     *
     * @return array{Colour, float}|null
     */
    private function unread(Scope $scope, string $property, string $text, Shape $shape): ?array
    {
        $this->notes->add(
            'colour',
            sprintf('The colour "%s" cannot be read.', mb_substr($text, 0, 30)),
            Severity::Warning,
            $shape->transformed($scope->matrix)->box()?->middle(),
        );

        return $property === 'fill' ? ColourText::parse('black') : null;
    }
}
