<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Deleted jobs go to a trash; reference pictures are kept by the jobs that use them; places of notices hold at the width at which the file came in. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('shop_jobs', static function (Blueprint $table): void {
            $table->softDeletes();
            $table->double('intake_width_mm')->default(1);
            $table->json('accepted')->default('{}');
        });
        DB::table('shop_jobs')->update(['intake_width_mm' => DB::raw('width_mm')]);
        Schema::table('bench_pieces', static function (Blueprint $table): void {
            // Which form of PageArt the page column has; rows of another are made anew.
            $table->unsignedInteger('page_form')->default(0);
        });
        Schema::create('job_pictures', static function (Blueprint $table): void {
            $table->foreignId('shop_job_id')->constrained()->cascadeOnDelete();
            $table->string('file');
            $table->primary(['shop_job_id', 'file']);
        });
        // Which job laid which picture was not noted before: every job keeps them all.
        $files = DB::table('reference_pictures')->pluck('file');
        foreach (DB::table('shop_jobs')->pluck('id') as $job) {
            foreach ($files as $file) {
                DB::table('job_pictures')->insert(['shop_job_id' => $job, 'file' => $file]);
            }
        }
    }

    public function down(): void
    {
        Schema::dropIfExists('job_pictures');
        Schema::table('bench_pieces', static fn (Blueprint $table) => $table->dropColumn('page_form'));
        Schema::table('shop_jobs', static function (Blueprint $table): void {
            $table->dropSoftDeletes();
            $table->dropColumn(['intake_width_mm', 'accepted']);
        });
    }
};
