<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** People of the shop, where they are signed in, tokens of their programs; and who made what. What was made before was made by nobody that is known. */
return new class extends Migration
{
    /** What somebody makes. */
    private const MADE = ['revisions', 'versions', 'releases', 'sendings', 'approvals', 'works', 'preparations'];

    public function up(): void
    {
        Schema::create('people', static function (Blueprint $table): void {
            $table->id();
            $table->string('name', 80);
            $table->string('email', 200)->unique();
            $table->string('password')->nullable();
            $table->string('role', 12);
            $table->timestamp('left_at')->nullable();
            $table->timestamps();
        });
        Schema::create('sign_ins', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->char('key', 64)->unique();
            $table->string('from', 45);
            $table->string('with', 200);
            $table->timestamp('seen_at');
            $table->timestamp('created_at');
        });
        Schema::create('password_links', static function (Blueprint $table): void {
            $table->string('email', 200)->primary();
            $table->string('token');
            $table->timestamp('created_at')->nullable();
        });
        Schema::create('personal_access_tokens', static function (Blueprint $table): void {
            $table->id();
            $table->morphs('tokenable');
            $table->string('name', 80);
            $table->string('token', 64)->unique();
            $table->text('abilities')->nullable();
            $table->timestamp('last_used_at')->nullable();
            $table->timestamp('expires_at')->nullable()->index();
            $table->timestamps();
        });
        Schema::create('presences', static function (Blueprint $table): void {
            $table->foreignId('shop_job_id')->constrained()->cascadeOnDelete();
            $table->string('page', 40);
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->text('held');
            $table->double('seen_at')->index();
            $table->primary(['shop_job_id', 'page']);
        });
        foreach (self::MADE as $made) {
            Schema::table($made, static function (Blueprint $table): void {
                $table->unsignedBigInteger('person_id')->nullable();
            });
        }
        Schema::table('approval_answers', static function (Blueprint $table): void {
            $table->unsignedBigInteger('settled_by')->nullable();
        });
        Schema::table('letters', static function (Blueprint $table): void {
            $table->boolean('secret')->default(false);
        });
    }

    public function down(): void
    {
        Schema::table('letters', static fn (Blueprint $table) => $table->dropColumn('secret'));
        Schema::table('approval_answers', static fn (Blueprint $table) => $table->dropColumn('settled_by'));
        foreach (self::MADE as $made) {
            Schema::table($made, static fn (Blueprint $table) => $table->dropColumn('person_id'));
        }
        foreach (['presences', 'personal_access_tokens', 'password_links', 'sign_ins', 'people'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
