<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Patience;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Check\Inspection;
use NeatEdge\Core\Format\Export;
use NeatEdge\Core\Format\Formats;
use NeatEdge\Core\Format\Incoming;
use NeatEdge\Core\Format\Json\LayoutJson;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Line\MemoryCache;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Line\PrepResult;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Patience\Patience;
use NeatEdge\Core\Patience\Progress;
use NeatEdge\Core\Patience\Stopped;
use NeatEdge\Core\Process\Process;
use NeatEdge\Core\Process\Processes;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Make\Order;
use NeatEdge\Core\Tests\Support\Share;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Whoever waits no longer is heard wherever it computes: every long stretch asks, and what is broken off leaves nothing half done. */
final class PatienceTest extends TestCase
{
    /** Seconds of CPU that may pass between two questions. Most stretches take a tenth of it. */
    private const LONGEST = 1.0;

    /** @return iterable<string, array{Process}> */
    public static function processes(): iterable
    {
        foreach (Processes::all() as $key => $process) {
            yield $key => [$process];
        }
    }

    #[Test]
    #[DataProvider('processes')]
    public function from_the_file_to_the_sheets_and_files_it_asks_all_along(Process $process): void
    {
        $bytes = Writer::write(self::art(Share::isWhole() ? 110 : 60));
        $art = self::asking('reading', 1, static fn (): Artwork => Incoming::read($bytes, 'stars.svg')->drawing->artwork)->atWidth(250.0);
        $line = PrepLine::of($process->preset()->steps, $process->limits());
        $seen = Seen::of($art);
        $result = self::asking('the line', Share::isWhole() ? 60 : 30, static fn (): PrepResult => $line->run($seen));
        self::asking('checks', 4, static fn (): array => Inspection::ofResult($art, $seen, $result, $process->limits()));
        $values = $process->values([]);
        $layouts = self::asking(
            'sheets',
            1,
            static fn (): array => (new Order(
                $result->artwork(),
                'Stars',
                $process->making(),
                $process->limits(),
                $values,
                mirrored: $line->isMirrored(),
                under: $process->under($line, $seen, $values),
            ))->layouts(),
        );
        self::assertContainsOnlyInstancesOf(Layout::class, $layouts);
        $format = $process->format();
        self::asking($format, 1, static fn (): array => Export::files($layouts, $format, Formats::make($format)));
    }

    #[Test]
    public function what_is_broken_off_anywhere_leaves_nothing_and_goes_on_from_what_was_whole(): void
    {
        $process = Processes::of('cut-vinyl');
        $seen = Seen::of(self::art(40));
        $whole = self::drawn(PrepLine::of($process->preset()->steps, $process->limits())->run($seen));
        $cache = new MemoryCache;
        $line = PrepLine::of($process->preset()->steps, $process->limits(), $cache);
        $stopped = 0;
        for ($after = 1; ; $after = (int) ceil(1.7 * $after)) {
            $asked = 0;
            try {
                $result = Patience::with(static function () use (&$asked, $after): void {
                    ++$asked >= $after && throw new Stopped;
                }, static fn (): PrepResult => $line->run($seen));
                break;
            } catch (Stopped) {
                $stopped++;
            }
        }
        self::assertGreaterThan(4, $stopped);
        self::assertSame($whole, self::drawn($result));
    }

    #[Test]
    #[DataProvider('processes')]
    public function sheets_and_files_tell_how_far_they_are_and_are_the_same_when_nobody_listens(Process $process): void
    {
        $line = PrepLine::of($process->preset()->steps, $process->limits());
        $seen = Seen::of(self::art(12));
        $values = $process->values([]);
        $order = new Order(
            $line->run($seen)->artwork(), 'Stars', $process->making(), $process->limits(), $values, ['#c9452f' => 'Brick'], $line->isMirrored(),
            under: $process->under($line, $seen, $values),
        );
        $layouts = $order->layouts();
        $form = static fn (array $all): string => LayoutJson::encode(array_values($all));
        [$told, $laid] = self::told(static fn (): array => $order->layouts());
        self::assertNotSame([], $told);
        self::assertSame($form($layouts), $form($laid));
        $format = $process->format();
        [$files, $written] = self::told(static fn (): array => Export::files($layouts, $format, Formats::make($format)));
        self::assertSame(array_map(static fn (Layout $layout): string => $layout->title, $layouts), array_column($files, 2));
        self::assertSame(count($layouts), count($written));
        foreach ([$told, $files] as $all) {
            self::assertSame(0, $all[0][0]);
            foreach ($all as $k => [$done, $of, $doing]) {
                self::assertNotSame('', $doing);
                self::assertLessThan($of, $done);
                self::assertSame($k, $done, 'each part is told once, in turn');
            }
        }
    }

    /**
     * @param  \Closure(): array<mixed>  $work
     * @return array{list<array{int, int, string}>, array<mixed>} what it told, and what it gave
     */
    private static function told(\Closure $work): array
    {
        $told = [];
        $given = Progress::with(static function (int $done, int $of, string $doing) use (&$told): void {
            $told[] = [$done, $of, $doing];
        }, $work);
        Progress::tell(1, 2, 'to nobody');

        return [$told, $given];
    }

    #[Test]
    public function a_question_within_a_question_gives_way_to_the_one_before_it(): void
    {
        $outer = $inner = 0;
        Patience::with(static function () use (&$outer): void {
            $outer++;
        }, static function () use (&$inner): void {
            Patience::ask(10_000);
            try {
                Patience::with(static function () use (&$inner): void {
                    $inner++;
                    throw new Stopped;
                }, static fn () => Patience::ask(10_000));
            } catch (Stopped) {
            }
            Patience::ask(10_000);
        });
        Patience::ask(PHP_INT_MAX);
        Patience::ask(PHP_INT_MAX);
        self::assertSame([2, 1], [$outer, $inner]);
    }

    private static function drawn(PrepResult $result): string
    {
        return Writer::write($result->artwork());
    }

    /**
     * @template T
     *
     * @param  int  $least  questions
     * @param  \Closure(): T  $work
     * @return T
     */
    private static function asking(string $what, int $least, \Closure $work): mixed
    {
        $asked = 0;
        $longest = 0.0;
        $before = self::cpu();
        $look = static function () use (&$asked, &$longest, &$before): void {
            $asked++;
            $now = self::cpu();
            $longest = max($longest, $now - $before);
            $before = $now;
        };
        $out = Patience::with($look, $work);
        $look();
        self::assertGreaterThan($least, $asked, "{$what} asks");
        self::assertLessThan(self::LONGEST, $longest, "the longest stretch of {$what}");

        return $out;
    }

    private static function cpu(): float
    {
        $u = getrusage() ?: [];

        return $u['ru_utime.tv_sec'] + $u['ru_utime.tv_usec'] / 1e6;
    }

    /** Stars of some colours that lie over each other. */
    private static function art(int $count): Artwork
    {
        mt_srand(11);
        $pieces = [];
        $side = (int) ceil(sqrt($count));
        for ($i = 0; $i < $count; $i++) {
            [$x, $y, $points] = [20 * ($i % $side) + mt_rand(0, 12), 20 * intdiv($i, $side) + mt_rand(0, 12), []];
            for ($k = 0; $k < 10; $k++) {
                $r = $k % 2 === 0 ? 16 : mt_rand(5, 11);
                $points[] = [$x + $r * cos($k * M_PI / 5), $y + $r * sin($k * M_PI / 5)];
            }
            $pieces[] = new Piece("p{$i}", new Shape([Contour::polygon($points)]), new Paint(Colour::fromHex(['#c9452f', '#e8a52c', '#1f3a63'][$i % 3])));
        }

        return new Artwork(20.0 * $side + 30, 20.0 * $side + 30, $pieces);
    }
}
