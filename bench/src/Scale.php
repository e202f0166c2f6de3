<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

/**
 * How long work waits where shops are many: the busiest hour of a working day, played (Queues) with the times that docs/scale.md has. The player is held
 * against
 * Erlang's formula for waiting (1917), where that knows the answer, and against a real run that bench/shop.json has (bin/bench shop keep).
 */
final class Scale
{
    /** Share of a day's work that arrives in each hour of it, of a shop that opens at seven: two humps and a late rush. */
    private const HOURS = [7 => 0.04, 0.09, 0.13, 0.13, 0.10, 0.05, 0.08, 0.12, 0.12, 0.09, 0.05];

    /** Long work of one shop of five people in a day: how often, seconds of CPU, spread of their logarithms, whether somebody waits for it. */
    private const DAY = [
        'prepare' => [60, 1.8, 1.1, true], 'lay out' => [70, 0.7, 0.9, true], 'files' => [50, 0.5, 0.6, true], 'trace' => [6, 3.0, 0.8, true],
        'nest' => [6, 30.0, 0.3, false], 'sizes' => [8, 9.0, 0.7, false], 'batch' => [3, 120.0, 0.9, false],
    ];

    /** How much more than the least that can do it, in hosts. */
    private const ROOM = [1.0, 1.1, 1.3, 1.6];

    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        foreach ([[1, 0.6], [2, 0.8], [8, 0.9]] as [$workers, $busy]) {
            $one = ['rate' => $workers * $busy, 'seconds' => 1.0, 'spread' => 0.0, 'urgent' => true];
            $waits = (new Queues([$one], $workers, exponential: true))->play(100_000.0)[1];
            yield [
                sprintf('%d workers, %.0f %% busy: mean wait, s, against Erlang', $workers, 100 * $busy),
                sprintf('%.3f, %.3f', array_sum($waits) / max(1, count($waits)), self::erlang($workers, $busy)),
                'within 10 %',
            ];
        }
        yield from $this->real();
        foreach ([100, 1000, 10_000] as $shops) {
            yield from $this->shops($shops);
        }
    }

    /** @return iterable<array{string, string, string}> */
    private function shops(int $shops): iterable
    {
        $kinds = [];
        foreach (self::DAY as [$many, $seconds, $spread, $urgent]) {
            $kinds[] = ['rate' => $many * $shops * max(self::HOURS) / 3600, 'seconds' => $seconds, 'spread' => $spread, 'urgent' => $urgent];
        }
        $peak = array_sum(array_map(static fn (array $kind): float => $kind['rate'] * $kind['seconds'], $kinds));
        $hosts = array_unique(array_map(static fn (float $room): int => max(2, (int) ceil($room * $peak / Queues::HOST)), self::ROOM));
        foreach ($hosts as $many) {
            // Of very many a shorter while says as much.
            [$later, $urgent] = (new Queues($kinds, $many * Queues::HOST))->play(max(1800.0, 3600.0 * 300 / $shops), fails: true);
            yield [
                sprintf('%s shops, %d hosts, %.0f %% busy: wait 50th/95th/99th, s', number_format($shops), $many, 100 * $peak / $many / Queues::HOST),
                self::told($urgent),
                'later work '.self::told($later),
            ];
        }
    }

    /** @return iterable<array{string, string, string}> */
    private function real(): iterable
    {
        $path = dirname(__DIR__).'/shop.json';
        $run = is_file($path) ? json_decode((string) file_get_contents($path), true) : null;
        if (! is_array($run)) {
            yield ['against the real run', 'there is none: bin/bench shop keep', ''];

            return;
        }
        $kinds = array_map(static fn (array $kind): array => [
            'rate' => $kind['many'] / $run['seconds'], 'seconds' => (float) $kind['seconds'], 'spread' => (float) $kind['spread'], 'urgent' => true,
        ], array_values($run['kinds']));
        $waits = (new Queues($kinds, (int) $run['workers']))->play(200_000.0)[1];
        yield [
            sprintf('the real run of %d people, %d workers: wait 50th/95th, s', $run['people'], $run['workers']),
            sprintf('%.2f / %.2f', $run['wait'][0], $run['wait'][1]),
            '',
        ];
        yield ['the same played', sprintf('%.2f / %.2f', Timed::share($waits, 0.5), Timed::share($waits, 0.95)), 'within a factor of 1.5 or 0.5 s'];
    }

    /** Mean wait in a queue for some workers, each of whom takes a second in the mean (Erlang 1917). */
    private static function erlang(int $workers, float $busy): float
    {
        $offered = $workers * $busy;
        $sum = $term = 1.0;
        for ($k = 1; $k < $workers; $k++) {
            $term *= $offered / $k;
            $sum += $term;
        }
        $last = $term * $offered / $workers / (1 - $busy);

        return $last / ($sum + $last) / ($workers * (1 - $busy));
    }

    /** @param  list<float>  $times  the shortest first */
    private static function told(array $times): string
    {
        return sprintf('%.1f / %.1f / %.1f', Timed::share($times, 0.5), Timed::share($times, 0.95), Timed::share($times, 0.99));
    }
}
