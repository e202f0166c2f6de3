<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Long work goes one way: how far it is, whether it was asked to end and how it ended stands in one table. What comes of it stays where it was. */
return new class extends Migration
{
    private const LEFT = [
        'preparations' => ['status', 'done', 'of', 'doing', 'stop_requested', 'error', 'share', 'began_at'],
        'sendings' => ['status', 'asked', 'worker', 'done', 'of', 'error'],
        'batches' => ['status', 'stop_requested', 'error'],
    ];

    public function up(): void
    {
        Schema::create('works', static function (Blueprint $table): void {
            $table->id();
            $table->string('kind', 20);
            $table->string('key', 80)->default('');
            $table->string('lane', 240)->default('')->index();
            $table->foreignId('shop_job_id')->nullable()->constrained()->cascadeOnDelete();
            $table->string('title', 400);
            $table->text('about');
            $table->string('state', 12)->index();
            $table->string('asked', 12)->default('');
            $table->unsignedInteger('done')->default(0);
            $table->unsignedInteger('of')->default(1);
            $table->double('share')->default(0);
            $table->string('doing', 160)->default('');
            $table->double('began_at')->nullable();
            $table->double('ends_at')->nullable();
            $table->text('outcome')->nullable();
            $table->string('error', 500)->default('');
            $table->string('holder', 200)->default('');
            $table->unsignedInteger('fence')->default(0);
            $table->double('lease_until')->default(0);
            $table->unsignedInteger('tries')->default(0);
            $table->double('queued_at')->default(0);
            $table->timestamps();
            $table->index(['shop_job_id', 'kind', 'id']);
        });
        foreach (array_keys(self::LEFT) as $name) {
            Schema::table($name, static function (Blueprint $table): void {
                $table->foreignId('work_id')->nullable()->index();
            });
        }
        $titles = DB::table('shop_jobs')->pluck('title', 'id');
        foreach (DB::table('preparations')->orderBy('id')->get(['id', 'shop_job_id', 'status', 'done', 'of', 'error', 'created_at', 'updated_at']) as $one) {
            self::carry('preparations', $one, 'prepare', (string) ($titles[$one->shop_job_id] ?? ''), $one->status, $one->done, $one->of, (string) $one->error);
        }
        foreach (DB::table('batches')->orderBy('id')->get() as $one) {
            self::carry('batches', $one, 'batch', $one->title, $one->status, 0, $one->files, $one->error);
        }
        foreach (DB::table('sendings')->orderBy('id')->get() as $one) {
            $state = ['stopped' => 'failed', 'cancelled' => 'stopped', 'new' => 'stopped'][$one->status] ?? $one->status;
            self::carry('sendings', $one, 'send', "{$one->title} at {$one->machine}", $state, $one->done, $one->of, $one->error, "machine {$one->address}");
        }
        foreach (self::LEFT as $name => $columns) {
            foreach (Schema::getIndexes($name) as $index) {
                if (! $index['primary'] && array_intersect($index['columns'], $columns) !== []) {
                    Schema::table($name, static fn (Blueprint $table) => $table->dropIndex($index['name']));
                }
            }
            Schema::table($name, static fn (Blueprint $table) => $table->dropColumn($columns));
        }
        // What was searched or checked at other sizes is searched and checked again; how a job lies is kept with the job.
        Schema::dropIfExists('nestings');
        Schema::dropIfExists('size_runs');
        DB::table('queued_work')->delete();
    }

    /** What was at work while the shop was brought forward is at work no more. */
    private static function carry(
        string $table,
        stdClass $one,
        string $kind,
        string $title,
        string $state,
        int $done,
        int $of,
        string $error,
        string $lane = '',
    ): void {
        $cut = in_array($state, ['waiting', 'running', 'new'], true);
        $id = DB::table('works')->insertGetId([
            'kind' => $kind,
            'lane' => $lane,
            'shop_job_id' => $one->shop_job_id ?? null,
            'title' => $title,
            'about' => '{}',
            'state' => $cut ? 'failed' : $state,
            'done' => $done,
            'of' => max(1, $of),
            'share' => $state === 'done' ? 1 : 0,
            'error' => $cut ? 'The server was stopped and brought up to date; begin it again.' : mb_substr($error, 0, 480),
            'created_at' => $one->created_at,
            'updated_at' => $one->updated_at,
        ]);
        DB::table($table)->where('id', $one->id)->update(['work_id' => $id]);
    }
};
