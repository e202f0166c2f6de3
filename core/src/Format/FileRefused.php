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

    public static function at(string $what, int $line, string $why): self
    {
        return new self(sprintf('The %s cannot be read at line %d: %s.', $what, $line, $why));
    }
}
