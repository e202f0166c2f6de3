<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Backup\Archive;
use App\Models\Batch;
use App\Models\BatchFiles;
use App\Models\Contents;
use App\Models\DiskFull;
use App\Models\ShopFont;
use App\Models\ShopJob;
use App\Models\Source;
use App\Prep\Intake;
use App\Prep\ShopFonts;
use App\Works\Health;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Storage;
use NeatEdge\Core\Process\Processes;
use PHPUnit\Framework\Attributes\Test;
use RuntimeException;
use Tests\Support\FreePort;
use Tests\TestCase;
use ZipArchive;

/** Large contents on a store that speaks S3, which several hosts share: a stand-in for one, asked through the framework's own adapter. */
final class ObjectStoreTest extends TestCase
{
    use RefreshDatabase;

    private string $folder;

    /** @var resource */
    private $store;

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/neat-edge-store-'.bin2hex(random_bytes(4));
        File::makeDirectory($this->folder);
        $port = FreePort::any();
        $store = proc_open(
            [PHP_BINARY, '-S', "127.0.0.1:{$port}", dirname(__DIR__).'/Support/object-store.php'],
            [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', "{$this->folder}/log", 'a']],
            $pipes,
            null,
            ['STORE' => $this->folder, 'ACCESS' => 'lantern', 'PATH' => (string) getenv('PATH')],
        );
        self::assertIsResource($store);
        $this->store = $store;
        for ($i = 0; $i < 100 && ! @fsockopen('127.0.0.1', $port); $i++) {
            usleep(50_000);
        }
        $this->reach($port, 'lantern');
    }

    protected function tearDown(): void
    {
        proc_terminate($this->store);
        proc_close($this->store);
        File::deleteDirectory($this->folder);
        parent::tearDown();
    }

    private function reach(int $port, string $key): void
    {
        foreach (['NEAT_EDGE_CONTENTS_DISK' => 's3', 'AWS_ENDPOINT' => "http://127.0.0.1:{$port}", 'AWS_ACCESS_KEY_ID' => $key, 'AWS_SECRET_ACCESS_KEY' => 'river'] as $name => $value) {
            $_ENV[$name] = $_SERVER[$name] = $value;
        }
        // As it is said in the settings, not as a test would have it.
        config(['filesystems.disks.contents' => (require config_path('filesystems.php'))['disks']['contents']]);
        foreach (['NEAT_EDGE_CONTENTS_DISK', 'AWS_ENDPOINT', 'AWS_ACCESS_KEY_ID', 'AWS_SECRET_ACCESS_KEY'] as $name) {
            unset($_ENV[$name], $_SERVER[$name]);
        }
        Storage::forgetDisk('contents');
    }

    /** @return list<string> what lies in the store */
    private function kept(): array
    {
        return array_values(array_map(static fn (string $path): string => rawurldecode(basename($path)), glob("{$this->folder}/neat-edge/*") ?: []));
    }

    #[Test]
    public function what_is_kept_is_there_whole_once_and_goes_when_nobody_names_it(): void
    {
        $bytes = random_bytes(300_000);
        $hash = Contents::put($bytes);
        self::assertSame($hash, Contents::put($bytes));
        self::assertSame(['kept/'.substr($hash, 0, 2)."/{$hash}"], $this->kept(), 'nothing half written stays');
        self::assertTrue(Contents::has($hash));
        self::assertSame($bytes, Contents::get($hash));
        self::assertFalse(Contents::has(str_repeat('0', 64)));
        self::assertSame(0, Contents::prune(), 'it was put there just now');
        touch("{$this->folder}/neat-edge/".rawurlencode('kept/'.substr($hash, 0, 2)."/{$hash}"), time() - 7200);
        self::assertSame(1, Contents::prune());
        self::assertSame([], $this->kept());
        // What was changed there is not taken for what was kept.
        $hash = Contents::put('lantern');
        file_put_contents("{$this->folder}/neat-edge/".rawurlencode('kept/'.substr($hash, 0, 2)."/{$hash}"), 'other');
        $this->expectException(RuntimeException::class);
        Contents::get($hash);
    }

    #[Test]
    public function a_job_and_a_backup_of_it_lie_there(): void
    {
        $svg = (string) file_get_contents(database_path('demo/window-decal.svg'));
        $job = Intake::take('Boathouse window', Processes::of('cut-vinyl'), 600.0, 'decal.svg', $svg);
        self::assertNotSame([], $this->kept());
        self::assertSame($svg, Source::query()->findOrFail($job->id)->svg);
        self::assertSame(0, Contents::prune());
        $archive = Archive::write("{$this->folder}/shop.zip");
        self::assertSame(count(array_filter($this->kept(), static fn (string $key): bool => str_starts_with($key, 'kept/'))), $archive->about->contents);
        self::assertTrue(Health::of()['contents']);
        self::assertNotNull(ShopJob::snapshot($job->id)->art()->pieces[0] ?? null);
    }

    #[Test]
    public function a_font_that_was_added_at_another_host_is_here_too(): void
    {
        $bytes = (string) file_get_contents(base_path('core/fonts/DejaVuSans.ttf'));
        $font = ShopFonts::add('DejaVuSans.ttf', $bytes);
        $own = storage_path($font->path);
        File::delete($own);
        self::assertContains($font->family, array_column(ShopFonts::shelf()->families(), 'family'));
        self::assertSame($bytes, file_get_contents($own));
        ShopFonts::remove($font);
        self::assertFileDoesNotExist($own);
        self::assertSame([], $this->kept());
        self::assertSame(0, ShopFont::query()->count());
    }

    #[Test]
    public function a_batch_lies_there_and_any_host_goes_on_with_it_where_it_was(): void
    {
        config(['neat-edge.batches' => BatchFiles::STORE]);
        $svg = static fn (int $width): string => '<svg xmlns="http://www.w3.org/2000/svg" width="60mm" height="40mm"><rect x="9" y="9" width="'.$width.'" height="30"/></svg>';
        $files = array_map(static fn (string $name, string $bytes): UploadedFile => UploadedFile::fake()->createWithContent($name, $bytes), ['oar.svg', 'Boje ü.svg', 'torn.svg'], [$svg(30), $svg(40), '<svg']);
        $here = glob(sys_get_temp_dir().'/neat-edge-batch-*') ?: [];
        $id = (int) $this->post('/api/v1/batches', ['preset' => 'Vinyl to weed', 'files' => $files, 'sizes' => "oar.svg,120mm\n"], ['Accept' => 'application/json'])->assertCreated()->json('id');
        $batch = $this->getJson("/api/v1/batches/{$id}")->assertOk()->assertJsonPath('work.state', 'done')->assertJsonPath('done', 3)->json();
        self::assertSame(['Boje ü.svg' => 'done', 'oar.svg' => 'done', 'torn.svg' => 'failed'], array_column($batch['rows'], 'state', 'file'));
        self::assertSame(120.0, (float) array_column($batch['rows'], 'width_mm', 'file')['oar.svg']);
        self::assertSame($here, glob(sys_get_temp_dir().'/neat-edge-batch-*') ?: [], 'the copy is gone');
        self::assertDirectoryDoesNotExist(storage_path("app/batches/{$id}"));
        $this->get("/api/v1/batches/{$id}/picture/".rawurlencode('Boje ü.svg'))->assertOk();
        $this->postJson("/api/v1/batches/{$id}/open", ['file' => 'oar.svg'])->assertCreated()->assertJsonPath('width', 120);
        File::put("{$this->folder}/all.zip", (string) $this->get("/api/v1/batches/{$id}/all.zip")->assertOk()->getContent());
        $zip = new ZipArchive;
        self::assertTrue($zip->open("{$this->folder}/all.zip"));
        self::assertStringContainsString('width="120mm"', (string) $zip->getFromName('oar.svg/sheet-1-000000.svg'));
        self::assertStringContainsString('torn.svg', (string) $zip->getFromName('summary.csv'));
        // Cut off after one of them: another goes on, and what was done is not done again.
        $model = Batch::query()->findOrFail($id);
        $rows = $model->told();
        $model->tell(['oar.svg' => [...$rows['oar.svg'], 'height_mm' => 77]]);
        $model->work?->update(['state' => 'stopped']);
        self::assertSame(1, $this->getJson("/api/v1/batches/{$id}")->json('done'));
        $this->postJson("/api/v1/batches/{$id}/again")->assertOk();
        $heights = array_column($this->getJson("/api/v1/batches/{$id}")->assertJsonPath('done', 3)->json('rows'), 'height_mm', 'file');
        self::assertSame([77.0, (float) $rows['Boje ü.svg']['height_mm']], [(float) $heights['oar.svg'], (float) $heights['Boje ü.svg']]);
        // One is tried again by itself.
        $this->postJson("/api/v1/batches/{$id}/again", ['file' => 'oar.svg'])->assertOk();
        self::assertSame((float) $rows['oar.svg']['height_mm'], (float) array_column($this->getJson("/api/v1/batches/{$id}")->json('rows'), 'height_mm', 'file')['oar.svg']);
        // It comes along in a backup, and back.
        $archive = "{$this->folder}/shop.zip";
        Archive::write($archive);
        $kept = array_values(array_filter($this->kept(), static fn (string $key): bool => str_starts_with($key, 'batches/')));
        $this->deleteJson("/api/v1/batches/{$id}")->assertNoContent();
        self::assertSame([], array_filter($this->kept(), static fn (string $key): bool => str_starts_with($key, 'batches/')));
        Archive::open($archive)->check();
        self::assertSame($kept, array_map(static fn (string $name): string => $name, array_values(array_filter(array_keys(Archive::open($archive)->about->files), static fn (string $name): bool => str_starts_with($name, 'batches/')))));
        // No room: said, and nothing of it stays.
        touch("{$this->folder}/full");
        $this->post('/api/v1/batches', ['preset' => 'Vinyl to weed', 'files' => [UploadedFile::fake()->createWithContent('oar.svg', $svg(5))]], ['Accept' => 'application/json'])->assertStatus(507);
        self::assertSame(0, Batch::query()->count());
    }

    #[Test]
    public function a_store_that_is_full_or_refuses_is_said_in_a_sentence(): void
    {
        touch("{$this->folder}/full");
        try {
            Contents::put(random_bytes(5000));
            self::fail('It was kept where there is no room.');
        } catch (DiskFull $full) {
            self::assertSame('What was to be kept could not be written: the disk is full, or may not be written to.', $full->getMessage());
        }
        self::assertSame([], $this->kept());
        self::assertFalse(Health::of()['contents']);
    }
}
