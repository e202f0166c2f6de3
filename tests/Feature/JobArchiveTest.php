<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\BenchPiece;
use App\Models\Contents;
use App\Models\ReferencePicture;
use App\Models\ShopJob;
use App\Models\Source;
use App\Models\Version;
use App\Prep\Intake;
use App\Prep\ReferencePictures;
use App\Prep\Showing;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Process\Processes;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;
use ZipArchive;

/** P6: one job as a file, out of one shop and into another. */
final class JobArchiveTest extends TestCase
{
    use RefreshDatabase;

    private string $zip;

    protected function setUp(): void
    {
        parent::setUp();
        $this->zip = sys_get_temp_dir().'/neat-edge-job-'.bin2hex(random_bytes(4)).'.zip';
    }

    protected function tearDown(): void
    {
        @unlink($this->zip);
        parent::tearDown();
    }

    /** With all that a job can have: a file of somebody's, limits, judgements, a version, a picture, a product. */
    private function job(): ShopJob
    {
        $svg = (string) file_get_contents(database_path('demo/window-decal.svg'));
        $job = Intake::take('Boathouse window', Processes::of('cut-vinyl'), 600.0, 'window "decal".svg', $svg);
        $job->update([
            'customer' => 'Quay House Boats', 'due' => '2027-04-02', 'unit' => 'in', 'line_limit_mm' => 0.8, 'more_limits' => ['hole' => 1.25],
            'judged' => [['kind' => 'thin', 'sheet' => '#14213d', 'at' => [0.25, 0.5], 'share' => null, 'accepted' => 'It holds', 'by' => 'Isa Quill']],
            'notices' => [['kind' => 'filter', 'severity' => 'warning', 'message' => 'A filter is not taken: what it is on is drawn without it.', 'at' => [1.5, 2.5], 'accepted' => 'Not seen']],
            'making' => ['values' => ['copies' => 3], 'materials' => ['#14213d' => 7]],
        ]);
        $picture = ReferencePictures::add($job, (string) file_get_contents(database_path('demo/boathouse-mark.png')));
        $this->postJson("/api/v1/jobs/{$job->id}/edits", ['version' => $job->refresh()->version, 'edit' => ['kind' => 'reference', 'picture' => ['file' => $picture->file, 'name' => 'Photo']]])->assertOk();
        $letters = ['kind' => 'text', 'text' => 'QUAY', 'family' => 'Josefin Sans', 'size' => '8mm', 'x' => '20mm', 'y' => '60mm'];
        $this->postJson("/api/v1/jobs/{$job->id}/edits", ['version' => $job->refresh()->version, 'edit' => $letters])->assertOk();
        Version::keep(ShopJob::snapshot($job->id), 'First wish');
        $ids = array_slice(ShopJob::snapshot($job->id)->order(), 0, 2);
        $this->postJson("/api/v1/jobs/{$job->id}/edits", ['version' => $job->refresh()->version, 'edit' => ['kind' => 'remove', 'pieces' => $ids]])->assertOk();
        Showing::choose($job->refresh(), ['thing' => 'tabard', 'arts' => ['l4' => ['width' => 210.0, 'turn' => 4.0]], 'lights' => false]);

        return $job->refresh();
    }

    private function out(ShopJob $job): void
    {
        $answer = $this->get("/api/v1/jobs/{$job->id}/whole.zip")->assertOk();
        self::assertSame('attachment; filename="boathouse-window.job.zip"', $answer->headers->get('Content-Disposition'));
        file_put_contents($this->zip, $answer->getContent());
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function in(): TestResponse
    {
        return $this->postJson('/api/v1/jobs/whole', ['file' => new UploadedFile($this->zip, 'boathouse-window.job.zip', 'application/zip', null, true)]);
    }

    /** Changes a part of the file, and what is written of it, so that only what it says is wrong. */
    private function changed(string $part, \Closure $change): void
    {
        $zip = new ZipArchive;
        $zip->open($this->zip);
        $about = json_decode((string) $zip->getFromName('neat-edge-job.json'), true);
        if ($part === 'neat-edge-job.json') {
            $about = $change($about);
        } else {
            $bytes = $change((string) $zip->getFromName($part));
            $zip->addFromString($part, $bytes);
            $about['files'][$part] = hash('sha256', $bytes);
        }
        $zip->addFromString('neat-edge-job.json', is_array($about) ? ArtworkJson::text($about) : (string) $about);
        $zip->close();
    }

    #[Test]
    public function all_of_a_job_comes_back_in_a_shop_that_has_nothing_of_it(): void
    {
        $job = $this->job();
        $before = ShopJob::snapshot($job->id);
        $art = ArtworkJson::encode($before->art());
        $version = ArtworkJson::encode($job->versions()->firstOrFail()->art());
        $source = Source::query()->findOrFail($job->id)->svg;
        $picture = ReferencePicture::query()->firstOrFail()->bytes;
        $this->out($job);

        // Another shop.
        foreach (['versions', 'job_pictures', 'reference_pictures', 'bench_pieces', 'sources', 'revisions', 'shop_jobs', 'customers'] as $table) {
            DB::table($table)->delete();
        }
        Contents::disk()->deleteDirectory('kept');
        $answer = $this->in()->assertCreated();
        $came = ShopJob::snapshot((int) $answer->json('job.id'));

        self::assertSame([], $answer->json('says'));
        self::assertSame($art, ArtworkJson::encode($came->art()), 'bit for bit');
        foreach (['title', 'customer', 'due', 'unit', 'width_mm', 'height_mm', 'line_limit_mm', 'gap_limit_mm', 'more_limits', 'judged', 'notices', 'source_name', 'intake_width_mm', 'file_frame'] as $of) {
            self::assertEquals($before->{$of}, $came->{$of}, $of);
        }
        self::assertSame('cut-vinyl', $came->process->key());
        self::assertSame(['values' => ['copies' => 3]], $came->making, 'materials are of that shop');
        self::assertEquals($before->shown, $came->shown);
        self::assertSame($source, Source::query()->findOrFail($came->id)->svg);
        $kept = $came->versions()->firstOrFail();
        self::assertSame(['First wish', $version], [$kept->name, ArtworkJson::encode($kept->art())]);
        self::assertSame($picture, ReferencePicture::query()->firstOrFail()->bytes);
        self::assertSame('Opened from a file', $came->current()->label);
        // It is a job like any other: drawn, changed and taken back.
        $this->getJson("/api/v1/jobs/{$came->id}")->assertOk();
        $this->postJson("/api/v1/jobs/{$came->id}/edits", ['version' => $came->version, 'edit' => ['kind' => 'move', 'pieces' => [$came->order()[0]], 'x' => '1mm', 'y' => '0mm']])->assertOk();
        $this->postJson("/api/v1/jobs/{$came->id}/undo", ['version' => $came->version + 1])->assertOk();
        self::assertSame($art, ArtworkJson::encode(ShopJob::snapshot($came->id)->art()));
    }

    #[Test]
    public function beside_the_one_that_it_came_from_it_is_another(): void
    {
        $job = $this->job();
        $this->out($job);
        $id = (int) $this->in()->assertCreated()->json('job.id');
        self::assertNotSame($job->id, $id);
        $pieces = BenchPiece::query()->where('shop_job_id', $job->id)->count();
        $this->deleteJson("/api/v1/jobs/{$job->id}")->assertNoContent();
        self::assertSame($pieces, BenchPiece::query()->where('shop_job_id', $id)->count());
    }

    #[Test]
    public function what_this_shop_cannot_have_is_said_and_the_rest_comes(): void
    {
        $this->out($this->job());
        $this->changed('neat-edge-job.json', static function (array $about): array {
            $about['ticket']['process'] = 'laser dance';
            $about['ticket']['limits'] = ['hole' => 1, 'nobody' => 4];
            $about['ticket']['making'] = ['copies' => 'many'];
            $about['ticket']['shown'] = ['thing' => 'job-12'];
            $about['intake']['notices'][] = ['kind' => ['x'], 'severity' => 'warning', 'message' => '<b>'];
            $about['intake']['notices'][] = ['kind' => 'x', 'severity' => 'dire', 'message' => 'x'];
            $about['intake']['notices'][] = ['kind' => 'x', 'severity' => 'note', 'message' => 'x', 'at' => ['1', '2'], 'nobody' => 'y'];

            return $about;
        });
        $this->changed('customer-file', static fn (): string => '<!DOCTYPE svg [<!ENTITY x SYSTEM "file:///etc/passwd">]><svg xmlns="http://www.w3.org/2000/svg"><text>&x;</text></svg>');
        $this->changed('bench.json', static fn (string $text): string => (string) preg_replace('/"family":"[^"]+"/', '"family":"Nobody Sans"', $text));
        $answer = $this->in()->assertCreated();
        $job = ShopJob::query()->findOrFail((int) $answer->json('job.id'));
        self::assertSame('plain', $job->process->key());
        self::assertNull($job->more_limits);
        self::assertNull($job->making);
        self::assertNull($job->shown);
        self::assertCount(2, $job->notices);
        self::assertSame(['kind' => 'x', 'severity' => 'note', 'message' => 'x'], $job->notices[1]);
        self::assertSame('', Source::query()->findOrFail($job->id)->svg);
        foreach (['How it is made', 'limits', 'laid out', 'shown on', 'customer’s file', '"Nobody Sans"'] as $word) {
            self::assertStringContainsString($word, implode(' ', $answer->json('says')));
        }
    }

    #[Test]
    public function what_is_damaged_hostile_or_newer_is_refused_in_a_sentence_and_nothing_of_it_is_kept(): void
    {
        $this->out($this->job());
        $whole = (string) file_get_contents($this->zip);
        $count = ShopJob::query()->count();
        $pictures = ReferencePicture::query()->count();
        $bench = static fn (\Closure $change): \Closure => static function (string $text) use ($change): string {
            return ArtworkJson::text($change(json_decode($text, true)));
        };
        foreach ([
            'no ZIP' => ['', static fn (): string => 'x', 'That is no file of a job'],
            'newer' => ['neat-edge-job.json', static fn (array $about): array => ['form' => 2] + $about, 'by a newer Neat Edge'],
            'no form' => ['neat-edge-job.json', static fn (array $about): array => [], 'That is no file of a job'],
            'no JSON' => ['neat-edge-job.json', static fn (): string => '{', 'That is no file of a job'],
            'too long a word' => ['neat-edge-job.json', static fn (array $about): array => ['x' => str_repeat('x', 3000)] + $about, 'That is no file of a job'],
            'other bytes' => ['neat-edge-job.json', static fn (array $about): array => ['files' => ['bench.json' => 'x'] + $about['files']] + $about, 'a part of it is not what was written'],
            'a picture out of the folder' => ['neat-edge-job.json', static fn (array $about): array => ['pictures' => ['../../etc/passwd']] + $about, 'That is no file of a job'],
            'a version elsewhere' => ['neat-edge-job.json', static fn (array $about): array => ['versions' => [['name' => 'x', 'file' => '../x.json']]] + $about, 'That is no file of a job'],
            'no such version' => ['neat-edge-job.json', static fn (array $about): array => ['versions' => [['name' => 'x', 'file' => 'versions/9.json']]] + $about, 'a part of it is not'],
            'a piece that is none' => ['bench.json', $bench(static fn (array $art): array => ['pieces' => [['id' => 'p']]] + $art), '.'],
            'a place beyond all' => ['bench.json', static fn (string $text): string => (string) preg_replace('/"contours":\[\[true,\[[-\d.]+/', '"contours":[[true,[1e300', $text, 1), '.'],
            'two of one id' => ['bench.json', $bench(static fn (array $art): array => ['pieces' => [$art['pieces'][0], $art['pieces'][0]]] + $art), 'two pieces would be called'],
            'a layer of another shape' => ['bench.json', $bench(static fn (array $art): array => ['layers' => [['id' => 'a', 'evil' => 1]]] + $art), 'That is no file of a job'],
            'a page without end' => ['bench.json', $bench(static fn (array $art): array => ['width' => 9e9] + $art), 'That is no file of a job'],
            'a page of nothing' => ['bench.json', $bench(static fn (array $art): array => ['width' => 0] + $art), 'That is no file of a job'],
            'a step that is none' => ['bench.json', $bench(static fn (array $art): array => ['line' => [['id' => 'a', 'kind' => 'format the disk']]] + $art), '.'],
            'no picture' => ['pictures/'.ReferencePicture::query()->firstOrFail()->file, static fn (): string => 'GIF89a', 'no picture'],
        ] as $name => [$part, $change, $says]) {
            file_put_contents($this->zip, $part === '' ? $change() : $whole);
            $part === '' ?: $this->changed($part, $change);
            $said = (string) $this->in()->assertStatus(422)->json('message');
            self::assertStringContainsString($says, $said, $name);
            self::assertMatchesRegularExpression('/^["“A-Z][^\n]+\.$/u', $said, $name);
            self::assertSame([$count, $pictures], [ShopJob::query()->count(), ReferencePicture::query()->count()], $name);
        }
        $this->postJson('/api/v1/jobs/whole')->assertStatus(422)->assertJsonPath('message', 'The file did not arrive; choose it again.');
    }

    #[Test]
    public function what_would_unpack_to_more_than_there_is_room_for_is_not_unpacked(): void
    {
        $zip = new ZipArchive;
        $zip->open($this->zip, ZipArchive::CREATE);
        $zip->addFromString('neat-edge-job.json', '{"form":1}');
        $zip->addFromString('bench.json', str_repeat("\0", 201_000_000));
        $zip->close();
        self::assertLessThan(400_000, filesize($this->zip));
        unset($zip);
        gc_collect_cycles();
        $before = memory_get_usage();
        memory_reset_peak_usage();
        $this->in()->assertStatus(422)->assertJsonPath('message', 'That file of a job would come to more than 600 MB.');
        self::assertLessThan(100_000_000, memory_get_peak_usage() - $before);
    }
}
