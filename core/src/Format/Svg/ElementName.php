<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DOMElement;

/** What the file calls an element: by its title for people, else by its id. Somebody's words, never markup. */
final class ElementName
{
    private const MOST = 120;

    public static function of(DOMElement $e): string
    {
        foreach ($e->childNodes as $child) {
            if ($child instanceof DOMElement && $child->localName === 'title' && trim($child->textContent) !== '') {
                return mb_substr(trim((string) preg_replace('/\s+/u', ' ', mb_scrub($child->textContent))), 0, self::MOST);
            }
        }

        return mb_substr(mb_scrub($e->getAttribute('id')), 0, self::MOST);
    }
}
