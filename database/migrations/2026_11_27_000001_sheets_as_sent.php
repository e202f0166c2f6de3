<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** How high a sheet was when it was sent, nought for what was sent before: what is done of it is drawn where it lies. And what of the shop a ticket names. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('sendings', static function (Blueprint $table): void {
            $table->float('height_mm')->default(0);
        });
        Schema::table('shop_jobs', static function (Blueprint $table): void {
            $table->text('stock')->nullable();
        });
        // The same art at other sizes, each checked at its own: what was asked for and what came of each so far.
        Schema::create('size_runs', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('shop_job_id')->constrained('shop_jobs')->cascadeOnDelete();
            $table->integer('version');
            $table->string('status', 12)->index();
            $table->text('rows');
            $table->string('doing', 120)->default('');
            $table->boolean('stop_requested')->default(false);
            $table->timestamps();
        });
        // A shop that is open already has no blades and heads yet; a new one gets them with all else.
        if (DB::table('stock')->exists()) {
            foreach ([
                ['blade', 'Fine knife', ['offset' => 0.25, 'overcut' => 0.3, 'deepest' => 0.12, 'leastLine' => 0.5, 'leastGap' => 0.3]],
                ['blade', 'Knife for thick film', ['offset' => 0.5, 'overcut' => 0.6, 'deepest' => 0.5, 'leastLine' => 1.2, 'leastGap' => 0.8]],
                ['head', 'Fine beam', ['spot' => 0.1, 'leastLine' => 0.15, 'leastGap' => 0.15, 'fastest' => 300.0]],
                ['head', 'Scratching tip', ['spot' => 0.2, 'leastLine' => 0.25, 'leastGap' => 0.25, 'fastest' => 60.0]],
            ] as [$kind, $name, $data]) {
                DB::table('stock')->insert([
                    'kind' => $kind,
                    'name' => $name,
                    'data' => json_encode($data, JSON_THROW_ON_ERROR),
                    'created_at' => now(),
                    'updated_at' => now(),
                ]);
            }
        }
    }

    public function down(): void
    {
        Schema::table('sendings', static function (Blueprint $table): void {
            $table->dropColumn('height_mm');
        });
        Schema::dropIfExists('size_runs');
        Schema::table('shop_jobs', static function (Blueprint $table): void {
            $table->dropColumn('stock');
        });
    }
};
