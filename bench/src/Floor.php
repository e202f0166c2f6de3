<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use PDO;
use RuntimeException;
use Symfony\Component\Process\Process;

/**
 * A shop on servers of its own: PostgreSQL and Redis, two php-fpm behind one nginx, two workers for what is waited for and one a machine, contents on a disk of
 * their own that can be full. What dies is begun again, as systemd does it; what is at hand to break it is here too. Root, for the database is its own user's
 * and the disk is mounted.
 */
final class Floor
{
    public const PORT = 8397;

    /** How far workers stand back, as deploy/systemd has them. */
    private const BACK = 7;

    /** MB of the disk that contents lie on. */
    private const DISK = 256;

    public readonly string $folder;

    /** @var array<string, list<string>> command by name */
    private array $commands = [];

    /** @var array<string, int> see begin() */
    private array $backs = [];

    /** @var array<string, Process> */
    private array $processes = [];

    /** @var array<string, int> how often something was begun again, by its name */
    public array $again = [];

    /** @var array<string, string> */
    private array $environment;

    private readonly string $root;

    private readonly PostgresHere $database;

    /** @param  int  $machines  the first port of the stand-in machines */
    public function __construct(int $machines, int $workers = 2)
    {
        $this->root = dirname(__DIR__, 2);
        $this->folder = sys_get_temp_dir().'/neat-edge-floor-'.getmypid();
        mkdir($this->folder);
        chmod($this->folder, 0755);
        mkdir("{$this->folder}/contents");
        self::do(['mount', '-t', 'tmpfs', '-o', 'size='.self::DISK.'m', 'none', "{$this->folder}/contents"]);
        $this->environment = [
            'APP_ENV' => 'production', 'APP_KEY' => 'base64:'.base64_encode(random_bytes(32)), 'NEAT_EDGE_PAGE_TOKEN' => 'off',
            'NEAT_EDGE_PREPARE_IN' => 'child',
            'NEAT_EDGE_ASKS_A_MINUTE' => '1000000', 'NEAT_EDGE_FILES_A_MINUTE' => '1000000', 'NEAT_EDGE_CONTENTS' => "{$this->folder}/contents",
            'NEAT_EDGE_MACHINES_PORT' => (string) $machines, 'APP_CONFIG_CACHE' => "{$this->folder}/config.php",
            'APP_ROUTES_CACHE' => "{$this->folder}/routes.php",
            'DB_CONNECTION' => 'pgsql', 'DB_HOST' => $this->folder, 'DB_DATABASE' => 'edge', 'DB_USERNAME' => 'edge', 'LOG_CHANNEL' => 'errorlog',
            'LOG_LEVEL' => 'error',
            'QUEUE_CONNECTION' => 'redis', 'CACHE_STORE' => 'redis', 'CACHE_LIMITER' => 'redis', 'REDIS_HOST' => "{$this->folder}/redis.sock",
            'REDIS_PORT' => '0',
        ];
        $this->database = new PostgresHere($this->folder);
        $this->begin(
            'redis',
            ['redis-server', '--port', '0', '--unixsocket', "{$this->folder}/redis.sock", '--save', '', '--appendonly', 'no', '--dir', $this->folder],
        );
        $this->until(fn (): bool => file_exists("{$this->folder}/redis.sock"), 'Redis');
        foreach ([['migrate', '--force'], ['db:seed', '--force'], ['config:cache'], ['route:cache']] as $command) {
            self::do([...self::php(), 'artisan', ...$command], $this->environment);
        }
        $this->web();
        foreach (range(1, $workers) as $number) {
            $this->begin(
                "worker {$number}",
                [...self::php(), 'artisan', 'queue:work', "--name=floor-{$number}", '--queue=quick,page,later,batches', '--sleep=0.1', '--timeout=0'],
                self::BACK,
            );
        }
        foreach (['cutter' => '5000x610mm', 'recorder' => '450x600mm', 'engraver' => '600x400mm'] as $kind => $bed) {
            $at = $machines + count(array_filter(array_keys($this->commands), static fn (string $name): bool => str_starts_with($name, 'machine ')));
            $this->begin(
                "machine {$kind}",
                [PHP_BINARY, 'console/neat-edge.php', 'device', $kind, "--port={$at}", "--out-dir={$this->folder}/{$kind}", "--bed={$bed}", '--pace=100'],
            );
            $this->begin("sender {$kind}", [...self::php(), 'artisan', 'queue:work', "--name=floor-{$kind}", '--queue=machines', '--sleep=0.1', '--timeout=0']);
        }
        $this->until(static fn (): bool => self::answers(), 'the page');
    }

    /** @return list<string> */
    private static function php(): array
    {
        return [PHP_BINARY, '-d', 'opcache.enable_cli=1', '-d', 'opcache.jit_buffer_size=128M', '-d', 'opcache.jit=tracing', '-d', 'memory_limit=1G'];
    }

    /** @return array<string, int> what the database answers: the second column by the first */
    public function asked(string $query): array
    {
        return array_map(intval(...), $this->answered($query, PDO::FETCH_KEY_PAIR));
    }

    /** @return list<string> the first column of what the database answers */
    public function list(string $query): array
    {
        return array_values(array_map(strval(...), $this->answered($query, PDO::FETCH_COLUMN)));
    }

    /** @return array<mixed> */
    private function answered(string $query, int $as): array
    {
        $database = new PDO("pgsql:host={$this->folder};dbname=edge", 'edge', '', [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
        $answer = $database->query($query);

        return $answer === false ? [] : $answer->fetchAll($as);
    }

    /** As when its power is cut, and begun again. */
    public function restartDatabase(): void
    {
        $this->database->restart();
    }

    /** It comes back empty. */
    public function restartRedis(): void
    {
        $this->kill('redis');
    }

    public function fillDisk(): void
    {
        self::do(['sh', '-c', "dd if=/dev/zero of={$this->folder}/contents/full bs=64k 2>/dev/null; true"]);
    }

    public function freeDisk(): void
    {
        unlink("{$this->folder}/contents/full");
    }

    private function web(): void
    {
        $flags = [
            '-d',
            'opcache.jit_buffer_size=128M',
            '-d',
            'opcache.jit=tracing',
            '-d',
            'memory_limit=1G',
            '-d',
            'upload_max_filesize=24M',
            '-d',
            'post_max_size=240M',
        ];
        foreach ([1, 2] as $number) {
            file_put_contents("{$this->folder}/fpm-{$number}.conf", <<<CONF
                [global]
                error_log = {$this->folder}/fpm-{$number}.log
                daemonize = no
                [web]
                user = root
                group = root
                listen = {$this->folder}/fpm-{$number}.sock
                listen.mode = 0666
                listen.backlog = 1024
                pm = static
                pm.max_children = 4
                catch_workers_output = yes
                clear_env = no
                CONF);
            $this->begin(
                "web {$number}",
                ['/usr/sbin/php-fpm8.2', '--allow-to-run-as-root', '--nodaemonize', '--fpm-config', "{$this->folder}/fpm-{$number}.conf", ...$flags],
            );
        }
        $this->nginx();
    }

    /** In front of both, to whichever is there. */
    private function nginx(): void
    {
        file_put_contents("{$this->folder}/nginx.conf", strtr(<<<'CONF'
            daemon off;
            user root;
            worker_processes 1;
            pid FOLDER/nginx.pid;
            error_log FOLDER/nginx.log warn;
            events { worker_connections 512; }
            http {
                access_log off;
                client_body_temp_path FOLDER/body;
                fastcgi_temp_path FOLDER/fastcgi;
                proxy_temp_path FOLDER/proxy;
                uwsgi_temp_path FOLDER/uwsgi;
                scgi_temp_path FOLDER/scgi;
                client_max_body_size 240m;
                upstream php {
                    server unix:FOLDER/fpm-1.sock max_fails=1 fail_timeout=1s;
                    server unix:FOLDER/fpm-2.sock max_fails=1 fail_timeout=1s;
                }
                server {
                    listen 127.0.0.1:PORT backlog=1024;
                    location / {
                        include /etc/nginx/fastcgi_params;
                        fastcgi_param HTTP_HOST $http_host;
                        fastcgi_param SCRIPT_FILENAME ROOT/public/index.php;
                        fastcgi_param SCRIPT_NAME /index.php;
                        fastcgi_read_timeout 10m;
                        fastcgi_buffers 64 16k;
                        fastcgi_pass php;
                    }
                }
            }
            CONF, ['FOLDER' => $this->folder, 'PORT' => (string) self::PORT, 'ROOT' => $this->root]));
        $this->begin('nginx', ['/usr/sbin/nginx', '-e', "{$this->folder}/nginx.log", '-c', "{$this->folder}/nginx.conf", '-p', $this->folder]);
    }

    /**
     * @param  list<string>  $command
     * @param  int  $back  how far its session stands back behind the others, as a unit with a smaller share does (sched(7), autogroup)
     */
    private function begin(string $name, array $command, int $back = 0): void
    {
        $this->commands[$name] = $command;
        $this->backs[$name] = $back;
        $apart = $back === 0 ? $command : ['sh', '-c', 'echo '.$back.' >/proc/self/autogroup 2>/dev/null; exec "$@"', 'sh', ...$command];
        $this->processes[$name] = new Process(['setsid', '-w', ...$apart], $this->root, $this->environment, timeout: null);
        $this->processes[$name]->disableOutput();
        $this->processes[$name]->start();
    }

    /** What has ended is begun again. */
    public function keepUp(): void
    {
        foreach ($this->processes as $name => $process) {
            if (! $process->isRunning()) {
                $this->again[$name] = ($this->again[$name] ?? 0) + 1;
                if ($name === 'redis') {
                    @unlink("{$this->folder}/redis.sock");
                }
                $this->begin($name, $this->commands[$name], $this->backs[$name] ?? 0);
            }
        }
    }

    /**
     * What programs take of memory, each with its share of what several have in common.
     *
     * @return array<string, float> MB of web, worker, sender and so on, and of the database
     */
    public function memory(): array
    {
        $own = [];
        foreach (glob('/proc/[0-9]*/stat') ?: [] as $path) {
            $stat = (string) @file_get_contents($path);
            // The parent is the second field behind the name.
            $after = explode(' ', trim(substr($stat, (int) strrpos($stat, ')') + 1)));
            $own[(int) ($after[1] ?? 0)][] = (int) basename(dirname($path));
        }
        $roots = ['database' => [(int) @file_get_contents("{$this->folder}/pg/data/postmaster.pid")]];
        foreach ($this->processes as $name => $process) {
            $roots[(string) strtok($name, ' ')][] = (int) $process->getPid();
        }
        $memory = [];
        foreach ($roots as $program => $pids) {
            $memory[$program] = 0.0;
            while (($pid = array_pop($pids)) !== null) {
                array_push($pids, ...$own[$pid] ?? []);
                $told = (string) @file_get_contents("/proc/{$pid}/smaps_rollup");
                $memory[$program] += preg_match('/^Pss:\s+(\d+) kB/m', $told, $found) === 1 ? (int) $found[1] / 1024 : 0.0;
            }
        }

        return $memory;
    }

    /** At once and without a word, with all that it began. */
    public function kill(string $name): void
    {
        $pid = (int) $this->processes[$name]->getPid();
        $children = array_filter(explode("\n", (string) shell_exec("pgrep -P {$pid}")));
        // All of a group at once: a server whose worker dies first begins another. "setsid -w" leads the group, or what it began does.
        posix_kill(-$pid, SIGKILL);
        posix_kill($pid, SIGKILL);
        foreach ($children as $child) {
            posix_kill(-(int) $child, SIGKILL);
            posix_kill((int) $child, SIGKILL);
        }
        while ($this->processes[$name]->isRunning()) {
            usleep(10_000);
        }
    }

    public static function answers(): bool
    {
        return @file_get_contents('http://127.0.0.1:'.self::PORT.'/health') !== false;
    }

    /** @param  callable(): bool  $look */
    private function until(callable $look, string $what): void
    {
        for ($i = 0; $i < 300; $i++) {
            if ($look()) {
                return;
            }
            usleep(100_000);
        }
        throw new RuntimeException("{$what} did not begin: ".@file_get_contents("{$this->folder}/nginx.log").@file_get_contents("{$this->folder}/fpm-1.log"));
    }

    /**
     * @param  list<string>  $command
     * @param  array<string, string>  $environment
     */
    private static function do(array $command, array $environment = []): void
    {
        // A server that is begun keeps what it was given open: nothing of it is waited for.
        $process = new Process($command, dirname(__DIR__, 2), $environment, timeout: 120);
        $process->disableOutput();
        if ($process->run() !== 0) {
            throw new RuntimeException(implode(' ', $command).' failed.');
        }
    }

    public function __destruct()
    {
        foreach (array_keys($this->processes) as $name) {
            $this->processes[$name]->isRunning() && $this->kill($name);
        }
        $this->database->end();
        self::do(['umount', '-l', "{$this->folder}/contents"]);
        exec('rm -rf '.escapeshellarg($this->folder));
    }
}
