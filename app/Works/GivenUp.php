<?php

declare(strict_types=1);

namespace App\Works;

use RuntimeException;

/** A preview that nobody waits for any more. */
final class GivenUp extends RuntimeException
{
    public static function forALater(): self
    {
        return new self('A later preview took its place.');
    }

    public static function changedSince(): self
    {
        return new self('The bench has changed since; this is shown anew.');
    }
}
