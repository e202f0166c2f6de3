<?php

declare(strict_types=1);

namespace App\Events;

use Illuminate\Foundation\Events\Dispatchable;

/** A job is found by other words: it came in, or its title, customer or process is another. */
final readonly class JobNamed
{
    use Dispatchable;

    /** @param  string  $search  its words, see Standing::keys() */
    public function __construct(public int $job, public string $search)
    {
    }
}
