<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Json;

use DomainException;

/** Plain data that is no artwork, or more than is taken; the reason in one sentence. */
final class StoredFormRefused extends DomainException
{
    public static function wrong(string $what): self
    {
        return new self(sprintf('What was sent is no piece that can be kept: %s.', $what));
    }

    public static function outOfBounds(string $what): self
    {
        return new self(sprintf('That cannot be kept: %s.', $what));
    }
}
