<?php

declare(strict_types=1);

namespace NeatEdge\Console\Tests;

use NeatEdge\Bench\Works;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Tests\Support\HostileFiles;
use NeatEdge\Core\Tests\Support\Share;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

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
        $process = proc_open(
            [dirname(__DIR__, 2).'/bin/neat-edge', ...$arguments],
            [['pipe', 'r'], ['file', "{$this->folder}/.out", 'w'], ['file', "{$this->folder}/.err", 'w']],
            $pipes,
            $this->folder,
        );
        self::assertIsResource($process);
        @fwrite($pipes[0], $input);
        fclose($pipes[0]);
        $code = proc_close($process);

        return [$code, (string) file_get_contents("{$this->folder}/.out"), (string) file_get_contents("{$this->folder}/.err")];
    }

    private function drawing(string $body, string $name = 'in.svg'): string
    {
        file_put_contents(
            "{$this->folder}/{$name}",
            "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"100mm\" height=\"50mm\" viewBox=\"0 0 100 50\">{$body}</svg>",
        );

        return $name;
    }

    /** @return list<Shape> */
    private function shapes(string $path): array
    {
        return array_map(static fn ($piece): Shape => $piece->shape, Reader::read((string) file_get_contents("{$this->folder}/{$path}"))->artwork->pieces);
    }

    #[Test]
    public function what_the_compiler_of_the_moment_makes_of_the_code_changes_no_outcome(): void
    {
        file_put_contents("{$this->folder}/emoji.svg", Works::emoji(Share::of(60)));
        file_put_contents("{$this->folder}/icons.svg", Works::icons());
        self::assertGreaterThan(100_000, filesize("{$this->folder}/icons.svg"), 'large enough for the JIT');
        foreach ([['visible', 'emoji.svg'], ['weld', 'emoji.svg'], ['weld', '--by=all', 'icons.svg'], ['check', '--fail-on=never', 'icons.svg']] as $call) {
            $words = $call[0] === 'check' ? [] : ['-o', 'fast.svg'];
            [$code, $fast, $error] = $this->call([...$call, ...$words]);
            self::assertSame([0, ''], [$code, $error]);
            $plain = new Process(
                [PHP_BINARY, '-d', 'opcache.jit=disable', '-d', 'memory_limit=1G', dirname(__DIR__).'/neat-edge.php', ...$call, ...($words === [] ? [] : ['-o', 'plain.svg'])],
                $this->folder,
                timeout: 200,
            );
            $plain->mustRun();
            self::assertSame($plain->getOutput(), $fast);
            if ($words !== []) {
                self::assertFileEquals("{$this->folder}/plain.svg", "{$this->folder}/fast.svg");
            }
        }
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
    public function a_pipe_is_written_to_and_stays_a_pipe(): void
    {
        posix_mkfifo("{$this->folder}/pipe", 0600);
        $reader = proc_open(['cat', "{$this->folder}/pipe"], [['file', '/dev/null', 'r'], ['file', "{$this->folder}/read.svg", 'w']], $pipes);
        self::assertIsResource($reader);
        self::assertSame(0, $this->call(['visible', $this->drawing('<rect x="5" y="5" width="9" height="9"/>'), '-o', 'pipe'])[0]);
        proc_close($reader);
        self::assertSame('fifo', filetype("{$this->folder}/pipe"));
        self::assertEqualsWithDelta(81.0, $this->shapes('read.svg')[0]->area(), 1e-6);
    }

    #[Test]
    public function visible_and_weld_give_the_areas_that_are_seen(): void
    {
        $in = $this->drawing('<rect width="20" height="20" fill="red"/><rect x="10" width="20" height="20" fill="blue"/><rect x="20" y="10" width="20"'
            .' height="20" fill="red"/>');
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
        [$code, $out] = $this->call([
            'split',
            $this->drawing('<rect width="20" height="20" fill="red"/><rect x="10" width="20" height="20" fill="blue"/>'),
            '--out-dir',
            'a/b',
        ]);
        self::assertSame(0, $code);
        self::assertStringContainsString('sheet-1-ff0000.svg: 1 piece, 4 nodes, 60.0 mm to cut', $out);
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
        $in = $this->drawing('<rect x="10" y="10" width="50" height="20" fill="red"/><path d="M20 20h60" stroke="blue" stroke-width="4"/><foreignObject'
            .' x="5" y="45" width="9" height="3"/>');
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

    #[Test]
    public function each_step_of_a_line_is_itself_with_the_compiler_on(): void
    {
        // A file from 6,000 bytes on is computed with the JIT, which once took the first step for all that came after it: what was only to be joined when
        // asked for was joined.
        $many = implode(
            '',
            array_map(
                static fn (int $i): string => sprintf(
                    '<rect x="%d" y="%d" width="2" height="2" fill="%s"/>',
                    3 * ($i % 30),
                    3 * intdiv($i, 30),
                    $i % 2 === 0 ? '#000000' : '#050505',
                ),
                range(0, 149),
            ),
        );
        [, $out] = $this->call(['prepare', $this->drawing($many), '--out-dir', 'ready', '--format=json']);
        $report = json_decode($out, true);
        self::assertSame(['outline-strokes', 'remove-hidden', 'merge-by-colour', 'clean-nodes'], array_column($report['steps'], 'step'));
        self::assertCount(2, $report['sheets'], 'near-blacks are joined only where somebody asks for it');
    }

    #[Test]
    public function a_drawing_in_lines_is_taken_as_is_asked_and_what_is_left_out_is_said(): void
    {
        file_put_contents("{$this->folder}/cut.plt", 'IN;SP1;PU0,0;PD4000,0,4000,2000,0,2000,0,0;PU400,400;PD2000,400;PU;XQ1;');
        [$code, $out, $error] = $this->call(['prepare', 'cut.plt', '--out-dir', 'ready', '--format=json']);
        $report = json_decode($out, true);
        self::assertEqualsWithDelta([100.0, 50.0], [$report['width_mm'], $report['height_mm']], 1e-6);
        self::assertSame([1], array_column($report['sheets'], 'single_cuts'));
        self::assertStringContainsString('Left out 1 × instruction XQ', $error);
        self::assertFalse($report['verdict']['ready']);
        [, $out] = $this->call(['prepare', 'cut.plt', '--take=lines=drawn', '--take=width=2mm', '--out-dir', 'drawn', '--format=json']);
        self::assertSame([0], array_column(json_decode($out, true)['sheets'], 'single_cuts'));
        [$code, , $error] = $this->call(['prepare', 'cut.plt', '--take=colour=red', '--out-dir', 'no']);
        self::assertSame(2, $code);
        self::assertStringContainsString('--take=colour', $error);
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
            // CPU time of the command, whatever else the machine is doing.
            $start = self::childrenCpu();
            [$code, , $error] = $this->call(['visible', 'bad.svg', '-o', 'out.svg']);
            self::assertLessThan(10.0, self::childrenCpu() - $start, $name);
            self::assertSame(2, $code, "{$name}: {$error}");
            self::assertMatchesRegularExpression('/^neat-edge: [^\n]+\n$/', $error, $name);
            // At the door a picture is told as what it is, before anybody reads it as SVG.
            self::assertStringContainsString($name === 'a picture renamed' ? 'This is a picture (PNG)' : $words, $error, $name);
            self::assertFileDoesNotExist("{$this->folder}/out.svg", $name);
        }
    }

    private static function childrenCpu(): float
    {
        $usage = getrusage(1);

        return $usage === false ? 0.0 : $usage['ru_utime.tv_sec'] + $usage['ru_utime.tv_usec'] / 1e6;
    }

    #[Test]
    public function what_is_written_never_lies_beside_the_sheets_of_another_job(): void
    {
        $two = $this->drawing('<rect width="20" height="20" fill="#f00"/><rect x="30" width="20" height="20" fill="#00f"/>');
        $one = $this->drawing('<rect width="20" height="20" fill="#0a0"/>', 'one.svg');
        foreach ([['split'], ['prepare', '--process=plain']] as $i => $words) {
            $folder = "out{$i}";
            $call = fn (string $file, string ...$more): array => $this->call([...$words, $file, '--out-dir', $folder, ...array_values($more)]);
            self::assertSame(0, $call($two)[0]);
            $before = (array) glob("{$this->folder}/{$folder}/*");
            [$code, , $error] = $call($one);
            self::assertSame(2, $code);
            self::assertStringContainsString('is not empty: the sheets of another job would lie beside these', $error);
            self::assertSame($before, glob("{$this->folder}/{$folder}/*"));
            // What somebody laid there by hand is never taken away.
            file_put_contents("{$this->folder}/{$folder}/my notes.txt", 'keep');
            self::assertSame(0, $call($one, '--replace')[0]);
            $names = array_map(basename(...), glob("{$this->folder}/{$folder}/*") ?: []);
            self::assertSame(['my notes.txt', ...($i === 1 ? ['report.json'] : []), 'sheet-1-00aa00.svg'], $names);
        }
        mkdir("{$this->folder}/mine");
        file_put_contents("{$this->folder}/mine/sheet-1-ff0000.svg", 'mine');
        [$code, , $error] = $this->call(['split', $one, '--out-dir', 'mine', '--replace']);
        self::assertSame(2, $code);
        self::assertStringContainsString('no list of an earlier run', $error);
        self::assertSame('mine', file_get_contents("{$this->folder}/mine/sheet-1-ff0000.svg"));
        // A list that names what lies elsewhere takes nothing away there.
        file_put_contents("{$this->folder}/mine/.neat-edge-files", "../one.svg\n/etc/hostname\nsheet-1-ff0000.svg\n");
        self::assertSame(0, $this->call(['split', $one, '--out-dir', 'mine', '--replace'])[0]);
        self::assertFileExists("{$this->folder}/one.svg");
        self::assertFileDoesNotExist("{$this->folder}/mine/sheet-1-ff0000.svg");
    }

    #[Test]
    public function what_was_left_out_or_replaced_is_said_on_standard_error_by_every_command(): void
    {
        $in = $this->drawing('<rect width="20" height="20"/><text y="40" font-family="Wharf Roman" font-size="9">Ale</text><foreignObject width="5"'
            .' height="5"/>');
        foreach ([
            ['outline', $in, '-o', 'a.svg'],
            ['visible', $in, '-o', 'b.svg'],
            ['weld', $in, '-o', 'c.svg'],
            ['split', $in, '--out-dir', 'd'],
            ['check', $in],
            ['prepare', $in, '--out-dir', 'e'],
        ] as $call) {
            [, , $error] = $this->call($call);
            self::assertStringContainsString('note: missing-font (serious)', $error, $call[0]);
            self::assertStringContainsString('note: foreignObject (serious)', $error, $call[0]);
        }
    }

    /** @param  list<string>  $more */
    #[Test]
    #[TestWith([[], 1])]
    #[TestWith([['--fail-on=serious'], 0])]
    #[TestWith([['--fail-on=warning'], 1])]
    #[TestWith([['--fail-on=left-out'], 0])]
    #[TestWith([['--fail-on=never'], 0])]
    #[TestWith([['--min-line=0'], 0])]
    #[TestWith([['--min-line=2mm', '--fail-on=serious'], 1])]
    #[TestWith([['--process=engraving'], 0])]
    #[TestWith([['--process=cut-vinyl'], 1])]
    #[TestWith([['--width=300mm'], 0])]
    #[TestWith([['--width=20%'], 2])]
    #[TestWith([['--fail-on=tuesday'], 2])]
    public function a_check_fails_on_what_it_is_told_to(array $more, int $code): void
    {
        $in = $this->drawing('<rect x="10" y="10" width="60" height=".4"/>');
        self::assertSame($code, $this->call(['check', $in, ...$more])[0]);
    }

    #[Test]
    public function a_left_out_part_fails_a_check_that_asks_for_it_and_keeps_a_job_from_being_ready(): void
    {
        $in = $this->drawing('<rect width="20" height="20"/><foreignObject width="5" height="5"/>');
        self::assertSame(1, $this->call(['check', $in, '--fail-on=left-out'])[0]);
        [$code, $out] = $this->call(['prepare', $in, '--out-dir', 'a', '--fail-on=left-out']);
        self::assertSame(1, $code);
        self::assertStringContainsString('Looks the same but for 1 thing that was left out or replaced. Not ready:', $out);
        self::assertSame(
            'Looks the same but for 1 thing that was left out or replaced',
            json_decode((string) file_get_contents("{$this->folder}/a/report.json"), true)['verdict']['sentence'],
        );
        [$code, $out] = $this->call(['prepare', $this->drawing('<rect width="20" height="20"/>'), '--out-dir', 'b']);
        self::assertSame(0, $code);
        self::assertStringContainsString('Looks the same. Ready.', $out);
    }

    #[Test]
    public function the_finished_width_is_of_the_page_or_of_the_art_and_asked_for_where_none_is_stated(): void
    {
        $in = $this->drawing('<rect x="90" y="10" width="30" height="10"/>');
        $size = function (string ...$more) use ($in): array {
            $this->call(['prepare', $in, '--out-dir', 'x', '--replace', '--format=json', ...array_values($more)]);
            $report = json_decode((string) file_get_contents("{$this->folder}/x/report.json"), true);

            return [$report['width_mm'], $report['height_mm'], in_array('outside-page', array_column($report['findings'], 'kind'), true)];
        };
        self::assertEquals([200.0, 100.0, true], $size('--width=200mm'));
        self::assertEquals([60.0, 20.0, false], $size('--width=60mm', '--of=art'));
        file_put_contents("{$this->folder}/none.svg", '<svg xmlns="http://www.w3.org/2000/svg"><rect x="30" width="60" height="30"/></svg>');
        [, $out, $error] = $this->call(['prepare', 'none.svg', '--out-dir', 'y']);
        self::assertStringContainsString('note: no-size (serious)', $error);
        self::assertStringContainsString('Not ready:', $out);
        [, $out, $error] = $this->call(['prepare', 'none.svg', '--out-dir', 'z', '--width=120mm']);
        self::assertSame(['', true], [$error, str_contains($out, '120.00 x 60.00 mm')]);
        self::assertSame(2, $this->call(['prepare', 'none.svg', '--out-dir', 'q', '--of=moon'])[0]);
    }

    #[Test]
    public function blacks_are_joined_and_see_through_laid_on_the_ground_where_that_is_asked(): void
    {
        $in = $this->drawing('<rect width="20" height="20" fill="#000"/><rect x="30" width="10" height="10" fill="#0b0d12"/><rect x="60" width="20"'
            .' height="20" fill="#f00" opacity=".5"/>');
        $this->call(['prepare', $in, '--out-dir', 'a']);
        self::assertCount(3, (array) glob("{$this->folder}/a/*.svg"));
        [, $out] = $this->call(['prepare', $in, '--out-dir', 'b', '--join-near-blacks', '--ground=#ffffff']);
        self::assertSame(['sheet-1-000000.svg', 'sheet-2-ff8080.svg'], array_map(basename(...), glob("{$this->folder}/b/*.svg") ?: []));
        self::assertStringContainsString(
            '100.0 mm² in a colour that is hardly distinguishable (distance 3.4) from the one before',
            $out,
            'it is another look, and said to be one',
        );
        self::assertSame(2, $this->call(['prepare', $in, '--out-dir', 'c', '--ground=white'])[0]);
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

    #[Test]
    public function edits_of_the_bench_are_made_by_command_on_pieces_by_their_own_ids_by_colour_or_all(): void
    {
        $in = $this->drawing('<rect id="plate" width="20" height="20" fill="#cc3333"/><rect id="bar" x="10" width="20" height="20" fill="#224488"/><rect'
            .' id="far" x="60" width="10" height="10" fill="#cc3333"/>');
        self::assertSame(0, $this->call(['edit', 'cut-away', $in, '--pieces=plate,bar', '--knife=plate', '--keep-knife', '-o', 'out.svg'])[0]);
        self::assertEqualsWithDelta([400.0, 200.0, 100.0], array_map(static fn (Shape $s): float => $s->area(), $this->shapes('out.svg')), 1e-9);
        self::assertStringContainsString('id="bar"', (string) file_get_contents("{$this->folder}/out.svg"), 'a piece is called as it was');
        self::assertSame(0, $this->call(['edit', 'outset', $in, '--colour=#c33', '--distance=1mm', '--join=miter', '-o', 'out.svg'])[0]);
        self::assertEqualsWithDelta([484.0, 400.0, 144.0], array_map(static fn (Shape $s): float => $s->area(), $this->shapes('out.svg')), 1e-6);
        self::assertSame(0, $this->call(['edit', 'cells', $in, '--all', '--drop=15,10', '--lift=5,5', '-o', 'out.svg'])[0]);
        self::assertEqualsWithDelta([200.0, 200.0, 100.0], array_map(static fn (Shape $s): float => $s->area(), $this->shapes('out.svg')), 1e-9);
        [$code, $out] = $this->call(['edit', 'cells', $in, '--all', '--marks']);
        self::assertSame([0, 4], [$code, count(json_decode($out, true))]);
        file_put_contents("{$this->folder}/list.json", '[{"kind": "weld", "pieces": ["plate", "bar"]}, {"kind": "move", "pieces": ["plate"], "x": "1cm"}]');
        self::assertSame(0, $this->call(['edit', '--edits=list.json', $in, '-o', 'out.svg'])[0]);
        self::assertEqualsWithDelta([10.0, 600.0], [$this->shapes('out.svg')[0]->box()?->left, $this->shapes('out.svg')[0]->area()], 1e-9);
    }

    #[Test]
    public function a_drawing_of_others_is_laid_round_a_mug_by_its_measures(): void
    {
        $in = "{$this->folder}/stripe.svg";
        file_put_contents($in, '<svg xmlns="http://www.w3.org/2000/svg" width="180mm" height="80mm" viewBox="0 0 180 80"><rect width="180" height="80" fill="#1d5c46"/></svg>');
        self::assertSame(0, $this->call(['edit', 'wrap', $in, '--all', '--round=82mm', '--height=95mm', '--turn=20', '-o', 'out.svg'])[0]);
        // Judged by another renderer: what faces whoever looks is as wide as the mug, in the middle of where the stripe lay.
        shell_exec('cd '.escapeshellarg($this->folder).' && rsvg-convert -w 1800 -b white out.svg -o out.png');
        $picture = imagecreatefrompng("{$this->folder}/out.png");
        self::assertNotFalse($picture);
        $inked = array_keys(array_filter(range(0, 1799), static fn (int $x): bool => (imagecolorat($picture, $x, 400) & 0xFF) < 200));
        self::assertEqualsWithDelta(490, $inked[0], 2);
        self::assertEqualsWithDelta(1309, $inked[count($inked) - 1], 2);
        [$code, , $said] = $this->call(['edit', 'wrap', $in, '--all', '--round=82mm', '--above=89', '-o', 'out2.svg']);
        self::assertNotSame(0, $code);
        self::assertStringContainsString('Seen from above', $said);
        self::assertFileDoesNotExist("{$this->folder}/out2.svg");
    }

    #[Test]
    public function a_call_of_an_edit_that_cannot_be_made_is_one_line_and_no_file(): void
    {
        $in = $this->drawing('<rect id="plate" width="20" height="20" fill="#cc3333"/>');
        foreach ([
            [['edit', 'nothing', $in, '--all'], 'the kind=nothing is not known'],
            [['edit', 'weld', $in], '--pieces, --colour or --all'],
            [['edit', 'weld', $in, '--colour=#00ff00'], 'a piece of the colour #00ff00'],
            [['edit', 'inset', $in, '--all', '--distance=12'], 'is narrower than that'],
            [['edit', 'inset', $in, '--all', '--distance=wide'], 'wide'],
            [['edit', 'inset', $in, '--all', '--gap=2'], '"--gap" option does not exist'],
            [['edit', 'part', $in, '--all', '--line=hello'], 'write path data such as'],
            [['edit', 'cells', $in, '--all', '--lift=5'], 'written as x,y'],
            [['edit', '--edits=none.json', $in], 'There is no file "none.json"'],
        ] as [$call, $words]) {
            [$code, , $error] = $this->call([...$call, '-o', 'none.svg']);
            self::assertSame(2, $code, $words);
            self::assertStringContainsString($words, $error);
            self::assertSame(1, substr_count(trim($error), "\n") + 1);
            self::assertFileDoesNotExist("{$this->folder}/none.svg");
        }
    }

    #[Test]
    public function the_catalogue_lists_kinds_and_fields_that_scripts_rely_on(): void
    {
        [$code, $out] = $this->call(['catalogue', 'edits', '--format=json']);
        $all = json_decode($out, true);
        self::assertSame(0, $code);
        $relied = [
            'outline-strokes' => [],
            'weld' => [],
            'cut-away' => ['knife', 'keepKnife'],
            'keep-overlap' => [],
            'keep-difference' => [],
            'split-all' => [],
            'cells' => ['join', 'drop', 'lift'],
            'fill-enclosed' => ['at', 'fill'],
            'part' => ['line', 'angle', 'at', 'slices', 'sectors'],
            'trim' => ['at'],
            'extend' => ['at'],
            'separate' => [],
            'lift-hole' => ['at', 'scale'],
            'fill-hole' => ['at'],
            'inset' => ['distance', 'join', 'steps', 'spacing'],
            'outset' => ['distance', 'join', 'steps', 'spacing'],
            'ring' => ['inner', 'outer', 'join', 'steps', 'spacing'],
            'cut-border' => ['distance', 'bridge', 'dropHoles', 'radius'],
            'weave' => ['gap', 'start', 'turn'],
            'drop-shade' => ['angle', 'distance', 'gap'],
            'wrap' => ['shape', 'amount'],
            'spread-behind' => ['by'], 'clean-nodes' => ['deviation'], 'merge-by-colour' => [],
        ];
        foreach ($relied as $kind => $fields) {
            self::assertSame([], array_diff($fields, array_column($all[$kind]['fields'], 'name')), $kind);
        }
        self::assertStringContainsString('--drop-holes=LENGTH', $this->call(['catalogue'])[1]);
        self::assertSame(
            ['edits', 'steps', 'outputs', 'stock', 'making', 'shapes', 'limits'],
            array_keys((array) json_decode($this->call(['catalogue', '--format=json'])[1], true)),
        );
        [$code, , $error] = $this->call(['catalogue', 'hats']);
        self::assertSame(2, $code);
        self::assertStringContainsString('hats', $error);
    }

    #[Test]
    public function an_edit_sets_letters_in_a_font_of_the_folder_that_is_named(): void
    {
        $in = $this->drawing('<rect id="plate" width="20" height="20" fill="#cc3333"/>');
        $call = ['edit', 'text', $in, '--text=Quay', '--family=DejaVu Sans Condensed', '--size=9mm', '--x=5', '--y=40', '-o', 'out.svg'];
        [$code, , $error] = $this->call($call);
        self::assertSame(2, $code);
        self::assertStringContainsString('There is no font called "DejaVu Sans Condensed"', $error);
        mkdir("{$this->folder}/fonts");
        copy(dirname(__DIR__, 2).'/core/tests/Support/condensed.woff', "{$this->folder}/fonts/condensed.woff");
        self::assertSame(0, $this->call([...$call, '--fonts=fonts'])[0]);
        self::assertCount(2, $this->shapes('out.svg'));
    }

    #[Test]
    public function a_drawing_is_shown_on_things(): void
    {
        $in = $this->drawing('<rect x="10" y="10" width="40" height="20" fill="#c81e1e"/>');
        // The picture of the tag is twice as large as the tag.
        [$code, $out, $error] = $this->call(['proof', $in, '--product=tag', '--width=30mm', '--no-lights', '-o', 'tag.svg']);
        self::assertSame([0, '', ''], [$code, $out, $error]);
        $widths = array_map(static fn (Shape $shape): float => $shape->box()?->width() ?? 0.0, $this->red('tag.svg'));
        self::assertCount(1, $widths);
        self::assertEqualsWithDelta(2 * 30.0, $widths[0], 0.1);

        // Several things are a file each; a colour is for the thing that has the part.
        [$code, , $error] = $this->call(['proof', $in, '--product=mug', '--product=tabard', '--colour=body=#123456', '--colour=CLOTH=#654321', '-o', 'all.svg']);
        self::assertSame([0, ''], [$code, $error]);
        self::assertSame(['all-mug.svg', 'all-tabard.svg'], array_map(basename(...), glob("{$this->folder}/all*") ?: []));
        self::assertStringContainsString('#123456', (string) file_get_contents("{$this->folder}/all-mug.svg"));
        self::assertStringContainsString('#654321', (string) file_get_contents("{$this->folder}/all-tabard.svg"));
        self::assertStringNotContainsString('#123456', (string) file_get_contents("{$this->folder}/all-tabard.svg"));

        // A picture has the dots that were asked for; what does not fit is said.
        [$code, , $error] = $this->call(['proof', $in, '--product=tag', '--width=90mm', '--pixels=300', '-o', 'tag.png']);
        self::assertSame(0, $code);
        self::assertStringContainsString('note: tag: ', $error);
        self::assertStringContainsString('90 mm of 46 mm', $error);
        self::assertSame(300, (getimagesize("{$this->folder}/tag.png") ?: [0])[0]);
    }

    /** @param  list<string>  $words */
    #[Test]
    #[TestWith([['--product=boat'], '--product'])]
    #[TestWith([['--colour=sail=#ffffff'], '--colour'])]
    #[TestWith([['--colour=body=red'], 'red'])]
    #[TestWith([['--pixels=5'], '--pixels'])]
    #[TestWith([['--width=wide'], 'wide'])]
    #[TestWith([['-o', 'proof.gif'], '--output'])]
    public function what_cannot_be_shown_leaves_no_file(array $words, string $said): void
    {
        $in = $this->drawing('<rect x="10" y="10" width="40" height="20"/>');
        [$code, $out, $error] = $this->call(['proof', $in, ...$words]);
        self::assertSame([2, ''], [$code, $out]);
        self::assertStringContainsString($said, $error);
        self::assertSame(1, substr_count(trim($error), "\n") + 1, $error);
        self::assertSame(["{$this->folder}/in.svg"], glob("{$this->folder}/*"));
    }

    /** @return list<Shape> */
    private function red(string $path): array
    {
        $pieces = Reader::read((string) file_get_contents("{$this->folder}/{$path}"))->artwork->pieces;

        return array_values(array_map(
            static fn ($piece): Shape => $piece->shape,
            array_filter($pieces, static fn ($piece): bool => $piece->fill?->colour->hex() === '#c81e1e'),
        ));
    }
}
