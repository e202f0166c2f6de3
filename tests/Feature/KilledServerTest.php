<?php

declare(strict_types=1);

namespace Tests\Feature;

use NeatEdge\Core\Format\Json\ArtworkDifference;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Format\Json\PieceJson;
use PDO;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use RuntimeException;
use Tests\Support\FreePort;

/** H1: the server is killed with no warning in the middle of saves, again and again; nothing that it accepted is lost, nothing is half stored. */
#[Group('own-shop')]
final class KilledServerTest extends TestCase
{
    private int $port;

    private string $folder;

    /** @var resource|null */
    private $server = null;

    /** @var list<string> */
    private array $php;

    /** @var array<string, string> */
    private array $environment;

    protected function setUp(): void
    {
        $this->port = FreePort::any();
        $this->folder = sys_get_temp_dir().'/neat-edge-killed-'.bin2hex(random_bytes(4));
        mkdir($this->folder);
        touch("{$this->folder}/test.sqlite");
        $this->environment = [...getenv(), 'APP_ENV' => 'production', 'APP_KEY' => 'base64:'
            .base64_encode(random_bytes(32)), 'DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => "{$this->folder}/test.sqlite",
            'CACHE_STORE' => 'database',
            'QUEUE_CONNECTION' => 'database',
            'LOG_CHANNEL' => 'errorlog',
            'PHP_CLI_SERVER_WORKERS' => '2',
            'NEAT_EDGE_PAGE_TOKEN' => 'off',
            'APP_CONFIG_CACHE' => "{$this->folder}/config.php", 'APP_ROUTES_CACHE' => "{$this->folder}/routes.php"];
        $this->php = [PHP_BINARY, '-d', 'memory_limit=512M', '-d', 'opcache.enable_cli=1'];
        $migrate = proc_open([...$this->php, 'artisan', 'migrate', '--force'], self::quiet(), $pipes, dirname(__DIR__, 2), $this->environment);
        self::assertIsResource($migrate);
        self::assertSame(0, proc_close($migrate));
    }

    protected function tearDown(): void
    {
        if (is_resource($this->server)) {
            exec('pkill -9 -P '.proc_get_status($this->server)['pid']);
            proc_terminate($this->server, SIGKILL);
            proc_close($this->server);
        }
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    #[Test]
    public function a_server_killed_in_the_middle_of_saves_loses_nothing_it_accepted(): void
    {
        $this->server = $this->serve();
        $job = (int) $this->send('jobs', ['process' => 'plain', 'width' => '300', 'height' => '300'])['id'];
        [$version, $accepted, $kills] = [1, 0, 0];
        for ($i = 0; $i < 12; $i++) {
            $version = $this->send(
                "jobs/{$job}/edits",
                ['version' => $version, 'edit' => ['kind' => 'draw-shape', 'shape' => 'star', 'x' => 10 * $i, 'y' => 20]],
            )['job']['version'];
            $accepted++;
        }
        $ids = array_column($this->get("jobs/{$job}")['art']['pieces'], 'id');
        while ($kills < 6) {
            // From a process of its own, a moment after the next saves have begun.
            self::assertIsResource($this->server);
            $pid = proc_get_status($this->server)['pid'];
            exec(sprintf('(sleep %.3f; pkill -9 -P %d; kill -9 %d) >/dev/null 2>&1 &', 0.15 + 0.037 * $kills, $pid, $pid));
            try {
                for (; ;) {
                    $version = $this->send(
                        "jobs/{$job}/edits",
                        ['version' => $version, 'edit' => ['kind' => 'transform', 'pieces' => $ids, 'matrix' => [1, 0, 0, 1, 0.5, 0.25]]],
                    )['job']['version'];
                    $accepted++;
                }
            } catch (RuntimeException) {
                $kills++;
            }
            proc_close($this->server);
            $this->server = $this->serve();
            $state = $this->again(fn (): array => $this->get("jobs/{$job}"));
            // What was being saved may have arrived without its answer; nothing before it may be missing.
            self::assertContains($state['job']['version'], [$version, $version + 1], "after kill {$kills}");
            $accepted += $state['job']['version'] - $version;
            $version = $state['job']['version'];
            $this->everyStateIsWhole($job, $accepted);
        }
        // How many a busy machine takes in between is no matter; that some were is.
        self::assertGreaterThan(5, $accepted);
    }

    #[Test]
    public function two_clients_at_once_on_two_jobs_never_meet_a_locked_database(): void
    {
        $this->server = $this->serve();
        $script = 'for ($v = 1, $bad = 0, $i = 0; $i < 60; $i++) { $a = json_decode((string) @file_get_contents($argv[1], false,'
            .' stream_context_create(["http" => ["method" => "POST", "ignore_errors" => true, '
            .'"header" => "Content-Type: application/json\r\nAccept: application/json", "content" => json_encode(["version" => $v, "edit" => ["kind" =>'
            .' "draw-shape", "shape" => "star", "x" => $i, "y" => 9]])]])), true); '
            .'isset($a["job"]) ? $v = $a["job"]["version"] : $bad++; } echo $bad;';
        $clients = $outputs = [];
        foreach ([1, 2] as $k) {
            $job = (int) $this->again(fn (): array => $this->send('jobs', ['process' => 'plain', 'width' => '300', 'height' => '300']))['id'];
            $client = proc_open(
                [PHP_BINARY, '-r', $script, 'http://127.0.0.1:'.$this->port."/api/v1/jobs/{$job}/edits"],
                [['file', '/dev/null', 'r'], ['pipe', 'w'], ['file', '/dev/null', 'w']],
                $pipes,
            );
            self::assertIsResource($client);
            [$clients[$job], $outputs[$job]] = [$client, $pipes[1]];
        }
        foreach ($clients as $job => $client) {
            self::assertSame('0', stream_get_contents($outputs[$job]), "refused edits on job {$job}");
            proc_close($client);
            self::assertCount(60, $this->get("jobs/{$job}")['art']['pieces']);
        }
    }

    /** The bench is what its revisions lead to from the empty one, and they all are there. */
    private function everyStateIsWhole(int $job, int $accepted): void
    {
        $database = new PDO("sqlite:{$this->folder}/test.sqlite");
        $ask = static fn (string $sql) => $database->query($sql) ?: throw new RuntimeException($sql);
        self::assertSame('ok', $ask('pragma integrity_check')->fetchColumn());
        $rows = $ask("select number, parent, change from revisions where shop_job_id = {$job} order by number")->fetchAll(PDO::FETCH_ASSOC);
        self::assertCount($accepted + 1, $rows);
        $art = ArtworkJson::framed(['width' => 300.0, 'height' => 300.0], []);
        foreach (array_slice($rows, 1) as $i => $row) {
            self::assertEquals($i + 1, $row['parent']);
            $art = ArtworkDifference::fromArray(ArtworkJson::data((string) gzuncompress($row['change']))['ahead'])->on($art);
        }
        $bench = ArtworkJson::data((string) $ask("select bench from shop_jobs where id = {$job}")->fetchColumn());
        $stored = $ask("select piece, data from bench_pieces where shop_job_id = {$job}")->fetchAll(PDO::FETCH_KEY_PAIR);
        $lies = ArtworkJson::framed($bench, array_values(array_map(static fn (string $id) => PieceJson::to(ArtworkJson::data($stored[$id])), $bench['order'])));
        self::assertSame(ArtworkJson::encode($art), ArtworkJson::encode($lies));
        self::assertCount(count($bench['order']), $stored);
    }

    /**
     * Of a server that has only just begun to listen.
     *
     * @param  callable(): array<string, mixed>  $ask
     * @return array<string, mixed>
     */
    private function again(callable $ask): array
    {
        for ($i = 0; $i < 30; $i++) {
            try {
                return $ask();
            } catch (RuntimeException) {
                usleep(100_000);
            }
        }
        self::fail('The server does not answer after it was started again.');
    }

    /** @return resource */
    private function serve()
    {
        $server = proc_open(
            [...$this->php, '-S', '127.0.0.1:'.$this->port, '-t', 'public', 'server.php'],
            self::quiet(),
            $pipes,
            dirname(__DIR__, 2),
            $this->environment,
        );
        self::assertIsResource($server);
        for ($i = 0; $i < 200; $i++) {
            $socket = @fsockopen('127.0.0.1', $this->port, $code, $why, 0.2);
            if ($socket !== false) {
                fclose($socket);

                return $server;
            }
            usleep(25_000);
        }
        self::fail('The server does not start.');
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return array<string, mixed>
     */
    private function send(string $path, array $fields): array
    {
        return $this->answer(
            $path,
            [
                'method' => 'POST',
                'header' => "Content-Type: application/json\r\nAccept: application/json\r\n",
                'content' => json_encode($fields),
                'timeout' => 10,
            ],
        );
    }

    /** @return array<string, mixed> */
    private function get(string $path): array
    {
        return $this->answer($path, ['header' => "Accept: application/json\r\n", 'timeout' => 10]);
    }

    /**
     * @param  array<string, mixed>  $http
     * @return array<string, mixed>
     */
    private function answer(string $path, array $http): array
    {
        $text = @file_get_contents('http://127.0.0.1:'.$this->port."/api/v1/{$path}", false, stream_context_create(['http' => $http]));
        $data = json_decode((string) $text, true);

        return is_array($data) ? $data
            : throw new RuntimeException("No answer from {$path}: ".substr((string) $text, 0, 300).(error_get_last()['message'] ?? ''));
    }

    /** @return list<array{string, string, string}> */
    private static function quiet(): array
    {
        return [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']];
    }
}
