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
            // Where the page of the customer's file lies on the bench, at that width; JSON of left, top, width, height in mm.
            $table->json('file_frame')->nullable();
        });
        Schema::table('sources', static function (Blueprint $table): void {
            // What of the file is shown, in its own units, where it does not say so; JSON of left, top, width, height.
            $table->json('view_box')->nullable();
        });
        Schema::table('preparations', static function (Blueprint $table): void {
            $table->string('ground')->nullable();
        });
        DB::table('shop_jobs')->update(['intake_width_mm' => DB::raw('width_mm')]);
        foreach (DB::table('shop_jobs')->join(
            'sources',
            'sources.shop_job_id',
            '=',
            'shop_jobs.id',
        )->where('sources.svg', '!=', '')->get(['shop_jobs.id', 'width_mm', 'height_mm']) as $job) {
            DB::table('shop_jobs')->where('id', $job->id)->update(['file_frame' => json_encode([0, 0, $job->width_mm, $job->height_mm])]);
        }
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
        Schema::table('preparations', static fn (Blueprint $table) => $table->dropColumn('ground'));
        Schema::table('sources', static fn (Blueprint $table) => $table->dropColumn('view_box'));
        Schema::table('shop_jobs', static function (Blueprint $table): void {
            $table->dropSoftDeletes();
            $table->dropColumn(['intake_width_mm', 'file_frame']);
        });
    }
};
