<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Mail that no server took is told of, and of which proof it was to tell. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('letters', static function (Blueprint $table): void {
            $table->string('unsent', 400)->default('');
            $table->unsignedBigInteger('approval_id')->nullable()->index();
        });
    }

    public function down(): void
    {
        Schema::table('letters', static function (Blueprint $table): void {
            $table->dropIndex(['approval_id']);
            $table->dropColumn(['unsent', 'approval_id']);
        });
    }
};
