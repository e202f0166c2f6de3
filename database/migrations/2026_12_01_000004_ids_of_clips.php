<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** The highest number of an id that a piece's clips have: a new id is given without reading all pieces for it. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('bench_pieces', static function (Blueprint $table): void {
            $table->unsignedInteger('clip_number')->default(0);
            $table->index(['shop_job_id', 'clip_number']);
        });
        foreach (DB::table('bench_pieces')->where('data', 'like', '%"clip":{%')->select(['shop_job_id', 'piece', 'data'])->cursor() as $row) {
            preg_match_all('/"id":"[a-z](\d{1,9})(?!\d)/', (string) $row->data, $found);
            DB::table('bench_pieces')->where('shop_job_id', $row->shop_job_id)->where('piece', $row->piece)
                ->update(['clip_number' => max(0, ...array_map(intval(...), $found[1]))]);
        }
    }

    public function down(): void
    {
        Schema::table('bench_pieces', static function (Blueprint $table): void {
            $table->dropIndex(['shop_job_id', 'clip_number']);
            $table->dropColumn('clip_number');
        });
    }
};
