<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

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
        $one = 0.0;
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
            $start = microtime(true);
            usleep((int) (1e6 * self::SECONDS));
            $rate = (self::done($floor) - $before) / (microtime(true) - $start);
            $one = $workers === 1 ? $rate : $one;
            yield [
                "{$workers} ".($workers === 1 ? 'worker' : 'workers').': preparations a minute, of that of one each',
                sprintf('%.0f, %.2f', 60 * $rate, $one > 0 ? $rate / $one / $workers : 0),
                $workers <= $cores ? 'at least 0.9' : "there are {$cores} cores",
            ];
            unset($floor);
        }
    }

    private static function done(Floor $floor): int
    {
        return (int) ($floor->list("select count(*) from works where kind = 'prepare' and state = 'done'")[0] ?? 0);
    }
}
