<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Illuminate\Support\Str;

/** Where a job stands, and by what it is found and put in order, is stored with it: a list of very many reads one page of them. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('shop_jobs', static function (Blueprint $table): void {
            $table->string('search', 400)->default('');
            $table->string('title_key', 200)->default('');
            $table->string('customer_key', 200)->default('1');
            $table->string('due_key', 16)->default('1');
            $table->unsignedBigInteger('preparation_id')->nullable();
            $table->string('standing', 12)->default('fresh');
            $table->unsignedInteger('findings')->default(0);
            $table->unsignedInteger('sheets')->default(0);
        });
        Schema::table('shop_jobs', static function (Blueprint $table): void {
            // An order, and all that is sifted by on the way along it: a page of any list is found in one of these alone.
            foreach (['updated_at', 'title_key', 'customer_key', 'due_key', 'findings'] as $order) {
                $table->index(array_values(array_unique(['deleted_at', $order, 'id', 'standing', 'due_key', 'search'])), "shop_jobs_by_{$order}");
            }
            $table->index(['deleted_at', 'standing', 'updated_at', 'id'], 'shop_jobs_standing');
        });
        // Words that jobs are found by, each from its beginning.
        Schema::create('job_words', static function (Blueprint $table): void {
            $table->string('word', 60);
            $table->foreignId('shop_job_id')->constrained()->cascadeOnDelete();
            $table->primary(['word', 'shop_job_id']);
            $table->index('shop_job_id');
        });
        $labels = [
            'cut-vinyl' => 'Cut vinyl',
            'heat-transfer-vinyl' => 'Heat-transfer vinyl',
            'sticker' => 'Printed sticker with cut border',
            'screen-print' => 'Screen print',
            'engraving' => 'Engraving',
            'plain' => 'Plain artwork',
        ];
        foreach (DB::table('shop_jobs')->orderBy('id')->get(['id', 'title', 'customer', 'due', 'process', 'version', 'notices']) as $job) {
            $key = static fn (string $text): string => mb_substr(
                (string) preg_replace_callback('/\d{1,12}/', static fn (array $m): string => str_pad($m[0], 12, '0', STR_PAD_LEFT), mb_strtolower($text)),
                0,
                180,
            );
            $last = DB::table('preparations')->leftJoin(
                'works',
                'works.id',
                '=',
                'preparations.work_id',
            )->where('preparations.shop_job_id',
                $job->id)->orderByDesc('preparations.id')->first(['preparations.id', 'preparations.version', 'preparations.summary', 'works.state']);
            $summary = json_decode((string) $last?->summary, true);
            $left = array_filter(
                json_decode((string) $job->notices, true) ?: [],
                static fn (array $notice): bool => ($notice['severity'] ?? '') !== 'note'
                    && ($notice['kind'] ?? '') !== 'no-size'
                    && ! isset($notice['accepted']),
            );
            $words = array_values(array_unique(preg_split(
                '/[^a-z0-9]+/',
                Str::lower(Str::ascii("{$job->title} {$job->customer} ".($labels[$job->process] ?? $job->process))),
                -1,
                PREG_SPLIT_NO_EMPTY,
            ) ?: []));
            DB::table('job_words')->insert(array_map(static fn (string $word): array => ['word' => substr($word, 0, 60), 'shop_job_id' => $job->id], $words));
            DB::table('shop_jobs')->where('id', $job->id)->update([
                'search' => mb_substr(' '.implode(' ', $words), 0, 400), 'title_key' => $key($job->title),
                'customer_key' => $job->customer === '' ? '1' : '0'.$key($job->customer),
                'due_key' => $job->due === null ? '1' : "0{$job->due}",
                'preparation_id' => $last?->id,
                'standing' => match (true) {
                    $last === null => 'fresh',
                    $last->state !== 'done' || ! is_array($summary) => 'broken',
                    (int) $last->version !== (int) $job->version => 'stale',
                    $left === [] && $summary['sheets'] > 0 && ($summary['open'] ?? $summary['findings']) === 0 => 'ready',
                    default => 'open',
                },
                'findings' => count($left) + ($summary['findings'] ?? 0), 'sheets' => $summary['sheets'] ?? 0,
            ]);
        }
    }
};
