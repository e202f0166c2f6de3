<?php

declare(strict_types=1);

namespace App\Works;

use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Brings a work to a worker. It may be brought twice: only one takes it. */
final class RunWork implements ShouldQueue
{
    use Queueable;

    /** Brought again by the queue where a worker died it is no failure: who has the work is said by its hold. */
    public int $tries = 0;

    public function __construct(private readonly int $work)
    {
    }

    public function handle(): void
    {
        $hold = Works::take($this->work);
        if ($hold === null) {
            return;
        }
        if ($hold->work->kind()->apart() && config('neat-edge.prepare_in') !== 'here') {
            Apart::run($hold);
        } else {
            Works::run($hold);
        }
    }
}
