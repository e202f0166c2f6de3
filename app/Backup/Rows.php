<?php

declare(strict_types=1);

namespace App\Backup;

use App\Models\Bytes;
use App\Models\Database;
use Generator;
use Illuminate\Database\Connection;
use Illuminate\Support\Facades\DB;
use LogicException;

/** Every table of a shop, row by row, in a form that both databases read and write alike. */
final readonly class Rows
{
    /** What is of the moment: queues, what was only put by, and what lets somebody in by itself. */
    public const PASSING = [
        'migrations', 'cache', 'cache_locks', 'queued_work', 'failed_work', 'presences', 'sign_ins', 'password_links',
    ];

    /** Rows that are written at once; a statement has room for some thousands of values. */
    private const AT_ONCE = 50;

    private Connection $connection;

    /** @param  string|null  $name  of a connection; the shop's own when null */
    public function __construct(?string $name = null)
    {
        $this->connection = DB::connection($name);
    }

    /** @return list<string> each after those that it points to */
    public function tables(): array
    {
        return array_values(array_diff($this->order(), self::PASSING));
    }

    /** Takes all tables away: one after the other, for others may have the same file open. */
    public function drop(): void
    {
        foreach (array_reverse($this->order()) as $table) {
            $this->connection->getSchemaBuilder()->drop($table);
        }
    }

    /** @return list<string> all tables, each after those that it points to */
    private function order(): array
    {
        $schema = $this->connection->getSchemaBuilder();
        $names = array_values(array_diff(array_column($schema->getTables($schema->getCurrentSchemaName()), 'name'), ['sqlite_sequence']));
        sort($names);
        $order = [];
        $place = static function (string $table) use (&$place, &$order, $names, $schema): void {
            if (in_array($table, $order, true) || ! in_array($table, $names, true)) {
                return;
            }
            foreach ($schema->getForeignKeys($table) as $key) {
                if ($key['foreign_table'] !== $table) {
                    $place($key['foreign_table']);
                }
            }
            $order[] = $table;
        };
        array_walk($names, static fn (string $table) => $place($table));

        return $order;
    }

    /** @return list<string> names of the migrations that its tables have come through, in their order */
    public function schema(): array
    {
        return $this->connection->getSchemaBuilder()->hasTable('migrations')
            ? array_values(array_map(strval(...), $this->connection->table('migrations')->orderBy('migration')->pluck('migration')->all())) : [];
    }

    /** @return Generator<array<string, mixed>> rows by the names of their columns, in the order of what tells them apart; bytes as {"bytes": base64} */
    public function read(string $table): Generator
    {
        $kinds = $this->kinds($table);
        $query = $this->connection->table($table);
        foreach ($this->keys($table) as $key) {
            $query->orderBy($key);
        }
        foreach ($query->cursor() as $row) {
            $read = [];
            foreach ((array) $row as $name => $value) {
                $read[$name] = self::said($value, $kinds[$name] ?? '');
            }
            ksort($read);
            yield $read;
        }
    }

    /** @param  iterable<array<string, mixed>>  $rows  as read() gives them. @return int how many */
    public function write(string $table, iterable $rows): int
    {
        $kinds = $this->kinds($table);
        $waiting = [];
        $count = 0;
        foreach ($rows as $row) {
            $bound = [];
            foreach ($row as $name => $value) {
                if (! isset($kinds[$name])) {
                    throw new Damaged("The table {$table} has no column {$name}.");
                }
                $bound[$name] = is_array($value) ? Bytes::bound(self::bytes($value)) : $value;
            }
            $waiting[] = $bound;
            $count++;
            if (count($waiting) >= self::AT_ONCE) {
                $this->connection->table($table)->insert($waiting);
                $waiting = [];
            }
        }
        if ($waiting !== []) {
            $this->connection->table($table)->insert($waiting);
        }
        Database::countsOn($this->connection, $table);

        return $count;
    }

    /** Whether anything that is no demo is in it. */
    public function isEmpty(): bool
    {
        $schema = $this->connection->getSchemaBuilder();

        return ! $schema->hasTable('shop_jobs') || ($this->connection->table('shop_jobs')->where('is_demo', false)->doesntExist()
            && (! $schema->hasTable('people') || $this->connection->table('people')->doesntExist()));
    }

    /** Takes every row of every table away. */
    public function clear(): void
    {
        foreach (array_reverse($this->tables()) as $table) {
            $this->connection->table($table)->delete();
        }
    }

    /**
     * One line of JSON, the same for the same row whichever database it comes from.
     *
     * @param  array<string, mixed>  $row
     */
    public static function line(array $row): string
    {
        return json_encode($row, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION);
    }

    /** @return array<string, string> bytes, yes, whole, number or words, by column */
    private function kinds(string $table): array
    {
        $kinds = [];
        foreach ($this->connection->getSchemaBuilder()->getColumns($table) as $column) {
            $type = strtolower($column['type_name']);
            $kinds[$column['name']] = match (true) {
                in_array($type, ['blob', 'bytea', 'binary'], true) => 'bytes',
                // SQLite's own way with truth values: a small whole number.
                in_array($type, ['bool', 'boolean', 'tinyint'], true) => 'yes',
                str_contains($type, 'int') => 'whole',
                in_array($type, ['float', 'double', 'real', 'numeric', 'float4', 'float8', 'double precision'], true) => 'number',
                default => 'words',
            };
        }

        return $kinds;
    }

    /** @return list<string> columns that tell rows apart */
    private function keys(string $table): array
    {
        foreach ($this->connection->getSchemaBuilder()->getIndexes($table) as $index) {
            if ($index['primary']) {
                return array_values($index['columns']);
            }
        }
        throw new LogicException("The table {$table} has nothing that tells its rows apart.");
    }

    private static function said(mixed $value, string $kind): mixed
    {
        return $value === null ? null : match ($kind) {
            'bytes' => ['bytes' => base64_encode((string) Bytes::read($value))],
            'yes', 'whole' => (int) $value,
            'number' => (float) $value,
            default => is_string($value) || is_scalar($value) ? (string) $value : throw new LogicException('A value of this kind is not kept.'),
        };
    }

    /** @param  array<mixed>  $value */
    private static function bytes(array $value): string
    {
        $bytes = is_string($value['bytes'] ?? null) ? base64_decode($value['bytes'], true) : false;

        return $bytes === false ? throw new Damaged('Bytes of a row cannot be read.') : $bytes;
    }
}
