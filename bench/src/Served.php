<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use PDO;
use RuntimeException;

/** The web application served as bin/start serves it, on a database of its own that is gone afterwards. */
final class Served
{
    private const PORT = 8398;

    private const DRIVER = 9598;

    public readonly string $folder;

    /** @var list<resource> */
    private array $processes = [];

    /** @var array<string, string> */
    private array $environment;

    /** @param  int  $machines  the first port of stand-in machines, with workers that send to them; none when nought */
    public function __construct(int $machines = 0)
    {
        $root = dirname(__DIR__, 2);
        $this->folder = sys_get_temp_dir().'/neat-edge-bench-'.getmypid();
        mkdir($this->folder);
        touch("{$this->folder}/bench.sqlite");
        $environment = $this->environment = [
            ...getenv(),
            'DB_DATABASE' => "{$this->folder}/bench.sqlite",
            'APP_ENV' => 'production',
            'PHP_CLI_SERVER_WORKERS' => '4',
            'NEAT_EDGE_PAGE_TOKEN' => 'off',
            'NEAT_EDGE_MACHINES_PORT' => (string) $machines,
            'NEAT_EDGE_LAYOUTS' => "{$this->folder}/layouts",
            'NEAT_EDGE_SENDINGS' => "{$this->folder}/sendings",
            'APP_KEY' => 'base64:'.base64_encode(random_bytes(32)),
            'APP_CONFIG_CACHE' => "{$this->folder}/config.php",
            'APP_ROUTES_CACHE' => "{$this->folder}/routes.php",
        ];
        $php = [PHP_BINARY, '-d', 'opcache.enable_cli=1', '-d', 'opcache.jit_buffer_size=128M', '-d', 'memory_limit=1G', '-d', 'opcache.jit=tracing'];
        foreach ([['migrate', '--force'], ['db:seed', '--force'], ['config:cache'], ['route:cache']] as $command) {
            proc_close(self::launch([...$php, 'artisan', ...$command], $environment, $root));
        }
        $this->processes = [
            self::launch([...$php, '-S', '127.0.0.1:'.self::PORT, '-t', 'public', 'server.php'], $environment, $root),
            self::launch(['chromedriver', '--port='.self::DRIVER], $environment, $root),
        ];
        foreach ($machines > 0 ? ['quick,page,later', 'machines'] : [] as $queue) {
            $this->processes[] = self::launch(
                [...$php, 'artisan', 'queue:work', "--queue={$queue}", '--sleep=0.1', '--timeout=0'],
                [...$environment, 'QUEUE_CONNECTION' => 'database'],
                $root,
            );
        }
        sleep(2);
    }

    /** What it stores, to be filled from without. */
    public function database(): PDO
    {
        $database = new PDO("sqlite:{$this->folder}/bench.sqlite");
        $database->exec('pragma busy_timeout = 20000');

        return $database;
    }

    /** @param  list<string>  $command */
    public function artisan(array $command): void
    {
        proc_close(self::launch([PHP_BINARY, '-d', 'memory_limit=1G', 'artisan', ...$command], $this->environment, dirname(__DIR__, 2)));
    }

    public function __destruct()
    {
        foreach ($this->processes as $process) {
            exec('pkill -TERM -P '.proc_get_status($process)['pid']);
            proc_terminate($process);
        }
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    public function browser(): RemoteWebDriver
    {
        $options = new ChromeOptions;
        $options->addArguments([
            '--headless=new', '--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-component-update',
            '--window-size=1280,943', "--user-data-dir={$this->folder}/profile",
        ]);
        $capabilities = DesiredCapabilities::chrome();
        $capabilities->setCapability(ChromeOptions::CAPABILITY, $options);

        return RemoteWebDriver::create('http://127.0.0.1:'.self::DRIVER, $capabilities);
    }

    public static function address(string $path): string
    {
        return 'http://127.0.0.1:'.self::PORT.$path;
    }

    /** @return array<mixed> */
    public static function get(string $path): array
    {
        $answer = (string) file_get_contents(
            self::address("/api/v1/{$path}"),
            false,
            stream_context_create(['http' => ['header' => "Accept: application/json\r\n", 'ignore_errors' => true]]),
        );
        $data = json_decode($answer, true);

        return is_array($data) && ! isset($data['message']) ? $data : throw new RuntimeException("{$path}: ".substr($answer, 0, 200));
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return array<string, mixed>
     */
    public static function post(string $path, array $fields): array
    {
        return self::send($path, (string) json_encode($fields), 'application/json');
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return array<string, mixed>
     */
    public static function patch(string $path, array $fields): array
    {
        return self::send($path, (string) json_encode($fields), 'application/json', 'PATCH');
    }

    /** What a form of this kind says of itself. */
    public const FORM = 'multipart/form-data; boundary=b';

    /** Lays a drawing on a bench of its own and gives its job's id. */
    public static function job(string $svg, string $process = 'plain', string $width = ''): int
    {
        return (int) self::send('jobs', self::form($svg, $process, $width), self::FORM)['id'];
    }

    /** The form by which a drawing becomes a job. */
    public static function form(string $svg, string $process, string $width = ''): string
    {
        $sized = $width === '' ? '' : "--b\r\nContent-Disposition: form-data; name=\"width\"\r\n\r\n{$width}\r\n";
        $part = static fn (string $about): string => "--b\r\nContent-Disposition: form-data; {$about}\r\n\r\n";

        return "{$sized}{$part('name="process"')}{$process}\r\n{$part('name="file"; filename="a.svg"')}{$svg}\r\n--b--\r\n";
    }

    /** A drawing of pieces of several kinds on a sheet. */
    public static function sheet(int $pieces): string
    {
        mt_srand(7);
        $across = (int) ceil(sqrt($pieces));
        $body = '';
        for ($k = 0; $k < $pieces; $k++) {
            [$x, $y] = [10 * ($k % $across) + 5, 10 * intdiv($k, $across) + 5];
            $colour = sprintf('#%06x', mt_rand(0, 0xFFFFFF));
            $body .= match ($k % 4) {
                0 => "<circle cx=\"{$x}\" cy=\"{$y}\" r=\"4\" fill=\"{$colour}\"/>",
                1 => "<rect x=\"{$x}\" y=\"{$y}\" width=\"6\" height=\"5\" rx=\"1\" fill=\"{$colour}\" stroke=\"#222\"/>",
                2 => "<path d=\"M{$x} {$y}q3 -6 5 0t4 3q-3 6 -6 2z\" fill=\"{$colour}\"/>",
                default => "<path d=\"M{$x} {$y}c2 -5 4 5 6 0s3 -3 3 0\" fill=\"none\" stroke=\"{$colour}\" stroke-width=\".7\"/>",
            };
        }
        $side = 10 * $across + 10;

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{$side}mm\" height=\"{$side}mm\" viewBox=\"0 0 {$side} {$side}\">{$body}</svg>";
    }

    /** @return array<string, mixed> */
    private static function send(string $path, string $body, string $type, string $method = 'POST'): array
    {
        $answer = file_get_contents(
            self::address("/api/v1/{$path}"),
            false,
            stream_context_create(['http' => [
                'method' => $method,
                'header' => "Content-Type: {$type}\r\nAccept: application/json\r\n",
                'content' => $body,
                'ignore_errors' => true,
            ]]),
        );
        $data = json_decode((string) $answer, true);

        return is_array($data) && ! isset($data['message'])
            && ! isset($data['errors']) ? $data : throw new RuntimeException("{$path}: ".substr((string) $answer, 0, 200));
    }

    /**
     * @param  list<string>  $command
     * @param  array<string, string>  $environment
     * @return resource
     */
    private static function launch(array $command, array $environment, string $root)
    {
        $process = proc_open($command, [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']], $pipes, $root, $environment);

        return $process === false ? throw new RuntimeException("{$command[0]} cannot be started.") : $process;
    }
}
