<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Backup\Archive;
use App\Backup\Damaged;
use App\Backup\Moving;
use App\Backup\Restoring;
use App\Backup\Rows;
use App\Models\Bytes;
use App\Models\Contents;
use App\Models\Person;
use App\Models\Role;
use App\Models\ShopJob;
use Illuminate\Filesystem\FilesystemAdapter;
use Illuminate\Foundation\Testing\RefreshDatabaseState;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Storage;
use PDO;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;
use ZipArchive;

/** The shop as one file, out and in again, and from one database into another. */
final class BackupTest extends TestCase
{
    private string $folder = '';

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/neat-edge-backups-'.bin2hex(random_bytes(5));
        mkdir($this->folder);
        config([
            'filesystems.disks.contents.root' => "{$this->folder}/contents", 'neat-edge.backups' => "{$this->folder}/kept", 'cache.default' => 'database',
            'neat-edge.batches' => "{$this->folder}/batches",
        ]);
        if (config('database.default') === 'sqlite') {
            touch("{$this->folder}/shop.sqlite");
            config(['database.connections.sqlite.database' => "{$this->folder}/shop.sqlite"]);
            DB::purge();
        }
        (new Rows)->drop();
        Artisan::call('migrate', ['--force' => true]);
        $this->beforeApplicationDestroyed(function (): void {
            (new Rows)->drop();
            DB::purge();
            RefreshDatabaseState::$migrated = false;
            File::deleteDirectory($this->folder);
        });
    }

    private function shop(): ShopJob
    {
        Person::query()->create(['name' => 'Isa Quill', 'email' => 'isa@marrowby.test', 'role' => Role::Owner, 'password' => 'a lantern on the water']);
        $long = implode('', array_map(static fn (int $i): string => "<rect x='{$i}' y='1' width='0.4' height='30' fill='#1d5c46'/>", range(1, 70)));
        $svg = "<svg xmlns='http://www.w3.org/2000/svg' width='90mm' height='40mm' viewBox='0 0 90 40'><title>Lantern — Würde ✂</title>{$long}</svg>";
        $file = \Illuminate\Http\UploadedFile::fake()->createWithContent('lantern.svg', $svg);
        $id = $this->post('/api/v1/jobs', ['process' => 'cut-vinyl', 'title' => 'Lantern', 'file' => $file], ['Accept' => 'application/json'])->assertCreated()->json('id');
        $this->postJson("/api/v1/jobs/{$id}/versions", ['name' => 'as it came'])->assertOk();
        $this->patchJson("/api/v1/jobs/{$id}", ['version' => 1, 'width' => '120', 'customer' => 'The regatta'])->assertOk();
        File::ensureDirectoryExists("{$this->folder}/batches/7/in");
        File::put("{$this->folder}/batches/7/in/one.svg", $svg);

        return ShopJob::query()->whereKey($id)->firstOrFail();
    }

    /** @return array<string, list<string>> every row of the shop */
    private static function all(?string $connection = null): array
    {
        $rows = new Rows($connection);
        $all = [];
        foreach ($rows->tables() as $table) {
            foreach ($rows->read($table) as $row) {
                $all[$table][] = Rows::line($row);
            }
        }

        return $all;
    }

    #[Test]
    public function a_shop_comes_back_as_it_was_with_all_that_its_rows_name(): void
    {
        $job = $this->shop();
        $before = self::all();
        self::assertGreaterThan(5, count($before));
        self::assertArrayNotHasKey('sign_ins', $before, 'nobody is let in by a backup');
        self::assertSame(0, Artisan::call('neat-edge:backup', ['file' => "{$this->folder}/shop.zip"]));
        self::assertSame('600', decoct(fileperms("{$this->folder}/shop.zip") & 0777));
        self::assertSame([], File::glob("{$this->folder}/*.part"));
        // All of it is lost, or another shop stands in its place.
        (new Rows)->drop();
        File::deleteDirectory("{$this->folder}/contents");
        File::deleteDirectory("{$this->folder}/batches");
        Artisan::call('migrate', ['--force' => true]);
        $this->postJson('/api/v1/jobs', ['process' => 'plain', 'width' => '9', 'height' => '9', 'title' => 'Another'])->assertCreated();
        $other = self::all();
        self::assertSame(1, Artisan::call('neat-edge:restore', ['file' => "{$this->folder}/shop.zip"]));
        self::assertSame($other, self::all(), 'nothing is taken away unasked');
        self::assertSame(0, Artisan::call('neat-edge:restore', ['file' => "{$this->folder}/shop.zip", '--over' => true]), Artisan::output());
        self::assertSame($before, self::all());
        $this->getJson("/api/v1/jobs/{$job->id}")->assertOk()->assertJsonPath('job.customer', 'The regatta');
        self::assertStringContainsString('Würde', (string) $this->get("/api/v1/jobs/{$job->id}/source.svg")->assertOk()->getContent());
        self::assertStringContainsString('Würde', File::get("{$this->folder}/batches/7/in/one.svg"));
        // What stood there meanwhile lies aside, whole.
        $aside = File::glob("{$this->folder}/kept/*-before-restore.zip");
        self::assertCount(1, $aside);
        self::assertSame(1, Archive::open($aside[0])->about->tables['shop_jobs']['rows']);
        // Rows that come next are numbered after those that came back.
        $next = $this->postJson('/api/v1/jobs', ['process' => 'plain', 'width' => '9', 'height' => '9'])->assertCreated()->json('id');
        self::assertGreaterThan($job->id, $next);
    }

    #[Test]
    public function the_rows_are_those_of_one_moment_whoever_writes_meanwhile(): void
    {
        if (config('database.default') !== 'sqlite') {
            self::markTestSkipped('The other database has this of its own; here it is tried on a file.');
        }
        $job = $this->shop();
        $before = self::all();
        $other = new PDO("sqlite:{$this->folder}/shop.sqlite");
        $wrote = 0;
        DB::listen(static function ($query) use ($other, $job, &$wrote): void {
            if (str_contains($query->sql, 'from "approvals"') && $wrote === 0) {
                // Read first of all tables that have rows: both of these come after it.
                $wrote += (int) $other->exec("update shop_jobs set title = 'Written meanwhile', version = 99 where id = {$job->id}");
                $wrote += (int) $other->exec("insert into revisions (shop_job_id, number, label, change) values ({$job->id}, 77, 'Meanwhile', '')");
            }
        });
        Archive::write("{$this->folder}/shop.zip");
        self::assertSame(2, $wrote, 'nobody was kept waiting');
        $other = null;
        Restoring::from("{$this->folder}/shop.zip");
        self::assertSame($before, self::all());
    }

    #[Test]
    public function what_is_damaged_is_told_and_touches_nothing(): void
    {
        $this->shop();
        $path = "{$this->folder}/shop.zip";
        Archive::write($path);
        $before = self::all();
        $whole = File::get($path);
        $damages = [
            'cut off' => static fn (): int|bool => File::put($path, substr($whole, 0, (int) (0.7 * strlen($whole)))),
            'no archive' => static fn (): int|bool => File::put($path, 'not a shop'),
            'a row less' => fn (): bool => $this->with($path, 'tables/people.jsonl', ''),
            'another row' => fn (): bool => $this->with($path, 'tables/shop_jobs.jsonl', str_replace('Lantern', 'Lanterm', (string) $this->read($path, 'tables/shop_jobs.jsonl'))),
            'another content' => fn (): bool => $this->with($path, $this->named($path, 'contents/'), 'x'),
            'a file that leads out' => fn (): bool => $this->about($path, static fn (array $about): array => [...$about, 'files' => ['batches/../../x' => str_repeat('0', 64)]]),
            'a newer form' => fn (): bool => $this->about($path, static fn (array $about): array => [...$about, 'form' => 2]),
            'tables of a newer program' => fn (): bool => $this->about($path, static fn (array $about): array => [...$about, 'schema' => [...$about['schema'], '2031_01_01_000001_more']]),
            'a table of another program' => fn (): bool => $this->about($path, static fn (array $about): array => [
                ...$about, 'tables' => ['users; drop' => ['rows' => 0, 'sha256' => hash('sha256', '')]],
            ]),
        ];
        foreach ($damages as $what => $damage) {
            File::put($path, $whole);
            $damage();
            try {
                Restoring::from($path);
                self::fail("{$what} is seen");
            } catch (Damaged $told) {
                self::assertMatchesRegularExpression('/^[A-Z\/][^\n]+\.$/', $told->getMessage(), $what);
            }
            self::assertSame($before, self::all(), $what);
        }
        File::put($path, $whole);
        self::assertGreaterThan(4, Restoring::from($path));
    }

    private function read(string $path, string $name): string
    {
        $zip = new ZipArchive;
        $zip->open($path);

        return (string) $zip->getFromName($name);
    }

    private function with(string $path, string $name, string $bytes): bool
    {
        $zip = new ZipArchive;
        $zip->open($path);
        $zip->addFromString($name, $bytes);

        return $zip->close();
    }

    /** @param  callable(array<string, mixed>): array<string, mixed>  $change */
    private function about(string $path, callable $change): bool
    {
        return $this->with($path, 'neat-edge.json', json_encode($change((array) json_decode($this->read($path, 'neat-edge.json'), true)), JSON_THROW_ON_ERROR));
    }

    private function named(string $path, string $begins): string
    {
        $zip = new ZipArchive;
        $zip->open($path);
        for ($i = 0; $i < $zip->numFiles; $i++) {
            if (str_starts_with((string) $zip->getNameIndex($i), $begins)) {
                return (string) $zip->getNameIndex($i);
            }
        }
        self::fail("nothing is called {$begins}");
    }

    #[Test]
    public function what_was_not_written_as_it_was_read_stands_under_no_name(): void
    {
        $this->shop();
        $disk = Storage::disk('contents');
        // Somebody writes into what is being put together.
        $spoils = new class($disk->getDriver(), $disk->getAdapter(), $disk->getConfig()) extends FilesystemAdapter
        {
            public function get($path): ?string
            {
                foreach (glob(sys_get_temp_dir().'/neat-edge-backup-*/people.jsonl') ?: [] as $file) {
                    file_put_contents($file, str_replace('Isa', 'Ima', (string) file_get_contents($file)));
                }

                return parent::get($path);
            }
        };
        Storage::set('contents', $spoils);
        try {
            Archive::write("{$this->folder}/shop.zip");
            self::fail('it is read back');
        } catch (Damaged $told) {
            self::assertStringContainsString('people is not what was written', $told->getMessage());
        }
        self::assertSame([], File::glob("{$this->folder}/*.zip*"));
        Storage::set('contents', $disk);
    }

    #[Test]
    public function a_backup_of_an_earlier_state_of_the_tables_is_brought_forward(): void
    {
        (new Rows)->drop();
        foreach (['000001_create_jobs', '000002_create_queue_and_cache', '000003_create_fonts'] as $file) {
            Artisan::call('migrate', ['--path' => "database/migrations/2026_11_25_{$file}.php", '--force' => true]);
        }
        $piece = '{"id":"p1","name":"Panel","rule":"nonzero","contours":[[true,[10.0,0.0,10.0,0.0,50.0,0.0,50.0,0.0,50.0,0.0,50.0,20.0,50.0,20.0]]],"fill":["#ff0000",1.0],"stroke":null}';
        $job = DB::table('shop_jobs')->insertGetId(['title' => 'Old', 'process' => 'cut-vinyl', 'width_mm' => 100, 'height_mm' => 50, 'source_name' => 'old.svg',
            'notices' => '[]', 'revision' => 1, 'version' => 1]);
        DB::table('sources')->insert(['shop_job_id' => $job, 'svg' => Bytes::bound('<svg/>')]);
        DB::table('revisions')->insert(['shop_job_id' => $job, 'number' => 1, 'label' => 'As it came in',
            'artwork' => Bytes::bound((string) gzcompress('{"width":100.0,"height":50.0,"pieces":['.$piece.']}'))]);
        // As bin/start does it: before the tables become others.
        self::assertSame(0, Artisan::call('neat-edge:backup', ['--before-migration' => true]));
        [$path] = File::glob("{$this->folder}/kept/*-before-migration.zip");
        Artisan::call('migrate', ['--force' => true]);
        Artisan::call('neat-edge:backup', ['--before-migration' => true]);
        self::assertCount(1, File::glob("{$this->folder}/kept/*.zip"), 'and not where they stay');
        $now = self::all();
        Restoring::from($path);
        self::assertSame(array_keys($now), array_keys(self::all()));
        $this->getJson("/api/v1/jobs/{$job}")->assertOk()->assertJsonPath('art.pieces.0.name', 'Panel');
    }

    #[Test]
    public function some_are_kept_by_themselves_and_the_owner_sees_how_old_the_last_is(): void
    {
        $this->shop();
        config(['neat-edge.backups_kept' => 3]);
        $this->getJson('/api/v1/backups')->assertOk()->assertJsonPath('kept', []);
        for ($i = 0; $i < 5; $i++) {
            $this->travel(1)->days();
            self::assertSame(0, Artisan::call('neat-edge:backup'));
        }
        $kept = $this->getJson('/api/v1/backups')->assertOk()->assertJsonCount(3, 'kept')->json('kept');
        $names = array_column($kept, 'name');
        rsort($names);
        self::assertSame($names, array_column($kept, 'name'));
        $lock = Cache::lock(Archive::LOCK, 60);
        $lock->get();
        self::assertSame(1, Artisan::call('neat-edge:backup'));
        self::assertStringContainsString('Another backup', Artisan::output());
        // Named by nothing, and long there: it goes, but not from under a backup.
        $hash = Contents::put('what nobody names');
        touch("{$this->folder}/contents/kept/".substr($hash, 0, 2)."/{$hash}", time() - 2 * Contents::FRESH);
        self::assertSame(0, Contents::prune());
        self::assertTrue(Contents::has($hash));
        self::assertNotNull($this->getJson('/api/v1/backups')->json('failed'));
        $lock->release();
        self::assertSame(1, Contents::prune());
        self::assertSame(0, Artisan::call('neat-edge:backup'));
        $this->getJson('/api/v1/backups')->assertJsonPath('failed', null);
    }

    #[Test]
    public function a_shop_is_carried_into_another_database_and_every_row_is_looked_at_there(): void
    {
        $job = $this->shop();
        touch("{$this->folder}/other.sqlite");
        config(['database.connections.other' => [...config('database.connections.sqlite'), 'database' => "{$this->folder}/other.sqlite"]]);
        $moved = Moving::to('other');
        self::assertSame(self::all(), self::all('other'));
        self::assertSame(1, $moved['shop_jobs']);
        try {
            Moving::to('other');
            self::fail('a shop is laid over no other');
        } catch (Damaged $told) {
            self::assertStringContainsString('already', $told->getMessage());
        }
        // What does not arrive as it was is seen, and nothing of it stays.
        DB::connection('other')->table('people')->delete();
        DB::connection('other')->table('shop_jobs')->delete();
        DB::connection('other')->statement("create trigger spoils after insert on revisions begin update revisions set label = 'spoilt' where id = new.id; end");
        try {
            Moving::to('other');
            self::fail('a spoilt row is seen');
        } catch (Damaged $told) {
            self::assertStringContainsString('revisions did not arrive', $told->getMessage());
        }
        self::assertSame(0, DB::connection('other')->table('shop_jobs')->count());
        self::assertSame($job->id, ShopJob::query()->value('id'));
        DB::purge('other');
    }
}
