<?php

declare(strict_types=1);

use App\Http\CatalogueTypes;
use App\Jobs\RunBatch;
use App\Models\Batch;
use App\Models\Nesting;
use App\Models\Preparation;
use App\Models\Sending;
use App\Models\SizeRun;
use App\Prep\Holder;
use App\Prep\Preparing;
use App\Prep\Pruning;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schedule;

// After a restart nothing is at work: what was cut off is named as such, and can be started again.
Artisan::command('neat-edge:recover', function (): void {
    DB::transaction(static function (): void {
        Preparation::query()->where('status', 'running')->update([
            'status' => 'failed',
            'doing' => '',
            'error' => 'The server was stopped while it prepared this job; the source art is untouched. Prepare it again.',
        ]);
        DB::table('queued_work')->where('queue', 'default')->whereNotNull('reserved_at')->delete();
    });
})->purpose('Mark preparations that a stop cut off');

// A batch that was cut off goes on where it was: what is done is kept, whatever was half done is begun again.
Artisan::command('neat-edge:recover-batches', function (): void {
    DB::table('queued_work')->where('queue', 'batches')->delete();
    foreach (Batch::query()->whereIn('status', ['waiting', 'running'])->orderBy('id')->get() as $batch) {
        $batch->update(['status' => 'waiting']);
        RunBatch::dispatch($batch->id);
    }
})->purpose('Go on with batches that a stop cut off');

// What was on its way to a machine when the shop was closed waits for a person: how far it came is known.
Artisan::command('neat-edge:recover-machines', function (): void {
    // Only what a worker held that is there no more: each machine has one of its own, and the others go on.
    foreach (Sending::query()->where('status', 'running')->get() as $sending) {
        if (Holder::isThere($sending->worker)) {
            continue;
        }
        $sending->note('Stopped: the server was stopped');
        $sending->update(['status' => 'stopped', 'error' => "The server was stopped while this was sent; {$sending->done} of {$sending->of} parts are done. Go on with it."]);
        $sending->letNext();
    }
    foreach (DB::table('queued_work')->where('queue', 'machines')->whereNotNull('reserved_at')->pluck('id') as $id) {
        // What was handed out and is at work nowhere is forgotten; it waits for a person, or comes next by itself.
        if (Sending::query()->where('status', 'running')->doesntExist()) {
            DB::table('queued_work')->where('id', $id)->delete();
        }
    }
})->purpose('Mark what a stop cut off on its way to machines');

// What was being laid out or checked at other sizes is named as cut off; what was done of it stays.
Artisan::command('neat-edge:recover-layouts', function (): void {
    DB::table('queued_work')->where('queue', 'layout')->whereNotNull('reserved_at')->delete();
    Nesting::query()->where('status', 'running')->update(['status' => 'failed', 'error' => 'The server was stopped while it searched; where the copies lay before is kept.']);
    SizeRun::query()->where('status', 'running')->update(['status' => 'failed', 'doing' => '']);
})->purpose('Mark searches and sizes that a stop cut off');

// One preparation, in a process of its own: started by the queue's worker.
Artisan::command('neat-edge:prepare {preparation}', function (): int {
    $preparation = Preparation::query()->find((int) $this->argument('preparation'));
    if ($preparation !== null && $preparation->status === 'running') {
        Preparing::run($preparation);
    }

    return 0;
})->purpose('Run one preparation that the worker handed out');

Artisan::command('neat-edge:prune', function (): void {
    foreach (Pruning::run() as $what => $count) {
        $this->line(sprintf('%d %s', $count, $what));
    }
    // Room that was given free goes back to the disk when there is much of it.
    $free = (int) DB::selectOne('PRAGMA freelist_count')->freelist_count * (int) DB::selectOne('PRAGMA page_size')->page_size;
    if ($free > 50_000_000) {
        DB::statement('VACUUM');
    }
})->purpose('Empty the trash of what is older than 30 days, and take away what nothing points to');

Schedule::command('neat-edge:prune')->hourly();

// The page's types of edits, from what the edits say of themselves.
Artisan::command('neat-edge:types', function (): void {
    file_put_contents(base_path(CatalogueTypes::FILE), CatalogueTypes::text());
});
