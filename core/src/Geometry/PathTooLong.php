<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

use DomainException;

/** Path data with more segments than may be read. */
final class PathTooLong extends DomainException
{
    public static function segments(int $most): self
    {
        return new self(sprintf('The line has more than %d segments.', $most));
    }
}
