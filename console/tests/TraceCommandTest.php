<?php

declare(strict_types=1);

namespace NeatEdge\Console\Tests;

use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Tests\Support\Painted;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** D14 by command: pictures to curves, alone, in a batch and through the line. */
final class TraceCommandTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/neat-edge-trace-'.bin2hex(random_bytes(4));
        mkdir("{$this->folder}/in", 0777, true);
        file_put_contents("{$this->folder}/in/rose.png", Painted::picture(200, 100, static fn (float $x, float $y): int => abs(hypot($x - 50, $y - 50) - 30) < 6 ? 0x1D5C46
            : (abs($x - 140) < 40 && abs($y - 50) < 20 ? 0xCC3333 : 0xFFFFFF)));
    }

    protected function tearDown(): void
    {
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    /**
     * @param  list<string>  $arguments
     * @return array{int, string, string}
     */
    private function call(array $arguments): array
    {
        $process = proc_open([dirname(__DIR__, 2).'/bin/neat-edge', ...$arguments], [['file', '/dev/null', 'r'], ['file', "{$this->folder}/out", 'w'], ['file', "{$this->folder}/err", 'w']], $pipes, $this->folder);
        self::assertIsResource($process);

        return [proc_close($process), (string) file_get_contents("{$this->folder}/out"), (string) file_get_contents("{$this->folder}/err")];
    }

    #[Test]
    public function a_picture_becomes_a_drawing_of_its_true_size_with_what_was_meant(): void
    {
        [$code, $out] = $this->call(['trace', 'in/rose.png', '--width=100mm', '-o', 'rose.svg', '--format=json']);
        self::assertSame(0, $code);
        $told = json_decode($out, true, 16, JSON_THROW_ON_ERROR);
        self::assertSame(2, $told['pieces']);
        self::assertSame(['circles' => '2 circles', 'rectangles' => '1 rectangle', 'centres' => '2 about a centre that they share'], array_column($told['meant'], 'label', 'key'));
        self::assertEqualsWithDelta([25.0, 25.0], $told['meant'][0]['at'][0], 0.05);
        self::assertSame(['#ffffff', true], [$told['colours'][0]['colour'], $told['colours'][0]['ground']]);
        $art = Reader::read((string) file_get_contents("{$this->folder}/rose.svg"))->artwork;
        self::assertEqualsWithDelta([100.0, 50.0], [$art->width, $art->height], 1e-6);
        $areas = array_map(static fn ($piece): float => abs($piece->shape->area()), $art->pieces);
        sort($areas);
        self::assertEqualsWithDelta([M_PI * (18 ** 2 - 12 ** 2), 40.0 * 20.0], $areas, 2.0);
        [$code, $out] = $this->call(['trace', 'in/rose.png', '--width=10cm', '--lines', '--off=rectangles', '-o', 'lines.svg']);
        self::assertSame(0, $code);
        self::assertStringContainsString('2 pieces', $out);
        self::assertStringNotContainsString('rectangle', $out);
        self::assertStringContainsString('stroke-width="6', (string) file_get_contents("{$this->folder}/lines.svg"), 'the ring is a line, 6 mm wide');
    }

    #[Test]
    public function what_cannot_be_traced_is_one_sentence_and_no_file(): void
    {
        file_put_contents("{$this->folder}/in/words.png", 'no picture');
        foreach ([
            [['trace', 'in/words.png', '--width=10mm', '-o', 'x.svg'], 'PNG and JPEG are taken'],
            [['trace', 'in/rose.png', '-o', 'x.svg'], '--width is missing'],
            [['trace', 'in/rose.png', '--width=10mm'], '-o is missing'],
            [['trace', 'in/none.png', '--width=10mm', '-o', 'x.svg'], 'no file "in/none.png"'],
            [['trace', 'in/rose.png', '--width=10mm', '--off=roses', '-o', 'x.svg'], '--off=roses is not known; use circles'],
            [['trace', 'in/rose.png', '--width=10mm', '--colours=99', '-o', 'x.svg'], 'Colours'],
            [['trace', 'in/rose.png', '--width=10mm', '--part=1mm', '-o', 'x.svg'], 'four lengths'],
        ] as [$call, $says]) {
            [$code, , $err] = $this->call($call);
            self::assertSame(2, $code, $says);
            self::assertStringContainsString($says, $err);
            self::assertFileDoesNotExist("{$this->folder}/x.svg");
        }
    }

    #[Test]
    public function pictures_of_a_folder_go_through_the_line_once_their_width_is_said(): void
    {
        [$code, $out] = $this->call(['batch', 'in', '--preset=Vinyl to weed', '--width=100mm', '--out-dir', 'done', '--format=json']);
        self::assertSame(0, $code, $out);
        self::assertNotSame([], glob("{$this->folder}/done/rose*/*.svg"));
        [$code, $out] = $this->call(['batch', 'in', '--preset=Vinyl to weed', '--out-dir', 'unsized']);
        self::assertSame(1, $code);
        self::assertStringContainsString('A picture says no size', $out);
        [$code] = $this->call(['prepare', 'in/rose.png', '--take', 'trace=100mm', '--out-dir', 'alone']);
        self::assertSame(0, $code);
        [$code, , $err] = $this->call(['prepare', 'in/rose.png', '--out-dir', 'refused']);
        self::assertSame(2, $code);
        self::assertStringContainsString('draw over it or trace it', $err);
    }
}
