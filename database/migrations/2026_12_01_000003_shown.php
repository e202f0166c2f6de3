<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What a job's art is shown on. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('shop_jobs', static function (Blueprint $table): void {
            $table->text('shown')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('shop_jobs', static function (Blueprint $table): void {
            $table->dropColumn('shown');
        });
    }
};
