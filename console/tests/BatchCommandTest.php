<?php

declare(strict_types=1);

namespace NeatEdge\Console\Tests;

use NeatEdge\Core\Format\Svg\Reader;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Remedies, presets and batches as a script calls them. */
final class BatchCommandTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/neat-edge-test-'.bin2hex(random_bytes(4));
        mkdir("{$this->folder}/in", recursive: true);
    }

    protected function tearDown(): void
    {
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    /**
     * @param  list<string>  $arguments
     * @return array{int, string, string} exit code, standard output, standard error
     */
    private function call(array $arguments): array
    {
        $process = proc_open(
            [dirname(__DIR__, 2).'/bin/neat-edge', ...$arguments],
            [['file', '/dev/null', 'r'], ['file', "{$this->folder}/.out", 'w'], ['file', "{$this->folder}/.err", 'w']],
            $pipes,
            $this->folder,
        );
        self::assertIsResource($process);
        $code = proc_close($process);

        return [$code, (string) file_get_contents("{$this->folder}/.out"), (string) file_get_contents("{$this->folder}/.err")];
    }

    private function drawing(string $body, string $name): void
    {
        file_put_contents(
            "{$this->folder}/{$name}",
            "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"100mm\" height=\"50mm\" viewBox=\"0 0 100 50\">{$body}</svg>",
        );
    }

    #[Test]
    public function a_remedy_cures_all_of_a_kind_and_says_what_it_did_and_left(): void
    {
        $this->drawing(
            '<rect x="5" y="5" width="40" height=".3"/><rect x="5" y="20" width="10" height="10"/><rect x="15.2" y="20" width="10" height="10"/>',
            'a.svg',
        );
        [$code, , $said] = $this->call(['remedy', 'a.svg', '-o', 'line.svg', '--kind=thin-line', '--min-line=0.8mm', '--min-gap=0.5mm']);
        self::assertSame(0, $code);
        self::assertStringContainsString('done: thin-line of 0.30 mm at ', $said);
        self::assertStringContainsString('1 cured, 0 left.', $said);
        self::assertStringContainsString('narrow-gap', $this->call(['check', 'line.svg', '--min-line=0.8mm', '--min-gap=0.5mm'])[1], 'only what was asked for');
        [$code, , $json] = $this->call([
            'remedy', 'a.svg', '-o', 'all.svg', '--kind=all', '--min-line=0.8mm', '--min-gap=0.5mm', '--min-island=0', '--format=json',
        ]);
        self::assertSame([0, 2], [$code, count(json_decode($json, true)['done'])]);
        self::assertSame(0, $this->call(['check', 'all.svg', '--min-line=0.8mm', '--min-gap=0.5mm', '--fail-on=any'])[0]);
        // Bars that stand too close to be both strong and apart.
        $this->drawing(
            implode('', array_map(static fn (int $k): string => sprintf('<rect x="%F" y="5" width=".5" height="20"/>', 5 + 0.9 * $k), range(0, 12))),
            'b.svg',
        );
        [$code, , $said] = $this->call(['remedy', 'b.svg', '-o', 'b.out.svg', '--kind=thin-line', '--min-line=0.8mm', '--min-gap=0.35mm']);
        self::assertSame(1, $code, 'something is left');
        self::assertStringContainsString('left: thin-line', $said);
        foreach ([['--kind=knots', 'is not known'], ['--min-line=thick', '"thick"'], ['--format=xml', 'is not known']] as [$bad, $says]) {
            [$code, , $said] = $this->call(['remedy', 'a.svg', '-o', 'no.svg', $bad]);
            self::assertSame(2, $code);
            self::assertStringContainsString($says, $said);
            self::assertFileDoesNotExist("{$this->folder}/no.svg");
        }
    }

    #[Test]
    public function a_preset_is_used_by_name_by_process_or_from_a_file(): void
    {
        $this->drawing('<rect x="5" y="5" width="40" height=".3" fill="#223344"/>', 'a.svg');
        file_put_contents(
            "{$this->folder}/own.json",
            '{"neat_edge_preset":1,"name":"Own","version":4,"steps":[{"step":"outline-strokes"},{"step":"remove-hidden"},{"step":"thicken","values":{"width":"2mm"}},{"step":"mirror","on":false}]}',
        );
        foreach (['Vinyl to weed' => 0.808, 'cut-vinyl' => 0.808, 'own.json' => 2.02] as $preset => $height) {
            [$code, $json] = $this->call(['prepare', 'a.svg', "--preset={$preset}", '--out-dir', 'out', '--replace', '--format=json']);
            self::assertSame(0, $code, $preset);
            self::assertEqualsWithDelta($height, json_decode($json, true)['sheets'][0]['height_mm'], 0.01);
        }
        self::assertSame(['name' => 'Own', 'version' => 4], json_decode($json, true)['preset']);
        self::assertSame(['outline-strokes', 'remove-hidden', 'thicken'], array_column(json_decode($json, true)['steps'], 'step'));
        foreach (['Nobody' => 'is not known', 'gone.json' => 'There is no file'] as $preset => $says) {
            [$code, , $said] = $this->call(['prepare', 'a.svg', "--preset={$preset}", '--out-dir', 'bad']);
            self::assertSame(2, $code);
            self::assertStringContainsString($says, $said);
        }
        file_put_contents("{$this->folder}/bad.json", '{"neat_edge_preset":1,"name":"x","steps":[{"step":"knit"}]}');
        self::assertStringContainsString(
            'That preset cannot be taken: step 1, "knit": there is no such step.',
            $this->call(['prepare', 'a.svg', '--preset=bad.json', '--out-dir', 'bad'])[2],
        );
    }

    #[Test]
    public function a_batch_goes_through_a_folder_and_goes_on_after_a_stop_without_doing_anything_twice(): void
    {
        foreach (['oar', 'pier', 'weir'] as $k => $name) {
            $this->drawing(sprintf('<rect x="5" y="5" width="40" height="%F" fill="#223344"/>', [0.5, 10, 12][$k]), "in/{$name}.svg");
        }
        file_put_contents("{$this->folder}/in/torn.svg", '<svg');
        file_put_contents("{$this->folder}/sizes.csv", "file,width\noar.svg,50mm\n");
        $call = ['batch', 'in', '--preset=Vinyl to weed', '--width=100mm', '--sizes=sizes.csv', '--out-dir', 'out', '--jobs=2', '--format=json'];
        [$code, $json] = $this->call($call);
        self::assertSame(1, $code, 'one needs a person');
        $rows = array_column(json_decode($json, true), null, 'file');
        self::assertSame(['oar.svg', 'pier.svg', 'torn.svg', 'weir.svg'], array_keys($rows));
        self::assertEquals([50.0, 100.0, 'failed'], [$rows['oar.svg']['width_mm'], $rows['pier.svg']['width_mm'], $rows['torn.svg']['state']]);
        self::assertTrue($rows['pier.svg']['ready']);
        self::assertEqualsWithDelta(
            0.808,
            Reader::read((string) file_get_contents("{$this->folder}/out/oar.svg/sheet-1-223344.svg"))->artwork->pieces[0]->box()?->height(),
            0.01,
            'a line of 0.25 mm at that size, thickened',
        );
        self::assertStringContainsString("pier.svg,done,100,50,1,0,0,yes,\"Looks the same\",,\n", (string) file_get_contents("{$this->folder}/out/summary.csv"));
        // Stopped in the middle: one is not done, one was being made.
        exec('rm -rf '.escapeshellarg("{$this->folder}/out/weir.svg"));
        touch("{$this->folder}/out/pier.svg/row.json", 1_000_000_000);
        $this->drawing('<rect x="5" y="5" width="40" height="3" fill="#223344"/>', 'in/oar.svg');
        [, , $said] = $this->call($call);
        self::assertStringContainsString('2 of 4 were done before and are kept.', $said);
        clearstatcache();
        self::assertSame(1_000_000_000, filemtime("{$this->folder}/out/pier.svg/row.json"));
        self::assertNotSame(1_000_000_000, filemtime("{$this->folder}/out/weir.svg/row.json"));
        self::assertEqualsWithDelta(
            1.5,
            Reader::read((string) file_get_contents("{$this->folder}/out/oar.svg/sheet-1-223344.svg"))->artwork->pieces[0]->box()?->height(),
            0.01,
            'the file was another',
        );
        self::assertSame([], glob("{$this->folder}/out/.making*") ?: []);
        foreach ([
            ['batch', 'nowhere', '--preset=plain', '--out-dir', 'x'],
            ['batch', 'in', '--out-dir', 'x'],
            ['batch', 'in', '--preset=plain'],
            ['batch', 'in', '--preset=plain', '--out-dir', 'x', '--jobs=none'],
        ] as $bad) {
            self::assertSame(2, $this->call($bad)[0]);
        }
    }

    #[Test]
    public function a_batch_shows_each_drawing_on_things(): void
    {
        $this->drawing('<rect x="5" y="5" width="30" height="20" fill="#c81e1e"/>', 'in/weir.svg');
        $call = ['batch', 'in', '--preset=Vinyl to weed', '--out-dir=out', '--product=lantern', '--product=quay'];
        [$code, $said, $error] = $this->call($call);
        self::assertSame(0, $code, $error);
        $folder = dirname((glob("{$this->folder}/out/*/proof-lantern.png") ?: ['missing'])[0]);
        self::assertSame(['proof-lantern.png', 'proof-quay.png'], array_map(basename(...), glob("{$folder}/*.png") ?: []));
        $picture = imagecreatefrompng("{$folder}/proof-quay.png");
        self::assertNotFalse($picture);
        $wide = imagesx($picture);
        self::assertSame(1600, $wide);
        foreach ([0.165, 0.485, 0.805] as $across) {
            $colour = imagecolorat($picture, (int) ($across * $wide), (int) (0.6 * imagesy($picture)));
            self::assertGreaterThan((($colour >> 8) & 255) + 60, ($colour >> 16) & 255, 'on each of the three');
        }
        // Other things are other work; the same is kept.
        self::assertStringContainsString('1 of 1 were done before', $this->call($call)[2]);
        [$code, $said] = $this->call([...array_slice($call, 0, 4), '--product=tag', '--width=900mm']);
        self::assertStringNotContainsString('tag:', $said, 'art as large as it is lies as large as the place lets it');
        self::assertSame(['proof-tag.png'], array_map(basename(...), glob("{$folder}/*.png") ?: []));
        [$code, , $error] = $this->call([...$call, '--product=boat']);
        self::assertSame(2, $code);
        self::assertStringContainsString('--product=boat is not known', $error);
    }
}
