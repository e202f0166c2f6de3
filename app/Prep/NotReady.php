<?php

declare(strict_types=1);

namespace App\Prep;

use NeatEdge\Core\Check\Verdict;
use RuntimeException;

/** A job leaves only when it is ready, or when somebody said by name that it shall. */
final class NotReady extends RuntimeException
{
    public function __construct(public readonly Verdict $verdict)
    {
        parent::__construct('This job is not ready: '.implode(' ', $verdict->open).' Say who lets it go as it is, and why.');
    }
}
