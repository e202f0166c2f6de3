<?php

declare(strict_types=1);

namespace App\Http;

use RuntimeException;

/** A preview whose place a later one took. */
final class GivenUp extends RuntimeException
{
    public static function forALater(): self
    {
        return new self('A later preview took its place.');
    }
}
