<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format;

use DomainException;

/** A file that is not taken, with the reason in one sentence. */
final class FileRefused extends DomainException
{
    public static function because(string $sentence): self
    {
        return new self($sentence);
    }

    /** @param  string  $sort  PNG, JPEG … */
    public static function picture(string $sort): self
    {
        return new self(sprintf(
            'This is a picture (%s), not a drawing: it has no outlines to cut. Lay it under the work as a reference, and draw over it or trace it.',
            $sort,
        ));
    }

    public static function at(string $what, int $line, string $why): self
    {
        return new self(sprintf('The %s cannot be read at line %d: %s.', $what, $line, $why));
    }
}
