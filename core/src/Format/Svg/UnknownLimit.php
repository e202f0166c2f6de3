<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DomainException;

/** A limit that was set in a way that means nothing. */
final class UnknownLimit extends DomainException
{
    /** @param  list<string>  $known */
    public static function name(string $name, array $known): self
    {
        return new self(sprintf('There is no limit "%s"; there are %s.', mb_substr($name, 0, 40), implode(', ', $known)));
    }

    public static function value(string $name, string $value): self
    {
        return new self(sprintf('The limit %s must be a whole number above 0, not "%s".', $name, mb_substr($value, 0, 40)));
    }
}
