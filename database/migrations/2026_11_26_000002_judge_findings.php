<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What was said of findings stays with the job; jobs are found by customer and due date, and their small pictures are kept. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('shop_jobs', static function (Blueprint $table): void {
            $table->text('judged')->nullable();
            $table->string('last_key', 40)->default('');
            $table->string('customer', 120)->default('');
            $table->date('due')->nullable();
            $table->binary('picture')->nullable();
            $table->unsignedInteger('picture_version')->default(0);
        });
        Schema::table('bench_pieces', static function (Blueprint $table): void {
            // What it follows, and its box in mm: unknown for pieces from before, until they are changed.
            $table->string('refers', 80)->nullable();
            foreach (['left', 'top', 'right', 'bottom'] as $side) {
                $table->double($side)->nullable();
            }
            $table->index(['shop_job_id', 'refers']);
        });
        Schema::table('preparations', static function (Blueprint $table): void {
            $table->float('share')->default(0);
            $table->double('began_at')->nullable();
            $table->text('summary')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('shop_jobs', static function (Blueprint $table): void {
            $table->dropColumn(['judged', 'last_key', 'customer', 'due', 'picture', 'picture_version']);
        });
        Schema::table('bench_pieces', static function (Blueprint $table): void {
            $table->dropIndex(['shop_job_id', 'refers']);
            $table->dropColumn(['refers', 'left', 'top', 'right', 'bottom']);
        });
        Schema::table('preparations', static fn (Blueprint $table) => $table->dropColumn(['share', 'began_at', 'summary']));
    }
};
