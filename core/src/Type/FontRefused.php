<?php

declare(strict_types=1);

namespace NeatEdge\Core\Type;

use RuntimeException;

/** A font that cannot be taken, in one sentence for the person who gave it. */
final class FontRefused extends RuntimeException
{
    public static function noFont(string $name): self
    {
        return new self(sprintf('"%s" is no font that can be read: TrueType (.ttf), OpenType (.otf) and WOFF files are taken.', self::short($name)));
    }

    public static function noOutlines(string $name): self
    {
        return new self(sprintf('"%s" has no outlines that can be cut.', self::short($name)));
    }

    public static function broken(string $name): self
    {
        return new self(sprintf('"%s" is a damaged font.', self::short($name)));
    }

    private static function short(string $name): string
    {
        return mb_substr(mb_scrub($name), 0, 60);
    }
}
