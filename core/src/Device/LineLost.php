<?php

declare(strict_types=1);

namespace NeatEdge\Core\Device;

use RuntimeException;

/** The line to a machine broke off: what was acknowledged is known, and it can be gone on from there. */
final class LineLost extends RuntimeException
{
    public static function gone(): self
    {
        return new self('The line to the machine broke off.');
    }

    public static function endless(): self
    {
        return new self('The machine talks without end and says nothing that was asked.');
    }

    public static function silent(float $seconds): self
    {
        return new self(sprintf('The machine has not answered for %.0f seconds.', $seconds));
    }
}
