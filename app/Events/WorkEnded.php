<?php

declare(strict_types=1);

namespace App\Events;

use App\Models\Work;
use Illuminate\Foundation\Events\Dispatchable;

/** Long work ended, however: done, stopped, failed, or its process is gone. */
final readonly class WorkEnded
{
    use Dispatchable;

    public function __construct(public Work $work)
    {
    }
}
