<?php

declare(strict_types=1);

namespace NeatEdge\Console\Tests;

use DOMDocument;
use DOMElement;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** O7: files are sent to stand-in machines, which fail as real ones do; what was done in the end is drawn by the machine itself. */
final class DeviceTest extends TestCase
{
    private string $folder = '';

    private ?Process $machine = null;

    private int $port = 0;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/neat-edge-device-'.bin2hex(random_bytes(5));
        mkdir($this->folder);
        $free = stream_socket_server('tcp://127.0.0.1:0');
        self::assertNotFalse($free);
        $this->port = (int) substr((string) strrchr((string) stream_socket_get_name($free, false), ':'), 1);
        fclose($free);
    }

    protected function tearDown(): void
    {
        $this->machine?->stop(0.0, SIGKILL);
        foreach ([...(glob("{$this->folder}/out/*") ?: []), ...(glob("{$this->folder}/*") ?: [])] as $path) {
            is_dir($path) ? @rmdir($path) : unlink($path);
        }
        @rmdir("{$this->folder}/out");
        @rmdir($this->folder);
    }

    /** @param  list<string>  $options */
    private function start(string $kind, array $options = []): void
    {
        $this->machine?->stop(0.0, SIGKILL);
        $this->machine = new Process(
            [PHP_BINARY, 'console/neat-edge.php', 'device', $kind, "--port={$this->port}", "--out-dir={$this->folder}/out", '--pace=0', ...$options],
            dirname(__DIR__, 2),
            timeout: null,
        );
        $this->machine->start();
        for ($k = 0; $k < 200 && ! str_contains($this->machine->getOutput(), 'listening'); $k++) {
            usleep(20_000);
        }
        self::assertStringContainsString('listening', $this->machine->getOutput(), $this->machine->getErrorOutput());
    }

    /** @param  list<string>  $options */
    private function send(string $file, array $options = []): Process
    {
        $process = new Process(
            [PHP_BINARY, 'console/neat-edge.php', 'send', $file, "--to=127.0.0.1:{$this->port}", ...$options],
            dirname(__DIR__, 2),
            timeout: 60,
        );
        $process->run();

        return $process;
    }

    private function file(string $name, string $bytes): string
    {
        file_put_contents("{$this->folder}/{$name}", $bytes);

        return "{$this->folder}/{$name}";
    }

    /** A sheet of some squares and a zigzag that comes over its own places. */
    private static function plt(): string
    {
        $out = 'IN;SP1;';
        for ($i = 0; $i < 8; $i++) {
            $x = 400 + 800 * $i;
            $out .= sprintf('PU%d,400;PD%d,400,%d,800,%d,800,%d,400,%d,400;PU;', $x, $x + 400, $x + 400, $x, $x, $x + 200);
        }
        $out .= 'PU400,2000;PD';
        $out .= implode(',', array_map(static fn (int $i): string => (400 + 40 * $i).','.($i % 2 === 0 ? 2000 : 2400), range(1, 120)));

        return $out.';PU0,0;SP0;';
    }

    /** @return array<string, mixed> */
    private function log(): array
    {
        self::assertFileExists("{$this->folder}/out/job-0001.json");

        return json_decode((string) file_get_contents("{$this->folder}/out/job-0001.json"), true, 16, JSON_THROW_ON_ERROR);
    }

    /** @return list<string> strokes of the blade as the machine drew them, both ends in order, so that one that was cut twice stands twice */
    private function strokes(): array
    {
        $document = new DOMDocument;
        // A line that is pulled before anything was cut has the job begin once more.
        $jobs = glob("{$this->folder}/out/*.svg") ?: [];
        $document->load((string) end($jobs));
        $out = [];
        foreach ($document->getElementsByTagName('path') as $path) {
            /** @var DOMElement $path */
            if ($path->hasAttribute('data-pen')) {
                $places = explode('L', substr($path->getAttribute('d'), 1));
                for ($i = 1; $i < count($places); $i++) {
                    if ($places[$i] !== $places[$i - 1]) {
                        $out[] = "{$places[$i - 1]} to {$places[$i]}";
                    }
                }
            }
        }

        return $out;
    }

    #[Test]
    public function a_sheet_is_cut_as_it_was_sent_and_the_length_is_that_of_the_file(): void
    {
        $this->start('cutter', ['--bed=400x300mm']);
        $sent = $this->send($this->file('sheet.plt', self::plt()));
        self::assertSame(0, $sent->getExitCode(), $sent->getErrorOutput());
        $log = $this->log();
        // Eight squares of 10 mm with an overcut of 5, and 119 strokes of a zigzag with the first from its start.
        self::assertEqualsWithDelta(8 * 45 + hypot(1.0, 10.0) * 120, $log['cut_mm'], 0.5);
        self::assertSame('done', $log['log'][count($log['log']) - 1]['what']);
        self::assertSame('All of it was sent before; say --anew to send it once more.', trim($this->send("{$this->folder}/sheet.plt")->getOutput()));
    }

    #[Test]
    public function a_line_that_is_pulled_anywhere_loses_nothing_and_repeats_nothing(): void
    {
        $this->start('cutter', ['--bed=400x300mm']);
        $this->send($this->file('whole.plt', self::plt()));
        $whole = $this->strokes();
        foreach ([2, 7, 19, 41, 58, 93] as $after) {
            array_map(unlink(...), glob("{$this->folder}/out/*") ?: []);
            $this->start('cutter', ['--bed=400x300mm', '--fail=drop', "--after={$after}"]);
            $sent = $this->send($this->file("pulled-{$after}.plt", self::plt()));
            self::assertSame(0, $sent->getExitCode(), $sent->getErrorOutput());
            self::assertStringContainsString('the line is pulled', (string) $this->machine?->getOutput());
            self::assertSame($whole, $this->strokes(), "pulled after {$after} instructions");
        }
    }

    #[Test]
    public function what_lies_beyond_the_bed_is_refused_and_said(): void
    {
        $this->start('cutter', ['--bed=100x50mm']);
        $sent = $this->send($this->file('wide.plt', self::plt()), ['--tries=1']);
        self::assertSame(1, $sent->getExitCode());
        self::assertStringContainsString('The cutter refused a place: it lies beyond its bed.', $sent->getErrorOutput());
        self::assertStringNotContainsString('Stack', $sent->getErrorOutput());
    }

    /** @return iterable<string, array{string, string}> */
    public static function faults(): iterable
    {
        yield 'out of material' => ['empty', ''];
        yield 'busy' => ['busy', ''];
        yield 'rubbish' => ['rubbish', ''];
    }

    #[Test]
    #[DataProvider('faults')]
    public function faults_are_gone_on_from(string $fault, string $_): void
    {
        $this->start('cutter', ['--bed=400x300mm']);
        $this->send($this->file('whole.plt', self::plt()));
        $whole = $this->strokes();
        array_map(unlink(...), glob("{$this->folder}/out/*") ?: []);
        $this->start('cutter', ['--bed=400x300mm', "--fail={$fault}", '--after=25']);
        $sent = $this->send($this->file('sheet.plt', self::plt()), ['--tries=6']);
        self::assertSame(0, $sent->getExitCode(), $sent->getErrorOutput());
        self::assertSame($whole, $this->strokes());
    }

    #[Test]
    public function a_machine_that_was_used_meanwhile_is_not_gone_on_with(): void
    {
        $this->start('cutter', ['--bed=400x300mm', '--fail=drop', '--after=30']);
        $file = $this->file('sheet.plt', self::plt());
        self::assertSame(1, $this->send($file, ['--tries=1'])->getExitCode());
        // Another machine stands there now, with nothing cut.
        $this->start('cutter', ['--bed=400x300mm']);
        $sent = $this->send($file, ['--tries=1']);
        self::assertSame(1, $sent->getExitCode());
        self::assertStringContainsString('The machine stands elsewhere than it was left', $sent->getErrorOutput());
        self::assertSame(0, $this->send($file, ['--anew'])->getExitCode());
    }

    #[Test]
    public function an_engraver_is_never_sent_more_than_it_holds_and_goes_on_after_a_break(): void
    {
        $lines = "(Tag)\nG21 G90 G17\nM5\n";
        for ($i = 0; $i < 60; $i++) {
            $lines .= sprintf("G0 X%d Y10\nM3 S300\nG1 X%d Y20 F2400\nM5\n", 10 + $i, 10 + $i);
        }
        $lines .= "G0 X100 Y50\nM3 S200\nG2 X110 Y60 I10 J0 F1200\nM5\nG0 X0 Y0\nM2\n";
        foreach (['', 'drop', 'rubbish'] as $fault) {
            array_map(unlink(...), glob("{$this->folder}/out/*") ?: []);
            $this->start('engraver', ['--bed=200x150mm', ...($fault === '' ? [] : ["--fail={$fault}", '--after=77'])]);
            $sent = $this->send($this->file("tag-{$fault}.gcode", $lines));
            self::assertSame(0, $sent->getExitCode(), $sent->getErrorOutput());
            $log = $this->log();
            // Sixty lines of 10 mm and a quarter of a circle the long way round.
            self::assertEqualsWithDelta(600.0 + 10 * M_PI / 2, $log['engraved_mm'], 0.05, $fault);
            self::assertSame(substr_count($lines, "\n") - 1, $log['lines'], $fault);
        }
    }

    /** @return iterable<string, array{string, string, string, string}> */
    public static function demoJobs(): iterable
    {
        yield 'the tag' => ['brass-lantern-tag.svg', 'engraving', 'gcode', 'engraver'];
        yield 'the decal' => ['window-decal.svg', 'cut-vinyl', 'plt', 'cutter'];
        yield 'the stickers' => ['sticker-sheet.svg', 'sticker', 'plt', 'cutter'];
    }

    #[Test]
    #[DataProvider('demoJobs')]
    public function a_machine_takes_as_long_as_is_said(string $name, string $process, string $format, string $kind): void
    {
        (new Process(
            [
                PHP_BINARY, '-d', 'opcache.enable_cli=1', '-d', 'opcache.jit=function', '-d', 'opcache.jit_buffer_size=128M', '-d',
                'memory_limit=1G', 'console/neat-edge.php', 'export', "database/demo/{$name}", "--process={$process}", "--format={$format}",
                '--anyway', '--out-dir', "{$this->folder}/sheets",
            ],
            dirname(__DIR__, 2),
            timeout: 120,
        ))->run();
        $manifest = json_decode((string) file_get_contents("{$this->folder}/sheets/manifest.json"), true);
        self::assertNotEmpty($manifest['sheets']);
        foreach ($manifest['sheets'] as $sheet) {
            array_map(unlink(...), glob("{$this->folder}/out/*") ?: []);
            $this->start($kind, ['--bed=5000x1300mm']);
            $sent = $this->send("{$this->folder}/sheets/{$sheet['name']}.{$format}");
            self::assertSame(0, $sent->getExitCode(), $sent->getErrorOutput());
            self::assertEqualsWithDelta($sheet['seconds'], $this->log()['seconds'], 0.05 * $sheet['seconds'], $sheet['title']);
            if ($format === 'gcode') {
                $said = preg_match(
                    '/About (\d+) min (\d+) s/',
                    (string) file_get_contents("{$this->folder}/sheets/{$sheet['name']}.gcode"),
                    $m,
                ) === 1 ? 60 * (int) $m[1] + (int) $m[2] : 0;
                self::assertEqualsWithDelta($sheet['seconds'], $said, 1.0, 'what the file says is what the list says');
            }
        }
        exec('rm -rf '.escapeshellarg("{$this->folder}/sheets"));
    }

    #[Test]
    public function a_film_recorder_exposes_each_plate_once_and_refuses_what_is_larger_than_its_film(): void
    {
        $svg = '<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="60mm" viewBox="0 0 100 60"><rect x="5" y="5" width="60" height="40"'
            .' fill="#e0a030"/><rect x="40" y="20" width="50" height="30" fill="#223344"/><circle cx="20" cy="30" r="9" fill="#b02020"/></svg>';
        $this->file('print.svg', $svg);
        $export = new Process(
            [
                PHP_BINARY, 'console/neat-edge.php', 'export', "{$this->folder}/print.svg", '--process=screen-print', '--format=pdf',
                '--plates=each', '--out-dir', "{$this->folder}/films",
            ],
            dirname(__DIR__, 2),
        );
        $export->mustRun();
        $films = glob("{$this->folder}/films/*.pdf") ?: [];
        self::assertCount(3, $films);
        $this->start('recorder', ['--bed=200x150mm']);
        $sent = $this->send($films[0]);
        self::assertSame(0, $sent->getExitCode(), $sent->getErrorOutput());
        self::assertSame(1, $this->log()['plates']);
        self::assertEqualsWithDelta(132.0, $this->log()['exposed'][0]['width_mm'], 0.05);
        $this->start('recorder', ['--bed=100x100mm']);
        $refused = $this->send($films[1], ['--tries=1']);
        self::assertSame(1, $refused->getExitCode());
        self::assertStringContainsString('The film recorder refused it: plate 1 is 132.0 x 92.0 mm, the film 100 x 100.', $refused->getErrorOutput());
        foreach ([...(glob("{$this->folder}/films/*") ?: []), "{$this->folder}/films/.neat-edge-files"] as $path) {
            unlink($path);
        }
        rmdir("{$this->folder}/films");
    }

    #[Test]
    public function files_and_addresses_that_are_none_are_refused_in_a_sentence(): void
    {
        foreach ([[
            ['send', __FILE__, '--to=127.0.0.1:9'],
            'it is no PLT, PDF or G-code file',
        ], [['send', '/nowhere.plt', '--to=127.0.0.1:9'], 'There is no file'], [['send', $this->file('a.plt', 'IN;PU;'), '--to=here'], 'write it as HOST:PORT'],
            [['device', 'press', '--port=9100', '--out-dir=/tmp'], 'kind=press is not known'],
            [['device', 'cutter', '--port=0', '--out-dir=/tmp'], 'name a port'],
            [['device', 'cutter', '--port=9100', '--out-dir=/tmp', '--bed=wide'], 'write it as 600x300mm']] as [$words,
                $says]) {
            $process = new Process([PHP_BINARY, 'console/neat-edge.php', ...$words], dirname(__DIR__, 2));
            $process->run();
            self::assertSame(2, $process->getExitCode());
            self::assertStringContainsString($says, $process->getErrorOutput());
            self::assertSame(1, substr_count(trim($process->getErrorOutput()), "\n") + 1);
        }
    }
}
