<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Check\CutOnce;
use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Check\Severity;
use NeatEdge\Core\Check\Verdict;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Geometry\Point;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Line\Presets;
use NeatEdge\Core\Measure\LookDifference;
use NeatEdge\Core\Process\CutVinyl;
use NeatEdge\Core\Process\Engraving;
use NeatEdge\Core\Process\HeatTransfer;
use NeatEdge\Core\Process\Process;
use NeatEdge\Core\Process\Processes;
use NeatEdge\Core\Process\ScreenPrint;
use NeatEdge\Core\Process\Sticker;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Sheet\Make\Order;
use NeatEdge\Core\Sheet\Prepared;
use NeatEdge\Core\Shop\Stock;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** C12: what is called ready can be made, and nothing that is open is overlooked. */
final class ReadyTest extends TestCase
{
    /** @param  list<\NeatEdge\Core\Artwork\LineStep>|null  $steps */
    private static function prepared(
        string $body,
        Process $process = new CutVinyl,
        ?array $steps = null,
        string $size = "width='100mm' height='60mm' viewBox='0 0 100 60'",
    ): Prepared {
        $art = Reader::read("<svg xmlns='http://www.w3.org/2000/svg' {$size}>{$body}</svg>")->artwork;

        return Prepared::of($art, [], PrepLine::of($steps ?? Presets::plain(), $process->limits()), $process->limits());
    }

    /** @return list<string> kinds of what stands against it */
    private static function open(Prepared $prepared): array
    {
        return array_values(array_unique(array_map(
            static fn (Finding $finding): string => $finding->kind,
            array_filter($prepared->findings, static fn (Finding $finding): bool => $finding->blocks()),
        )));
    }

    #[Test]
    public function a_line_under_the_limit_is_not_ready_though_it_be_over_half_of_it(): void
    {
        $prepared = self::prepared("<rect x='5' y='5' width='60' height='20' fill='#c33'/><rect x='5' y='40' width='90' height='.52' fill='#c33'/>");
        self::assertSame(['thin-line'], self::open($prepared));
        self::assertSame(['1 finding is open: thin line.'], $prepared->verdict->open);
        self::assertTrue(self::prepared("<rect x='5' y='5' width='60' height='20' fill='#c33'/><rect x='5' y='40' width='90' height='.9' fill='#c33'/>")
            ->verdict->isReady());
    }

    #[Test]
    public function sheets_that_are_nearly_black_are_not_ready(): void
    {
        $body = '';
        foreach (['#000000', '#0a0a0a', '#111014', '#14110f', '#c33333'] as $i => $hex) {
            $body .= sprintf("<rect x='%d' y='5' width='15' height='40' fill='%s'/>", 3 + 19 * $i, $hex);
        }
        self::assertSame(['near-black'], self::open(self::prepared($body)));
    }

    #[Test]
    public function a_shadow_that_goes_out_as_a_grey_sheet_is_not_ready(): void
    {
        $shadow = "<rect x='12' y='12' width='80' height='40' fill='#000' fill-opacity='.25'/><rect x='5' y='5' width='80' height='40' fill='#c33333'/>";
        self::assertSame(['made-solid'], self::open(self::prepared($shadow, steps: Processes::of('cut-vinyl')->preset()->steps)));
        $laid = "<rect x='5' y='5' width='80' height='40' fill='#c33333'/><rect x='10' y='10' width='20' height='20' fill='#fff' fill-opacity='.5'/>";
        self::assertSame(['made-solid'], self::open(self::prepared($laid, steps: Processes::of('cut-vinyl')->preset()->steps)), 'whatever it was laid on');
        self::assertSame([], self::open(self::prepared($shadow, new Sticker)), 'a print gives what one can see through');
    }

    #[Test]
    public function points_that_run_out_to_nothing_count_from_a_length_on(): void
    {
        $needle = "<path d='M10 28L90 30L10 32Z' fill='#c33'/>";
        $prepared = self::prepared($needle);
        self::assertSame(['thin-point'], self::open($prepared));
        self::assertGreaterThan(2.0, $prepared->findings[0]->length);
        $limits = (new CutVinyl)->limits()->with(point: 20.0);
        $let = Prepared::of($prepared->result->source, [], PrepLine::of(Presets::plain(), $limits), $limits);
        self::assertSame(
            [Severity::Note],
            array_map(static fn (Finding $finding): Severity => $finding->severity, $let->findings),
            'it is said, and holds nothing up',
        );
        self::assertTrue($let->verdict->isReady());
    }

    #[Test]
    public function a_look_that_changed_by_more_than_the_ticket_lets_pass_is_not_ready(): void
    {
        // Stars too small to weed are dropped by the preset: that is a change of the look, and said.
        $body = "<rect x='5' y='5' width='40' height='40' fill='#c33333'/>";
        for ($i = 0; $i < 9; $i++) {
            $body .= sprintf("<circle cx='%d' cy='30' r='.7' fill='#c33333'/>", 52 + 5 * $i);
        }
        $prepared = self::prepared($body, steps: Processes::of('cut-vinyl')->preset()->steps);
        self::assertSame(['look-changed'], self::open($prepared));
        self::assertSame(['Islands: 9 parts dropped as too small.'], $prepared->result->told());
        $limits = (new CutVinyl)->limits()->with(look: 2.0);
        $art = $prepared->result->source;
        self::assertTrue(
            Prepared::of($art, [], PrepLine::of(Processes::of('cut-vinyl')->preset()->steps, $limits), $limits)->verdict->isReady(),
            'the ticket may let more pass',
        );
    }

    #[Test]
    public function colours_that_a_line_joins_are_said(): void
    {
        $prepared = self::prepared(
            "<rect x='5' y='5' width='40' height='40' fill='#2a8a50'/><rect x='50' y='5' width='40' height='30' fill='#2b8b50'/>",
            steps: Processes::of('cut-vinyl')->preset()->steps,
        );
        self::assertSame(['Join near colours: #2b8b50 became others that were there.'], $prepared->result->told());
        self::assertStringContainsString('1200.0 mm² in a colour that is not distinguishable from the one before', $prepared->verdict->sentence);
        self::assertTrue($prepared->verdict->isReady());
    }

    #[Test]
    public function of_a_printed_sticker_only_the_border_is_held_to_cutting_limits(): void
    {
        $inside = "<circle cx='30' cy='30' r='20' fill='#fff3d0'/><path d='M15 30H45' stroke='#203050' stroke-width='.1'/><rect x='25' y='20' width='.3'"
            ." height='.3' fill='#c33'/><path d='M50 30H51' stroke='#30a060' stroke-width='.3'/>";
        self::assertSame([], self::open(self::prepared($inside, new Sticker)));
        $grain = self::prepared("<circle cx='50' cy='30' r='.2' fill='#c33'/>", new Sticker)->result->source;
        $strict = (new Sticker)->limits()->with(island: 6.0);
        self::assertSame(
            ['island'],
            self::open(Prepared::of($grain, [], PrepLine::of(Presets::plain(), $strict), $strict)),
            'what is cut out is no larger than a pea',
        );
        self::assertContains('thin-line', self::open(self::prepared($inside, new CutVinyl)), 'as vinyl it is another matter');
    }

    /** @return iterable<string, array{Process, float}> processes that have a bed, and a width that fits it by a hair with all that is laid round the art */
    public static function beds(): iterable
    {
        yield 'vinyl' => [new CutVinyl, 598.0];
        yield 'transfer' => [new HeatTransfer, 488.0];
        yield 'sticker' => [new Sticker, 568.0];
        yield 'screen' => [new ScreenPrint, 398.0];
        yield 'engraving' => [new Engraving, 388.0];
    }

    #[Test]
    #[DataProvider('beds')]
    public function what_the_bed_does_not_take_is_found_before_the_sheet_is_made(Process $process, float $fits): void
    {
        $square = static fn (float $side): Prepared => self::prepared(
            "<rect width='1' height='1' fill='#c33'/>",
            $process,
            null,
            "width='{$side}mm' height='{$side}mm' viewBox='0 0 1 1'",
        );
        self::assertSame([], self::open($square($fits)));
        $large = $square($fits + 4.0 + 2 * $process->limits()->around);
        self::assertSame(['larger-than-bed'], self::open($large));
        // What is called fitting lies on the shipped machine of the process as it is made.
        $made = (new Order(
            $square($fits)->result->artwork(),
            'Square',
            $process->making(),
            $process->limits(),
            $process->values(['border' => '2mm']),
        ))->layouts();
        $beds = [
            'cutter' => ['bedWidth' => 0.0, 'bedHeight' => 610.0],
            'recorder' => ['bedWidth' => 450.0, 'bedHeight' => 600.0],
            'engraver' => ['bedWidth' => 600.0, 'bedHeight' => 400.0],
        ];
        self::assertNull(Stock::misfit($beds[$process->machine()], $made[0]), $process->key());
        self::assertNotNull(Stock::misfit(['bedWidth' => 100.0, 'bedHeight' => 100.0], $made[0]));
    }

    #[Test]
    public function hand_work_that_no_longer_applies_stands_against_it(): void
    {
        $steps = Presets::plain();
        $steps[] = new \NeatEdge\Core\Artwork\LineStep(
            'hand',
            'touch-up',
            ['edits' => [[
                'edit' => ['kind' => 'move', 'pieces' => ['gone'], 'x' => 3],
                'ties' => ['gone' => ['paint' => '#00ff00', 'at' => [1.0, 1.0], 'outline' => 'x']],
                'on' => true,
            ]]],
        );
        $prepared = self::prepared("<rect x='5' y='5' width='40' height='40' fill='#c33'/>", steps: $steps);
        self::assertSame(['hand-work-lost'], self::open($prepared));
        self::assertSame(['1 finding is open, a serious one: hand work lost.'], $prepared->verdict->open);
        self::assertNotSame([], Seen::of($prepared->result->source)->pieces);
    }

    #[Test]
    public function what_is_stale_left_out_or_found_stands_against_a_job_each_by_itself(): void
    {
        $same = new LookDifference(0.0, 1000.0);
        self::assertTrue(Verdict::of($same, 0, 0, 0)->isReady());
        self::assertSame(['The job was changed since it was prepared.'], Verdict::of($same, 0, 0, 0, true)->open);
        self::assertSame(['1 thing was left out or replaced, and nobody has accepted that.'], Verdict::of($same, 2, 1, 0)->open);
        self::assertSame(['1 finding is open.'], Verdict::of($same, 0, 0, 1)->open);
        self::assertFalse(Verdict::of($same, 0, 0, 0, false, true)->isReady(), 'an empty bench is neither');
        self::assertSame(['3 findings are open: thin line (2), island.'], Verdict::of($same, 0, 0, 3, kinds: ['island' => 1, 'thin-line' => 2])->open);
        $many = Verdict::of(
            $same,
            0,
            0,
            7,
            serious: 7,
            kinds: array_fill_keys(['island', 'thin-line', 'narrow-gap', 'gradient', 'blend', 'overlap', 'stroke-left'], 1),
        )->open[0];
        self::assertSame('7 findings are open, all of them serious: island, thin line, narrow gap, gradient, blend and 2 more kinds.', $many);
        self::assertFalse((new Finding('thin-line', Severity::Serious, 'thin', null, 0.3, 0.8))->isLeftOut(), 'what was measured is all there');
        self::assertTrue((new Finding('text', Severity::Serious, 'joined letters'))->isLeftOut());
        self::assertFalse((new Finding('text', Severity::Note, 'only good to know'))->isLeftOut());
        self::assertFalse((new Finding('taken-lines', Severity::Note, 'Told.', new Point(0.0, 0.0)))->blocks(), 'what is only told blocks nothing');
        self::assertTrue((new Finding('thin-line', Severity::Warning, 'Thin.', new Point(0.0, 0.0)))->blocks());
    }

    #[Test]
    public function a_single_cut_that_does_not_go_out_or_that_no_tool_follows_stands_against_a_job(): void
    {
        $art = static fn (string $body): Artwork => Reader::read("<svg xmlns='http://www.w3.org/2000/svg' width='100mm' height='60mm' viewBox='0 0 100 60'>{$body}</svg>")->artwork;
        $with = $art("<rect x='5' y='5' width='20' height='20' fill='#c33'/><path d='M40 10H90' fill='none' stroke='#333' data-cut='once'/>");
        $without = $art("<rect x='5' y='5' width='20' height='20' fill='#c33'/>");
        $found = static fn (Process $process, Artwork $after): array => array_map(
            static fn (Finding $finding): array => [$finding->kind, $finding->message, $finding->blocks()],
            (new CutOnce($process->limits()))->findings($with, $after),
        );
        self::assertSame([['cut-lost', '50.0 mm of lines that are cut once do not go out.', true]], $found(new CutVinyl, $without));
        self::assertSame([], $found(new CutVinyl, $with));
        self::assertSame(['single-cut'], array_column($found(new ScreenPrint, $with), 0));
        self::assertSame(
            [],
            self::open(self::prepared("<rect x='5' y='5' width='20' height='20' fill='#c33'/><path d='M40 10H90' fill='none' stroke='#333' data-cut='once'/>")),
            'the line of steps loses none',
        );
    }
}
