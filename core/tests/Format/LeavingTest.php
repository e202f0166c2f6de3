<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Format;

use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\Export;
use NeatEdge\Core\Format\FileRefused;
use NeatEdge\Core\Format\Formats;
use NeatEdge\Core\Format\Incoming;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Process\ScreenPrint;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Sheet\Layout\Layer;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Layout\Role;
use NeatEdge\Core\Sheet\Make\Order;
use NeatEdge\Core\Tests\Support\Share;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** O6: what leaves, read by readers that others wrote: Ghostscript, Poppler, qpdf, ezdxf, hp2xx, GD. */
final class LeavingTest extends TestCase
{
    private string $folder = '';

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/neat-edge-leaving-'.bin2hex(random_bytes(5));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        array_map(unlink(...), glob("{$this->folder}/*") ?: []);
        rmdir($this->folder);
    }

    private static function cut(): Layout
    {
        $ring = [Contour::circle(50, 40, 20), Contour::circle(50, 40, 10)->reversed()];

        return new Layout('tag-1-red', 'Tag, sheet 1', 120, 80, [
            new Layer(
                Role::Kiss,
                'Red film',
                '#c02020',
                [new Piece('a', new Shape($ring), new Paint(new Colour(192, 32, 32)))],
                $ring,
                use: ['speed' => 100.0],
            ),
            new Layer(
                Role::Through,
                'Cut through',
                '#1d5c46',
                lines: [Contour::rectangle(20, 10, 60, 60), Contour::polygon([[90.0, 10.0], [110.0, 30.0]], false)],
            ),
        ]);
    }

    private static function plates(): Layout
    {
        $piece = static fn (string $id, Contour $shape, string $hex): Piece => new Piece($id, Shape::of($shape), new Paint(Colour::fromHex($hex)));

        return new Layout('mark-plates', 'Mark, all plates', 100, 60, [
            new Layer(Role::Plate, 'River teal', '#3aa0a8', [$piece('t', Contour::rectangle(10, 10, 40, 40), '#3aa0a8')]),
            new Layer(Role::Plate, 'Night', '#101418', [$piece('n', Contour::circle(60, 30, 20), '#101418')], overprints: true),
            new Layer(Role::Mark, 'Marks', '#000000', [$piece('m', Contour::rectangle(2, 2, 5, 0.5), '#000000')]),
            new Layer(Role::Kiss, 'Cut line', '#c23b7a', lines: [Contour::rectangle(5, 5, 90, 50)]),
        ], trim: new Box(5.0, 5.0, 95.0, 55.0), bleed: 2.0);
    }

    #[Test]
    public function pixels_have_their_colour_also_in_short_stretches_and_holes_stay_open_by_either_rule(): void
    {
        $piece = static fn (string $id, Shape $shape): Piece => new Piece($id, $shape, new Paint(Colour::fromHex('#c86432')));
        $nested = [Contour::rectangle(20, 5, 20, 20), Contour::rectangle(26, 11, 8, 8)];
        $path = $this->write('png', new Layout('a', 'A', 80, 30, [new Layer(Role::Print, 'Print', '#000000', [
            $piece('small', Shape::of(Contour::rectangle(2, 2, 1, 1))), $piece('even', new Shape($nested, FillRule::Evenodd)),
            $piece('full', new Shape(array_map(static fn (Contour $c): Contour => $c->transformed(Matrix::translation(30, 0)), $nested))),
        ])]), ['resolution' => '254']);
        $image = imagecreatefrompng($path);
        self::assertNotFalse($image);
        $at = static fn (float $x, float $y): string => sprintf('%06x', imagecolorat($image, (int) (10 * $x), (int) (10 * $y)) & 0xFFFFFF);
        self::assertSame(['c86432', 'c86432', 'c86432'], [$at(2.1, 2.1), $at(2.5, 2.5), $at(2.9, 2.9)]);
        self::assertSame(['ffffff', 'ffffff'], [$at(1.5, 2.5), $at(3.5, 2.5)]);
        self::assertSame(['c86432', 'ffffff'], [$at(22, 15), $at(30, 15)], 'even-odd: a hole');
        self::assertSame(['c86432', 'c86432'], [$at(52, 15), $at(60, 15)], 'nonzero: none');
    }

    #[Test]
    public function a_blade_that_swivels_lightly_is_told_its_force_round_corners_alone(): void
    {
        $layout = new Layout('a', 'A', 100, 60, [new Layer(Role::Kiss, 'Film', '#c02020', lines: [Contour::rectangle(20, 10, 40, 30)])]);
        $bytes = static fn (string $swivel): string => Formats::bytes(
            Formats::make('plt', ['blade' => '0.5mm', 'overcut' => '0', 'swivel' => $swivel]),
            [$layout],
        );
        self::assertStringNotContainsString('FS', $bytes('depth'));
        $light = $bytes('light');
        $places = static fn (string $text): array => preg_match_all('/-?\d+,-?\d+/', $text, $found) ? $found[0] : [];
        self::assertSame($places($bytes('depth')), $places($light), 'the same way');
        $corners = [[20, 50], [60, 50], [60, 20], [20, 20]];
        $with = ['light' => 0.0, 'deep' => 0.0];
        [$force, $x, $y, $down] = ['deep', 0.0, 0.0, false];
        foreach (explode(';', $light) as $word) {
            $force = match (trim($word)) {
                'FS1' => 'light', 'FS' => 'deep', default => $force
            };
            $down = str_starts_with(trim($word), 'PD') || ($down && ! str_starts_with(trim($word), 'PU'));
            foreach ($places($word) as $place) {
                [$px, $py] = array_map(static fn (string $steps): float => (float) $steps / 40, explode(',', $place));
                if ($down && hypot($x - 0.5, $y - 0.5) > 3) {
                    $with[$force] += hypot($px - $x, $py - $y);
                    if ($force === 'light') {
                        self::assertEqualsWithDelta(0.5, min(array_map(static fn (array $c): float => hypot($px - $c[0], $py - $c[1]), $corners)), 0.03);
                    }
                }
                [$x, $y] = [$px, $py];
            }
        }
        self::assertSame('deep', $force, 'it is given back');
        self::assertEqualsWithDelta(3 * M_PI / 2 * 0.5, $with['light'], 0.6, 'three corners, and into the first side if it must');
        self::assertEqualsWithDelta(140.0, $with['deep'], 0.3);
    }

    /** @param  array<string, mixed>  $values */
    private function write(string $format, Layout $layout, array $values = []): string
    {
        $path = "{$this->folder}/out.".Formats::about($format)->extension;
        file_put_contents($path, Formats::bytes(Formats::make($format, $values), [$layout]));

        return $path;
    }

    /** @param  list<string>  $words */
    private static function tool(array $words): string
    {
        exec(implode(' ', array_map(escapeshellarg(...), $words)).' 2>&1', $lines, $code);
        self::assertSame(0, $code, implode("\n", $lines));

        return implode("\n", $lines);
    }

    #[Test]
    public function a_pdf_is_sound_has_no_fonts_and_its_boxes_are_true(): void
    {
        $path = $this->write('pdf', self::plates());
        self::assertStringContainsString('No syntax or stream encoding errors found', self::tool(['qpdf', '--check', $path]));
        self::assertSame(2, substr_count(self::tool(['pdffonts', $path]), "\n") + 1, 'a heading and nothing under it');
        $info = self::tool(['pdfinfo', '-box', $path]);
        foreach (['MediaBox' => [0, 0, 100, 60], 'TrimBox' => [5, 5, 95, 55], 'BleedBox' => [3, 3, 97, 57]] as $box => $mm) {
            self::assertSame(1, preg_match("/{$box}:\\s+([\\d.]+)\\s+([\\d.]+)\\s+([\\d.]+)\\s+([\\d.]+)/", $info, $m));
            foreach ($mm as $i => $value) {
                self::assertEqualsWithDelta($value * 72 / 25.4, (float) ($m[$i + 1] ?? 0), 0.02, $box);
            }
        }
    }

    #[Test]
    public function each_ink_is_a_separation_and_what_overprints_knocks_nothing_out(): void
    {
        $path = $this->write('pdf', self::plates());
        self::tool(['gs', '-q', '-dNOPAUSE', '-dBATCH', '-dSAFER', '-sDEVICE=tiffsep', '-r127', "-sOutputFile={$this->folder}/s.tif", $path]);
        $inked = [];
        foreach (glob("{$this->folder}/s*.tif") ?: [] as $plate) {
            if (preg_match('/\((.+)\)\.tif$/', $plate, $m) === 1) {
                $inked[$m[1]] = self::inked($plate, 127);
            }
        }
        self::assertEqualsWithDelta(1600.0 + 2.5, $inked['River teal'], 12.0, 'mm²; the registration colour stands on every plate');
        self::assertEqualsWithDelta(M_PI * 400 + 2.5, $inked['Night'], 18.0);
        self::assertArrayHasKey('Cut line', $inked);
        self::assertGreaterThan(10.0, $inked['Cut line']);
        self::assertLessThan(4.0, $inked['Cyan'], 'nothing but the marks');
    }

    #[Test]
    public function on_one_page_no_plate_knocks_out_another(): void
    {
        $art = PrepLine::usual()->outcome(Seen::of(Reader::read((string) file_get_contents(dirname(__DIR__, 3).'/database/demo/stewards-tabard.svg'))
            ->atWidth(90.0)
            ->artwork));
        $values = (new ScreenPrint)->values(['underbase' => 'yes', 'trap' => '0.2mm', 'marks' => '']);
        $plates = (new Order($art, 'Tabard', (new ScreenPrint)->making(), (new ScreenPrint)->limits(), $values))->layouts();
        self::assertGreaterThan(3, count($plates));
        $files = Export::files($plates, 'pdf', Formats::make('pdf'), true);
        file_put_contents("{$this->folder}/all.pdf", reset($files));
        // Dots an inch: half as many again where all is tried.
        $coarse = Share::isWhole() ? 900 : 600;
        foreach ([$coarse, 2 * $coarse] as $fine) {
            self::tool([
                'gs', '-q', '-dNOPAUSE', '-dBATCH', '-dSAFER', '-dMaxSpots=20', '-sDEVICE=tiffsep', "-r{$fine}",
                "-sOutputFile={$this->folder}/{$fine}.tif",
                "{$this->folder}/all.pdf",
            ]);
        }
        foreach ($plates as $plate) {
            $due = array_sum(array_map(static fn (Layer $layer): float => $layer->area(), $plate->layers));
            $name = $plate->layers[0]->name;
            // Every pixel that is touched is inked: what that adds halves when pixels do.
            $inked = array_map(fn (int $fine): float => self::inked("{$this->folder}/{$fine}({$name}).tif", $fine), [$coarse, 2 * $coarse]);
            $inked = 2 * $inked[1] - $inked[0];
            self::assertEqualsWithDelta($due, $inked, 0.001 * $due + 0.3, "{$name}: as much as its own plate has");
        }
        $films = Export::files($plates, 'pdf', Formats::make('pdf', ['films' => 'black']), true);
        file_put_contents("{$this->folder}/films.pdf", reset($films));
        self::assertStringContainsString(
            'Pages:           '.count($plates),
            self::tool(['pdfinfo', "{$this->folder}/films.pdf"]),
            'black films lie a plate on a page',
        );
    }

    #[Test]
    public function what_is_printed_is_never_cut(): void
    {
        $piece = new Piece('p', Shape::of(Contour::circle(50, 40, 10)), new Paint(Colour::fromHex('#c86432')));
        $sticker = self::cut()->with(layers: [
            new Layer(Role::Print, 'Print', '#000000', [$piece]),
            new Layer(Role::Mark, 'Camera marks', '#000000', [$piece]),
            ...self::cut()->layers,
        ]);
        foreach (['plt', 'dxf', 'gcode'] as $format) {
            $alone = (string) file_get_contents($this->write($format, self::cut()));
            self::assertSame($alone, (string) file_get_contents($this->write($format, $sticker)), $format);
            self::assertContains(
                Formats::about($format)->key === 'plt'
                    ? 'PLT is for what is cut or followed: "Print" and "Camera marks" are left out.'
                    : Formats::make($format)->loses($sticker)[0],
                Formats::make($format)->loses($sticker),
            );
            self::assertStringContainsString('"Print" and "Camera marks" are left out', Formats::make($format)->loses($sticker)[0]);
        }
    }

    /** @return float mm² that are inked, by how dark each pixel is */
    private static function inked(string $tiff, float $resolution): float
    {
        $sum = self::tool(['/usr/bin/python3', '-c', 'import sys
from PIL import Image
im = Image.open(sys.argv[1]).convert("L")
print(sum((255 - v) * n for v, n in enumerate(im.histogram())) / 255.0)', $tiff]);

        return (float) $sum * (25.4 / $resolution) ** 2;
    }

    #[Test]
    public function a_film_is_black_whatever_its_ink(): void
    {
        $path = $this->write('pdf', self::plates(), ['films' => 'black']);
        self::tool(['gs', '-q', '-dNOPAUSE', '-dBATCH', '-dSAFER', '-sDEVICE=pnggray', '-r100', "-sOutputFile={$this->folder}/f.png", $path]);
        $image = imagecreatefrompng("{$this->folder}/f.png");
        self::assertNotFalse($image);
        self::assertSame(0, imagecolorat($image, (int) (20 / 25.4 * 100), (int) (30 / 25.4 * 100)) & 0xFF);
    }

    /** @return iterable<string, array{string}> */
    public static function versions(): iterable
    {
        yield 'R12' => ['r12'];
        yield 'R2000' => ['r2000'];
    }

    #[Test]
    #[DataProvider('versions')]
    public function a_dxf_is_read_without_a_complaint_and_comes_back_as_it_left(string $version): void
    {
        $path = $this->write('dxf', self::cut(), ['version' => $version]);
        $told = json_decode(self::tool(['/usr/bin/python3', '-c', '
import sys, json, math, ezdxf
from ezdxf import recover
doc, audit = recover.readfile(sys.argv[1])
types, length, layers = {}, 0.0, set()
for e in doc.modelspace():
    types[e.dxftype()] = types.get(e.dxftype(), 0) + 1
    layers.add(e.dxf.layer)
    if e.dxftype() == "SPLINE":
        pts = list(e.construction_tool().approximate(400))
        length += sum(a.distance(b) for a, b in zip(pts, pts[1:]))
    else:
        for v in e.virtual_entities():
            if v.dxftype() == "ARC":
                length += math.radians((v.dxf.end_angle - v.dxf.start_angle) % 360.0) * v.dxf.radius
            else:
                length += v.dxf.start.distance(v.dxf.end)
print(json.dumps({"errors": len(audit.errors), "units": doc.header.get("$INSUNITS"), "types": types, "length": length, "layers": sorted(layers), "version": doc.dxfversion}))', $path]), true);
        self::assertSame(0, $told['errors']);
        self::assertSame(4, $told['units'], 'millimetres');
        self::assertSame(['CUT_THROUGH', 'RED_FILM'], $told['layers']);
        self::assertEqualsWithDelta(2 * M_PI * 30 + 240 + hypot(20, 20), $told['length'], 0.08);
        self::assertEquals(
            $version === 'r12' ? ['POLYLINE' => 4] : ['LWPOLYLINE' => 2, 'SPLINE' => 2],
            array_intersect_key($told['types'], ['POLYLINE' => 1, 'LWPOLYLINE' => 1, 'SPLINE' => 1]),
        );
        $back = Incoming::read((string) file_get_contents($path))->drawing->artwork;
        self::assertEqualsWithDelta([90.0, 60.0], [$back->width, $back->height], 1e-3);
        $areas = [];
        foreach ($back->pieces as $piece) {
            foreach ($piece->shape->contours as $contour) {
                $areas[] = round(abs($contour->area()), 1);
            }
        }
        sort($areas);
        self::assertEqualsWithDelta([0.0, M_PI * 100, M_PI * 400, 3600.0], $areas, 0.8);
    }

    #[Test]
    public function a_plt_is_drawn_by_another_reader_at_its_size_and_comes_back_as_it_left(): void
    {
        $path = $this->write('plt', self::cut(), ['overcut' => '0']);
        self::tool(['hp2xx', '-q', '-t', '-m', 'pbm', '-d', '100', '-f', "{$this->folder}/drawn.pbm", $path]);
        $head = (string) file_get_contents("{$this->folder}/drawn.pbm", length: 60);
        self::assertSame(1, preg_match('/^P[14]\s+(?:#.*\s+)*(\d+)\s+(\d+)/', $head, $m), $head);
        // From 20 to 110 mm, and from 10 to 70: at a hundred pixels an inch, and the margins of that reader.
        self::assertEqualsWithDelta(90 / 25.4 * 100, (int) ($m[1] ?? 0), 12);
        self::assertEqualsWithDelta(60 / 25.4 * 100, (int) ($m[2] ?? 0), 12);
        $text = (string) file_get_contents($path);
        self::assertStringStartsWith('IN;SP1;VS10;', $text);
        self::assertStringContainsString('SP3;', $text, 'a pen of its own for what is cut through');
        self::assertStringEndsWith("PU0,0;SP0;\n", $text);
        self::assertStringContainsString('PU3600,2800;PD4400,2000;', $text, 'from 90, 10 to 110, 30 mm: y is counted upwards');
        self::assertLessThan(600, max(array_map(strlen(...), explode(';', $text))), 'no instruction longer than a small buffer');
        $back = Incoming::read($text)->drawing->artwork;
        self::assertEqualsWithDelta([90.0, 60.0], [$back->width, $back->height], 0.03);
        $length = 0.0;
        foreach ($back->pieces as $piece) {
            $length += $piece->shape->length();
        }
        self::assertEqualsWithDelta(self::cut()->length(), $length, 0.001 * self::cut()->length());
    }

    #[Test]
    public function g_code_says_its_size_follows_arcs_and_fills_before_it_follows(): void
    {
        $layout = self::cut()->with(layers: [
            new Layer(Role::Fill, 'Fills', '#5b4a8a', hatch: [10.0, 10.0, 40.0, 10.0], use: ['power' => 35.0, 'speed' => 50.0]),
            ...self::cut()->layers,
        ]);
        $text = (string) file_get_contents($this->write('gcode', $layout));
        self::assertMatchesRegularExpression(
            '/^\(Tag, sheet 1\)\n\(Material: as chosen, sheet 120\.0 x 80\.0 mm\)\n\(Art 100\.00 x 60\.00 mm from X10\.00 Y10\.00\)/',
            $text,
        );
        self::assertSame(8, preg_match_all('/^G[23] /m', $text), 'two circles of four arcs');
        self::assertSame([4, 4], [preg_match_all('/^G2 /m', $text), preg_match_all('/^G3 /m', $text)], 'round one way, and the hole the other');
        self::assertMatchesRegularExpression('/G0 X70 Y40\nM3 S400\nG2 X50 Y20 I-20 J0 /', $text, 'clockwise as it is looked at');
        self::assertLessThan(strpos($text, 'G2 '), strpos($text, 'G1 X40 Y70 F3000'));
        self::assertStringContainsString("M3 S350\nG1 X40 Y70 F3000\nM5\n", $text);
        self::assertStringNotContainsString('  ', str_replace("\n", '', $text));
        $spindle = (string) file_get_contents($this->write('gcode', self::cut(), ['head' => 'spindle', 'passes' => '2', 'depth' => '0.4mm']));
        self::assertStringContainsString('G1 Z-0.8 ', $spindle, 'the second pass is deeper');
    }

    #[Test]
    public function a_png_states_its_resolution_and_is_as_dark_as_what_it_shows_covers(): void
    {
        $path = $this->write('png', self::plates(), ['resolution' => '127']);
        $bytes = (string) file_get_contents($path);
        self::assertSame(pack('NNC', 5000, 5000, 1), substr($bytes, (int) strpos($bytes, 'pHYs') + 4, 9));
        $image = imagecreatefrompng($path);
        self::assertNotFalse($image);
        self::assertSame([500, 300], [imagesx($image), imagesy($image)]);
        $dark = 0.0;
        for ($y = 0; $y < 300; $y++) {
            for ($x = 0; $x < 500; $x++) {
                $dark += 1 - (imagecolorat($image, $x, $y) & 0xFF) / 255;
            }
        }
        // A square, a disc that overlaps it, a mark, and the cut line of a quarter of a millimetre.
        $overlap = self::overlap();
        self::assertEqualsWithDelta(1600 + M_PI * 400 - $overlap + 2.5 + 0.25 * 280 * 0.6, $dark / 25, 25.0);
        $this->expectException(Refused::class);
        $this->expectExceptionMessage('Choose a lower resolution.');
        $this->write('png', self::plates()->with(width: 900.0), ['resolution' => '2400']);
    }

    /** mm² in which the square and the disc lie over each other, by counting. */
    private static function overlap(): float
    {
        $count = 0;
        for ($x = 40.05; $x < 50; $x += 0.1) {
            for ($y = 10.05; $y < 50; $y += 0.1) {
                $count += hypot($x - 60, $y - 30) < 20 ? 1 : 0;
            }
        }

        return $count / 100;
    }

    #[Test]
    public function an_svg_has_a_group_for_each_layer_in_millimetres(): void
    {
        $text = (string) file_get_contents($this->write('svg', self::cut()->with(title: '<Tag> & "one"')));
        self::assertStringContainsString('width="120mm" height="80mm" viewBox="0 0 120 80"', $text);
        self::assertStringContainsString('<title>&lt;Tag&gt; &amp; &quot;one&quot;</title>', $text);
        self::assertSame(1, preg_match('/<g id="layer-1-kiss" data-name="Red film"/', $text));
        self::assertSame(1, preg_match('/<g id="layer-2-through"/', $text));
        self::assertSame(
            ['taken-lines'],
            array_values(array_unique(array_map(static fn (Finding $finding): string => $finding->kind, Reader::read($text)->findings))),
            'lines that are cut are told, and nothing else',
        );
    }

    #[Test]
    public function our_own_cutting_svg_comes_back_as_outlines_of_its_lines_and_single_cuts(): void
    {
        $read = Reader::read((string) file_get_contents($this->write('svg', self::cut())))->artwork;
        $cuts = array_filter($read->pieces, static fn (Piece $piece): bool => $piece->isSingleCut());
        $filled = array_filter($read->pieces, static fn (Piece $piece): bool => $piece->fill !== null);
        // The rectangle runs round the ring and the open line encloses nothing: both are cut once. The ring is art with its hole.
        self::assertSame([2, 1], [count($cuts), count($filled)]);
        self::assertEqualsWithDelta(M_PI * (400 - 100), array_sum(array_map(static fn (Piece $piece): float => $piece->shape->area(), $filled)), 0.5);
        self::assertEqualsWithDelta(
            2 * 120 + hypot(20, 20),
            array_sum(array_map(
                static fn (Piece $piece): float => array_sum(array_map(static fn (Contour $c): float => $c->length(), $piece->shape->contours)),
                $cuts,
            )),
            0.01,
        );
        $mixed = Reader::read('<svg xmlns="http://www.w3.org/2000/svg" width="50mm" height="50mm" viewBox="0 0 50 50"><rect width="9" height="9"'
            .' fill="#c02020"/><g data-cut="along" fill="none" stroke="#c23b7a"><circle cx="20" cy="20" r="5"/><path d="M30 30H40"/></g></svg>')->artwork;
        self::assertCount(
            3,
            array_unique(array_map(static fn (Piece $piece): string => $piece->id, $mixed->pieces)),
            'beside what is filled too each has a name of its own',
        );
    }

    #[Test]
    public function what_a_format_cannot_hold_is_said(): void
    {
        self::assertSame(
            ['DXF is for what is cut or followed: "River teal" and "Night" and "Marks" are left out.'],
            Formats::make('dxf')->loses(self::plates()),
        );
        self::assertSame(
            ['DXF holds lines only: areas leave as their outlines.'],
            Formats::make('dxf')->loses(self::plates()->with(layers: array_slice(self::plates()->layers, 0, 2))),
            'where nothing else is cut, films may be',
        );
        self::assertSame([], Formats::make('plt')->loses(self::cut()));
        self::assertSame([], Formats::make('pdf')->loses(self::plates()));
    }

    /** @return iterable<string, array{string, string}> */
    public static function hostile(): iterable
    {
        yield 'a PDF, where nothing reads them' => ["%PDF-1.4\n", 'PDF and PostScript files are not read here'];
        yield 'binary DXF' => ["AutoCAD Binary DXF\r\n\x1A\0", 'binary DXF'];
        yield 'no code' => ["0\nSECTION\n2\nENTITIES\nLINE\n8\n", 'cannot be read at line 5: "LINE" is no group code'];
        yield 'nothing drawn' => ["0\nSECTION\n2\nENTITIES\n0\nENDSEC\n0\nEOF\n", 'The DXF file draws nothing'];
        yield 'far off' => ["0\nSECTION\n2\nENTITIES\n0\nLINE\n10\n0\n20\n0\n11\n1e300\n21\n0\n0\nENDSEC\n0\nEOF\n", 'lies too far off'];
        yield 'blocks in themselves' => [
            "0\nSECTION\n2\nBLOCKS\n0\nBLOCK\n2\nA\n0\nINSERT\n2\nA\n0\nENDBLK\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n0\nINSERT\n2\nA\n0\nENDSEC\n0\nEOF\n",
            'more than 8 deep',
        ];
        yield 'blocks that grow' => [self::growing(), 'come to more than'];
        yield 'PLT far off' => ['IN;PU0,0;PD999999999999,5;', 'lies too far off'];
        yield 'PLT of nothing' => ['IN;SP1;PU0,0;', 'The PLT file draws nothing'];
    }

    private static function growing(): string
    {
        $out = "0\nSECTION\n2\nBLOCKS\n";
        for ($i = 0; $i < 7; $i++) {
            $out .= "0\nBLOCK\n2\nB{$i}\n".str_repeat(
                $i === 0 ? "0\nLINE\n10\n0\n20\n0\n11\n1\n21\n1\n" : "0\nINSERT\n2\nB".($i - 1)."\n70\n40\n71\n40\n44\n2\n45\n2\n",
                2,
            )."0\nENDBLK\n";
        }

        return $out."0\nENDSEC\n0\nSECTION\n2\nENTITIES\n0\nINSERT\n2\nB6\n0\nENDSEC\n0\nEOF\n";
    }

    #[Test]
    #[DataProvider('hostile')]
    public function bad_drawings_are_refused_in_a_sentence(string $bytes, string $says): void
    {
        $this->expectException(FileRefused::class);
        $this->expectExceptionMessage($says);
        Incoming::read($bytes);
    }

    #[Test]
    public function units_blocks_and_bulges_of_a_drawing_are_understood(): void
    {
        $dxf = "0\nSECTION\n2\nHEADER\n9\n\$INSUNITS\n70\n1\n0\nENDSEC\n0\nSECTION\n2\nBLOCKS\n0\nBLOCK\n2\nHOLE\n10\n1\n20\n0\n0\nCIRCLE\n8\n0\n10\n1\n20\n0\n40\n0.5\n0\nENDBLK\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n"
            ."0\nLWPOLYLINE\n8\nPLATE\n90\n2\n70\n1\n10\n0\n20\n0\n42\n1\n10\n4\n20\n0\n42\n1\n0\nINSERT\n8\nHOLES\n2\nHOLE\n10\n2\n20\n0\n0\nENDSEC\n0\nEOF\n";
        $art = Incoming::read($dxf)->drawing->artwork;
        self::assertEqualsWithDelta([101.6, 101.6], [$art->width, $art->height], 0.05, 'two half circles of two inches, in mm');
        self::assertSame(['PLATE line 1', 'HOLES'], array_map(static fn (Piece $piece): string => $piece->name, $art->pieces));
        self::assertEqualsWithDelta(M_PI * 12.7 ** 2, abs($art->pieces[1]->shape->area()), 0.5);
        self::assertEqualsWithDelta([50.8, 50.8], [$art->pieces[1]->box()?->middle()->x, $art->pieces[1]->box()?->middle()->y], 0.05);
        $arcs = Incoming::read('IN;SP1;PU400,0;PD;AA0,0,180;PU;SP2;PU0,0;CI200;')->drawing->artwork;
        self::assertEqualsWithDelta([20.0, 15.0], [$arcs->width, $arcs->height], 0.02);
    }
}
