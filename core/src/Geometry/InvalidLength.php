<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

use DomainException;

final class InvalidLength extends DomainException
{
    public static function unreadable(string $text): self
    {
        return new self(sprintf('"%s" is not a length; write it like 300mm, 4in or 120mm - 2*3.', mb_substr($text, 0, 40)));
    }

    public static function unknownUnit(string $unit): self
    {
        return new self(sprintf('"%s" is not a unit; use mm, cm, in, pt or px.', mb_substr($unit, 0, 20)));
    }

    public static function doubtful(string $text): self
    {
        return new self(sprintf('"%s" may be a thousand and some or a little over one; write it without the comma, or with a point.', mb_substr($text, 0, 40)));
    }

    public static function ofNothing(string $text): self
    {
        return new self(sprintf('"%s" is a share of nothing here; write a length such as 300mm.', mb_substr($text, 0, 40)));
    }

    public static function notPositive(string $text): self
    {
        return new self(sprintf('"%s" is not a length greater than nothing.', mb_substr($text, 0, 40)));
    }
}
