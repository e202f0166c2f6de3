<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Device;

use NeatEdge\Core\Device\Devices;
use NeatEdge\Core\Device\LineLost;
use NeatEdge\Core\Device\MachineRefused;
use NeatEdge\Lines\StreamLine;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** How machines are talked to, with somebody at the other end of the line who answers what was written down beforehand. */
final class DevicesTest extends TestCase
{
    private const PLT = 'IN;SP1;PU400,400;PD800,400,800,800,400,800,400,400;PU;PU0,0;SP0;';

    /**
     * @param  string  $answers  all that the machine will say
     * @return array{string, list<int>} what it was told, and the parts that were kept as acknowledged
     */
    private static function talk(string $kind, string $bytes, string $answers, int $done = 0): array
    {
        $pair = stream_socket_pair(STREAM_PF_UNIX, STREAM_SOCK_STREAM, STREAM_IPPROTO_IP);
        self::assertNotFalse($pair);
        fwrite($pair[1], $answers);
        $kept = [];
        try {
            Devices::of($kind)::send($bytes, 'Boat sign 1', new StreamLine($pair[0], 0.3), $done, static function (int $now) use (&$kept): void {
                $kept[] = $now;
            });
        } finally {
            stream_set_blocking($pair[1], false);
            self::$said = (string) stream_get_contents($pair[1]);
        }

        return [self::$said, $kept];
    }

    private static string $said = '';

    /** @return iterable<string, array{string}> */
    public static function talk_without_end(): iterable
    {
        yield 'of nothing new' => ["have 0\n".str_repeat("taken 1\n", 400)];
        yield 'of one plate again and again' => ["have 0\n".str_repeat("exposed 0\n", 400)];
        yield 'without an end' => [str_repeat('have ', 20_000)];
    }

    #[Test]
    #[DataProvider('talk_without_end')]
    public function a_machine_that_talks_without_end_is_let_go(string $answers): void
    {
        $this->expectException(LineLost::class);
        $this->expectExceptionMessage('talks without end');
        self::talk('recorder', '%PDF-1.6 /Type /Page /Type /Page /Type /Pages', $answers);
    }

    #[Test]
    public function a_cutter_is_asked_where_it_stands_after_each_part(): void
    {
        $parts = Devices::of('cutter')::parts(self::PLT);
        self::assertSame(4, $parts, 'begun; the square but for its last side, whose end is its start; that side; the way home');
        [$said, $kept] = self::talk('cutter', self::PLT, str_repeat("0\r0,0,0\r", $parts));
        self::assertSame(range(1, $parts), $kept);
        self::assertSame(self::PLT, self::joined($said));
    }

    #[Test]
    public function what_was_done_so_far_is_known_from_the_bytes_alone(): void
    {
        self::assertSame([], Devices::of('cutter')::traced(self::PLT, 1), 'begun, and nothing cut');
        self::assertSame([[10.0, 10.0, 20.0, 10.0, 20.0, 20.0, 10.0, 20.0]], Devices::of('cutter')::traced(self::PLT, 2), 'the square but for its last side');
        self::assertSame([[10.0, 10.0, 20.0, 10.0, 20.0, 20.0, 10.0, 20.0, 10.0, 10.0]], Devices::of('cutter')::traced(self::PLT, 4));
        $gcode = "G21 G90 G17\nM5\nG0 X5 Y5\nM3 S250\nG1 X15 Y5 F2400\nG3 X5 Y15 I-10 J0\nM5\nG0 X0 Y0\nM2\n";
        $engraver = Devices::of('engraver');
        self::assertSame([], $engraver::traced($gcode, 3));
        self::assertSame([[5.0, 5.0, 15.0, 5.0]], $engraver::traced($gcode, 5));
        [$way] = $engraver::traced($gcode, 9);
        self::assertCount(2, array_slice($way, -2));
        self::assertSame([5.0, 15.0], array_slice($way, -2), 'the way home is not drawn');
        for ($i = 2; $i < count($way); $i += 2) {
            self::assertEqualsWithDelta(10.0, hypot($way[$i] - 5.0, $way[$i + 1] - 5.0), 1e-6, 'round about 5, 5');
            self::assertGreaterThanOrEqual(5.0 - 1e-6, min($way[$i], $way[$i + 1]), 'the short way round');
        }
        $spindle = "G21 G90 G17\nM5\nG0 Z2\nM3 S400\nG0 X5 Y5\nG1 Z-0.1 F600\nG1 X15 Y5 F900\nG0 Z2\nG0 X1 Y1\nM5\n";
        self::assertSame([[5.0, 5.0, 15.0, 5.0]], $engraver::traced($spindle, 10), 'only where it is let down');
        self::assertSame([], Devices::of('recorder')::traced('%PDF-1.7', 1));
    }

    /** The instructions that were sent, with runs of places in one again. */
    private static function joined(string $said): string
    {
        $out = str_replace('OE;OA;', '', $said);
        while (preg_match('/(PD[\d,]+);PD(?=\d)/', $out) === 1) {
            $out = (string) preg_replace('/(PD[\d,]+);PD(?=\d)/', '$1,', $out);
        }

        return $out;
    }

    #[Test]
    public function after_a_break_only_what_was_not_done_is_sent(): void
    {
        // One part was acknowledged; of the next the machine has done the first two strokes.
        [$said] = self::talk('cutter', self::PLT, "800,800,1\r".str_repeat("0\r0,0,0\r", 3), 1);
        self::assertSame('OA;PD400,800;OE;OA;PD400,400;PU;OE;OA;PU0,0;SP0;OE;OA;', $said);
        [$said] = self::talk('cutter', self::PLT, "0,0,0\r".str_repeat("0\r0,0,0\r", 3), 1);
        self::assertStringStartsWith('OA;PU400,400;PD800,400;', $said, 'it has done nothing of it');
        $this->expectException(MachineRefused::class);
        $this->expectExceptionMessage('stands elsewhere');
        self::talk('cutter', self::PLT, "123,456,0\r", 1);
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function faults(): iterable
    {
        yield 'busy' => ['cutter', "busy\n", 'busy with somebody else'];
        yield 'beyond the bed' => ['cutter', "6\r0,0,0\r", 'beyond its bed'];
        yield 'out of material' => ['cutter', "7\r0,0,0\r", 'out of material'];
        yield 'another fault' => ['cutter', "3\r0,0,0\r", 'tells fault 3'];
        yield 'rubbish' => ['cutter', "\x01\x02?\r", 'cannot be read'];
        yield 'no plate' => ['engraver', "done begin\nfault 5 no plate on the bed\n", 'no plate on its bed'];
        yield 'not understood' => ['engraver', "done begin\nfault 2 <b>G9</b>\n", 'The engraver tells a fault: 2 <b>G9</b>.'];
        yield 'too large a film' => ['recorder', "refused plate 1 is 500 mm\n", 'The film recorder refused it: plate 1 is 500 mm.'];
    }

    #[Test]
    #[DataProvider('faults')]
    public function what_a_machine_complains_of_is_said_in_a_sentence(string $kind, string $answers, string $says): void
    {
        $this->expectException(MachineRefused::class);
        $this->expectExceptionMessage($says);
        self::talk($kind, $kind === 'cutter' ? self::PLT : ($kind === 'engraver' ? "G21\nG0 X1\n" : '%PDF-1.6 /Type /Page '), $answers);
    }

    #[Test]
    public function a_machine_that_says_nothing_is_not_waited_for_without_end(): void
    {
        $this->expectException(LineLost::class);
        $this->expectExceptionMessage('has not answered');
        self::talk('cutter', self::PLT, '');
    }

    #[Test]
    public function an_engraver_is_told_again_what_held_before_it_goes_on(): void
    {
        $lines = "G21 G90 G17\nG0 X5 Y5\nM3 S300\nG1 X20 Y5 F1200\nG1 X20 Y20\nM5\nM2\n";
        [$said, $kept] = self::talk(
            'engraver',
            $lines,
            "at 20.0000 5.0000 off line 4 ready Boat-sign-1\n".str_repeat("done also\n", 5).str_repeat("done\n", 3),
            3,
        );
        self::assertSame("where\nalso G21 G90 G17\nalso M5\nalso G0 X20.0000 Y5.0000\nalso G1 F1200\nalso M3 S300\nG1 X20 Y20\nM5\nM2\n", $said);
        self::assertSame([4, 5, 6, 7], $kept);
        $this->expectException(MachineRefused::class);
        $this->expectExceptionMessage('stands elsewhere');
        self::talk('engraver', $lines, "at 0.0 0.0 off line 2 ready Other-job\n", 3);
    }

    #[Test]
    public function what_an_engraver_did_before_it_stopped_must_be_kept_and_what_it_counts_meanwhile_need_not(): void
    {
        $pair = stream_socket_pair(STREAM_PF_UNIX, STREAM_SOCK_STREAM, STREAM_IPPROTO_IP);
        self::assertNotFalse($pair);
        fwrite($pair[1], "done begin\ndone 1\ndone 2\ndone 3\nfault 5 no plate on the bed\n");
        $told = [];
        $lines = implode("\n", array_map(static fn (int $k): string => "G0 X{$k} Y5", range(1, 9)));
        try {
            Devices::of('engraver')::send($lines, 'Tag', new StreamLine($pair[0], 0.3), 0, static function (int $done, bool $must = true) use (&$told): void {
                $told[] = [$done, $must];
            });
            self::fail('It has no plate.');
        } catch (MachineRefused) {
            self::assertSame([[1, false], [2, false], [3, false], [3, true]], $told);
        }
    }

    #[Test]
    public function a_film_that_was_begun_goes_on_with_the_plates_that_are_left(): void
    {
        $pdf = '%PDF-1.6 /Type /Page /Type /Page /Type /Pages';
        self::assertSame(2, Devices::of('recorder')::parts($pdf));
        [$said, $kept] = self::talk('recorder', $pdf, "have 1\ntaken 2\nexposed 2\nfinished\n", 1);
        self::assertSame(sprintf("have Boat-sign-1\nfilm %d 1 Boat-sign-1\n%s", strlen($pdf), $pdf), $said);
        self::assertSame([1, 2], $kept);
        [$said] = self::talk('recorder', $pdf, "have 2\n", 1);
        self::assertSame("have Boat-sign-1\n", $said, 'both are exposed: nothing is sent');
        [$said, $kept] = self::talk('recorder', $pdf, "have 1\ntaken 2\nexposed 2\nfinished\n", 0);
        self::assertSame(
            [sprintf("have Boat-sign-1\nfilm %d 1 Boat-sign-1\n%s", strlen($pdf), $pdf), [1, 2]],
            [$said, $kept],
            'a plate whose answer was lost is not exposed again',
        );
        $this->expectException(MachineRefused::class);
        $this->expectExceptionMessage('knows of 0 plates, and 1 were told to be exposed');
        self::talk('recorder', $pdf, "have 0\ntaken 2\n", 1);
    }

    #[Test]
    public function a_file_tells_which_machine_takes_it(): void
    {
        self::assertSame(
            ['recorder', 'cutter', 'engraver', 'engraver', null],
            array_map(Devices::taking(...), ["%PDF-1.6\n", 'IN;SP1;', "(Tag)\nG21\n", "G21 G90\n", '<svg/>']),
        );
        self::assertSame(['cutter', 'recorder', 'engraver'], array_keys(Devices::catalogue()));
    }
}
