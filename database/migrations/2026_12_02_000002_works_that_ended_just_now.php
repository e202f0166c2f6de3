<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What ended just now is asked for all day long, and each job keeps its last preparation: it is found by when it ended. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('works', static fn (Blueprint $table) => $table->index('updated_at'));
    }

    public function down(): void
    {
        Schema::table('works', static fn (Blueprint $table) => $table->dropIndex(['updated_at']));
    }
};
