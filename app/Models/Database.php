<?php

declare(strict_types=1);

namespace App\Models;

use Closure;
use Illuminate\Contracts\Database\Query\Expression;
use Illuminate\Database\Connection;
use Illuminate\Database\PostgresConnection;
use Illuminate\Support\Facades\DB;

/** In what one kind of database differs from another: SQLite, which a shop has by itself, and PostgreSQL. Nothing else asks which it is. */
final class Database
{
    /** Bytes that lie free in the file before it is written anew. */
    private const MUCH = 50_000_000;

    /** Connections of ours, where the framework's own would not do. */
    public static function register(): void
    {
        $own = static fn (\PDO|Closure $pdo, string $name, string $prefix, array $how): WriteFirstSqlite => new WriteFirstSqlite($pdo, $name, $prefix, $how);
        Connection::resolverFor('sqlite', $own);
    }

    /**
     * Reads that all see one state, whatever is written meanwhile; they lock nobody out. Nothing may be written inside.
     *
     * @template T
     *
     * @param  Closure(): T  $read
     * @return T
     */
    public static function snapshot(Closure $read): mixed
    {
        $connection = DB::connection();
        if ($connection instanceof WriteFirstSqlite) {
            return $connection->snapshot($read);
        }
        if (! $connection instanceof PostgresConnection || $connection->transactionLevel() > 0) {
            return $read();
        }
        $connection->beginTransaction();
        try {
            $connection->statement('SET TRANSACTION ISOLATION LEVEL REPEATABLE READ, READ ONLY');

            return $read();
        } finally {
            $connection->rollBack();
        }
    }

    /** Room that was given free goes back to the disk when there is much of it. */
    public static function tidy(): void
    {
        if (DB::connection() instanceof WriteFirstSqlite) {
            $free = (int) DB::selectOne('PRAGMA freelist_count')->freelist_count * (int) DB::selectOne('PRAGMA page_size')->page_size;
            if ($free > self::MUCH) {
                DB::statement('VACUUM');
            }
        }
    }

    /** After rows came with their numbers: the next one is given the number after the highest. */
    public static function countsOn(Connection $connection, string $table): void
    {
        // SQLite looks for the highest by itself.
        if ($connection instanceof PostgresConnection && $connection->getSchemaBuilder()->hasColumn($table, 'id')) {
            $connection->statement(
                "select setval(pg_get_serial_sequence('{$table}', 'id'), (select coalesce(max(id), 0) + 1 from \"{$table}\"), false)"
                    ." where pg_get_serial_sequence('{$table}', 'id') is not null",
            );
        }
    }

    /**
     * An index of some rows of a table, which both databases take in the same words and the framework has none for.
     *
     * @param  list<string>  $columns
     * @param  string  $where  what is true of these rows
     */
    public static function index(string $table, string $name, array $columns, string $where): void
    {
        $wrap = DB::connection()->getQueryGrammar()->wrap(...);
        DB::statement(sprintf('create index %s on %s (%s) where %s', $wrap($name), $wrap($table), implode(', ', array_map($wrap, $columns)), $where));
    }

    /** How many bytes a binary column has. */
    public static function length(string $column, string $as): Expression
    {
        $name = DB::connection()->getQueryGrammar()->wrap($column);

        return DB::raw(DB::connection() instanceof WriteFirstSqlite ? "length(cast({$name} as blob)) as {$as}" : "octet_length({$name}) as {$as}");
    }

    /**
     * What columns name after a mark, or by themselves where they are no binary columns.
     *
     * @param  array<string, string>  $columns  column by table
     * @return array<string, true>
     */
    public static function named(array $columns, string $mark): array
    {
        $named = [];
        foreach ($columns as $table => $column) {
            $long = strlen($mark) + 64;
            $name = DB::connection()->getQueryGrammar()->wrap($column);
            $binary = in_array(strtolower(DB::connection()->getSchemaBuilder()->getColumnType($table, $column)), ['blob', 'bytea', 'binary'], true);
            $start = match (true) {
                ! $binary => $name,
                DB::connection() instanceof WriteFirstSqlite => "substr(cast({$name} as blob), 1, {$long})",
                default => "substring({$name} from 1 for {$long})",
            };
            foreach (DB::table($table)->whereNotNull($column)->selectRaw("{$start} as named")->cursor() as $row) {
                $found = (string) Bytes::read($row->named);
                if (! $binary || str_starts_with($found, $mark)) {
                    $named[$binary ? substr($found, strlen($mark)) : $found] = true;
                }
            }
        }

        return $named;
    }
}
