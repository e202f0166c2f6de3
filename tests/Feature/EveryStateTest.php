<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Backup\Archive;
use App\Backup\Pending;
use App\Backup\Restoring;
use App\Backup\Rows;
use App\Models\ShopJob;
use Illuminate\Foundation\Testing\RefreshDatabaseState;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use PHPUnit\Framework\Attributes\Test;
use Tests\Support\KeptStates;
use Tests\TestCase;

/** A shop of every earlier version comes through to this one with its jobs and what can be undone. */
final class EveryStateTest extends TestCase
{
    #[Test]
    public function every_state_that_the_tables_were_ever_in_comes_through(): void
    {
        $folder = sys_get_temp_dir().'/neat-edge-states-'.bin2hex(random_bytes(5));
        mkdir($folder);
        config(['cache.default' => 'database', 'filesystems.disks.contents.root' => "{$folder}/contents", 'neat-edge.batches' => "{$folder}/batches"]);
        if (config('database.default') === 'sqlite') {
            touch("{$folder}/shop.sqlite");
            config(['database.connections.sqlite.database' => "{$folder}/shop.sqlite"]);
            DB::purge();
        }
        $this->beforeApplicationDestroyed(static function () use ($folder): void {
            (new Rows)->drop();
            DB::purge();
            RefreshDatabaseState::$migrated = false;
            File::deleteDirectory($folder);
        });
        if (getenv('NEAT_EDGE_KEEP_STATES') === '1') {
            KeptStates::keep();
        }
        $migrations = Pending::known();
        $kept = array_map(static fn (string $path): string => basename($path, '.zip'), File::glob(KeptStates::folder().'/*.zip'));
        self::assertSame(array_slice($migrations, 1), $kept, 'each state is kept: see tests/Support/KeptStates.php');
        foreach ($kept as $i => $state) {
            $path = KeptStates::folder()."/{$state}.zip";
            self::assertSame(array_slice($migrations, 0, $i + 2), Archive::open($path)->about->schema, $state);
            Restoring::from($path);
            $job = ShopJob::query()->where('title', KeptStates::TITLE)->firstOrFail();
            $this->getJson("/api/v1/jobs/{$job->id}")->assertOk()->assertJsonCount(1, 'art.pieces')->assertJsonPath('art.pieces.0.name', 'Panel p1');
            $this->postJson("/api/v1/jobs/{$job->id}/undo", ['version' => $job->version])->assertOk();
            $this->getJson("/api/v1/jobs/{$job->id}")->assertOk()->assertJsonCount(2, 'art.pieces');
            $this->getJson('/api/v1/jobs')->assertOk()->assertJsonPath('jobs.0.title', KeptStates::TITLE);
        }
    }
}
