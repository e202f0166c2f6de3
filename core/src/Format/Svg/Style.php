<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DOMElement;

/** The style properties in force at an element. */
final readonly class Style
{
    private const INHERITED = [
        'fill', 'fill-opacity', 'fill-rule', 'clip-rule', 'stroke', 'stroke-width', 'stroke-opacity', 'stroke-linecap', 'stroke-linejoin',
        'stroke-miterlimit', 'stroke-dasharray', 'stroke-dashoffset', 'color', 'visibility', 'font-size',
    ];

    private const OWN = ['opacity', 'display', 'clip-path', 'mask', 'filter', 'overflow', 'transform', 'vector-effect', 'marker-start', 'marker-mid', 'marker-end', 'marker', 'mix-blend-mode'];

    private const INITIAL = [
        'fill' => 'black', 'fill-opacity' => '1', 'fill-rule' => 'nonzero', 'clip-rule' => 'nonzero', 'stroke' => 'none',
        'stroke-width' => '1', 'stroke-opacity' => '1', 'stroke-linecap' => 'butt', 'stroke-linejoin' => 'miter',
        'stroke-miterlimit' => '4', 'stroke-dasharray' => 'none', 'stroke-dashoffset' => '0', 'color' => 'black',
        'visibility' => 'visible', 'font-size' => '16px', 'opacity' => '1', 'display' => 'inline',
    ];

    /** @param  array<string, string>  $values */
    private function __construct(private array $values)
    {
    }

    public static function initial(): self
    {
        return new self(self::INITIAL);
    }

    public function of(DOMElement $element, StyleSheet $sheet): self
    {
        $values = array_intersect_key($this->values, array_flip(self::INHERITED));
        [$plain, $important] = $sheet->for($element);
        [$own, $ownImportant] = self::declarations($element->getAttribute('style'));
        foreach ([...self::INHERITED, ...self::OWN] as $property) {
            $value = $ownImportant[$property] ?? $important[$property] ?? $own[$property] ?? $plain[$property] ?? null;
            if ($value === null && $element->hasAttribute($property) && $property !== 'transform') {
                $value = $element->getAttribute($property);
            }
            if ($value === null) {
                continue;
            }
            $value = trim($value);
            if ($value === 'inherit') {
                $value = $this->values[$property] ?? self::INITIAL[$property] ?? '';
            } elseif (in_array($value, ['initial', 'unset', 'revert'], true)) {
                $value = $value !== 'initial' && in_array($property, self::INHERITED, true)
                    ? $this->values[$property] ?? '' : self::INITIAL[$property] ?? '';
            }
            // currentColor stands for the colour of the element that is painted with it, so it is inherited as a word.
            $values[$property] = $value;
        }

        return new self($values);
    }

    public function get(string $property): string
    {
        return $this->values[$property] ?? self::INITIAL[$property] ?? '';
    }

    /** @return array{array<string, string>, array<string, string>} plain and important declarations of a style attribute */
    private static function declarations(string $text): array
    {
        $plain = [];
        $important = [];
        if ($text === '') {
            return [$plain, $important];
        }
        $text = preg_replace('~/\*.*?\*/~s', '', $text) ?? '';
        foreach (preg_split('/;(?![^(]*\))/', $text) ?: [] as $declaration) {
            $colon = strpos($declaration, ':');
            if ($colon === false) {
                continue;
            }
            $property = strtolower(trim(substr($declaration, 0, $colon)));
            $value = trim(substr($declaration, $colon + 1));
            if (preg_match('/^(.*?)\s*!\s*important$/is', $value, $found) === 1) {
                $important[$property] = $found[1];
            } else {
                $plain[$property] = $value;
            }
        }

        return [$plain, $important];
    }
}
