<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Bytes;
use App\Models\ShopJob;
use Illuminate\Foundation\Testing\RefreshDatabaseState;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use NeatEdge\Core\Format\Json\ArtworkJson;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** A shop's database from before revisions were differences keeps every job with all that can be undone. */
final class CarriedOverTest extends TestCase
{
    #[Test]
    public function jobs_from_before_open_as_they_were_and_undo_as_far_as_they_did(): void
    {
        $this->beforeApplicationDestroyed(static function (): void {
            // The next test begins with the tables as they are now, and nothing in them.
            Artisan::call('db:wipe', ['--force' => true]);
            RefreshDatabaseState::$migrated = false;
        });
        DB::purge();
        Artisan::call('db:wipe', ['--force' => true]);
        foreach (['000001_create_jobs', '000002_create_queue_and_cache', '000003_create_fonts'] as $file) {
            self::assertSame(0, Artisan::call('migrate', ['--path' => "database/migrations/2026_11_25_{$file}.php", '--force' => true]));
        }
        $rectangle = static fn (int $x): string => sprintf(
            '{"id":"p1","name":"Panel","rule":"nonzero","contours":[[true,[%1$d.0,0.0,%1$d.0,0.0,50.0,0.0,50.0,0.0,50.0,0.0,50.0,20.0,50.0,20.0]]],"fill":["#ff0000",1.0],"stroke":null}',
            $x,
        );
        $whole = static fn (string $pieces): mixed => Bytes::bound((string) gzcompress('{"width":100.0,"height":50.0,"pieces":['.$pieces.']}'));
        $job = DB::table('shop_jobs')->insertGetId([
            'title' => 'Old',
            'process' => 'cut-vinyl',
            'width_mm' => 100,
            'height_mm' => 50,
            'source_name' => 'old.svg',
            'notices' => '[]',
            'revision' => 2,
            'version' => 5,
        ]);
        DB::table('sources')->insert(['shop_job_id' => $job, 'svg' => Bytes::bound('<svg/>')]);
        DB::table('revisions')->insert([
            'shop_job_id' => $job,
            'number' => 1,
            'label' => 'As it came in',
            'artwork' => $whole($rectangle(10).','.str_replace('p1', 'p2', $rectangle(20))),
        ]);
        DB::table('revisions')->insert(['shop_job_id' => $job, 'number' => 2, 'parent' => 1, 'label' => 'Remove a piece', 'artwork' => $whole($rectangle(15))]);

        self::assertSame(0, Artisan::call('migrate', ['--force' => true]));
        $state = $this->getJson("/api/v1/jobs/{$job}")
            ->assertOk()
            ->assertJsonPath('art.pieces.0.name', 'Panel')
            ->assertJsonCount(1, 'art.pieces')
            ->assertJsonPath('job.unit', 'mm');
        self::assertEqualsWithDelta(15.0, $state->json('art.pieces.0.box.0'), 1e-9);
        $this->postJson("/api/v1/jobs/{$job}/undo", ['version' => 5])->assertOk()->assertJsonPath('changes.order', ['p1', 'p2']);
        self::assertStringContainsString('"p2"', ArtworkJson::encode(ShopJob::query()->findOrFail($job)->art()));
        $this->postJson("/api/v1/jobs/{$job}/redo", ['version' => 6])->assertOk()->assertJsonPath('changes.gone', ['p2']);
    }
}
