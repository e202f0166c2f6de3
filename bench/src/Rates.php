<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use Symfony\Component\Process\Process;

/** How much more several workers do than one: preparations that wait are counted as they end, for as long for one worker as for two and four. */
final class Rates
{
    private const SECONDS = 60.0;

    private const WORKERS = [1, 2, 4];

    /** Jobs that wait for each worker: more than it does in that time. */
    private const WAIT = 100;

    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        if (posix_geteuid() !== 0) {
            yield ['several workers', 'not measured', 'root: a database has a user of its own'];

            return;
        }
        $cores = (int) shell_exec('nproc');
        // By turns, for the host of this machine has other work too.
        $shares = array_map(static fn (): float => self::counted($cores) / self::counted(1) / $cores, range(1, 5));
        yield [
            "{$cores} processes that only count, of that of one each",
            sprintf('%.2f', Timed::median($shares)),
            'what the cores themselves give',
        ];
        $one = $takes = 0.0;
        foreach (self::WORKERS as $workers) {
            $floor = new Floor(random_int(31_000, 39_000), $workers);
            for ($i = 0; $i < self::WAIT * $workers; $i++) {
                // Each is another: nothing of it was made for one before.
                $own = sprintf('<path d="M0 0h%1$.2fv%1$.2fz" fill="#123"/></svg>', 5 + $i / 7);
                $job = Crowd::job(str_replace('</svg>', $own, Served::sheet(60)), 'cut-vinyl');
                Crowd::post("jobs/{$job}/preparations", '{}');
                if ($i === 0) {
                    // Who is compiled and warm does as much at the end as at the beginning.
                    Day::until(static fn (): bool => self::done($floor) > 0, 'the first');
                }
            }
            $before = self::done($floor);
            $busy = self::busy();
            $start = microtime(true);
            usleep((int) (1e6 * self::SECONDS));
            $seconds = microtime(true) - $start;
            $rate = (self::done($floor) - $before) / $seconds;
            $busy = (self::busy() - $busy) / $seconds;
            // What one of them keeps busy, with the database and whoever looks how far it is: more than all cores is not to be had.
            [$one, $takes] = $workers === 1 ? [$rate, $busy] : [$one, $takes];
            $most = min(1.0, $cores / ($workers * max(0.01, $takes)));
            yield [
                "{$workers} ".($workers === 1 ? 'worker' : 'workers').': preparations a minute, of that of one each',
                sprintf('%.0f, %.2f (%.2f cores busy)', 60 * $rate, $one > 0 ? $rate / $one / $workers : 0, $busy),
                sprintf('at least %.2f: 0.9 of what %d cores allow', 0.9 * $most, $cores),
            ];
            unset($floor);
        }
    }

    /** How far so many processes count in three seconds, together. */
    private static function counted(int $many): float
    {
        $loop = '$end = hrtime(true) + 3e9; for ($n = 0; hrtime(true) < $end; $n++) {'
            .' for ($i = 0, $x = 1.0; $i < 20000; $i++) { $x = sqrt($x + $i); } } echo $n;';
        $processes = array_map(static fn (): Process => new Process([PHP_BINARY, '-r', $loop]), range(1, $many));
        array_walk($processes, static fn (Process $process) => $process->start());
        array_walk($processes, static fn (Process $process) => $process->wait());

        return (float) array_sum(array_map(static fn (Process $process): int => (int) $process->getOutput(), $processes));
    }

    /** @return float seconds that cores were at work since the system began */
    private static function busy(): float
    {
        // User, nice, system; idle and waiting for the disk are the fourth and fifth.
        $times = array_map(intval(...), array_slice(preg_split('/\s+/', (string) strtok((string) file_get_contents('/proc/stat'), "\n")) ?: [], 1, 8));

        return (array_sum($times) - $times[3] - $times[4]) / 100;
    }

    private static function done(Floor $floor): int
    {
        return (int) ($floor->list("select count(*) from works where kind = 'prepare' and state = 'done'")[0] ?? 0);
    }
}
