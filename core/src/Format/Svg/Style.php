<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DOMElement;

/** The style properties in force at an element. */
final readonly class Style
{
    private const INHERITED = [
        'fill', 'fill-opacity', 'fill-rule', 'clip-rule', 'stroke', 'stroke-width', 'stroke-opacity', 'stroke-linecap', 'stroke-linejoin',
        'stroke-miterlimit', 'stroke-dasharray', 'stroke-dashoffset', 'color', 'visibility', 'paint-order', 'marker-start', 'marker-mid', 'marker-end',
        'font-family', 'font-size', 'font-weight', 'font-style', 'letter-spacing', 'word-spacing', 'text-anchor', 'text-transform', 'white-space',
        'writing-mode', 'direction', 'dominant-baseline', 'text-decoration', 'context-fill', 'context-stroke', 'color-interpolation-filters',
    ];

    private const OWN = [
        'opacity', 'display', 'clip-path', 'mask', 'mask-type', 'filter', 'overflow', 'transform', 'transform-origin', 'vector-effect', 'mix-blend-mode',
        'stop-color', 'stop-opacity', 'flood-color', 'flood-opacity', 'baseline-shift', 'alignment-baseline'];

    /** Written only in style sheets, and taken apart. */
    private const SHORTHAND = ['marker', 'font', 'text-decoration-line'];

    private const INITIAL = [
        'fill' => 'black', 'fill-opacity' => '1', 'fill-rule' => 'nonzero', 'clip-rule' => 'nonzero', 'stroke' => 'none',
        'stroke-width' => '1', 'stroke-opacity' => '1', 'stroke-linecap' => 'butt', 'stroke-linejoin' => 'miter',
        'stroke-miterlimit' => '4', 'stroke-dasharray' => 'none', 'stroke-dashoffset' => '0', 'color' => 'black',
        'visibility' => 'visible', 'font-size' => '16px', 'opacity' => '1', 'display' => 'inline', 'stop-color' => 'black', 'stop-opacity' => '1',
        'font-family' => 'sans-serif', 'font-weight' => 'normal', 'font-style' => 'normal', 'text-anchor' => 'start',
    ];

    /** Bytes of a style attribute; a longer one was never meant. */
    private const LONGEST = 1_000_000;

    private const FONT_SIZES = ['xx-small' => 9, 'x-small' => 10, 'small' => 13, 'medium' => 16, 'large' => 18, 'x-large' => 24, 'xx-large' => 32];

    /** @param  array<string, string>  $values */
    private function __construct(private array $values)
    {
    }

    public static function initial(): self
    {
        return new self(self::INITIAL);
    }

    /** Whether a property decides anything about how a drawing looks here. */
    public static function knows(string $property): bool
    {
        return isset(self::known()[$property]);
    }

    /** @return array<string, int> */
    private static function known(): array
    {
        static $known = null;

        return $known ??= array_flip([...self::INHERITED, ...self::OWN, ...self::SHORTHAND]);
    }

    public function of(DOMElement $element, StyleSheet $sheet): self
    {
        static $inherited = null;
        static $shorthand = null;
        $inherited ??= array_flip(self::INHERITED);
        $shorthand ??= array_flip(self::SHORTHAND);
        $known = self::known();
        $set = [];
        foreach ($element->attributes as $attribute) {
            if ($attribute->prefix === ''
                && isset($known[$attribute->nodeName])
                && ! isset($shorthand[$attribute->nodeName])
                && $attribute->nodeName !== 'transform') {
                $set[$attribute->nodeName] = $attribute->value;
            }
        }
        [$plain, $important] = $sheet->for($element);
        $text = $element->getAttribute('style');
        [$own, $ownImportant] = $text === '' ? [[], []] : self::declarations($text);
        $values = array_intersect_key($this->values, $inherited);
        foreach ([$set, $plain, $own, $important, $ownImportant] as $level) {
            foreach (self::takenApart($level) as $property => $value) {
                if (isset($known[$property])) {
                    $values[$property] = $this->resolved($property, trim($value), isset($inherited[$property]), $values[$property] ?? null);
                }
            }
        }

        return new self($values);
    }

    /** With a value that no element has written. */
    public function with(string $property, string $value): self
    {
        return new self([$property => $value] + $this->values);
    }

    public function get(string $property): string
    {
        return $this->values[$property] ?? self::INITIAL[$property] ?? '';
    }

    private function resolved(string $property, string $value, bool $inherited, ?string $before): string
    {
        if ($value === 'inherit') {
            return $this->values[$property] ?? self::INITIAL[$property] ?? '';
        }
        if (in_array($value, ['initial', 'unset', 'revert'], true)) {
            return $value !== 'initial' && $inherited ? $this->values[$property] ?? '' : self::INITIAL[$property] ?? '';
        }

        // currentColor stands for the colour of the element that is painted with it, so it is inherited as a word.
        return match ($property) {
            'font-size' => $this->fontSize($value) ?? $before ?? '16px',
            'font-weight' => match ($value) {
                'bolder' => 'bold',
                'lighter' => 'normal',
                default => $value,
            },
            default => $value,
        };
    }

    /** In px, of a size that may be relative to that of the element around it. */
    private function fontSize(string $value): ?string
    {
        $outer = (float) $this->get('font-size');
        $value = strtolower($value);
        if (isset(self::FONT_SIZES[$value])) {
            return self::FONT_SIZES[$value].'px';
        }
        if ($value === 'larger' || $value === 'smaller') {
            return ($value === 'larger' ? $outer * 1.2 : $outer / 1.2).'px';
        }
        // A percentage is of the outer size, whatever the direction.
        $size = (new Viewport($outer, $outer))->length($value, 'x', $outer);

        return $size === null || $size < 0 ? null : $size.'px';
    }

    /**
     * @param  array<string, string>  $level
     * @return array<string, string> shorthands replaced by what they stand for
     */
    private static function takenApart(array $level): array
    {
        if (isset($level['marker'])) {
            $level += ['marker-start' => $level['marker'], 'marker-mid' => $level['marker'], 'marker-end' => $level['marker']];
        }
        if (isset($level['text-decoration-line'])) {
            $level['text-decoration'] = $level['text-decoration-line'];
        }
        if (isset($level['font']) && preg_match(
            '~^(.*?)((?:\d*\.)?\d+(?:px|pt|pc|mm|cm|in|em|rem|%)|(?:xx?-)?(?:small|large)|medium)(?:/\S+)?\s+(.+)$~is',
            $level['font'],
            $found,
        ) === 1) {
            $level += [
                'font-size' => $found[2],
                'font-family' => $found[3],
                'font-style' => preg_match('/italic|oblique/i', $found[1]) === 1 ? 'italic' : 'normal',
                'font-weight' => preg_match('/\b(bold|bolder|[1-9]00)\b/i', $found[1], $weight) === 1 ? strtolower($weight[1]) : 'normal',
            ];
        }

        return $level;
    }

    /** @return array{array<string, string>, array<string, string>} plain and important declarations of a style attribute */
    private static function declarations(string $text): array
    {
        $plain = [];
        $important = [];
        if (strlen($text) > self::LONGEST) {
            return [[], []];
        }
        $text = preg_replace('~/\*(?:[^*]++|\*(?!/))*+(?:\*/|$)~', '', $text) ?? '';
        // A semicolon inside brackets or quotes parts nothing.
        preg_match_all('/(?:[^;("\']++|\((?:[^()"\']++|"[^"]*+"|\'[^\']*+\')*+\)|"[^"]*+"|\'[^\']*+\'|[("\'])++/', $text, $found);
        foreach ($found[0] as $declaration) {
            $colon = strpos($declaration, ':');
            if ($colon === false) {
                continue;
            }
            $property = strtolower(trim(substr($declaration, 0, $colon)));
            if (! self::knows($property)) {
                continue;
            }
            $value = trim(substr($declaration, $colon + 1));
            if (preg_match('/!\s*important$/i', $value, $word) === 1) {
                $important[$property] = rtrim(substr($value, 0, -strlen($word[0])));
            } else {
                $plain[$property] = $value;
            }
        }

        return [$plain, $important];
    }
}
