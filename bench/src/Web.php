<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use RuntimeException;

/** The web application over HTTP, served as bin/start serves it. */
final class Web
{
    private const PORT = 8398;

    private const DRIVER = 9598;

    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        $root = dirname(__DIR__, 2);
        $folder = sys_get_temp_dir().'/neat-edge-bench-'.getmypid();
        mkdir($folder);
        touch("{$folder}/bench.sqlite");
        $environment = [...getenv(), 'DB_DATABASE' => "{$folder}/bench.sqlite", 'APP_ENV' => 'production', 'PHP_CLI_SERVER_WORKERS' => '3',
            'APP_KEY' => 'base64:'.base64_encode(random_bytes(32)), 'APP_CONFIG_CACHE' => "{$folder}/config.php", 'APP_ROUTES_CACHE' => "{$folder}/routes.php"];
        $php = [PHP_BINARY, '-d', 'opcache.enable_cli=1', '-d', 'opcache.jit_buffer_size=128M', '-d', 'memory_limit=1G', '-d', 'opcache.jit=tracing'];
        foreach ([['migrate', '--force'], ['db:seed', '--force'], ['config:cache'], ['route:cache']] as $command) {
            proc_close(self::launch([...$php, 'artisan', ...$command], $environment, $root));
        }
        $processes = [
            self::launch([...$php, '-S', '127.0.0.1:'.self::PORT, '-t', 'public', 'server.php'], $environment, $root),
            self::launch(['chromedriver', '--port='.self::DRIVER], $environment, $root),
        ];
        try {
            sleep(2);
            yield from $this->firstDrawing($folder);
            yield from $this->weld();
        } finally {
            foreach ($processes as $process) {
                exec('pkill -TERM -P '.proc_get_status($process)['pid']);
                proc_terminate($process);
            }
            exec('rm -rf '.escapeshellarg($folder));
        }
    }

    /** @return iterable<array{string, string, string}> */
    private function firstDrawing(string $folder): iterable
    {
        $jobs = json_decode((string) file_get_contents('http://127.0.0.1:'.self::PORT.'/api/jobs'), true);
        $largest = [0, 0];
        foreach (is_array($jobs) ? $jobs : [] as $job) {
            $pieces = count(json_decode((string) file_get_contents('http://127.0.0.1:'.self::PORT."/api/jobs/{$job['id']}"), true)['art']['pieces']);
            $largest = max($largest, [$pieces, $job['id']]);
        }
        $options = new ChromeOptions;
        $options->addArguments(['--headless=new', '--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-component-update', '--window-size=1280,943', "--user-data-dir={$folder}/profile"]);
        $capabilities = DesiredCapabilities::chrome();
        $capabilities->setCapability(ChromeOptions::CAPABILITY, $options);
        $browser = RemoteWebDriver::create('http://127.0.0.1:'.self::DRIVER, $capabilities);
        $times = [];
        for ($k = 0; $k < 5; $k++) {
            $browser->get('about:blank');
            $browser->get('http://127.0.0.1:'.self::PORT."/jobs/{$largest[1]}");
            do {
                usleep(10_000);
                // Milliseconds since the address was opened, once the art has been drawn.
                $at = $browser->executeScript('return document.querySelector("[data-test=art] path") ? (window.__drawn ??= performance.now()) : 0');
            } while ($at == 0);
            $times[] = (float) $at;
        }
        $browser->quit();
        yield ["opening a job of {$largest[0]} pieces to its first drawing, cold", sprintf('%.0f ms', $times[0]), 'under 1500 ms'];
        sort($times);
        yield ['the same, median of 5', sprintf('%.0f ms', $times[2]), 'under 1500 ms'];
    }

    /** @return iterable<array{string, string, string}> */
    private function weld(): iterable
    {
        mt_srand(5);
        $body = '';
        for ($k = 0; $k < 50; $k++) {
            [$x, $y, $r] = [mt_rand(10, 90), mt_rand(10, 90), mt_rand(5, 14)];
            $body .= $k % 2 === 0 ? "<circle cx=\"{$x}\" cy=\"{$y}\" r=\"{$r}\"/>" : "<rect x=\"{$x}\" y=\"{$y}\" width=\"{$r}\" height=\"{$r}\" rx=\"2\" transform=\"rotate({$k} {$x} {$y})\"/>";
        }
        $id = self::post('jobs', "--b\r\nContent-Disposition: form-data; name=\"process\"\r\n\r\nplain\r\n--b\r\nContent-Disposition: form-data; name=\"file\"; filename=\"a.svg\"\r\n\r\n<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"100mm\" height=\"100mm\" viewBox=\"0 0 100 100\">{$body}</svg>\r\n--b--\r\n", 'multipart/form-data; boundary=b')['id'];
        $edit = (string) json_encode(['edit' => ['kind' => 'weld', 'pieces' => array_map(static fn (int $k): string => "p{$k}", range(1, 50))]]);
        $times = [];
        for ($k = 0; $k < 21; $k++) {
            $start = hrtime(true);
            $state = self::post("jobs/{$id}/edits/preview", $edit, 'application/json');
            $times[] = (hrtime(true) - $start) / 1e6;
            if (count($state['art']['pieces']) !== 1) {
                throw new RuntimeException('The weld did not weld.');
            }
        }
        sort($times);
        yield ['weld of 50 shapes over HTTP, median and slowest of 21', sprintf('%.0f, %.0f ms', $times[10], $times[20]), 'under 200 ms'];
    }

    /** @return array<string, mixed> */
    private static function post(string $path, string $body, string $type): array
    {
        $answer = file_get_contents('http://127.0.0.1:'.self::PORT."/api/{$path}", false, stream_context_create(['http' => ['method' => 'POST', 'header' => "Content-Type: {$type}\r\nAccept: application/json\r\n", 'content' => $body]]));
        $data = json_decode((string) $answer, true);

        return is_array($data) ? $data : throw new RuntimeException("No answer from {$path}.");
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
