<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use NeatEdge\Core\Tests\Support\Render;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;
use ZipArchive;

/** The page and the command line are two doors to one core: a shop that uses both gets the same files. */
final class OneCoreTest extends TestCase
{
    use RefreshDatabase;

    private string $folder;

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/neat-edge-doors-'.bin2hex(random_bytes(4));
    }

    protected function tearDown(): void
    {
        exec('rm -rf '.escapeshellarg($this->folder));
        parent::tearDown();
    }

    /** @return iterable<string, array{string, string, string}> file, process, finished width as it is typed */
    public static function jobs(): iterable
    {
        yield 'a tag to engrave' => ['brass-lantern-tag.svg', 'engraving', '60mm'];
        yield 'a decal to cut' => ['window-decal.svg', 'cut-vinyl', '16in'];
        yield 'a tabard to print' => ['stewards-tabard.svg', 'screen-print', '28cm'];
    }

    #[Test, DataProvider('jobs')]
    public function both_doors_give_the_same_sheets_findings_and_measures(string $file, string $process, string $width): void
    {
        $path = base_path("database/demo/{$file}");
        $page = $this->byPage($path, $process, $width);
        $line = $this->byCommand($path, $process, $width);
        $files = array_values(array_filter(array_keys($page), static fn (string $name): bool => str_ends_with($name, '.svg')));
        self::assertNotSame([], $files);
        self::assertSame(array_keys($line), array_keys($page));
        foreach ($files as $name) {
            self::assertSame($line[$name], $page[$name], "{$name} is the same byte for byte");
        }
        [$one, $two] = [json_decode($page['report.json'], true), json_decode($line['report.json'], true)];
        foreach (['sheets', 'findings', 'look_difference'] as $part) {
            self::assertEquals($two[$part], $one[$part], $part);
        }
        self::assertSame(array_column($two['steps'], 'nodes'), array_column($one['steps'], 'nodes'));
    }

    #[Test]
    public function sheets_laid_on_one_another_look_like_the_file_that_came_in(): void
    {
        $path = base_path('database/demo/stewards-tabard.svg');
        $sheets = $this->byPage($path, 'screen-print', '280mm');
        $body = '';
        $frame = '';
        foreach ($sheets as $name => $svg) {
            if (str_ends_with($name, '.svg')) {
                $inside = (int) strpos($svg, '>', (int) strpos($svg, '<svg')) + 1;
                $page = substr($svg, 0, $inside);
                $frame = $frame === '' ? $page : $frame;
                self::assertSame($frame, $page, 'all sheets have one page, so that they register');
                $body .= str_replace('</svg>', '', substr($svg, $inside));
            }
        }
        self::assertTrue(Render::looksSame((string) file_get_contents($path), "{$frame}{$body}</svg>", 900));
    }

    /** @return array<string, string> by name, sorted */
    private function byPage(string $path, string $process, string $width): array
    {
        $file = UploadedFile::fake()->createWithContent(basename($path), (string) file_get_contents($path));
        $job = $this->post(
            '/api/v1/jobs',
            ['process' => $process, 'width' => $width, 'file' => $file],
            ['Accept' => 'application/json'],
        )->assertCreated()->json('id');
        $id = $this->postJson("/api/v1/jobs/{$job}/preparations")->assertStatus(202)->json('id');
        if ($this->getJson("/api/v1/jobs/{$job}")->json('preparation.verdict.ready') === false) {
            $this->getJson("/api/v1/preparations/{$id}/sheets.zip")->assertStatus(409)->assertJsonPath('gate', true);
            $this->letGo($job);
        }
        $answer = $this->get("/api/v1/preparations/{$id}/sheets.zip")->assertOk();
        $at = (string) tempnam(sys_get_temp_dir(), 'zip');
        file_put_contents($at, $answer->getContent());
        $zip = new ZipArchive;
        self::assertTrue($zip->open($at, ZipArchive::CHECKCONS));
        $out = [];
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $out[(string) $zip->getNameIndex($i)] = (string) $zip->getFromIndex($i);
        }
        $zip->close();
        unlink($at);
        ksort($out);

        return $out;
    }

    /** @return array<string, string> by name, sorted */
    private function byCommand(string $path, string $process, string $width): array
    {
        exec(
            implode(
                ' ',
                array_map(
                    escapeshellarg(...),
                    [base_path('bin/neat-edge'), 'prepare', $path, "--process={$process}", "--width={$width}", '--out-dir', $this->folder],
                ),
            ).' 2>&1',
            $said,
            $code,
        );
        self::assertLessThan(2, $code, implode("\n", $said));
        $out = [];
        foreach (glob("{$this->folder}/*") ?: [] as $file) {
            $out[basename($file)] = (string) file_get_contents($file);
        }
        ksort($out);

        return $out;
    }
}
