<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DOMElement;

/** What files of our own say of a line that is cut: on the line itself, or on the group of a sheet that it stands in. */
final class CutLines
{
    public const ONCE = 'once';

    /** As the outline of what it encloses, where it is closed. */
    public const ALONG = 'along';

    public static function of(DOMElement $e): ?string
    {
        $own = self::bearer($e)?->getAttribute('data-cut');

        return in_array($own, [self::ONCE, self::ALONG], true) ? $own : null;
    }

    /** What the layer is called that a line stands on. */
    public static function layer(DOMElement $e): string
    {
        $name = self::bearer($e)?->getAttribute('data-name') ?? '';

        return $name === '' ? 'Cut' : mb_substr($name, 0, 120);
    }

    private static function bearer(DOMElement $e): ?DOMElement
    {
        for ($at = $e; $at instanceof DOMElement; $at = $at->parentNode) {
            if ($at->hasAttribute('data-cut')) {
                return $at;
            }
        }

        return null;
    }
}
