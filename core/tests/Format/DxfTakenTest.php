<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Format;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Format\Arrived;
use NeatEdge\Core\Format\FileRefused;
use NeatEdge\Core\Format\Incoming;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Process\CutVinyl;
use NeatEdge\Core\Process\Engraving;
use NeatEdge\Core\Process\HeatTransfer;
use NeatEdge\Core\Process\Plain;
use NeatEdge\Core\Process\Process;
use NeatEdge\Core\Process\Processes;
use NeatEdge\Core\Process\ScreenPrint;
use NeatEdge\Core\Process\Sticker;
use NeatEdge\Core\Recipe\Letters\Lettering;
use NeatEdge\Core\Sheet\Make\Order;
use NeatEdge\Core\Sheet\Prepared;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What comes of drawings in exchange format: all that can be taken is taken, all else is named, and nothing hides or doubles anything. */
final class DxfTakenTest extends TestCase
{
    /**
     * @param  string  $entities  codes and values in turn, parted by blanks; | stands for a blank in a value
     * @param  array<mixed>  $typed
     */
    private static function taken(string $entities, array $typed = [], string $tables = '', string $head = '9 $INSUNITS 70 4', string $blocks = ''): Arrived
    {
        $words = static fn (string $text): string => str_replace('|', ' ', implode("\n", preg_split('/\s+/', trim($text), -1, PREG_SPLIT_NO_EMPTY) ?: []))."\n";
        $section = static fn (string $name, string $text): string => $text === '' ? '' : "0\nSECTION\n2\n{$name}\n".$words($text)."0\nENDSEC\n";

        return Incoming::read(
            $section('HEADER', $head).$section('TABLES', $tables).$section('BLOCKS', $blocks).$section('ENTITIES', $entities)."0\nEOF\n",
            'drawing.dxf',
            $typed,
        );
    }

    private static function line(float $ax, float $ay, float $bx, float $by, string $layer = 'A'): string
    {
        return " 0 LINE 8 {$layer} 10 {$ax} 20 {$ay} 11 {$bx} 21 {$by}";
    }

    private static function box(float $x, float $y, float $w, float $h, string $layer = 'A'): string
    {
        return self::line($x, $y, $x + $w, $y, $layer).self::line($x + $w, $y, $x + $w, $y + $h, $layer).self::line($x + $w, $y + $h, $x, $y + $h, $layer)
            .self::line($x, $y + $h, $x, $y, $layer);
    }

    /** @return list<string> */
    private static function said(Arrived $arrived, string $kind): array
    {
        return array_values(array_map(
            static fn (Finding $finding): string => $finding->message,
            array_filter($arrived->drawing->findings, static fn (Finding $finding): bool => $finding->kind === $kind),
        ));
    }

    /** @return list<float> areas in mm² of filled pieces, the least first */
    private static function areas(Arrived $arrived): array
    {
        $areas = array_map(
            static fn (Piece $piece): float => round(abs($piece->shape->area()), 2),
            array_values(array_filter($arrived->drawing->artwork->pieces, static fn (Piece $piece): bool => $piece->fill !== null)),
        );
        sort($areas);

        return $areas;
    }

    /** @return list<float> lengths in mm of single cuts */
    private static function cuts(Arrived $arrived): array
    {
        return array_values(array_map(
            static fn (Piece $piece): float => round($piece->shape->length(), 2),
            array_filter($arrived->drawing->artwork->pieces, static fn (Piece $piece): bool => $piece->isSingleCut()),
        ));
    }

    #[Test]
    public function chains_that_close_become_outlines_and_open_lines_are_cut_once_at_the_size_of_the_lines(): void
    {
        $arrived = self::taken(self::box(0, 0, 60, 40).self::line(70, 0, 100, 0));
        self::assertSame([2400.0], self::areas($arrived));
        self::assertSame([30.0], self::cuts($arrived));
        self::assertEqualsWithDelta(
            [100.0, 40.0],
            [$arrived->drawing->artwork->width, $arrived->drawing->artwork->height],
            1e-9,
            'the stated size is that of the lines, not of strokes',
        );
        $prepared = Prepared::of(
            $arrived->drawing->artwork,
            $arrived->drawing->findings,
            PrepLine::of(Processes::of('cut-vinyl')->preset()->steps, (new CutVinyl)->limits()),
            (new CutVinyl)->limits(),
        );
        self::assertSame([], $prepared->verdict->open);
        self::assertSame(1, $prepared->sheets[0]->toArray()['single_cuts']);
        self::assertEqualsWithDelta(230.0, $prepared->sheets[0]->cutLength(), 1e-6);
    }

    #[Test]
    #[DataProvider('processes')]
    public function every_process_that_cuts_cuts_a_single_cut_once(Process $process): void
    {
        $arrived = self::taken(self::box(0, 0, 60, 40).self::line(10, 20, 50, 20, 'CREASE'));
        self::assertCount(2, self::cuts($arrived), 'the outline round the crease hides nothing');
        $arrived = self::taken(self::box(0, 0, 60, 40).self::line(70, 20, 110, 20));
        $limits = $process->limits();
        $result = PrepLine::of(Processes::of($process->key())->preset()->steps, $limits)->outcome($arrived->drawing->artwork);
        $layouts = (new Order($result, 'Box', $process->making(), $limits, $process->values(['copies' => '2', 'bedWidth' => '400', 'hair' => '0'])))->layouts();
        $lengths = [];
        foreach ($layouts as $layout) {
            foreach ($layout->paths() as $layer) {
                foreach ($layer->lines as $line) {
                    $lengths[] = $line->closed ? 0.0 : round($line->length(), 1);
                }
            }
        }
        self::assertSame([40.0, 40.0], array_values(array_filter($lengths)), 'once for each copy, and nothing else is open');
    }

    /** @return iterable<string, array{Process}> */
    public static function processes(): iterable
    {
        foreach ([new CutVinyl, new HeatTransfer, new Sticker, new Engraving, new Plain] as $process) {
            yield $process->key() => [$process];
        }
    }

    #[Test]
    public function a_screen_has_no_tool_for_a_single_cut_and_says_so(): void
    {
        $arrived = self::taken(self::box(0, 0, 60, 40).self::line(70, 0, 100, 0));
        $prepared = Prepared::of(
            $arrived->drawing->artwork,
            [],
            PrepLine::of(Processes::of('screen-print')->preset()->steps, (new ScreenPrint)->limits()),
            (new ScreenPrint)->limits(),
        );
        self::assertContains('single-cut', array_map(static fn (Finding $finding): string => $finding->kind, $prepared->findings));
        self::assertFalse($prepared->verdict->isReady());
    }

    #[Test]
    public function ends_that_nearly_meet_are_closed_within_a_gap_that_is_proposed_and_shown(): void
    {
        $lines = self::line(0, 0, 60, 0).self::line(60.08, 0, 60.08, 40).self::line(60, 40, 0, 40).self::line(0, 40, 0, 0.06);
        $arrived = self::taken($lines);
        $gap = $arrived->fields[1];
        self::assertSame(['gap', 0.1], [$gap->name, $gap->usual]);
        self::assertStringContainsString('none would stay open', $gap->help);
        self::assertStringStartsWith('1 outline and 0 lines', $arrived->says);
        self::assertCount(1, self::areas($arrived));
        self::assertSame([], self::areas(self::taken($lines, ['gap' => '0.01mm'])), 'nothing closes at less than the gap');
        $drawn = self::taken($lines, ['lines' => 'drawn', 'width' => '2mm']);
        self::assertSame(
            [2.0],
            array_values(array_unique(array_map(static fn (Piece $piece): float => $piece->stroke->style->width ?? 0.0, $drawn->drawing->artwork->pieces))),
        );
    }

    #[Test]
    public function lines_that_the_file_draws_thick_are_proposed_as_drawn(): void
    {
        $arrived = self::taken(' 0 LINE 8 A 370 70 10 0 20 0 11 50 21 0');
        self::assertSame(['drawn', 0.7], [$arrived->fields[0]->usual, $arrived->fields[2]->usual]);
    }

    #[Test]
    public function two_lines_over_each_other_are_one_that_is_told(): void
    {
        $there = self::taken(self::line(0, 0, 50, 0).self::line(50, 0, 0, 0));
        self::assertSame([[], [50.0]], [self::areas($there), self::cuts($there)], 'no outline of no area');
        self::assertStringContainsString('50.0 mm of lines on "A" lay over others', self::said($there, 'taken-lines')[0] ?? '');
        $part = self::taken(self::box(0, 0, 60, 40).self::line(10, 0, 80, 0));
        self::assertSame([[2400.0], [20.0]], [self::areas($part), self::cuts($part)], 'only what sticks out of the side is left of the second');
        $arcs = self::taken(' 0 CIRCLE 8 A 10 0 20 0 40 10 0 CIRCLE 8 A 10 0 20 0 40 10');
        self::assertEqualsWithDelta([M_PI * 100], self::areas($arcs), 0.1);
    }

    #[Test]
    public function what_is_not_drawn_is_counted_and_taken_when_asked_for(): void
    {
        $tables = '0 TABLE 2 LAYER 0 LAYER 2 OFF 70 0 62 -3 0 LAYER 2 ICE 70 1 62 3 0 LAYER 2 DUMB 70 0 62 3 290 0 0 ENDTAB';
        $lines = self::line(0, 0, 50, 0).self::line(0, 90, 50, 90, 'OFF').self::line(0, 91, 50, 91, 'ICE').self::line(0, 92, 50, 92, 'DUMB')
            .' 0 LINE 8 A 67 1 10 0 20 93 11 50 21 93 0 LINE 8 A 60 1 10 0 20 94 11 50 21 94';
        $arrived = self::taken($lines, [], $tables);
        self::assertSame([50.0], self::cuts($arrived));
        $said = self::said($arrived, 'not-drawn')[0] ?? '';
        foreach (['on layers that are off', 'on layers that are frozen', 'on layers that are not plotted', 'on paper', 'hidden'] as $why) {
            self::assertStringContainsString("1 thing {$why}", $said);
        }
        self::assertCount(6, self::cuts(self::taken($lines, ['asleep' => 'yes'], $tables)));
    }

    #[Test]
    public function letters_stay_letters_at_the_height_of_their_capitals_and_where_they_stand(): void
    {
        $arrived = self::taken(self::line(0, 0, 100, 0, 'L').' 0 TEXT 8 T 10 20 20 30 40 10 1 HH 0 TEXT 8 T 10 0 20 0 11 60 21 50 72 1 73 2 40 8 50 90 1 H'
            .' 0 MTEXT 8 T 10 80 20 60 40 5 71 1 1 {\\fArial|b0;HH}\\PHH');
        $letters = array_values(array_filter($arrived->drawing->artwork->pieces, static fn (Piece $piece): bool => $piece->recipe?->base instanceof Lettering));
        self::assertCount(3, $letters);
        $top = $arrived->drawing->artwork->height;
        [$plain, $turned, $block] = array_map(static fn (Piece $piece) => $piece->box(), $letters);
        self::assertNotNull($plain);
        self::assertNotNull($turned);
        self::assertNotNull($block);
        self::assertEqualsWithDelta([10.0, $top - 30.0], [$plain->height(), $plain->bottom], 0.02);
        self::assertEqualsWithDelta(20.0, $plain->left, 1.5);
        self::assertEqualsWithDelta(
            [8.0, 60.0, $top - 50.0],
            [$turned->width(), $turned->middle()->x, $turned->middle()->y],
            0.02,
            'turned by a quarter about its middle',
        );
        self::assertEqualsWithDelta([$top - 60.0, 5.0 + 25 / 3], [$block->top, $block->height()], 0.05, 'two lines, the upper edge at its place');
        self::assertSame("HH\nHH", $letters[2]->recipe?->base instanceof Lettering ? $letters[2]->recipe->base->setting->text : '');
        self::assertNotSame([], self::said($arrived, 'missing-font'));
    }

    #[Test]
    public function hatches_solids_and_widths_become_areas_and_strokes(): void
    {
        $hatch = ' 0 HATCH 8 H 10 0 20 0 2 SOLID 70 1 71 0 91 1 92 2 72 0 73 1 93 4 10 0 20 0 10 20 20 0 10 20 20 10 10 0 20 10 97 0';
        $round = ' 0 HATCH 8 R 10 0 20 0 2 ANSI31 70 0 71 0 91 1 92 1 93 1 72 2 10 50 20 50 40 5 50 0 51 360 73 0 97 0';
        $solid = ' 0 SOLID 8 S 10 100 20 0 11 110 21 0 12 100 22 10 13 110 23 10';
        $arrived = self::taken($hatch.$round.$solid.' 0 LWPOLYLINE 8 W 90 2 70 0 43 3 10 0 20 80 10 40 20 80');
        self::assertEqualsWithDelta([M_PI * 25, 100.0, 200.0], self::areas($arrived), 0.05, 'the corners of a solid go crosswise');
        self::assertSame(['A hatch of lines or a pattern is taken as a full area.'], self::said($arrived, 'replaced'));
        $wide = array_values(array_filter($arrived->drawing->artwork->pieces, static fn (Piece $piece): bool => $piece->stroke !== null));
        self::assertSame([3.0, false], [$wide[0]->stroke->style->width ?? 0.0, $wide[0]->stroke->cut ?? true]);
    }

    #[Test]
    public function an_edge_of_a_hatch_that_is_not_read_is_told_and_its_border_closed_straight(): void
    {
        $border = ' 0 HATCH 8 H 10 0 20 0 2 SOLID 70 1 71 0 91 1 92 1 93 4 72 1 10 0 20 0 11 20 21 0 72 1 10 20 20 0 11 20 21 10 72 1 10 20 20 10 11 0 21'
            .' 10 72 9 10 0 20 10 11 0 21 0 97 0';
        $arrived = self::taken($border);
        self::assertEqualsWithDelta(200.0, $arrived->drawing->artwork->pieces[0]->shape->area(), 1e-6);
        self::assertContains(
            'An edge round a hatch is of a kind that is not read; the border is closed straight there.',
            array_map(static fn ($finding): string => $finding->message, $arrived->drawing->findings),
        );
    }

    #[Test]
    public function an_outline_on_the_border_of_a_hatch_is_that_of_the_hatch(): void
    {
        $arrived = self::taken(self::box(0, 0, 20, 10).' 0 HATCH 8 A 10 0 20 0 2 SOLID 70 1 71 0 91 1 92 2 72 0 73 1 93 4 10 0 20 0 10 20 20 0 10 20 20 10'
            .' 10 0 20 10 97 0');
        self::assertSame([[200.0], []], [self::areas($arrived), self::cuts($arrived)]);
    }

    #[Test]
    public function a_curve_of_which_only_places_are_told_runs_through_them(): void
    {
        $arrived = self::taken(' 0 SPLINE 8 A 70 8 71 3 74 4 11 0 21 0 11 10 21 10 11 20 21 0 11 30 21 10');
        $line = $arrived->drawing->artwork->pieces[0]->shape->contours[0];
        self::assertSame(3, $line->segmentCount());
        $height = $arrived->drawing->artwork->height;
        foreach ([[0, 0], [10, 10], [20, 0], [30, 10]] as $i => [$x, $y]) {
            $nodes = array_map(static fn (int $k): array => [$line->coords[6 * $k], $line->coords[6 * $k + 1]], [0, 1, 2, 3]);
            $off = min(array_map(static fn (array $p): float => hypot($p[0] - $x, abs($p[1] - $nodes[0][1]) - abs($y - 0)), $nodes));
            self::assertLessThan(0.01, $off, "place {$i}");
        }
        self::assertGreaterThanOrEqual(10.0, $height);
        // Places on a circle give the circle.
        $places = '';
        for ($k = 0; $k < 8; $k++) {
            $places .= sprintf(' 11 %.9F 21 %.9F', 20 * cos($k * M_PI / 4), 20 * sin($k * M_PI / 4));
        }
        self::assertEqualsWithDelta([M_PI * 400], self::areas(self::taken(" 0 SPLINE 8 A 70 9 71 3 74 8{$places}")), 0.2);
    }

    #[Test]
    public function what_is_not_taken_is_named_counted_placed_and_part_of_the_verdict(): void
    {
        $arrived = self::taken(self::box(0, 0, 60, 40).' 0 DIMENSION 8 D 10 30 20 50 2 *D1 0 DIMENSION 8 D 10 30 20 60 2 *D2 0 POINT 8 A 10 5 20 5 0'
            .' 3DFACE 8 A 10 0 20 0 0 INSERT 8 A 2 NOTHERE 10 7 20 9');
        $left = array_values(array_filter($arrived->drawing->findings, static fn (Finding $finding): bool => $finding->isLeftOut()));
        self::assertSame(
            ['Left out 2 × DIMENSION', 'Left out 1 × POINT', 'Left out 1 × 3DFACE', 'Left out 1 × block "NOTHERE"'],
            array_map(static fn (Finding $finding): string => explode(':', $finding->message)[0], $left),
        );
        self::assertEqualsWithDelta([7.0, 31.0], [$left[3]->at?->x, $left[3]->at?->y], 1e-6, 'where it stands, with y downwards');
        $prepared = Prepared::of($arrived->drawing->artwork, $arrived->drawing->findings, PrepLine::usual(), (new CutVinyl)->limits());
        self::assertFalse($prepared->verdict->isReady());
        self::assertStringContainsString('4 things that were left out', $prepared->verdict->sentence);
    }

    #[Test]
    public function a_file_that_does_not_say_its_unit_is_asked_about(): void
    {
        $arrived = self::taken(self::box(0, 0, 2, 1), [], '', '9 $ACADVER 1 AC1009');
        self::assertFalse($arrived->drawing->statesSize);
        self::assertContains('unit', array_map(static fn ($field): string => $field->name, $arrived->fields));
        $inches = self::taken(self::box(0, 0, 2, 1), ['unit' => 'in'], '', '9 $ACADVER 1 AC1009')->drawing;
        self::assertTrue($inches->statesSize);
        self::assertEqualsWithDelta([50.8, 25.4], [$inches->artwork->width, $inches->artwork->height], 1e-9);
    }

    #[Test]
    public function what_is_seen_from_below_is_mirrored_but_for_lines_whose_places_are_those_of_the_world(): void
    {
        $arrived = self::taken(self::line(0, 0, 10, 0, 'L').' 0 LINE 8 L 230 -1 10 20 20 0 11 30 21 0 0 CIRCLE 8 C 230 -1 10 50 20 0 40 5');
        self::assertEqualsWithDelta(85.0, $arrived->drawing->artwork->width, 1e-6, 'the circle lies at -50, the second line at 20 to 30');
    }

    #[Test]
    public function letters_of_another_encoding_are_read_as_they_were_meant(): void
    {
        $arrived = self::taken(
            self::line(0, 0, 100, 0, 'L')." 0 TEXT 8 T 10 0 20 10 40 10 1 \xC4\xD6 0 TEXT 8 T 10 50 20 10 40 10 1 5%%d",
            [],
            '',
            '9 $INSUNITS 70 4 9 $DWGCODEPAGE 3 ANSI_1252',
        );
        $names = array_values(array_filter(array_map(
            static fn (Piece $piece): string => $piece->recipe === null ? '' : $piece->name,
            $arrived->drawing->artwork->pieces,
        )));
        self::assertSame(['ÄÖ', '5°'], $names);
    }

    #[Test]
    #[DataProvider('named')]
    public function a_file_that_is_refused_is_told_of_what_it_is(string $bytes, string $name, string $says): void
    {
        try {
            Incoming::read($bytes, $name);
            self::fail('It was taken.');
        } catch (FileRefused $refused) {
            self::assertStringContainsString($says, $refused->getMessage());
            self::assertStringNotContainsString('XML', $refused->getMessage());
        }
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function named(): iterable
    {
        yield 'a DXF of nonsense' => ["hello\nworld\n", 'a.dxf', 'DXF file cannot be read at line 1'];
        yield 'a PLT of nonsense' => ['??**', 'a.plt', 'begins no instruction'];
        yield 'a drawing of another program' => ["AC1032\0\0", 'a.dwg', 'DWG drawing'];
        yield 'plain words' => ['Dear sirs, the drawing follows.', 'a.txt', 'none of the files that are read'];
        yield 'nothing' => ['', 'a.plt', 'empty'];
        yield 'only what is left out' => ["0\nSECTION\n2\nENTITIES\n0\nDIMENSION\n8\n0\n0\nENDSEC\n0\nEOF\n", 'a.dxf', '1 × DIMENSION'];
    }

    #[Test]
    public function arcs_of_ellipses_begin_where_they_say_and_yards_are_yards(): void
    {
        // A quarter from the end of the shorter axis to the far end of the longer.
        $arc = self::taken(' 0 ELLIPSE 8 A 10 50 20 50 11 40 21 0 40 0.5 41 1.5707963267949 42 3.1415926535898')->drawing->artwork->pieces[0]->box();
        self::assertNotNull($arc);
        self::assertEqualsWithDelta([40.0, 20.0], [$arc->width(), $arc->height()], 0.01);
        $yard = self::taken(self::line(0, 0, 0.1, 0.05), [], '', '9 $INSUNITS 70 10')->drawing->artwork->pieces[0]->box();
        self::assertEqualsWithDelta([91.44, 45.72], [$yard?->width(), $yard?->height()], 1e-6);
    }

    #[Test]
    public function hatches_have_elliptic_edges_and_blocks_are_scaled_each_way(): void
    {
        $hatch = ' 0 HATCH 8 H 10 0 20 0 2 SOLID 70 1 71 0 91 1 92 1 93 1 72 3 10 50 20 50 11 20 21 0 40 0.5 50 0 51 360 73 1 97 0';
        $filled = self::taken($hatch)->drawing->artwork->pieces;
        self::assertCount(1, $filled);
        self::assertNotNull($filled[0]->fill);
        self::assertEqualsWithDelta(M_PI * 20 * 10, $filled[0]->shape->area(), 0.5);
        $block = ' 0 BLOCK 2 TILE 10 0 20 0'.self::box(0, 0, 10, 10).' 0 ENDBLK';
        $laid = self::taken(' 0 INSERT 8 A 2 TILE 10 5 20 5 41 2 42 0.5', [], '', '9 $INSUNITS 70 4', $block)->drawing->artwork->pieces[0]->box();
        self::assertEqualsWithDelta([20.0, 5.0], [$laid?->width(), $laid?->height()], 1e-6);
    }
}
