<?php

declare(strict_types=1);

use App\Models\Bytes;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use NeatEdge\Core\Format\Json\ArtworkDifference;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Format\Json\PieceJson;

/** What lies on a bench is kept piece by piece, and a revision only as what it changed. Jobs from before are carried over. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('bench_pieces', static function (Blueprint $table): void {
            $table->foreignId('shop_job_id')->constrained()->cascadeOnDelete();
            $table->string('piece');
            $table->text('data');
            // The same as the page draws it, so that opening a job computes nothing.
            $table->text('page');
            $table->primary(['shop_job_id', 'piece']);
        });
        Schema::create('versions', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('shop_job_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('number');
            $table->string('name');
            $table->binary('artwork');
            $table->timestamp('created_at')->useCurrent();
        });
        Schema::create('reference_pictures', static function (Blueprint $table): void {
            $table->string('file')->primary();
            $table->string('type');
            $table->unsignedInteger('width');
            $table->unsignedInteger('height');
            $table->binary('bytes');
        });
        Schema::table('shop_jobs', static function (Blueprint $table): void {
            $table->text('bench')->nullable();
            $table->string('unit')->default('mm');
        });
        Schema::table('revisions', static function (Blueprint $table): void {
            $table->binary('change')->default('');
        });
        foreach (DB::table('shop_jobs')->orderBy('id')->get(['id', 'revision']) as $job) {
            self::carryOver((int) $job->id, (int) $job->revision);
        }
        Schema::table('revisions', static function (Blueprint $table): void {
            $table->dropColumn('artwork');
        });
    }

    public function down(): void
    {
        throw new RuntimeException('Differences are not turned back into whole artworks: go back to a copy of the database instead.');
    }

    private static function carryOver(int $job, int $inForce): void
    {
        $art = [];
        foreach (DB::table('revisions')->where('shop_job_id', $job)->orderBy('number')->get() as $revision) {
            $art[$revision->number] = ArtworkJson::decode((string) gzuncompress((string) Bytes::read($revision->artwork)));
            $before = $art[$revision->parent ?? 0] ?? null;
            if ($before !== null) {
                $change = [
                    'ahead' => ArtworkDifference::between($before, $art[$revision->number])->toArray(),
                    'back' => ArtworkDifference::between($art[$revision->number], $before)->toArray(),
                ];
                DB::table('revisions')->where('id', $revision->id)->update(['change' => Bytes::bound((string) gzcompress(ArtworkJson::text($change), 3))]);
            }
        }
        $now = $art[$inForce] ?? null;
        if ($now === null) {
            return;
        }
        $order = [];
        foreach ($now->pieces as $piece) {
            $order[] = $piece->id;
            // How the page draws it is made anew when it is read.
            DB::table('bench_pieces')->insert(['shop_job_id' => $job, 'piece' => $piece->id, 'data' => ArtworkJson::text(PieceJson::of($piece)), 'page' => '']);
        }
        DB::table('shop_jobs')->where('id', $job)->update(['bench' => ArtworkJson::text([...ArtworkJson::frame($now), 'order' => $order])]);
    }
};
