<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('shop_jobs', static function (Blueprint $table): void {
            $table->id();
            $table->string('title');
            $table->string('process');
            $table->double('width_mm');
            $table->double('height_mm');
            $table->double('line_limit_mm')->nullable();
            $table->double('gap_limit_mm')->nullable();
            $table->boolean('is_demo')->default(false);
            $table->string('source_name');
            $table->json('notices');
            // Which revision is in force, and a count that grows with every change, for windows to compare.
            $table->unsignedInteger('revision');
            $table->unsignedInteger('version')->default(1);
            $table->timestamps();
        });
        Schema::create('sources', static function (Blueprint $table): void {
            $table->foreignId('shop_job_id')->primary()->constrained()->cascadeOnDelete();
            $table->binary('svg');
        });
        Schema::create('revisions', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('shop_job_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('number');
            $table->unsignedInteger('parent')->nullable();
            $table->string('label');
            $table->binary('artwork');
            $table->timestamp('created_at')->useCurrent();
            $table->unique(['shop_job_id', 'number']);
        });
        Schema::create('step_results', static function (Blueprint $table): void {
            $table->string('key')->primary();
            $table->binary('artwork');
            $table->json('report');
            $table->timestamp('created_at')->useCurrent();
        });
        Schema::create('preparations', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('shop_job_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('version');
            $table->string('status');
            $table->json('steps');
            $table->unsignedInteger('done')->default(0);
            $table->unsignedInteger('of')->default(1);
            $table->string('doing')->default('');
            $table->boolean('stop_requested')->default(false);
            $table->text('error')->nullable();
            $table->json('stage_keys')->nullable();
            $table->json('result')->nullable();
            $table->timestamps();
            $table->index(['shop_job_id', 'id']);
        });
    }

    public function down(): void
    {
        foreach (['preparations', 'step_results', 'revisions', 'sources', 'shop_jobs'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
