<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('batches', static function (Blueprint $table): void {
            $table->json('not_taken')->nullable();
        });
        Schema::table('sendings', static function (Blueprint $table): void {
            $table->string('worker', 40)->nullable();
        });
        Schema::create('releases', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('shop_job_id')->constrained()->cascadeOnDelete();
            $table->integer('version');
            $table->string('state', 32);
            $table->json('open');
            $table->string('by', 80);
            $table->string('reason', 200);
            $table->timestamp('created_at')->nullable();
            $table->index(['shop_job_id', 'version']);
        });
    }

    public function down(): void
    {
        Schema::drop('releases');
        Schema::table('sendings', static function (Blueprint $table): void {
            $table->dropColumn('worker');
        });
        Schema::table('batches', static function (Blueprint $table): void {
            $table->dropColumn('not_taken');
        });
    }
};
