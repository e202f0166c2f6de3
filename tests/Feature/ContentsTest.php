<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Bytes;
use App\Models\Contents;
use App\Models\DiskFull;
use App\Models\LargeBytes;
use App\Models\Source;
use App\Prep\Pruning;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\Test;
use RuntimeException;
use Symfony\Component\Finder\Finder;
use Tests\TestCase;

/** Large contents lie by their hash on one disk. */
final class ContentsTest extends TestCase
{
    use RefreshDatabase;

    private string $folder = '';

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/neat-edge-kept-'.bin2hex(random_bytes(5));
        config(['filesystems.disks.contents.root' => $this->folder]);
    }

    protected function tearDown(): void
    {
        exec('chmod -R u+w '.escapeshellarg($this->folder).' 2>/dev/null; rm -rf '.escapeshellarg($this->folder));
        parent::tearDown();
    }

    private static function art(int $pieces): string
    {
        $body = implode('', array_map(static fn (int $i): string => "<rect x=\"{$i}\" y=\"{$i}\" width=\"9\" height=\"9\" fill=\"#1f6f8b\"/>", range(1, $pieces)));

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"100mm\" height=\"100mm\" viewBox=\"0 0 100 100\">{$body}</svg>";
    }

    private function job(string $svg): int
    {
        return (int) $this->post('/api/v1/jobs', [
            'process' => 'cut-vinyl', 'file' => UploadedFile::fake()->createWithContent('boat.svg', $svg), 'of' => 'page',
        ], ['Accept' => 'application/json'])->assertCreated()->json('id');
    }

    private static function raw(int $job): string
    {
        return (string) Bytes::read(DB::table('sources')->where('shop_job_id', $job)->value('svg'));
    }

    #[Test]
    public function a_large_file_lies_once_by_its_hash_and_a_small_one_in_its_row(): void
    {
        $large = self::art(90);
        [$first, $second, $small] = [$this->job($large), $this->job($large), $this->job(self::art(2))];
        $hash = hash('sha256', $large);
        self::assertSame("contents:sha256:{$hash}", self::raw($first));
        self::assertSame(self::raw($first), self::raw($second));
        self::assertStringStartsWith('<svg', self::raw($small));
        self::assertSame($large, file_get_contents("{$this->folder}/kept/".substr($hash, 0, 2)."/{$hash}"));
        self::assertSame($large, Source::query()->findOrFail($second)->svg);
        self::assertSame([$hash], array_values(array_map(static fn ($file): string => $file->getFilename(), iterator_to_array(Finder::create()->files()->in($this->folder), false))));
    }

    #[Test]
    public function what_nobody_names_any_more_goes_an_hour_later_and_what_is_named_stays(): void
    {
        $job = $this->job(self::art(90));
        $gone = $this->job(self::art(91));
        $new = Contents::put('stored just now, named in a moment');
        DB::table('shop_jobs')->where('id', $gone)->delete();
        foreach (Finder::create()->files()->in($this->folder) as $file) {
            if ($file->getFilename() !== $new) {
                touch($file->getPathname(), time() - Contents::FRESH - 5);
            }
        }
        self::assertSame(1, Pruning::run()['contents']);
        self::assertSame(self::art(90), Source::query()->findOrFail($job)->svg);
        self::assertFalse(Contents::has(hash('sha256', self::art(91))));
        self::assertTrue(Contents::has($new));
        // Stored again it is as new, so that what is about to be named cannot be taken away meanwhile.
        touch("{$this->folder}/kept/".substr($new, 0, 2)."/{$new}", time() - Contents::FRESH - 5);
        Contents::put('stored just now, named in a moment');
        self::assertSame(0, Contents::prune());
    }

    #[Test]
    public function what_is_torn_is_told_and_stored_anew_and_nothing_of_others_is_read(): void
    {
        $hash = Contents::put('a whole file');
        $path = "{$this->folder}/kept/".substr($hash, 0, 2)."/{$hash}";
        file_put_contents($path, 'a whole');
        try {
            Contents::get($hash);
            self::fail('torn bytes were given');
        } catch (RuntimeException $told) {
            self::assertStringContainsString('not what was kept', $told->getMessage());
        }
        self::assertSame($hash, Contents::put('a whole file'));
        self::assertSame('a whole file', Contents::get($hash));
        // A file that says of itself to be somebody else's is but a file.
        $model = new Source;
        $said = (new LargeBytes)->set($model, 'svg', Contents::MARK.$hash, []);
        self::assertSame(Contents::MARK.$hash, (new LargeBytes)->get($model, 'svg', $said, []));
        foreach (['../../.env', 'kept/x', str_repeat('g', 64), ''] as $name) {
            try {
                Contents::get($name);
                self::fail("{$name} was read");
            } catch (RuntimeException $told) {
                self::assertSame('That names no contents.', $told->getMessage());
            }
        }
    }

    #[Test]
    public function where_there_is_no_room_one_sentence_says_so_and_nothing_is_stored(): void
    {
        // A file where the folder would be: also who may do everything cannot write there.
        mkdir($this->folder);
        file_put_contents("{$this->folder}/kept", 'in the way');
        $this->post('/api/v1/jobs', [
            'process' => 'cut-vinyl', 'file' => UploadedFile::fake()->createWithContent('boat.svg', self::art(90)), 'of' => 'page',
        ], ['Accept' => 'application/json'])->assertStatus(507)->assertJsonPath('message', 'What was to be kept could not be written: the disk is full, or may not be written to.');
        self::assertSame(0, DB::table('shop_jobs')->count());
        $this->expectException(DiskFull::class);
        Contents::put('anything');
    }

    #[Test]
    public function a_job_whose_contents_are_gone_says_what_is_to_be_done_and_the_rest_goes_on(): void
    {
        $job = $this->job(self::art(90));
        $other = $this->job(self::art(91));
        $hash = hash('sha256', self::art(90));
        unlink("{$this->folder}/kept/".substr($hash, 0, 2)."/{$hash}");
        $this->getJson("/api/v1/jobs/{$job}/source.svg")->assertStatus(500)
            ->assertJsonPath('message', 'A part of this that is kept beside the database is missing or damaged. Nothing was changed; put it back from a backup (docs/running.md).');
        $this->getJson("/api/v1/jobs/{$job}")->assertOk();
        $this->getJson("/api/v1/jobs/{$other}/source.svg")->assertOk();
    }

    #[Test]
    public function every_column_that_may_name_contents_is_asked_before_they_go(): void
    {
        $columns = [];
        foreach (Finder::create()->files()->in(app_path('Models'))->name('*.php') as $file) {
            $class = 'App\\Models\\'.$file->getBasename('.php');
            if (is_subclass_of($class, Model::class)) {
                $model = new $class;
                foreach (array_keys($model->getCasts(), LargeBytes::class, true) as $column) {
                    $columns[$model->getTable()] = $column;
                }
            }
        }
        ksort($columns);
        $asked = array_diff_key(Contents::COLUMNS, ['sendings' => 1]);
        ksort($asked);
        self::assertNotSame([], $columns);
        self::assertSame($columns, $asked);
    }
}
