<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Sheet;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Format\Export;
use NeatEdge\Core\Format\Formats;
use NeatEdge\Core\Format\Svg\LayoutPicture;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Measure\Inside;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Prepare\Finish\Stack;
use NeatEdge\Core\Process\CutVinyl;
use NeatEdge\Core\Process\Engraving;
use NeatEdge\Core\Process\HeatTransfer;
use NeatEdge\Core\Process\Process;
use NeatEdge\Core\Process\ScreenPrint;
use NeatEdge\Core\Process\Sticker;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Sheet\Cut\Moves;
use NeatEdge\Core\Sheet\JobSheet;
use NeatEdge\Core\Sheet\Layout\Layer;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Layout\Role;
use NeatEdge\Core\Sheet\Make\Order;
use NeatEdge\Core\Sheet\Nest\Overlap;
use NeatEdge\Core\Sheet\Nest\Placement;
use NeatEdge\Core\Shop\Stock;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** O10, O11: what each process promises. */
final class MakingTest extends TestCase
{
    private const ART = "<rect x='10' y='10' width='50' height='40' fill='#e0b040'/><circle cx='50' cy='30' r='12' fill='#203050'/>";

    private static function drawn(string $body = self::ART): Artwork
    {
        return PrepLine::usual()->outcome(Seen::of(Reader::read("<svg xmlns='http://www.w3.org/2000/svg' width='100mm' height='60mm' viewBox='0 0 100 60'>{$body}</svg>")->artwork));
    }

    /**
     * @param  array<string, string>  $values
     * @param  array<string, mixed>  $more
     * @return list<Layout>
     */
    private static function made(Process $process, Artwork $art, array $values = [], array $more = []): array
    {
        return (new Order(...[
            'result' => $art,
            'name' => 'Boat sign',
            'making' => $process->making(),
            'limits' => $process->limits(),
            'values' => $process->values($values),
            ...$more,
        ]))->layouts();
    }

    private static function layer(Layout $layout, Role $role): ?Layer
    {
        foreach ($layout->layers as $layer) {
            if ($layer->role === $role) {
                return $layer;
            }
        }

        return null;
    }

    #[Test]
    public function cut_vinyl_is_a_sheet_a_colour_cut_to_its_outlines_with_the_order_of_laying_written_on(): void
    {
        $art = self::drawn();
        $sheets = self::made(new CutVinyl, $art, [], ['names' => ['#e0b040' => 'Lamp yellow', '#203050' => 'Harbour blue']]);
        self::assertSame(
            ['boat-sign-1-lamp-yellow-50x40', 'boat-sign-2-harbour-blue-24x24'],
            array_map(static fn (Layout $one): string => $one->name, $sheets),
        );
        self::assertSame(['Laid first of 2.'], $sheets[0]->says);
        self::assertContains('Laid as number 2 of 2, after Lamp yellow.', $sheets[1]->says);
        foreach ($sheets as $i => $sheet) {
            self::assertEqualsWithDelta($art->pieces[$i]->shape->length(), self::layer($sheet, Role::Kiss)?->length(), 1e-6, 'what is cut is what is there');
            self::assertEqualsWithDelta($art->pieces[$i]->shape->area(), self::layer($sheet, Role::Kiss)?->area(), 1e-6);
            self::assertEqualsWithDelta(610.0, $sheet->height, 1e-9, 'the roll of the ticket');
            self::assertNull(self::layer($sheet, Role::Through));
        }
        self::assertEqualsWithDelta(2 * (56 + 46), self::layer($sheets[0], Role::Weed)?->length(), 1e-6);
        $laid = self::made(new CutVinyl, (new Stack('stack'))->apply($art));
        self::assertContains('It lies on gold #e0b040, which runs under it.', $laid[1]->says);
    }

    #[Test]
    public function heat_transfer_is_cut_from_behind_once_and_its_carrier_is_cut(): void
    {
        $art = self::drawn("<path d='M10 10H60V50H10Z' fill='#a02020'/><rect x='80' y='10' width='5' height='5' fill='#a02020'/>");
        [$sheet] = self::made(new HeatTransfer, $art);
        self::assertContains('Mirrored: it is cut from behind.', $sheet->says);
        $boxes = array_map(static fn (Contour $line): float => $line->box()->width(), self::layer($sheet, Role::Kiss)->lines ?? []);
        self::assertNotSame([], $boxes);
        $small = self::layer($sheet, Role::Kiss)?->lines[(int) array_search(min([INF, ...$boxes]), $boxes, true)]->box();
        $large = self::layer($sheet, Role::Kiss)?->lines[(int) array_search(max([0.0, ...$boxes]), $boxes, true)]->box();
        self::assertLessThan($large?->left, $small?->left, 'the small one stands on the other side');
        self::assertCount(1, self::layer($sheet, Role::Through)->lines ?? []);
        [$already] = self::made(new HeatTransfer, $art, [], ['mirrored' => true]);
        $lefts = array_map(static fn (Contour $line): array => [$line->box()->width(), $line->box()->left], self::layer($already, Role::Kiss)->lines ?? []);
        sort($lefts);
        self::assertGreaterThan($lefts[1][1], $lefts[0][1], 'what the line turned round is not turned back');
    }

    #[Test]
    public function a_sticker_is_one_picture_with_bleed_a_kiss_cut_a_cut_through_and_marks(): void
    {
        $art = self::drawn();
        [$sheet] = self::made(new Sticker, $art, ['border' => '0', 'bleed' => '1.5mm', 'through' => '3mm', 'copies' => '2', 'bridge' => '0', 'radius' => '0']);
        $roles = array_map(static fn (Layer $layer): string => $layer->role->value, $sheet->layers);
        self::assertSame(['print', 'mark', 'kiss', 'through'], $roles);
        self::assertCount(2, self::layer($sheet, Role::Kiss)->lines ?? []);
        self::assertCount(2, self::layer($sheet, Role::Through)->lines ?? []);
        $cut = self::layer($sheet, Role::Kiss)?->lines[0]->box();
        $inked = Combine::weld(array_map(static fn (Piece $piece): Shape => $piece->shape, self::layer($sheet, Role::Print)->areas ?? []));
        foreach ([[-1.4, 20.0], [20.0, -1.4]] as [$dx, $dy]) {
            self::assertTrue((new Inside($inked))->holds(($cut->left ?? 0) + $dx, ($cut->top ?? 0) + $dy), 'the print goes on beyond the cut');
        }
        [$white] = self::made(new Sticker, $art, ['border' => '2mm', 'bleed' => '1mm']);
        self::assertEqualsWithDelta(
            array_sum(array_map(static fn (Piece $piece): float => $piece->shape->area(), $art->pieces)),
            self::layer($white, Role::Print)?->area(),
            1e-3,
            'art within a border of white does not bleed',
        );
        foreach (self::layer($sheet, Role::Mark)->areas ?? [] as $mark) {
            foreach (self::layer($sheet, Role::Through)->lines ?? [] as $line) {
                self::assertFalse($mark->box()?->overlaps($line->box()) ?? true, 'marks stand outside what is cut');
            }
        }
    }

    #[Test]
    public function bleed_has_at_each_point_the_colour_that_stands_at_the_cut_there(): void
    {
        // A square whose sides change colour between their corners, and a green disc with a dark ring at its edge.
        $art = self::drawn('<rect x="10" y="10" width="30" height="30" fill="#2050a0"/><rect x="10" y="10" width="12" height="9" fill="#c03020"/><rect'
            .' x="31" y="24" width="9" height="16" fill="#e0b040"/>'
            .'<circle cx="70" cy="25" r="15" fill="#101418"/><circle cx="70" cy="25" r="12" fill="#30a060"/>');
        [$sheet] = self::made(
            new Sticker,
            $art,
            ['border' => '0', 'bleed' => '1.5mm', 'through' => '0', 'bridge' => '0', 'radius' => '0', 'arrange' => 'drawn', 'marks' => ''],
        );
        $areas = array_reverse(self::layer($sheet, Role::Print)->areas ?? []);
        $insides = array_map(static fn (Piece $piece): Inside => new Inside($piece->shape), $areas);
        $seen = static function (float $x, float $y) use ($areas, $insides): ?string {
            foreach ($insides as $i => $inside) {
                if ($inside->holds($x, $y)) {
                    return $areas[$i]->fill?->colour->hex();
                }
            }

            return null;
        };
        $cut = self::layer($sheet, Role::Kiss)->lines ?? [];
        usort($cut, static fn (Contour $a, Contour $b): int => $a->box()->left <=> $b->box()->left);
        [$square, $disc] = [$cut[0]->box(), $cut[1]->box()];
        $wrong = [];
        for ($k = 1; $k < 60; $k++) {
            $t = $k / 2;
            foreach ([[$t, 0.0, 0.0, -1.0], [$t, 30.0, 0.0, 1.0], [0.0, $t, -1.0, 0.0], [30.0, $t, 1.0, 0.0]] as [$x, $y, $dx, $dy]) {
                // Half a millimetre from where two meet either may stand.
                $meets = [abs($x - 12) < 0.5 && $y < 9, abs($x - 21) < 0.5 && $y > 14, abs($y - 9) < 0.5 && $x < 12, abs($y - 14) < 0.5 && $x > 21];
                if (in_array(true, $meets, true)) {
                    continue;
                }
                $due = $x < 12 && $y < 9 ? '#c03020' : ($x > 21 && $y > 14 ? '#e0b040' : '#2050a0');
                foreach ([0.3, 1.3] as $out) {
                    $is = $seen($square->left + $x + $out * $dx, $square->top + $y + $out * $dy);
                    if ($is !== $due) {
                        $wrong[] = "{$x},{$y} {$out}: {$is} for {$due}";
                    }
                }
            }
            $angle = 2 * M_PI * $k / 60;
            self::assertSame('#101418', $seen($disc->left + 15 + 16.2 * cos($angle), $disc->top + 15 + 16.2 * sin($angle)), 'that of the ring, all round');
        }
        self::assertSame([], $wrong);
    }

    #[Test]
    public function an_engraving_fills_areas_then_follows_them_and_hairlines_are_followed_once(): void
    {
        $art = self::drawn("<rect x='10' y='10' width='20' height='10' fill='#000'/><path d='M40 15H80' stroke='#000' stroke-width='.2'/>");
        [$plate] = self::made(new Engraving, $art, ['pitch' => '0.2mm', 'spot' => '0.1mm']);
        $fill = self::layer($plate, Role::Fill);
        self::assertEqualsWithDelta(19.9 * 9.9, ($fill?->length() ?? 0.0) * 0.2, 2.5, 'the area, smaller by half of the head\'s line');
        self::assertEqualsWithDelta(
            19.9,
            max(array_map(
                static fn (int $i): float => abs(($fill?->hatch[4 * $i + 2] ?? 0.0) - ($fill?->hatch[4 * $i] ?? 0.0)),
                range(0, intdiv(count($fill->hatch ?? []), 4) - 1),
            )),
            0.01,
        );
        $lines = self::layer($plate, Role::Line)->lines ?? [];
        self::assertCount(2, $lines);
        $lengths = array_map(static fn (Contour $line): float => $line->length(), $lines);
        sort($lengths);
        self::assertEqualsWithDelta([40.0, 2 * (19.9 + 9.9)], $lengths, 0.6);
        self::assertContains('1 hairline is followed along its middle, once.', $plate->says);
        self::assertEqualsWithDelta([600.0, 400.0], [$plate->width, $plate->height], 1e-9);
        self::assertNull(self::layer(self::made(new Engraving, $art, ['fill' => 'outline'])[0], Role::Fill));
        $window = self::drawn("<rect x='10' y='10' width='20' height='10' fill='#000'/><rect x='14' y='12' width='10' height='5' fill='#fff'/>");
        [$bare] = self::made(new Engraving, $window, ['pitch' => '0.1mm', 'spot' => '0']);
        self::assertEqualsWithDelta(150.0, (self::layer($bare, Role::Fill)?->length() ?? 0.0) * 0.1, 1.5, 'white is the bare plate');
        self::assertContains('Light areas are left bare.', $bare->says);
        self::assertNotSame(
            [],
            self::made(new Engraving, self::drawn("<rect x='10' y='10' width='20' height='10' fill='#fff'/>")),
            'a drawing in white alone is engraved',
        );
    }

    #[Test]
    public function what_would_surprise_is_written_on_the_sheet(): void
    {
        $two = new Artwork(
            100,
            60,
            [...self::drawn()->pieces, self::drawn()->pieces[0]->with(id: 'more', shape: Shape::of(Contour::rectangle(55, 40, 20, 15)))],
        );
        self::assertStringContainsString('2 shapes are not welded and cut through one another', implode(' ', self::made(new CutVinyl, $two)[0]->warns));
        $ring = self::drawn("<path d='M10 10H50V50H10ZM20 20V40H40V20Z' fill='#a02020'/><circle cx='30' cy='30' r='5' fill='#a02020'/>");
        self::assertContains('1 part lies in a hole of others: only the carrier holds it.', self::made(new CutVinyl, $ring)[0]->warns);
        self::assertContains(
            'It reaches 13.0 mm beyond the bed.',
            self::made(new CutVinyl, self::drawn(), ['bedWidth' => '40mm', 'weedBox' => '3mm', 'turns' => 'none', 'bedLength' => '45mm'])[0]->warns,
        );
    }

    #[Test]
    public function copies_are_laid_in_rows_in_parts_and_on_the_shops_own_material(): void
    {
        $art = self::drawn("<rect x='10' y='10' width='30' height='20' fill='#a02020'/><rect x='60' y='10' width='20' height='40' fill='#a02020'/>");
        [$rows] = self::made(new CutVinyl, $art, ['copies' => '3']);
        self::assertCount(6, self::layer($rows, Role::Kiss)->lines ?? []);
        self::assertEqualsWithDelta(3 * (100 + 120), self::layer($rows, Role::Kiss)?->length(), 1e-6);
        [$parts] = self::made(new CutVinyl, $art, ['copies' => '3', 'arrange' => 'parts', 'weedBox' => '0']);
        self::assertLessThan($rows->box()->right ?? 0.0, $parts->box()?->right);
        self::assertNotNull($parts->used);
        $tall = self::made(
            new CutVinyl,
            self::drawn("<rect x='5' y='5' width='20' height='50' fill='#a02020'/>"),
            ['weedBox' => '0', 'bedWidth' => '30mm', 'margin' => '2mm'],
        )[0];
        self::assertEqualsWithDelta([50.0, 20.0], [$tall->box()?->width(), $tall->box()?->height()], 1e-6);
        $tiles = "<rect x='10' y='10' width='20' height='20' fill='#a02020'/>";
        $two = [new Placement(0, 0, 10.0, 10.0), new Placement(0, 0, 30.0, 10.0)];
        $length = static fn (string $once): float => self::layer(
            self::made(new CutVinyl, self::drawn($tiles), ['copies' => '2', 'once' => $once], ['placements' => ['#a02020' => $two]])[0],
            Role::Kiss,
        )?->length() ?? 0.0;
        self::assertEqualsWithDelta([160.0, 140.0], [$length(''), $length('1')], 1e-6, 'a border that two copies share is cut once');
        [$own] = self::made(
            new CutVinyl,
            $art,
            ['weedBox' => '0'],
            ['beds' => ['#a02020' => ['width' => 300.0, 'length' => 200.0, 'grain' => true, 'name' => 'Buoy red film']]],
        );
        self::assertSame([200.0, 300.0, 'Buoy red film'], [$own->width, $own->height, $own->material]);
        $at = [new Placement(0, 0, 50.0, 60.0, 90.0, true)];
        [$hand] = self::made(new CutVinyl, $art, ['weedBox' => '0'], ['placements' => ['#a02020' => $at]]);
        self::assertEqualsWithDelta([50.0, 60.0], [$hand->box()?->left, $hand->box()?->top], 1e-6, 'where a hand laid it');
    }

    #[Test]
    public function lengths_agree_on_the_sheet_in_the_list_and_at_the_machine(): void
    {
        $sheets = self::made(new CutVinyl, self::drawn(), ['weedEvery' => '30mm', 'passes' => '2']);
        $writer = Formats::make('plt', ['overcut' => '0']);
        $files = Export::files($sheets, 'plt', $writer);
        $manifest = Export::manifest('Boat sign', $sheets, $files, 'plt', $writer);
        foreach ($sheets as $i => $sheet) {
            $moves = Moves::of($sheet);
            $steered = Moves::of($sheet, ['kind' => 'cutter', 'blade' => 0.25, 'overcut' => 0.3]);
            self::assertGreaterThan($moves['moves'][0]['from'], $steered['moves'][0]['from'], 'the blade is turned first');
            self::assertSame([count($moves['moves']), $moves['cut_mm']], [count($steered['moves']), $steered['cut_mm']]);
            self::assertGreaterThan($moves['seconds'] + 0.1, $steered['seconds'], 'a knife that is swivelled takes longer');
            self::assertEqualsWithDelta($sheet->length(), $moves['cut_mm'], 0.001 * $sheet->length());
            self::assertEqualsWithDelta($sheet->length(), $manifest['sheets'][$i]['length_mm'], 0.01);
            self::assertSame(hash('sha256', $files["{$sheet->name}.plt"]), $manifest['files'][$i]['sha256']);
            $last = end($moves['moves']);
            self::assertGreaterThan(($last === false ? 0 : $last['to']) + 0.03, $moves['seconds'], 'and home again');
            self::assertLessThan(($last === false ? 0 : $last['to']) + 2.0, $moves['seconds']);
        }
    }

    #[Test]
    public function pictures_of_sheets_and_mixes_of_plates_are_sound_drawings(): void
    {
        $plates = self::made(new ScreenPrint, self::drawn(), ['ground' => '#1f2937']);
        foreach ([
            LayoutPicture::of($plates[0]),
            LayoutPicture::mixed($plates, [0, 1], ['#e0b040' => 0.5]),
            LayoutPicture::of(self::made(new CutVinyl, self::drawn())[0]),
        ] as $svg) {
            self::assertSame([], Reader::read($svg)->findings);
        }
        self::assertStringContainsString('opacity="0.5"', LayoutPicture::mixed($plates, [0, 1], ['#e0b040' => 0.5]));
        self::assertStringNotContainsString('#203050', LayoutPicture::mixed($plates, [0], []));
    }

    #[Test]
    public function a_job_sheet_has_a_row_for_each_sheet_and_goes_on_over_pages(): void
    {
        $layout = self::made(new CutVinyl, self::drawn())[0];
        $row = ['layout' => $layout, 'seconds' => 75.0, 'cut_mm' => 1234.0, 'material_cost' => 2.5, 'machine_cost' => 1.25];
        self::assertCount(1, JobSheet::pages('Boat sign', ['Customer' => 'Boat Club'], [$row], []));
        $pages = JobSheet::pages('Boat sign', ['Customer' => 'Boat Club'], array_fill(0, 12, $row), ['A line is thin. Accepted: it was always so']);
        self::assertGreaterThan(1, count($pages));
        foreach ($pages as $page) {
            $box = $page->box();
            self::assertNotNull($box);
            self::assertGreaterThanOrEqual(13.0, $box->left);
            self::assertLessThanOrEqual(197.0, $box->right);
            self::assertLessThanOrEqual(290.0, $box->bottom);
        }
        // An outside reader finds the words that are drawn as outlines.
        $path = (string) tempnam(sys_get_temp_dir(), 'neat-edge-');
        try {
            file_put_contents(
                $path,
                Formats::bytes(
                    Formats::make('pdf'),
                    JobSheet::pages('Boat 1) at the quay', ['Customer' => 'Boat Club'], [$row], ['A line is thin. Accepted: it was always so']),
                ),
            );
            $read = (string) shell_exec('pdftotext -layout '.escapeshellarg($path).' - 2>/dev/null');
        } finally {
            unlink($path);
        }
        $area = array_sum(array_map(static fn (Layer $layer): float => $layer->area(), $row['layout']->layers)) / 100;
        foreach (['Boat 1) at the quay', 'Boat Club', 'it was always so', 'at the machine', sprintf('%.1f cm² stay', $area)] as $words) {
            self::assertStringContainsString($words, $read);
        }
        $row['layout'] = $row['layout']->with(warns: ['The first thing.', 'The second thing.', 'The third thing.']);
        $path = (string) tempnam(sys_get_temp_dir(), 'neat-edge-');
        try {
            file_put_contents(
                $path,
                Formats::bytes(Formats::make('pdf'), JobSheet::pages('Boat sign', [], [$row, [...$row, 'material_cost' => null]], [], 'EUR')),
            );
            $read = (string) shell_exec('pdftotext -layout '.escapeshellarg($path).' - 2>/dev/null');
        } finally {
            unlink($path);
        }
        self::assertStringContainsString(
            'Material 2.50 EUR, machine 2.50 EUR, together 5.00 EUR; without 1 that has no price.',
            (string) preg_replace('/\s+/', ' ', $read),
        );
        self::assertStringContainsString('Material without a price, machine 1.25 EUR', $read);
        self::assertSame(
            [2, 2, 2],
            [substr_count($read, 'The first thing.'), substr_count($read, 'The second thing.'), substr_count($read, 'The third thing.')],
            'each warning, on each row',
        );
    }

    #[Test]
    public function nesting_is_never_worse_than_rows_nor_with_more_freedom(): void
    {
        $art = new Artwork(
            120.0,
            80.0,
            [new Piece(
                'p1',
                Shape::of(Contour::polygon([[0.0, 0.0], [60.0, 5.0], [45.0, 42.0], [20.0, 30.0], [3.0, 38.0]], true)),
                new Paint(Colour::fromHex('#c02020')),
            )],
        );
        $least = INF;
        foreach ([
            'drawn' => 'none',
            'none' => 'none',
            'half' => 'half',
            'quarter' => 'quarter',
            'eighth' => 'eighth',
            'free' => 'free',
        ] as $arrange => $turns) {
            $sheets = self::made(
                new CutVinyl,
                $art,
                ['copies' => '23', 'weedBox' => '0', 'bedWidth' => '300mm', 'arrange' => $arrange === 'drawn' ? 'drawn' : 'nest', 'turns' => $turns],
            );
            self::assertCount(1, $sheets);
            $needs = $sheets[0]->box()->right ?? INF;
            self::assertLessThanOrEqual($least + 1e-6, $needs, $arrange);
            $least = min($least, $needs);
        }
    }

    #[Test]
    public function colours_are_laid_by_marks_at_the_same_places_and_art_lies_at_the_lower_left(): void
    {
        $plain = self::made(new CutVinyl, self::drawn());
        $sheets = self::made(new CutVinyl, self::drawn(), ['register' => '1', 'weedBox' => '0']);
        self::assertCount(2, $sheets);
        $at = [];
        foreach ($sheets as $sheet) {
            $marks = array_values(array_filter(
                $sheet->layers[0]->lines,
                static fn (Contour $line): bool => abs($line->box()->width() - 5.0) < 1e-6 && abs($line->box()->height() - 5.0) < 1e-6,
            ));
            self::assertCount(2, $marks);
            usort($marks, static fn (Contour $a, Contour $b): int => $a->box()->left <=> $b->box()->left);
            $at[] = [
                round($marks[1]->box()->left - $marks[0]->box()->left, 4),
                round($marks[1]->box()->top - $marks[0]->box()->top, 4),
                round($sheet->artBox()?->left - $marks[0]->box()->left, 4),
            ];
            self::assertEqualsWithDelta(610.0 - 5.0, $sheet->box()?->bottom, 0.1, 'at the edge where the machine starts');
        }
        self::assertSame(array_slice($at[0], 0, 2), array_slice($at[1], 0, 2), 'as far from each other on both');
        self::assertNotSame($at[0][2], $at[1][2], 'and the art where it belongs between them');
        self::assertGreaterThan(10.0, $at[0][1], 'one at the upper end and one at the lower, so that nothing is laid turned');
        self::assertSame([$plain[0]->artBox()?->width(), $plain[1]->artBox()?->width()], [$sheets[0]->artBox()?->width(), $sheets[1]->artBox()?->width()]);
        [$there] = self::made(new CutVinyl, self::drawn(), ['fromLeft' => '100mm', 'fromBelow' => '50mm', 'weedBox' => '0']);
        self::assertEqualsWithDelta([105.0, 555.0], [$there->box()?->left, $there->box()?->bottom], 1e-6, 'at the place that was typed');
    }

    /** @return iterable<string, array{Process}> */
    public static function laidTogether(): iterable
    {
        foreach ([new CutVinyl, new HeatTransfer, new Sticker, new Engraving] as $process) {
            yield $process->key() => [$process];
        }
    }

    #[Test]
    #[DataProvider('laidTogether')]
    public function copies_of_another_job_lie_on_the_same_sheets_and_on_nothing_else(Process $process): void
    {
        $other = self::drawn("<circle cx='20' cy='20' r='8' fill='#e0b040'/><rect x='60' y='30' width='10' height='20' fill='#a02020'/>");
        $with = new Order($other, 'Buoy', $process->making(), $process->limits(), ['copies' => 3.0]);
        $values = ['copies' => '2', 'arrange' => 'nest', 'weedBox' => '0', 'through' => $process instanceof Sticker ? '2mm' : 'yes', 'border' => '1mm'];
        $values = array_intersect_key($values, array_flip(array_column($process->fields(), 'name')));
        $together = self::made($process, self::drawn(), $values, ['along' => [$with]]);
        $by = [self::made($process, self::drawn(), $values), self::made($process, $other, [...$values, 'copies' => '3'])];
        $area = static fn (Layout $layout): float => array_sum(array_map(
            static fn (Layer $layer): float => $layer->role === Role::Mark
                || ($layer->role->isPath() && $layer->role !== Role::Fill) ? 0.0 : $layer->length() + $layer->area(),
            $layout->layers,
        )) + array_sum(array_map(static fn (Layer $layer): float => in_array($layer->role, [Role::Kiss, Role::Line], true) ? $layer->length() : 0.0,
            $layout->layers));
        $sum = static fn (array $layouts): float => array_sum(array_map($area, $layouts));
        self::assertEqualsWithDelta($sum($by[0]) + $sum($by[1]), $sum($together), 0.002 * $sum($together), 'all that is made of both, and no more');
        self::assertContains('Laid with it: 3 × Buoy.', $together[0]->says);
        if ($process->sheetsByColour()) {
            self::assertSame(['#e0b040', '#203050', '#a02020'], array_map(static fn (Layout $one): string => $one->layers[0]->colour, $together));
            self::assertContains('Only of what is laid with it.', $together[2]->says);
            self::assertNotContains('Laid with it: 3 × Buoy.', $together[1]->says, 'nothing of it is in that colour');
            // Of materials that are called the same there is one sheet, whatever the colours in the two files.
            $named = self::made($process, self::drawn(), $values, ['along' => [$with], 'names' => ['#a02020' => 'Lamp film', '#203050' => 'Lamp film']]);
            self::assertSame(['#e0b040', '#203050'], array_map(static fn (Layout $one): string => $one->layers[0]->colour, $named));
        } else {
            self::assertCount(1, $together);
        }
        foreach ($together as $layout) {
            if ($process !== new Sticker) {
                self::assertSame(
                    [],
                    Overlap::pairs(array_map(
                        static fn (Piece $piece): Shape => $piece->shape,
                        array_merge(...array_map(static fn (Layer $layer): array => $layer->areas, $layout->layers)),
                    )),
                );
            }
        }
    }

    #[Test]
    public function hairlines_of_another_job_are_followed_at_their_own_places(): void
    {
        $hair = self::drawn("<rect x='10' y='10' width='50' height='0.2' fill='#202020'/>");
        $process = new Engraving;
        $plate = self::made(
            $process,
            self::drawn("<rect x='10' y='10' width='30' height='30' fill='#202020'/>"),
            ['fill' => 'hatch'],
            ['along' => [new Order($hair, 'Scale', $process->making(), $process->limits(), ['copies' => 3.0])]],
        )[0];
        self::assertContains('3 hairlines are followed along their middle, once.', $plate->says);
        $lines = self::layer($plate, Role::Line)->lines ?? [];
        self::assertCount(3, $lines);
        foreach ($lines as $line) {
            self::assertEqualsWithDelta(50.0, $line->length(), 0.5);
        }
    }

    #[Test]
    public function what_is_cut_from_behind_is_turned_round_once_whoever_turned_it(): void
    {
        $hook = self::drawn("<path d='M10 10H40V16H16V50H10Z' fill='#e0b040'/>");
        $leans = static function (Artwork $other, bool $mirrored): float {
            $with = new Order($other, 'Hook', (new CutVinyl)->making(), (new CutVinyl)->limits(), ['copies' => 1.0], mirrored: $mirrored);
            $sheet = self::made(
                new CutVinyl,
                self::drawn("<rect x='60' y='10' width='9' height='9' fill='#e0b040'/>"),
                ['mirror' => '1', 'turns' => 'none'],
                ['along' => [$with]],
            )[0];
            $piece = array_values(array_filter($sheet->layers[0]->areas, static fn (Piece $piece): bool => $piece->shape->area() > 100))[0];
            $box = $piece->box();
            self::assertNotNull($box);
            $left = Combine::keepOverlap([$piece->shape, Shape::of(Contour::rectangle($box->left, $box->top, $box->width() / 2, $box->height()))]);

            return $left->area() / $piece->shape->area();
        };
        self::assertGreaterThan(0.6, $leans($hook, true), 'its own line turned it: it stays');
        self::assertLessThan(0.4, $leans($hook, false));
    }

    #[Test]
    public function what_should_be_minded_of_a_whole_order_stands_on_its_first_sheet(): void
    {
        foreach ([new CutVinyl, new Sticker, new Engraving, new ScreenPrint] as $process) {
            $sheets = self::made($process, self::drawn(), [], ['warns' => ['Mind the tide.']]);
            self::assertContains('Mind the tide.', $sheets[0]->warns, $process->key());
            self::assertNotContains('Mind the tide.', array_merge([], ...array_map(static fn (Layout $one): array => $one->warns, array_slice($sheets, 1))));
        }
    }

    #[Test]
    public function a_lead_in_is_part_of_the_cut_that_is_shown_sent_and_reckoned(): void
    {
        foreach ([[new CutVinyl, ['weedBox' => '0', 'once' => '']], [new Sticker, ['through' => '0']]] as [$process, $values]) {
            $plain = self::layer(self::made($process, self::drawn(), $values)[0], Role::Kiss);
            $led = self::layer(self::made($process, self::drawn(), [...$values, 'leadIn' => '1.5mm'])[0], Role::Kiss);
            self::assertNotNull($plain);
            self::assertNotNull($led);
            self::assertEqualsWithDelta($plain->length() + 1.5 * count($plain->lines), $led->length(), 0.01, $process->key());
        }
    }

    /** @return iterable<string, array{string}> */
    public static function kinds(): iterable
    {
        foreach (array_keys(Stock::kinds()) as $kind) {
            yield $kind => [$kind];
        }
    }

    #[Test]
    #[DataProvider('kinds')]
    public function what_the_shop_has_is_held_to_its_fields(string $kind): void
    {
        $usual = Stock::values($kind, []);
        self::assertSame(array_column(Stock::kinds()[$kind]->fields, 'name'), array_keys($usual));
        foreach (Stock::samples() as $sample) {
            self::assertSame($sample['values']['colour'] ?? null, Stock::values($sample['kind'], $sample['values'])['colour'] ?? null);
        }
    }

    /** @return list<string> hex of what is printed at a place, the uppermost first */
    private static function printed(Layout $sheet, float $x, float $y): array
    {
        $out = [];
        foreach (array_reverse(self::layer($sheet, Role::Print)->areas ?? []) as $piece) {
            if ((new Inside($piece->shape))->holds($x, $y)) {
                $out[] = (string) $piece->fill?->colour->hex();
            }
        }

        return $out;
    }

    #[Test]
    public function beyond_the_cut_goes_on_what_stands_at_it_point_by_point(): void
    {
        // A green disc with a dark rim, and a plate of two colours whose border meets the cut.
        $art = self::drawn("<circle cx='20' cy='30' r='15' fill='#202030'/><circle cx='20' cy='30' r='13' fill='#30a060'/><rect x='50' y='15' width='20'"
            ." height='30' fill='#c03030'/><rect x='70' y='15' width='20' height='30' fill='#3060c0'/>");
        [$sheet] = self::made(new Sticker, $art, ['border' => '0', 'bleed' => '1.5mm', 'arrange' => 'drawn', 'marks' => '', 'radius' => '0', 'bridge' => '0']);
        $box = Box::around(...array_map(static fn (Contour $line): Box => $line->box(), self::layer($sheet, Role::Kiss)->lines ?? [])) ?? new Box(0, 0, 0, 0);
        [$dx, $dy] = [$box->left - 5.0, $box->top - 15.0];
        for ($k = 0; $k < 24; $k++) {
            foreach ([15.3, 16.3] as $r) {
                self::assertSame(
                    '#202030',
                    self::printed($sheet, 20 + $r * cos($k * M_PI / 12) + $dx, 30 + $r * sin($k * M_PI / 12) + $dy)[0] ?? '',
                    'the rim, not the disc within it',
                );
            }
        }
        foreach ([
            [60.0, 14.0, '#c03030'], [69.9, 13.8, '#c03030'], [70.1, 13.8, '#3060c0'], [80.0, 46.2, '#3060c0'], [49.0, 30.0, '#c03030'],
            [49.2, 14.2, '#c03030'], [91.0, 30.0, '#3060c0'],
        ] as [$x, $y, $hex]) {
            self::assertSame($hex, self::printed($sheet, $x + $dx, $y + $dy)[0] ?? '', "at {$x}, {$y}");
        }
        self::assertSame([], self::printed($sheet, 70 + $dx, 13.3 + $dy), 'no spike beyond the bleed');
        [$bordered] = self::made(new Sticker, $art, ['border' => '2mm', 'marks' => '', 'arrange' => 'drawn']);
        self::assertCount(count($art->pieces), self::layer($bordered, Role::Print)->areas ?? [], 'within a bare border nothing bleeds');
    }

    #[Test]
    public function in_a_hollow_each_colour_has_the_side_that_it_is_nearer_to(): void
    {
        $art = self::drawn("<rect x='10' y='10' width='20' height='30' fill='#c03030'/><rect x='30' y='10' width='20' height='15' fill='#3060c0'/>");
        [$sheet] = self::made(new Sticker, $art, ['border' => '0', 'bleed' => '1.5mm', 'arrange' => 'drawn', 'marks' => '', 'radius' => '0', 'bridge' => '0']);
        $box = Box::around(...array_map(static fn (Contour $line): Box => $line->box(), self::layer($sheet, Role::Kiss)->lines ?? [])) ?? new Box(0, 0, 0, 0);
        [$dx, $dy] = [$box->left - 10.0, $box->top - 10.0];
        self::assertSame(
            ['#c03030', '#3060c0'],
            [self::printed($sheet, 30.15 + $dx, 26.0 + $dy)[0] ?? '', self::printed($sheet, 31.0 + $dx, 25.15 + $dy)[0] ?? ''],
        );
    }

    #[Test]
    public function a_sheet_of_stickers_fits_its_machine_with_its_marks_and_nothing_lies_loose_between_them(): void
    {
        $art = self::drawn("<circle cx='20' cy='20' r='9' fill='#c03030'/><circle cx='44' cy='20' r='9' fill='#3060c0'/><circle cx='20' cy='44' r='9'"
            ." fill='#30a060'/><circle cx='44' cy='44' r='9' fill='#202030'/>");
        [$sheet] = self::made(new Sticker, $art, ['arrange' => 'drawn']);
        self::assertLessThanOrEqual(610.0, $sheet->height);
        foreach (self::layer($sheet, Role::Mark)->areas ?? [] as $mark) {
            self::assertGreaterThan(0.0, min($mark->box()->left ?? 0, $mark->box()->top ?? 0));
        }
        self::assertCount(1, self::layer($sheet, Role::Through)->lines ?? [], 'the cusp between four is no cut of its own');
        self::assertEqualsWithDelta(4 * M_PI * 121 / ($sheet->width * $sheet->height), $sheet->used, 0.002, 'what stays, not what is cut round it');
    }
}
