<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DOMElement;
use DOMXPath;

/** What a drawing holds to be referred to: elements by id, and its style sheets. */
final class Definitions
{
    private const LONGEST_CHAIN = 30;

    public readonly StyleSheet $sheet;

    /** @var array<string, DOMElement> */
    private array $byId = [];

    public function __construct()
    {
        $this->sheet = new StyleSheet;
    }

    /** Of several elements with one id the first counts. */
    public function collect(DOMXPath $document): void
    {
        foreach ($document->query('//*[@id]') ?: [] as $element) {
            if ($element instanceof DOMElement) {
                $this->byId[$element->getAttribute('id')] ??= $element;
            }
        }
    }

    public function get(string $id): ?DOMElement
    {
        return $this->byId[$id] ?? null;
    }

    /** The style of an element where it stands, not where it is used: that of definitions. */
    public function styleOf(DOMElement $element): Style
    {
        $chain = [];
        for ($up = $element; $up instanceof DOMElement; $up = $up->parentNode) {
            $chain[] = $up;
        }
        $style = Style::initial();
        foreach (array_reverse($chain) as $one) {
            $style = $style->of($one, $this->sheet);
        }

        return $style;
    }

    /** @return list<DOMElement> an element and those whose values it takes over, by href */
    public function chain(DOMElement $element): array
    {
        $elements = [$element];
        while (count($elements) < self::LONGEST_CHAIN) {
            $href = self::href($elements[count($elements) - 1]);
            $next = str_starts_with($href, '#') ? $this->get(rawurldecode(substr($href, 1))) : null;
            if ($next === null) {
                break;
            }
            foreach ($elements as $one) {
                if ($one === $next) {
                    return $elements;
                }
            }
            $elements[] = $next;
        }

        return $elements;
    }

    /**
     * The first of a chain that has an attribute.
     *
     * @param  list<DOMElement>  $chain
     */
    public static function attribute(array $chain, string $name): string
    {
        foreach ($chain as $element) {
            if ($element->hasAttribute($name)) {
                return trim($element->getAttribute($name));
            }
        }

        return '';
    }

    /** What an element refers to, in the attribute of SVG 2 or else of SVG 1.1; empty for nothing. */
    public static function href(DOMElement $element): string
    {
        $href = $element->getAttribute('href');

        return trim($href !== '' ? $href : $element->getAttributeNS('http://www.w3.org/1999/xlink', 'href'));
    }

    /** The id in url(#id), or null. */
    public static function reference(string $text): ?string
    {
        return $text !== '' && preg_match('/^url\(\s*["\']?\s*#([^"\')]+?)\s*["\']?\s*\)/', $text, $found) === 1 ? rawurldecode($found[1]) : null;
    }
}
