<?php

declare(strict_types=1);

namespace App\Listeners;

use App\Events\JobNamed;
use App\Events\JobStands;
use App\Events\WorkEnded;
use App\Prep\Standing;
use Illuminate\Contracts\Events\Dispatcher;

/** The list of jobs reads what is stored: whatever changes it is stored as it happens. */
final class KeepList
{
    public function subscribe(Dispatcher $events): void
    {
        $events->listen(JobStands::class, static fn (JobStands $event) => Standing::store($event->job));
        $events->listen(JobNamed::class, static fn (JobNamed $event) => Standing::index($event->job, $event->search));
        $events->listen(WorkEnded::class, static fn (WorkEnded $event) => $event->work->shop_job_id === null ?: Standing::store($event->work->shop_job_id));
    }
}
