<?php

declare(strict_types=1);

namespace NeatEdge\Pages\Tests;

use GdImage;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Format\Arrived;
use NeatEdge\Core\Format\FileRefused;
use NeatEdge\Core\Format\Formats;
use NeatEdge\Core\Format\Incoming;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Sheet\Layout\Layer;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Layout\Role;
use NeatEdge\Pages\PageReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** PDF and PostScript that others wrote, as they come in: at their size, looking like Poppler's own rendering, what is not kept named. */
final class PageReaderTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/neat-edge-pages-'.bin2hex(random_bytes(4));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    /** @param  array<string, string>  $typed */
    private static function read(string $bytes, array $typed = []): Arrived
    {
        return Incoming::read($bytes, 'file.pdf', $typed, pages: new PageReader);
    }

    /** A PDF by cairo, of somebody else's drawing. */
    private function pdf(string $svg): string
    {
        file_put_contents("{$this->folder}/in.svg", $svg);
        exec("rsvg-convert -f pdf {$this->folder}/in.svg -o {$this->folder}/in.pdf", $out, $code);
        self::assertSame(0, $code);

        return (string) file_get_contents("{$this->folder}/in.pdf");
    }

    private function picture(string $command): GdImage
    {
        exec($command, $out, $code);
        self::assertSame(0, $code, $command);
        $image = imagecreatefrompng("{$this->folder}/out.png");
        self::assertNotFalse($image);
        imagepalettetotruecolor($image);

        return $image;
    }

    /** @return iterable<string, array{string}> */
    public static function art(): iterable
    {
        foreach ([
            '@twemoji/svg/1f3ee.svg',
            '@twemoji/svg/1f6a4.svg',
            'flag-icons/flags/4x3/no.svg',
            'heroicons/24/solid/home.svg',
            '@mapbox/maki/icons/harbor.svg',
        ] as $path) {
            yield $path => [dirname(__DIR__, 2)."/node_modules/{$path}"];
        }
    }

    #[Test]
    #[DataProvider('art')]
    public function a_page_looks_like_the_rendering_of_its_reader_and_has_its_size(string $path): void
    {
        $bytes = $this->pdf((string) file_get_contents($path));
        $art = self::read($bytes)->drawing->artwork;
        exec("pdfinfo {$this->folder}/in.pdf", $told);
        self::assertSame(1, preg_match('/Page size:\s+([\d.]+) x ([\d.]+)/', implode("\n", $told), $m));
        self::assertEqualsWithDelta([(float) ($m[1] ?? 0) * 25.4 / 72, (float) ($m[2] ?? 0) * 25.4 / 72], [$art->width, $art->height], 0.001);
        $theirs = $this->picture("pdftocairo -png -scale-to 240 -singlefile {$this->folder}/in.pdf {$this->folder}/out");
        file_put_contents("{$this->folder}/ours.svg", Writer::write(Seen::of($art)));
        $ours = $this->picture(sprintf(
            'rsvg-convert -w %d -h %d -b white %s/ours.svg -o %s/out.png',
            imagesx($theirs),
            imagesy($theirs),
            $this->folder,
            $this->folder,
        ));
        $sum = 0;
        for ($x = 0; $x < imagesx($theirs); $x++) {
            for ($y = 0; $y < imagesy($theirs); $y++) {
                [$a, $b] = [(int) imagecolorat($theirs, $x, $y), (int) imagecolorat($ours, $x, $y)];
                $sum += abs(($a >> 16 & 255) - ($b >> 16 & 255)) + abs(($a >> 8 & 255) - ($b >> 8 & 255)) + abs(($a & 255) - ($b & 255));
            }
        }
        self::assertLessThan(0.004, $sum / 765 / (imagesx($theirs) * imagesy($theirs)));
    }

    #[Test]
    public function postscript_is_read_at_the_size_of_its_box(): void
    {
        $eps = "%!PS-Adobe-3.0 EPSF-3.0\n%%BoundingBox: 0 0 144 72\n%%EndComments\n1 0 0 setrgbcolor 0 0 144 72 rectfill 0 0 1 setrgbcolor 36 18 72 36"
            ." rectfill\nshowpage\n";
        $art = self::read($eps)->drawing->artwork;
        self::assertEqualsWithDelta([50.8, 25.4], [$art->width, $art->height], 0.01);
        self::assertSame(['#ff0000', '#0000ff'], array_map(static fn (Piece $piece): ?string => $piece->fill?->colour->hex(), $art->pieces));
        self::assertEqualsWithDelta(25.4 * 12.7, abs($art->pieces[1]->shape->area()), 0.1);
    }

    #[Test]
    public function names_of_inks_and_overprint_are_named_as_not_kept(): void
    {
        $piece = static fn (float $x, string $hex): Piece => new Piece(
            "p{$x}",
            Shape::of(Contour::rectangle($x, 10, 30, 30)),
            new Paint(Colour::fromHex($hex)),
        );
        $layout = new Layout(
            'film',
            'Film',
            100.0,
            60.0,
            [
                new Layer(Role::Plate, 'Harbour blue', '#1f4fa0', [$piece(10.0, '#1f4fa0')]),
                new Layer(Role::Plate, 'Signal red', '#c03020', [$piece(30.0, '#c03020')], overprints: true),
            ],
        );
        $arrived = self::read(Formats::bytes(Formats::make('pdf'), [$layout]));
        $said = array_column(array_map(static fn (Finding $finding): array => [$finding->kind, $finding->message], $arrived->drawing->findings), 1, 0);
        self::assertStringContainsString('"Harbour blue", "Signal red"', $said['spot-colour'] ?? '');
        self::assertArrayHasKey('overprint', $said);
        self::assertEqualsWithDelta([100.0, 60.0], [$arrived->drawing->artwork->width, $arrived->drawing->artwork->height], 0.01);
    }

    #[Test]
    public function several_pages_are_told_pictured_and_taken_one_by_one(): void
    {
        $ps = "%!PS\n<< /PageSize [100 50] >> setpagedevice 0 0 50 50 rectfill showpage\n<< /PageSize [50 100] >> setpagedevice 0 0 10 10 rectfill showpage\n";
        $second = self::read($ps, ['page' => '2']);
        self::assertSame(2, $second->pages);
        self::assertEqualsWithDelta([50 * 25.4 / 72, 100 * 25.4 / 72], [$second->drawing->artwork->width, $second->drawing->artwork->height], 0.01);
        $pictures = (new PageReader)->pictures($ps);
        self::assertCount(2, $pictures);
        self::assertSame([true, false], array_map(static function (string $png): bool {
            $size = getimagesizefromstring($png);

            return $size !== false && $size[0] > $size[1];
        }, $pictures), 'the first lies, the second stands');
        $this->expectException(FileRefused::class);
        $this->expectExceptionMessage('There is no page 3: the file has 2 pages.');
        self::read($ps, ['page' => '3']);
    }

    /** @return iterable<string, array{string, string}> */
    public static function bad(): iterable
    {
        yield 'a PDF of nothing' => ['%PDF-1.4 and then nothing', 'The PDF file cannot be read'];
        yield 'a program that never ends' => ["%!PS\n{ } loop\n", 'asks for more time or memory|takes longer than \d+ seconds'];
        yield 'a program that asks for all memory' => ["%!PS\n[ 0 1 500000000 { 100000000 string } for ] pop\n", 'The PostScript file'];
        yield 'a program that reads what it may not' => ["%!PS\n(/etc/passwd) (r) file pop showpage\n", 'The PostScript file cannot be read'];
    }

    #[Test]
    #[DataProvider('bad')]
    public function hostile_files_end_in_one_sentence(string $bytes, string $says): void
    {
        $this->expectException(FileRefused::class);
        // By its own time or, on a busy machine, by the clock.
        $this->expectExceptionMessageMatches("~{$says}~");
        self::read($bytes);
    }
}
