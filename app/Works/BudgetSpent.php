<?php

declare(strict_types=1);

namespace App\Works;

use RuntimeException;

/** A request that computed for longer than is allowed. */
final class BudgetSpent extends RuntimeException
{
    public static function after(string $what, int $seconds): self
    {
        return new self(sprintf(
            '%s needs more than %d seconds of computing and was given up; nothing was changed. Try it with less at once.',
            $what,
            $seconds,
        ));
    }
}
