<?php

declare(strict_types=1);

namespace App\Listeners;

use App\Events\JobNamed;
use App\Events\JobStands;
use App\Events\WorkEnded;
use App\Prep\Standing;
use App\Works\Kinds\Prepare;
use Illuminate\Contracts\Events\Dispatcher;

/** The list of jobs reads what is stored: whatever changes it is stored as it happens. */
final class KeepList
{
    public function subscribe(Dispatcher $events): void
    {
        $events->listen(JobStands::class, static fn (JobStands $event) => Standing::store($event->job));
        $events->listen(JobNamed::class, static fn (JobNamed $event) => Standing::index($event->job, $event->search));
        $events->listen(WorkEnded::class, self::prepared(...));
    }

    /** Of all that takes long, only being prepared changes where a job stands. */
    private static function prepared(WorkEnded $event): void
    {
        if ($event->work->shop_job_id !== null && $event->work->kind() instanceof Prepare) {
            Standing::store($event->work->shop_job_id);
        }
    }
}
