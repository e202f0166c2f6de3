<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Batch;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\File;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;
use ZipArchive;

/** Many files through one preset. */
final class BatchTest extends TestCase
{
    use RefreshDatabase;

    protected function tearDown(): void
    {
        foreach (Batch::query()->get() as $batch) {
            $batch->files()->remove();
        }
        parent::tearDown();
    }

    private static function svg(string $width): string
    {
        return '<svg xmlns="http://www.w3.org/2000/svg" width="60mm" height="40mm" viewBox="0 0 60 40"><rect x="5" y="5" width="30" height="'.$width
            .'" fill="#223344"/></svg>';
    }

    /**
     * @param  list<UploadedFile>  $files
     * @param  array<string, string>  $fields
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function send(array $files, array $fields = []): TestResponse
    {
        return $this->post('/api/v1/batches', ['preset' => 'Vinyl to weed', 'files' => $files, ...$fields], ['Accept' => 'application/json']);
    }

    private static function zip(): UploadedFile
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'neat-edge-');
        $zip = new ZipArchive;
        $zip->open($path, ZipArchive::OVERWRITE);
        $zip->addFromString('in/oar.svg', self::svg('8'));
        $zip->addFromString('../../out.svg', self::svg('9'));
        $zip->addFromString('notes.txt', 'no drawing');
        $zip->close();

        return new UploadedFile($path, 'marks.zip', 'application/zip', null, true);
    }

    #[Test]
    public function files_and_a_zip_are_prepared_each_with_its_own_outcome(): void
    {
        $id = $this->send(
            [self::zip(), UploadedFile::fake()->createWithContent('pier.svg', self::svg('.3')), UploadedFile::fake()->createWithContent('torn.svg', '<svg')],
            ['sizes' => "file,width\npier.svg,120mm\n"],
        )->assertCreated()->json('id');
        $batch = $this->getJson("/api/v1/batches/{$id}")->assertOk()->json();
        self::assertSame(['done', 4, 4], [$batch['work']['state'], $batch['files'], $batch['done']]);
        self::assertSame(['notes.txt'], $batch['notTaken']);
        $rows = array_column($batch['rows'], null, 'file');
        self::assertSame(['oar.svg', 'out.svg', 'pier.svg', 'torn.svg'], array_keys($rows), 'nothing leaves the folder of the batch');
        self::assertTrue($rows['oar.svg']['ready']);
        self::assertSame([120.0, 'done'], [(float) $rows['pier.svg']['width_mm'], $rows['pier.svg']['state']]);
        self::assertSame('failed', $rows['torn.svg']['state']);
        self::assertStringContainsString('damaged at line', $rows['torn.svg']['error']);
        // Its sheets are those that the preset gives: the line of 0.6 mm is as strong as vinyl needs.
        $zip = new ZipArchive;
        $path = (string) tempnam(sys_get_temp_dir(), 'neat-edge-');
        file_put_contents($path, (string) $this->get("/api/v1/batches/{$id}/all.zip")->assertOk()->getContent());
        $zip->open($path);
        $sheet = (string) $zip->getFromName('pier.svg/sheet-1-223344.svg');
        self::assertStringContainsString('width="120mm"', $sheet);
        self::assertNotFalse($zip->getFromName('summary.csv'));
        // One opened as a job has the preset's line and its size.
        $job = $this->postJson("/api/v1/batches/{$id}/open", ['file' => 'pier.svg'])->assertCreated()->json();
        self::assertSame([120.0, 'Vinyl to weed'], [(float) $job['width'], $job['preset']['name']]);
        self::assertContains('thicken', array_column($this->getJson("/api/v1/jobs/{$job['id']}")->json('art.line'), 'kind'));
    }

    #[Test]
    public function a_batch_that_was_stopped_goes_on_where_it_was(): void
    {
        $id = $this->send(
            [UploadedFile::fake()->createWithContent('a.svg', self::svg('5')), UploadedFile::fake()->createWithContent('b.svg', self::svg('6'))],
            ['width' => '80mm'],
        )->assertCreated()->json('id');
        $batch = Batch::query()->whereKey($id)->firstOrFail();
        $at = filemtime($batch->files()->path('out/a.svg/row.json'));
        File::deleteDirectory($batch->files()->path('out/b.svg'));
        $batch->work?->update(['state' => 'stopped']);
        touch($batch->files()->path('out/a.svg/row.json'), (int) $at - 100);
        self::assertSame(1, $this->getJson("/api/v1/batches/{$id}")->json('done'));
        $this->postJson("/api/v1/batches/{$id}/again")->assertOk();
        self::assertSame(['done', 2], [$this->getJson("/api/v1/batches/{$id}")->json('work.state'), $this->getJson("/api/v1/batches/{$id}")->json('done')]);
        clearstatcache();
        self::assertSame((int) $at - 100, filemtime($batch->files()->path('out/a.svg/row.json')), 'what was done is not done again');
        $this->deleteJson("/api/v1/batches/{$id}")->assertNoContent();
        self::assertDirectoryDoesNotExist($batch->files()->path());
    }

    #[Test]
    public function nothing_of_a_folder_or_a_zip_is_lost_whatever_it_is_called(): void
    {
        $long = str_repeat('Ж', 120).'.svg';
        $path = (string) tempnam(sys_get_temp_dir(), 'neat-edge-');
        $zip = new ZipArchive;
        $zip->open($path, ZipArchive::OVERWRITE);
        foreach (['a/logo.svg', 'b/logo.svg', 'b/LOGO.SVG', 'a*b.svg', 'a?b.svg', $long, 'ランタン.svg', 'cut.dxf', 'cut.plt', 'read me.txt'] as $name) {
            $zip->addFromString($name, match (true) {
                str_ends_with($name, 'dxf') => "0\nSECTION\n2\nHEADER\n9\n\$INSUNITS\n70\n4\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n0\nCIRCLE\n8\n0\n10\n0\n20\n0\n40\n20\n0\nENDSEC\n0\nEOF\n",
                str_ends_with($name, 'plt') => 'IN;SP1;PU0,0;PD4000,0,4000,2000,0,2000,0,0;PU;',
                default => self::svg('8'),
            });
        }
        $zip->close();
        $same = self::svg('8');
        $files = [new UploadedFile($path, 'marks.zip', 'application/zip', null, true)];
        for ($i = 0; $i < 22; $i++) {
            $files[] = UploadedFile::fake()->createWithContent($i < 2 ? 'twice.svg' : "one {$i}.svg", $same);
        }
        $id = $this->send($files)->assertCreated()->json('id');
        $batch = $this->getJson("/api/v1/batches/{$id}")->assertOk()->json();
        self::assertSame(31, $batch['files']);
        self::assertCount(31, $batch['rows'], 'each is a row');
        self::assertSame(['done'], array_values(array_unique(array_column($batch['rows'], 'state'))));
        self::assertSame(['read me.txt'], $batch['notTaken']);
        $names = array_column($batch['rows'], 'file');
        foreach ([
            'logo.svg', 'b - logo.svg', 'LOGO (2).svg', 'a_b.svg', 'a_b (2).svg', 'ランタン.svg', 'cut.dxf', 'cut.plt', 'twice.svg', 'twice (2).svg',
        ] as $name) {
            self::assertContains($name, $names);
        }
    }

    #[Test]
    public function what_is_no_batch_is_refused_in_a_sentence_and_leaves_nothing(): void
    {
        $svg = UploadedFile::fake()->createWithContent('a.svg', self::svg('5'));
        foreach ([
            [[UploadedFile::fake()->createWithContent('a.txt', 'x')], [], 'There is no SVG, DXF, PLT, PDF or PostScript file among these.'],
            [[UploadedFile::fake()->createWithContent('a.zip', 'x')], [], 'The ZIP cannot be opened.'],
            [[$svg], ['preset' => 'Nobody'], 'That preset is not on the shelf any more.'],
            [[$svg], ['width' => 'wide'], '"wide"'],
            [[$svg], ['sizes' => "a.svg,10mm\nb.svg,ten"], 'Line 2 of the sizes: '],
            [[], [], 'Choose drawings or a ZIP of them.'],
        ] as [$files, $fields, $says]) {
            self::assertStringContainsString($says, (string) $this->send($files, $fields)->assertStatus(422)->json('message'));
        }
        self::assertSame(0, Batch::query()->count());
    }
}
