<?php

declare(strict_types=1);

use App\Models\Preparation;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

// After a restart nothing is at work: what was cut off is named as such, and can be started again.
Artisan::command('neat-edge:recover', function (): void {
    DB::transaction(static function (): void {
        Preparation::query()->where('status', 'running')->update([
            'status' => 'failed',
            'error' => 'The server was stopped while it prepared this job; the source art is untouched. Prepare it again.',
        ]);
        DB::table('queued_work')->whereNotNull('reserved_at')->delete();
    });
})->purpose('Mark preparations that a stop cut off');
