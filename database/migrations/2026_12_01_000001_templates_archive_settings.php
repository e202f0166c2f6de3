<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What new jobs begin with, jobs that are put away, and what the shop has its own way in. */
return new class extends Migration
{
    private const ORDERS = ['updated_at', 'title_key', 'customer_key', 'due_key', 'findings'];

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
            $table->timestamp('archived_at')->nullable();
            $table->text('files')->nullable();
        });
        Schema::table('shop_jobs', static function (Blueprint $table): void {
            // As before, an order with all that is sifted by on the way; what was put away lies apart from the beginning.
            foreach (self::ORDERS as $order) {
                $table->dropIndex("shop_jobs_by_{$order}");
                $table->index(
                    array_values(array_unique(['deleted_at', 'archived_at', $order, 'id', 'standing', 'due_key', 'search'])),
                    "shop_jobs_by_{$order}",
                );
            }
            $table->dropIndex('shop_jobs_standing');
            $table->index(['deleted_at', 'archived_at', 'standing', 'updated_at', 'id'], 'shop_jobs_standing');
        });
    }

    public function down(): void
    {
        Schema::table('shop_jobs', static function (Blueprint $table): void {
            foreach (self::ORDERS as $order) {
                $table->dropIndex("shop_jobs_by_{$order}");
                $table->index(array_values(array_unique(['deleted_at', $order, 'id', 'standing', 'due_key', 'search'])), "shop_jobs_by_{$order}");
            }
            $table->dropIndex('shop_jobs_standing');
            $table->index(['deleted_at', 'standing', 'updated_at', 'id'], 'shop_jobs_standing');
        });
        Schema::table('shop_jobs', static function (Blueprint $table): void {
            $table->dropColumn(['archived_at', 'files']);
        });
        Schema::dropIfExists('shop_settings');
        Schema::dropIfExists('job_templates');
    }
};
