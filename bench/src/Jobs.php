<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

/** A shop of very many jobs: the list, a search and a bench at 100,000 jobs beside the same at 100, over HTTP, and how long pruning takes. */
final class Jobs
{
    private const FEW = 100;

    private const MANY = 100_000;

    private const TIMES = 25;

    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        $served = new Served;
        $database = $served->database();
        $asked = [
            'the list' => 'jobs',
            'a search for one' => 'jobs?search=zebra',
            'a search for none' => 'jobs?search=nothing+like+it',
            'a search for most' => 'jobs?search=lantern+club',
            'by title, page 2' => 'jobs?order=title&page=2',
            'what is ready' => 'jobs?only=ready',
            'a bench' => 'jobs/1',
        ];
        ManyJobs::fill($database, self::FEW);
        $few = array_map(self::milliseconds(...), $asked);
        ManyJobs::fill($database, self::MANY);
        $many = array_map(self::milliseconds(...), $asked);
        foreach ($asked as $what => $path) {
            yield ["{$what}: 100,000 jobs to 100", sprintf('%.1f / %.1f ms = %.2f', $many[$what], $few[$what], $many[$what] / $few[$what]), 'at most 1.5'];
        }
        $start = microtime(true);
        $served->artisan(['neat-edge:prune']);
        yield ['pruning 100,000 jobs', sprintf('%.1f s', microtime(true) - $start), 'it ends'];
    }

    private static function milliseconds(string $path): float
    {
        $times = [];
        for ($i = 0; $i < self::TIMES; $i++) {
            $start = microtime(true);
            Served::get($path);
            $times[] = 1000 * (microtime(true) - $start);
        }

        return Timed::median($times);
    }
}
