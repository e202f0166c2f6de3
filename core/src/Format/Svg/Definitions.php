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

    /** The id in url(#id), or null. */
    public static function reference(string $text): ?string
    {
        return preg_match('/^url\(\s*["\']?#([^"\')]+)["\']?\s*\)/', $text, $found) === 1 ? rawurldecode($found[1]) : null;
    }
}
