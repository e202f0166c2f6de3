<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What new jobs begin with, jobs that are put away, and what the shop has its own way in. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('job_templates', static function (Blueprint $table): void {
            $table->id();
            $table->string('name', 80)->unique();
            $table->text('data');
            $table->timestamps();
        });
        Schema::create('shop_settings', static function (Blueprint $table): void {
            $table->string('name', 40)->primary();
            $table->string('value', 200);
        });
        Schema::table('shop_jobs', static function (Blueprint $table): void {
            $table->timestamp('archived_at')->nullable()->index();
            $table->text('files')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('shop_jobs', static function (Blueprint $table): void {
            $table->dropIndex(['archived_at']);
            $table->dropColumn(['archived_at', 'files']);
        });
        Schema::dropIfExists('shop_settings');
        Schema::dropIfExists('job_templates');
    }
};
