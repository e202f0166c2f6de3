<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Proofs that a customer sees by a link, what came back, and the mail that goes out about it. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('approvals', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('shop_job_id')->constrained()->cascadeOnDelete();
            $table->char('token', 64)->unique();
            $table->char('state', 32);
            $table->text('facts');
            $table->binary('picture');
            $table->string('sent_to', 200)->default('');
            $table->timestamp('ends_at');
            $table->timestamp('taken_back_at')->nullable();
            $table->timestamp('seen_at')->nullable();
            $table->timestamps();
            $table->index(['shop_job_id', 'id']);
        });
        Schema::create('approval_answers', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('approval_id')->index()->constrained()->cascadeOnDelete();
            $table->string('kind', 10);
            $table->string('by', 80);
            $table->text('words');
            $table->text('pins');
            $table->timestamp('settled_at')->nullable();
            $table->timestamps();
        });
        Schema::table('shop_jobs', static function (Blueprint $table): void {
            $table->string('customer_says', 10)->default('none');
        });
        Schema::create('letters', static function (Blueprint $table): void {
            $table->id();
            $table->string('to', 200);
            $table->string('subject', 200);
            $table->text('words');
            $table->timestamp('created_at');
        });
    }

    public function down(): void
    {
        Schema::table('shop_jobs', static function (Blueprint $table): void {
            $table->dropColumn('customer_says');
        });
        Schema::dropIfExists('letters');
        Schema::dropIfExists('approval_answers');
        Schema::dropIfExists('approvals');
    }
};
