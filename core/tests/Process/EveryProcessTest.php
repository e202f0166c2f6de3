<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Process;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Device\Devices;
use NeatEdge\Core\Format\Formats;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Process\Process;
use NeatEdge\Core\Process\Processes;
use NeatEdge\Core\Sheet\Make\Order;
use NeatEdge\Core\Shop\Stock;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What holds for every process there is, also for those that come after this test was written. */
final class EveryProcessTest extends TestCase
{
    /** @return iterable<string, array{Process}> */
    public static function processes(): iterable
    {
        foreach (Processes::all() as $key => $process) {
            yield $key => [$process];
        }
    }

    #[Test]
    #[DataProvider('processes')]
    public function all_that_is_said_of_it_is_there(Process $process): void
    {
        self::assertSame($process::class, Processes::of($process->key())::class);
        self::assertNotSame('', $process->label());
        self::assertNotSame('', $process->says());
        self::assertSame($process->machine(), Devices::of($process->machine())::about()->kind, 'there is a machine that makes it');
        self::assertSame($process->format(), Formats::about($process->format())->key, 'there is a format in which it leaves');
        self::assertSame([], array_diff($process->uses(), array_keys(Stock::kinds())), 'what its ticket names is there to be had');
        self::assertSame([$process->key()], $process->preset()->for);
        self::assertSame($process->preset()->name, Processes::presets()[$process->preset()->name]->name);
        $limits = $process->limits();
        self::assertGreaterThan(0.0, $limits->line);
        self::assertGreaterThan(0.0, $limits->gap);
    }

    #[Test]
    #[DataProvider('processes')]
    public function its_preset_and_its_making_give_something_that_its_machine_takes(Process $process): void
    {
        $square = new Artwork(60.0, 40.0, [new Piece('p1', Shape::of(Contour::rectangle(10.0, 10.0, 20.0, 15.0)), new Paint(new Colour(0xA0, 0x20, 0x20)))]);
        $result = PrepLine::of($process->preset()->steps, $process->limits())->outcome($square);
        self::assertEqualsWithDelta(300.0, array_sum(array_map(static fn (Piece $piece): float => $piece->shape->area(), $result->pieces)), 0.5);
        $layouts = (new Order($result, 'Square', $process->making(), $process->limits(), $process->values([])))->layouts();
        self::assertNotSame([], $layouts);
        self::assertNotNull($layouts[0]->box());
        $bytes = Formats::bytes(Formats::make(Devices::of($process->machine())::about()->format), [$layouts[0]]);
        self::assertSame($process->machine(), Devices::taking($bytes), 'the machine knows the file for its own');
    }

    #[Test]
    public function one_that_there_is_not_is_refused_by_its_name(): void
    {
        self::assertNull(Processes::find('embroidery'));
        $this->expectExceptionObject(Refused::because('There is no process called "embroidery".'));
        Processes::of('embroidery');
    }

    #[Test]
    public function a_ticket_names_only_what_its_process_uses(): void
    {
        self::assertSame(['cut-vinyl', 'heat-transfer-vinyl', 'sticker'], Stock::kinds()['blade']->for);
        self::assertSame(['screen-print'], Stock::kinds()['screen']->for);
        self::assertSame(['engraving'], Stock::kinds()['head']->for);
        self::assertSame(['cut-vinyl', 'heat-transfer-vinyl', 'sticker', 'engraving', 'plain'], Stock::kinds()['material']->for);
        self::assertSame(Processes::keys(), Stock::kinds()['machine']->for);
        self::assertSame([], Stock::kinds()['ink']->for);
    }
}
