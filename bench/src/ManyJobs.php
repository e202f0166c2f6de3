<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use PDO;
use RuntimeException;

/** A shop of very many jobs, written into its database from without: SQLite or PostgreSQL. */
final class ManyJobs
{
    /** Copies of the first job, each prepared once, up to so many. */
    public static function fill(PDO $database, int $upTo): void
    {
        $isSqlite = $database->getAttribute(PDO::ATTR_DRIVER_NAME) === 'sqlite';
        $ask = static fn (string $sql): int => (int) self::rows($database, $sql)[0][0];
        $have = $ask('select count(*) from shop_jobs');
        $first = $ask('select max(id) from shop_jobs') + 1;
        $sample = $ask('select min(shop_job_id) from preparations');
        $database->beginTransaction();
        $numbers = sprintf('with recursive n(i) as (select %d union all select i + 1 from n where i < %d)', $first, $first + $upTo - $have - 1);
        $copy = static function (string $table, array $set, string $from) use ($database, $numbers): void {
            $own = self::columns($database, $table, array_keys($set));
            $database->exec(sprintf(
                '%s insert into %s (%s, %s) select %s, %s from n, (select * from %s limit 1) as one',
                $numbers,
                $table,
                implode(', ', array_keys($set)),
                $own,
                implode(', ', $set),
                $own,
                $from,
            ));
        };
        $copy('shop_jobs', [
            'id' => 'i', 'is_demo' => $isSqlite ? '0' : 'false', 'title' => "'Lantern ' || i",
            'search' => "case when i = {$first} then ' zebra' else ' lantern ' || i || ' marrowby boat club cut vinyl' end",
            'title_key' => $isSqlite ? "'lantern ' || printf('%012d', i)" : "'lantern ' || lpad(cast(i as text), 12, '0')",
            'standing' => "case i % 3 when 0 then 'ready' when 1 then 'open' else 'stale' end", 'preparation_id' => '1000000 + i',
            'updated_at' => $isSqlite ? "datetime('2026-01-01', '+' || i || ' minutes')" : "timestamp '2026-01-01' + i * interval '1 minute'",
        ], "shop_jobs where id = {$sample}");
        $copy('works', ['id' => '1000000 + i', 'shop_job_id' => 'i'], "works where kind = 'prepare'");
        $copy(
            'preparations',
            ['id' => '1000000 + i', 'shop_job_id' => 'i', 'work_id' => '1000000 + i', 'result' => "'{}'"],
            "preparations where shop_job_id = {$sample}",
        );
        $copy('revisions', ['id' => '1000000 + i', 'shop_job_id' => 'i'], "revisions where shop_job_id = {$sample} order by number");
        foreach (['lantern', 'marrowby', 'boat', 'club', 'cut', 'vinyl'] as $word) {
            $database->exec("{$numbers} insert into job_words (word, shop_job_id) select '{$word}', i from n");
        }
        $database->exec("{$numbers} insert into job_words (word, shop_job_id)
            select case when i = {$first} then 'zebra' else cast(i as varchar(20)) end, i from n");
        $database->commit();
        // As a shop's is after a night: what was written lies in the database itself, and it knows how much there is of what.
        self::rows($database, $isSqlite ? 'pragma wal_checkpoint(TRUNCATE)' : 'analyze');
        if (! $isSqlite) {
            foreach (['shop_jobs', 'works', 'preparations', 'revisions'] as $table) {
                self::rows($database, "select setval(pg_get_serial_sequence('{$table}', 'id'), (select max(id) from {$table}))");
            }
        }
    }

    /** @param  list<string>  $other  columns that are told otherwise */
    private static function columns(PDO $database, string $table, array $other): string
    {
        $all = $database->getAttribute(PDO::ATTR_DRIVER_NAME) === 'sqlite'
            ? array_column(self::rows($database, "pragma table_info({$table})"), 'name')
            : array_column(
                self::rows($database, "select column_name as name from information_schema.columns where table_name = '{$table}' and table_schema = 'public'"),
                'name',
            );

        return implode(', ', array_map(static fn (mixed $name): string => '"'.$name.'"', array_diff($all, $other)));
    }

    /** @return array<int, mixed> */
    private static function rows(PDO $database, string $sql): array
    {
        $found = $database->query($sql);

        return $found === false ? throw new RuntimeException($sql) : $found->fetchAll();
    }
}
