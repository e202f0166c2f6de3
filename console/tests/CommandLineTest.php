<?php

declare(strict_types=1);

namespace NeatEdge\Console\Tests;

use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Tests\Support\HostileFiles;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** The command line as a script calls it: as a process, by its exit code and its two outputs. */
final class CommandLineTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/neat-edge-test-'.bin2hex(random_bytes(4));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    /**
     * @param  list<string>  $arguments
     * @return array{int, string, string} exit code, standard output, standard error
     */
    private function call(array $arguments, string $input = ''): array
    {
        $process = proc_open([dirname(__DIR__, 2).'/bin/neat-edge', ...$arguments], [['pipe', 'r'], ['file', "{$this->folder}/.out", 'w'], ['file', "{$this->folder}/.err", 'w']], $pipes, $this->folder);
        self::assertIsResource($process);
        @fwrite($pipes[0], $input);
        fclose($pipes[0]);
        $code = proc_close($process);

        return [$code, (string) file_get_contents("{$this->folder}/.out"), (string) file_get_contents("{$this->folder}/.err")];
    }

    private function drawing(string $body, string $name = 'in.svg'): string
    {
        file_put_contents("{$this->folder}/{$name}", "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"100mm\" height=\"50mm\" viewBox=\"0 0 100 50\">{$body}</svg>");

        return $name;
    }

    /** @return list<Shape> */
    private function shapes(string $path): array
    {
        return array_map(static fn ($piece): Shape => $piece->shape, Reader::read((string) file_get_contents("{$this->folder}/{$path}"))->artwork->pieces);
    }

    #[Test]
    public function outline_writes_filled_outlines_in_mm(): void
    {
        [$code, , $error] = $this->call(['outline', $this->drawing('<path d="M10 10h50" stroke="#f00" stroke-width="4" fill="none"/>'), '-o', 'out.svg']);
        self::assertSame([0, ''], [$code, $error]);
        $svg = (string) file_get_contents("{$this->folder}/out.svg");
        self::assertStringContainsString('width="100mm" height="50mm" viewBox="0 0 100 50"', $svg);
        self::assertStringNotContainsString('stroke=', $svg);
        self::assertEqualsWithDelta(200.0, $this->shapes('out.svg')[0]->area(), 1e-6);
    }

    #[Test]
    public function visible_and_weld_give_the_areas_that_are_seen(): void
    {
        $in = $this->drawing('<rect width="20" height="20" fill="red"/><rect x="10" width="20" height="20" fill="blue"/><rect x="20" y="10" width="20" height="20" fill="red"/>');
        $this->call(['visible', $in, '-o', 'seen.svg']);
        self::assertEqualsWithDelta([200.0, 300.0, 400.0], array_map(static fn (Shape $s): float => $s->area(), $this->shapes('seen.svg')), 1e-6);
        $this->call(['weld', $in, '-o', 'welded.svg']);
        self::assertEqualsWithDelta([600.0, 300.0], array_map(static fn (Shape $s): float => $s->area(), $this->shapes('welded.svg')), 1e-6);
        $this->call(['weld', $in, '--by=all', '-o', 'all.svg']);
        self::assertEqualsWithDelta([900.0], array_map(static fn (Shape $s): float => $s->area(), $this->shapes('all.svg')), 1e-6);
    }

    #[Test]
    public function split_writes_a_file_for_each_colour(): void
    {
        [$code, $out] = $this->call(['split', $this->drawing('<rect width="20" height="20" fill="red"/><rect x="10" width="20" height="20" fill="blue"/>'), '--out-dir', 'a/b']);
        self::assertSame(0, $code);
        self::assertStringContainsString('sheet-1-ff0000.svg: 1 pieces, 4 nodes, 60.0 mm to cut', $out);
        self::assertSame(['sheet-1-ff0000.svg', 'sheet-2-0000ff.svg'], array_map(basename(...), glob("{$this->folder}/a/b/*") ?: []));
    }

    #[Test]
    public function a_dash_stands_for_the_standard_streams(): void
    {
        [$code, $out] = $this->call(['weld', '-', '-o', '-'], '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 96 96"><path d="M0 0h96v96H0z"/></svg>');
        self::assertSame(0, $code);
        self::assertStringContainsString('width="25.4mm"', $out);
        self::assertStringContainsString('M0 0H25.4V25.4H0Z', $out);
    }

    #[Test]
    public function check_tells_width_limit_and_place_and_exits_with_1(): void
    {
        $in = $this->drawing('<path d="M10 10h50" stroke="#000" stroke-width=".3" fill="none"/>');
        [$code, $out] = $this->call(['check', $in, '--min-line=0.5mm', '--format=json']);
        self::assertSame(1, $code);
        $findings = json_decode($out, true)['findings'];
        self::assertCount(1, $findings);
        self::assertSame(['thin-line', 0.5], [$findings[0]['kind'], $findings[0]['limit_mm']]);
        self::assertEqualsWithDelta(0.3, $findings[0]['width_mm'], 0.006);
        self::assertEqualsWithDelta(10.0, $findings[0]['at'][1], 0.2);
        [$code, $out] = $this->call(['check', $in, '--min-line=0.01in']);
        self::assertSame([0, "No findings.\n"], [$code, $out]);
    }

    #[Test]
    public function prepare_does_the_whole_line_at_the_width_that_is_asked(): void
    {
        $in = $this->drawing('<rect x="10" y="10" width="50" height="20" fill="red"/><path d="M20 20h60" stroke="blue" stroke-width="4"/><foreignObject x="5" y="45" width="9" height="3"/>');
        [$code, $out] = $this->call(['prepare', $in, '--process=cut-vinyl', '--width=300mm', '--out-dir', 'ready', '--format=json']);
        self::assertSame(0, $code);
        $report = json_decode($out, true);
        self::assertEquals([300.0, 150.0], [$report['width_mm'], $report['height_mm']]);
        self::assertSame(['outline-strokes', 'remove-hidden', 'merge-by-colour', 'clean-nodes'], array_column($report['steps'], 'step'));
        self::assertEqualsWithDelta([150.0, 180.0], array_column($report['sheets'], 'width_mm'), 0.01);
        self::assertEqualsWithDelta(0.0, $report['look_difference']['percent'], 0.001);
        self::assertContains('foreignObject', array_column($report['findings'], 'kind'));
        self::assertSame($report, json_decode((string) file_get_contents("{$this->folder}/ready/report.json"), true));
        self::assertStringContainsString('width="300mm"', (string) file_get_contents("{$this->folder}/ready/{$report['sheets'][0]['file']}"));
    }

    /** @param  list<string>  $arguments */
    #[Test]
    #[TestWith([['outline', 'gone.svg', '-o', 'out.svg'], 'no file'])]
    #[TestWith([['outline', '.', '-o', 'out.svg'], 'no file'])]
    #[TestWith([['weld', 'in.svg', '--by=size', '-o', 'out.svg'], '--by=size'])]
    #[TestWith([['weld', 'in.svg', '-o', 'no/such/folder/out.svg'], 'cannot be written'])]
    #[TestWith([['check', 'in.svg', '--min-line=thin'], 'not a length'])]
    #[TestWith([['check', 'in.svg', '--format=yaml'], '--format=yaml'])]
    #[TestWith([['prepare', 'in.svg', '--process=knitting', '--out-dir', 'out'], 'knitting'])]
    #[TestWith([['prepare', 'in.svg', '--width=-3mm', '--out-dir', 'out'], 'greater than nothing'])]
    #[TestWith([['prepare', 'in.svg'], '--out-dir'])]
    #[TestWith([['split', 'empty.svg', '--out-dir', 'out'], 'draws nothing'])]
    #[TestWith([['outline'], 'Not enough arguments'])]
    #[TestWith([['paint', 'in.svg'], 'not defined'])]
    #[TestWith([['outline', 'in.svg', '--colour'], 'does not exist'])]
    /** @param  list<string>  $arguments */
    public function a_bad_call_is_one_line_and_exit_2_and_leaves_nothing(array $arguments, string $words): void
    {
        $this->drawing('<rect width="9" height="9"/>');
        $this->drawing('', 'empty.svg');
        $before = glob("{$this->folder}/*");
        [$code, $out, $error] = $this->call($arguments);
        self::assertSame([2, ''], [$code, $out]);
        self::assertMatchesRegularExpression('/^neat-edge: [^\n]+\n$/', $error);
        self::assertStringContainsString($words, $error);
        self::assertSame($before, glob("{$this->folder}/*"));
    }

    #[Test]
    public function every_hostile_file_is_answered_in_one_line_in_time_and_leaves_nothing(): void
    {
        foreach (HostileFiles::refused() as $name => [$file, $words]) {
            file_put_contents("{$this->folder}/bad.svg", $file);
            $start = microtime(true);
            [$code, , $error] = $this->call(['visible', 'bad.svg', '-o', 'out.svg']);
            self::assertLessThan(10.0, microtime(true) - $start, $name);
            self::assertSame(2, $code, "{$name}: {$error}");
            self::assertMatchesRegularExpression('/^neat-edge: [^\n]+\n$/', $error, $name);
            self::assertStringContainsString($words, $error, $name);
            self::assertFileDoesNotExist("{$this->folder}/out.svg", $name);
        }
    }

    #[Test]
    public function help_shows_examples(): void
    {
        foreach (['outline', 'visible', 'weld', 'split', 'check', 'prepare'] as $command) {
            [$code, $out] = $this->call([$command, '--help']);
            self::assertSame(0, $code);
            self::assertStringContainsString("bin/neat-edge {$command} ", $out);
        }
    }
}
