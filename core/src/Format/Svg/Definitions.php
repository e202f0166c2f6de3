<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DOMElement;
use DOMXPath;

/** What a drawing holds to be referred to: elements by id, and its style sheets. */
final class Definitions
{
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

    /** What an element refers to, in the attribute of SVG 2 or else of SVG 1.1; empty for nothing. */
    public static function href(DOMElement $element): string
    {
        $href = $element->getAttribute('href');

        return trim($href !== '' ? $href : $element->getAttributeNS('http://www.w3.org/1999/xlink', 'href'));
    }

    /** The id in url(#id), or null. */
    public static function reference(string $text): ?string
    {
        return preg_match('/^url\(\s*["\']?#([^"\')]+)["\']?\s*\)/', $text, $found) === 1 ? rawurldecode($found[1]) : null;
    }
}
