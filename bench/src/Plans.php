<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use App\Works\Works;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;
use RuntimeException;

/**
 * How both databases answer what they are asked most, in a shop of 100,000 jobs: the twenty most frequent questions of a day, counted over acts that are done
 * as often as docs/scale.md assumes. None of them may read all of a table that grows with the shop.
 */
final class Plans
{
    private const MANY = 100_000;

    private const MOST = 20;

    /** Rows from which on a table is one that grows. */
    private const GROWS = 1000;

    private const TIMES = 7;

    /** @var array<string, array{float, list<mixed>}> how often in a day, and what it was asked with last, by question */
    private array $asked = [];

    private float $often = 0.0;

    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        $folder = sys_get_temp_dir().'/neat-edge-plans-'.getmypid();
        yield from $this->of('SQLite', "{$folder}-lite", []);
        if (posix_geteuid() !== 0) {
            yield ['PostgreSQL', 'not looked at', 'root: it has a user of its own'];

            return;
        }
        $server = new PostgresHere("{$folder}-pg");
        $this->asked = [];
        yield from $this->of('PostgreSQL', "{$folder}-shop", [
            'DB_CONNECTION' => 'pgsql', 'DB_HOST' => $server->folder, 'DB_DATABASE' => 'edge', 'DB_USERNAME' => 'edge',
        ]);
    }

    /**
     * @param  array<string, string>  $settings
     * @return iterable<array{string, string, string}>
     */
    private function of(string $name, string $folder, array $settings): iterable
    {
        $shop = new ShopHere($folder, $settings);
        [$job] = $shop->made(Served::sheet(40));
        $shop->ask('POST', "jobs/{$job}/preparations");
        ManyJobs::fill(DB::connection()->getPdo(), self::MANY);
        DB::listen(function (QueryExecuted $query): void {
            if ($this->often > 0 && preg_match('/^(select|update|insert|delete)/i', $query->sql) === 1) {
                $before = $this->asked[$query->sql][0] ?? 0.0;
                $this->asked[$query->sql] = [$before + $this->often, array_values($query->connection->prepareBindings($query->bindings))];
            }
        });
        foreach ($this->acts($shop, $job) as [$often, $act]) {
            $this->often = $often;
            $act();
            $this->often = 0.0;
        }
        uasort($this->asked, static fn (array $a, array $b): int => $b[0] <=> $a[0]);
        $bad = 0;
        foreach (array_slice($this->asked, 0, self::MOST) as $sql => [$often, $with]) {
            [$how, $grows] = $name === 'SQLite' ? self::lite($sql, $with) : self::postgres($sql, $with);
            $bad += $grows === '' ? 0 : 1;
            yield [
                sprintf('%s %6.0f: %s', $name, $often, mb_substr(str_replace('"', '', $sql), 0, 90)),
                sprintf('%.2f ms', self::milliseconds($sql, $with)),
                $grows === '' ? $how : "READS ALL OF {$grows}",
            ];
        }
        yield ["{$name}: of the twenty most frequent, such as read all of a table that grows", (string) $bad, '0'];
    }

    /** @return iterable<array{float, callable(): mixed}> what is done, and how often in a day of a shop of five */
    private function acts(ShopHere $shop, int $job): iterable
    {
        $state = $shop->ask('GET', "jobs/{$job}");
        $piece = $state['art']['pieces'][0]['id'];
        $version = static fn (): int => (int) $shop->ask('GET', "jobs/{$job}")['job']['version'];
        $before = $version();
        // Workers look for what a process that died left behind every two seconds: six of them, ten hours.
        yield [108_000.0, Works::sweep(...)];
        $outset = ['kind' => 'outset', 'pieces' => [$piece], 'distance' => '0.7mm'];
        yield [4000.0, static fn () => $shop->ask('POST', "jobs/{$job}/previews", ['version' => $before, 'what' => 'edit', 'edit' => $outset])];
        $move = ['kind' => 'move', 'pieces' => [$piece], 'x' => 1, 'y' => 0];
        yield [2500.0, static fn () => $shop->ask('POST', "jobs/{$job}/edits", ['version' => $before, 'key' => 'one', 'edit' => $move])];
        // A page that lies open says that it is there, and looks at what is at work.
        yield [7200.0, static fn () => $shop->ask('PUT', "jobs/{$job}/here", ['held' => [$piece]])];
        yield [3600.0, static fn () => $shop->ask('GET', 'works')];
        yield [400.0, static fn () => $shop->ask('GET', 'jobs')];
        yield [100.0, static fn () => $shop->ask('GET', 'jobs?search=zebra')];
        yield [60.0, static fn () => $shop->ask('GET', 'jobs?search=lantern+club')];
        yield [60.0, static fn () => $shop->ask('GET', 'jobs?only=ready&order=title&page=2')];
        yield [150.0, static fn () => $shop->ask('GET', "jobs/{$job}")];
        yield [150.0, static fn () => $shop->ask('GET', "jobs/{$job}/acts")];
        yield [60.0, static fn () => $shop->ask('POST', "jobs/{$job}/preparations")];
        yield [70.0, static fn () => $shop->ask('GET', "jobs/{$job}/making")];
        yield [150.0, static fn () => $shop->ask('GET', "jobs/{$job}/approvals")];
        yield [70.0, static fn () => $shop->ask('GET', "jobs/{$job}/sendings")];
        yield [60.0, static fn () => $shop->ask('GET', 'today')];
        yield [40.0, static fn () => $shop->ask('GET', 'customers?search=marr')];
        yield [1440.0, static fn () => $shop->ask('GET', 'stock')];
    }

    /**
     * @param  list<mixed>  $with
     * @return array{string, string} how it is answered, and a table that grows and is read whole
     */
    private static function lite(string $sql, array $with): array
    {
        $steps = array_map(static fn (object $step): string => (string) ((array) $step)['detail'], DB::select("explain query plan {$sql}", $with));
        foreach ($steps as $step) {
            // One that goes along an index ends where it has enough, as far as it is told to.
            if (preg_match('/^SCAN "?(\w+)"?(?! USING)/', $step, $found) === 1 && ! str_contains($step, ' USING ') && self::grows($found[1])) {
                return [$step, $found[1]];
            }
        }

        return [implode('; ', $steps) ?: 'written', ''];
    }

    /**
     * @param  list<mixed>  $with
     * @return array{string, string}
     */
    private static function postgres(string $sql, array $with): array
    {
        $plan = json_decode((string) collect((array) DB::select("explain (format json) {$sql}", $with)[0])->first(), true);
        $nodes = [];
        $grows = '';
        $look = static function (array $node) use (&$look, &$nodes, &$grows): void {
            $of = (string) ($node['Relation Name'] ?? '');
            $nodes[] = trim("{$node['Node Type']} ".($node['Index Name'] ?? $of));
            if ($node['Node Type'] === 'Seq Scan' && self::grows($of)) {
                $grows = $of;
            }
            array_map($look, $node['Plans'] ?? []);
        };
        $look($plan[0]['Plan'] ?? throw new RuntimeException("No plan of {$sql}"));

        return [implode('; ', $nodes), $grows];
    }

    private static function grows(string $table): bool
    {
        static $many = [];
        $key = DB::connection()->getDriverName()." {$table}";

        return $many[$key] ??= DB::connection()->getSchemaBuilder()->hasTable($table) && DB::table($table)->count() > self::GROWS;
    }

    /** @param  list<mixed>  $with */
    private static function milliseconds(string $sql, array $with): float
    {
        $times = [];
        DB::beginTransaction();
        try {
            for ($i = 0; $i < self::TIMES; $i++) {
                $start = microtime(true);
                DB::connection()->getPdo()->prepare($sql)->execute($with) || throw new RuntimeException($sql);
                $times[] = 1000 * (microtime(true) - $start);
                if (preg_match('/^insert/i', $sql) === 1) {
                    break;
                }
            }
        } catch (\PDOException) {
            // What is there once cannot be written twice.
            return 0.0;
        } finally {
            DB::rollBack();
        }

        return Timed::median($times);
    }
}
