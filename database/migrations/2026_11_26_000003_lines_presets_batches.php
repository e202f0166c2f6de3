<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Presets of the shop, names of its colours, batches; a job knows more limits and which preset its line came from. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('shop_jobs', static function (Blueprint $table): void {
            // By name, in mm; those of line and gap have columns of their own.
            $table->text('more_limits')->nullable();
            $table->text('preset')->nullable();
        });
        Schema::create('presets', static function (Blueprint $table): void {
            $table->id();
            $table->string('name', 80)->unique();
            $table->unsignedInteger('version');
            // As it is exported, see docs/preset.schema.json.
            $table->text('file');
            $table->timestamps();
        });
        Schema::create('shop_colours', static function (Blueprint $table): void {
            $table->string('hex', 7)->primary();
            $table->string('name', 80);
        });
        Schema::create('batches', static function (Blueprint $table): void {
            $table->id();
            $table->string('title', 120);
            $table->string('status', 20);
            $table->string('process', 40);
            $table->string('preset', 80);
            $table->string('width', 200)->default('');
            $table->unsignedInteger('files');
            $table->boolean('stop_requested')->default(false);
            $table->string('error', 500)->default('');
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::table('shop_jobs', static fn (Blueprint $table) => $table->dropColumn(['more_limits', 'preset']));
        Schema::dropIfExists('presets');
        Schema::dropIfExists('shop_colours');
        Schema::dropIfExists('batches');
    }
};
