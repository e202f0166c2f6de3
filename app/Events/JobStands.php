<?php

declare(strict_types=1);

namespace App\Events;

use Illuminate\Foundation\Events\Dispatchable;

/** Where a job stands may be otherwise: it came in, what was left out was judged, it is being prepared or was. */
final readonly class JobStands
{
    use Dispatchable;

    public function __construct(public int $job)
    {
    }
}
