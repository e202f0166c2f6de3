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
    }

    public function down(): void
    {
        Schema::table('batches', static function (Blueprint $table): void {
            $table->dropColumn('not_taken');
        });
    }
};
