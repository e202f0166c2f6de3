<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use PDO;
use RuntimeException;

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
        self::fill($database, self::FEW);
        $few = array_map(self::milliseconds(...), $asked);
        self::fill($database, self::MANY);
        $many = array_map(self::milliseconds(...), $asked);
        foreach ($asked as $what => $path) {
            yield ["{$what}: 100,000 jobs to 100", sprintf('%.1f / %.1f ms = %.2f', $many[$what], $few[$what], $many[$what] / $few[$what]), 'at most 1.5'];
        }
        $start = microtime(true);
        $served->artisan(['neat-edge:prune']);
        yield ['pruning 100,000 jobs', sprintf('%.1f s', microtime(true) - $start), 'it ends'];
    }

    /** Copies of the first job, each prepared, up to so many. */
    private static function fill(PDO $database, int $upTo): void
    {
        $ask = static fn (string $sql): int => (int) self::rows($database, $sql)[0][0];
        $have = $ask('select count(*) from shop_jobs');
        $first = $ask('select max(id) from shop_jobs') + 1;
        $columns = static fn (string $table, array $other): array => array_values(array_filter(
            array_column(self::rows($database, "pragma table_info({$table})"), 'name'),
            static fn (string $name): bool => ! in_array($name, $other, true),
        ));
        $database->beginTransaction();
        $numbers = sprintf('with recursive n(i) as (select %d union all select i + 1 from n where i < %d)', $first, $first + $upTo - $have - 1);
        $own = implode(', ', $columns('shop_jobs', ['id', 'title', 'search', 'title_key', 'standing', 'preparation_id', 'updated_at']));
        $database->exec("{$numbers} insert into shop_jobs (id, title, search, title_key, standing, preparation_id, updated_at, {$own})
            select i, 'Lantern ' || i, case when i = {$first} then ' zebra' else ' lantern ' || i || ' marrowby boat club cut vinyl' end,
            'lantern ' || printf('%012d', i), case i % 3 when 0 then 'ready' when 1 then 'open' else 'stale' end, 1000000 + i,
            datetime('2026-01-01', '+' || i || ' minutes'), {$own} from n, (select * from shop_jobs where id = 1)");
        $work = implode(', ', $columns('works', ['id', 'shop_job_id']));
        $database->exec("{$numbers} insert into works (id, shop_job_id, {$work})
            select 1000000 + i, i, {$work} from n, (select * from works where kind = 'prepare' limit 1)");
        $preparation = implode(', ', $columns('preparations', ['id', 'shop_job_id', 'work_id', 'result']));
        $database->exec("{$numbers} insert into preparations (id, shop_job_id, work_id, result, {$preparation})
            select 1000000 + i, i, 1000000 + i, '{}', {$preparation} from n, (select * from preparations limit 1)");
        $revision = implode(', ', $columns('revisions', ['id', 'shop_job_id']));
        $database->exec("{$numbers} insert into revisions (shop_job_id, {$revision})
            select i, {$revision} from n, (select * from revisions where shop_job_id = 1 limit 1)");
        foreach (['lantern', 'marrowby', 'boat', 'club', 'cut', 'vinyl'] as $word) {
            $database->exec("{$numbers} insert into job_words (word, shop_job_id) select '{$word}', i from n");
        }
        $database->exec("{$numbers} insert into job_words (word, shop_job_id) select case when i = {$first} then 'zebra' else i end, i from n");
        $database->commit();
        // As a shop's is after a night: what was written lies in the database itself.
        self::rows($database, 'pragma wal_checkpoint(TRUNCATE)');
    }

    /** @return array<int, mixed> */
    private static function rows(PDO $database, string $sql): array
    {
        $found = $database->query($sql);

        return $found === false ? throw new RuntimeException($sql) : $found->fetchAll();
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
