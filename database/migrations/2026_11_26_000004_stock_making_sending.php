<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What the shop has, how a job is laid out, what was sent to which machine. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('stock', static function (Blueprint $table): void {
            $table->id();
            $table->string('kind', 20)->index();
            $table->string('name', 80);
            // Values of the fields of its kind; lengths in mm.
            $table->text('data');
            $table->timestamps();
            $table->unique(['kind', 'name']);
        });
        Schema::table('shop_jobs', static function (Blueprint $table): void {
            // Choices, materials by colour and places of copies.
            $table->text('making')->nullable();
        });
        Schema::create('nestings', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('shop_job_id')->constrained()->cascadeOnDelete();
            $table->string('status', 20);
            $table->unsignedInteger('seconds');
            $table->boolean('stop_requested')->default(false);
            $table->text('progress')->nullable();
            $table->string('error', 500)->default('');
            $table->timestamps();
        });
        Schema::create('sendings', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('shop_job_id')->constrained()->cascadeOnDelete();
            $table->unsignedBigInteger('version');
            $table->string('machine', 80);
            $table->string('kind', 20);
            $table->string('address', 200);
            $table->string('file', 160);
            $table->string('title', 300);
            $table->unsignedInteger('number');
            $table->string('status', 20);
            $table->string('asked', 20)->default('');
            $table->unsignedInteger('done')->default(0);
            $table->unsignedInteger('of');
            $table->double('length_mm')->default(0);
            $table->string('error', 500)->default('');
            $table->text('log');
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('sendings');
        Schema::dropIfExists('nestings');
        Schema::table('shop_jobs', static fn (Blueprint $table) => $table->dropColumn('making'));
        Schema::dropIfExists('stock');
    }
};
