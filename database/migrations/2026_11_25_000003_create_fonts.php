<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('fonts', static function (Blueprint $table): void {
            $table->id();
            $table->string('family');
            $table->boolean('bold');
            $table->boolean('italic');
            $table->string('file_name');
            // Where its file lies in the storage folder: named by its content.
            $table->string('path')->unique();
            $table->timestamp('created_at')->useCurrent();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('fonts');
    }
};
