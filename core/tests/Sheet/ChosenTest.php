<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Sheet;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Process\CutVinyl;
use NeatEdge\Core\Process\Engraving;
use NeatEdge\Core\Process\Plain;
use NeatEdge\Core\Process\Process;
use NeatEdge\Core\Process\Processes;
use NeatEdge\Core\Process\ScreenPrint;
use NeatEdge\Core\Process\Sticker;
use NeatEdge\Core\Sheet\Layout\Layer;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Layout\Role;
use NeatEdge\Core\Shop\Chosen;
use NeatEdge\Core\Shop\Stock;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What of the shop a ticket names. */
final class ChosenTest extends TestCase
{
    /**
     * @param  array<string, array<string, float|string|bool>>  $values  by kind
     */
    private static function chosen(array $values, Process $process = new CutVinyl): Chosen
    {
        $items = [];
        foreach ($values as $kind => $own) {
            $items[$kind] = ['id' => 1, 'name' => ucfirst($kind), 'values' => Stock::values($kind, $own)];
        }

        return Chosen::of($items, $process);
    }

    #[Test]
    public function the_strictest_of_process_material_and_blade_holds(): void
    {
        self::assertEquals((new CutVinyl)->limits(), self::chosen([])->limits());
        $limits = self::chosen([
            'material' => ['leastLine' => 1.5, 'leastGap' => 0.2, 'leastPart' => 3.0],
            'blade' => ['leastLine' => 1.1, 'leastGap' => 0.9],
        ])->limits();
        self::assertSame([1.5, 0.9, 3.0], [$limits->line, $limits->gap, $limits->island]);
        self::assertSame((new CutVinyl)->limits()->hole, $limits->hole);
        // A screen says nothing to a cutter, a blade nothing to an engraver.
        self::assertSame(0.8, self::chosen(['screen' => ['leastLine' => 2.0]])->limits()->line);
        self::assertSame(['screen'], array_keys(self::chosen(['screen' => [], 'blade' => [], 'head' => []], new ScreenPrint)->items));
        self::assertSame(
            0.35,
            self::chosen(['screen' => ['leastLine' => 0.1]], new ScreenPrint)->limits()->line,
            'a finer mesh does not make the process finer',
        );
        self::assertSame(0.6, self::chosen(['screen' => ['leastLine' => 0.6]], new ScreenPrint)->limits()->line);
    }

    /** @return iterable<string, array{Process, array<string, array<string, float|string|bool>>, array{float, float}}> */
    public static function beds(): iterable
    {
        yield 'a roll as the process has it' => [new CutVinyl, [], [610.0, 0.0]];
        yield 'a narrower roll' => [new CutVinyl, ['material' => ['width' => 300.0]], [300.0, 0.0]];
        yield 'a wider roll' => [new CutVinyl, ['material' => ['width' => 1200.0]], [1200.0, 0.0]];
        yield 'a wider roll than the machine takes' => [
            new CutVinyl,
            ['material' => ['width' => 1200.0], 'machine' => ['bedWidth' => 5000.0, 'bedHeight' => 610.0]],
            [610.0, 0.0],
        ];
        yield 'a sheet' => [new Engraving, ['material' => ['form' => 'sheet', 'width' => 200.0, 'length' => 300.0]], [300.0, 200.0]];
        yield 'a sheet that is larger than the bed' => [
            new Engraving,
            [
                'material' => ['form' => 'sheet', 'width' => 500.0, 'length' => 900.0],
                'machine' => ['kind' => 'engraver', 'bedWidth' => 600.0, 'bedHeight' => 400.0],
            ],
            [600.0, 400.0],
        ];
        yield 'a bed alone' => [new Engraving, ['machine' => ['kind' => 'engraver', 'bedWidth' => 250.0, 'bedHeight' => 180.0]], [250.0, 180.0]];
        yield 'a machine where nothing else is known' => [new Plain, ['machine' => ['bedHeight' => 450.0]], [450.0, 0.0]];
    }

    /**
     * @param  array<string, array<string, float|string|bool>>  $values
     * @param  array{float, float}  $bed
     */
    #[Test]
    #[DataProvider('beds')]
    public function the_bed_is_that_of_the_material_and_no_larger_than_the_machines(Process $process, array $values, array $bed): void
    {
        $limits = self::chosen($values, $process)->limits();
        self::assertSame($bed, [$limits->bedWidth, $limits->bedHeight]);
    }

    #[Test]
    public function what_it_is_made_with_is_told_to_how_it_is_made(): void
    {
        self::assertSame(['ruling' => 55.0, 'leastDot' => 0.08], self::chosen(['screen' => ['ruling' => 55.0, 'leastDot' => 0.08]], new ScreenPrint)->makes());
        self::assertSame(['spot' => 0.2], self::chosen(['head' => ['spot' => 0.2]], new Engraving)->makes());
        foreach (Stock::kinds() as $kind) {
            foreach ($kind->for as $process) {
                self::assertSame(
                    [],
                    array_diff(array_values($kind->makes), array_column(Processes::of($process)->fields(), 'name')),
                    'a way of making has each choice that is made for it',
                );
            }
            self::assertSame([], array_diff([...$kind->brief, ...array_keys($kind->limits), ...array_keys($kind->makes)], array_column($kind->fields, 'name')));
        }
    }

    #[Test]
    public function what_does_not_go_together_is_said(): void
    {
        $thick = ['material' => ['thickness' => 0.3], 'blade' => ['deepest' => 0.12]];
        self::assertSame(['Material is 0.30 mm thick; Blade cuts 0.12 mm at most.'], self::chosen($thick)->warns([]));
        self::assertSame([], self::chosen(['material' => ['thickness' => 0.1], 'blade' => ['deepest' => 0.12]])->warns([]));
        self::assertSame(
            ['It is to go 80 mm/s; Head goes 60 mm/s at most.'],
            self::chosen(['head' => ['fastest' => 60.0]], new Engraving)->warns(['speed' => 40.0, 'lineSpeed' => 80.0]),
        );
        self::assertSame(
            ['Machine does not make this: choose another machine on the ticket.'],
            self::chosen(['machine' => ['kind' => 'cutter']], new Engraving)->warns([]),
        );
        self::assertSame([], self::chosen(['machine' => ['kind' => 'cutter']])->warns([]));
    }

    #[Test]
    public function a_sheet_fits_a_machine_by_what_is_made_of_it_and_each_process_has_its_kind_of_machine(): void
    {
        $sheet = static fn (float $right, float $bottom): Layout => new Layout(
            'a',
            'A',
            700.0,
            610.0,
            [new Layer(Role::Kiss, 'Film', '#c02020', lines: [Contour::rectangle(10.0, 10.0, $right - 10.0, $bottom - 10.0)])],
        );
        $machine = ['bedWidth' => 600.0, 'bedHeight' => 400.0];
        self::assertNull(Stock::misfit($machine, $sheet(600.0, 400.0)));
        self::assertSame('what is made reaches to 610.0 x 400.0 mm, and its bed takes 600 x 400 mm.', Stock::misfit($machine, $sheet(610.0, 400.0)));
        self::assertSame('what is made reaches to 600.0 x 401.0 mm, and its bed takes 600 x 400 mm.', Stock::misfit($machine, $sheet(600.0, 401.0)));
        self::assertNull(Stock::misfit(['bedWidth' => 0.0, 'bedHeight' => 400.0], $sheet(9000.0, 400.0)), 'a roll is as long as it must be');
        self::assertSame(
            ['recorder', 'engraver', 'cutter', 'cutter'],
            array_map(static fn (Process $one): string => $one->machine(), [new ScreenPrint, new Engraving, new Sticker, new CutVinyl]),
        );
    }
}
