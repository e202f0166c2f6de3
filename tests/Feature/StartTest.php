<?php

declare(strict_types=1);

namespace Tests\Feature;

use PDO;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use RuntimeException;
use Tests\Support\FreePort;
use ZipArchive;

/** bin/start keeps the shop open whatever happens to the work behind it, and ends just what it began. */
#[Group('own-shop')]
final class StartTest extends TestCase
{
    private int $port;

    private string $folder;

    /** @var resource|null */
    private $shop = null;

    /** @var array<string, string> */
    private array $cookies = [];

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/neat-edge-start-'.bin2hex(random_bytes(4));
        mkdir($this->folder);
        $this->port = FreePort::any();
        $this->shop = $this->open();
    }

    protected function tearDown(): void
    {
        if (is_resource($this->shop)) {
            // After a failure too nothing may stay behind: the script itself first, which ends all that it began.
            $leader = proc_get_status($this->shop)['pid'];
            foreach ($this->children($leader) as $script) {
                posix_kill((int) $script, SIGTERM);
            }
            for ($i = 0; $i < 100 && $this->children($leader) !== []; $i++) {
                usleep(100_000);
            }
            proc_terminate($this->shop, SIGKILL);
            proc_close($this->shop);
        }
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    #[Test]
    public function a_broken_preparation_or_worker_leaves_the_shop_open_and_says_what_happened(): void
    {
        file_get_contents('http://127.0.0.1:'.$this->port.'/mark.svg');
        self::assertContains('X-Content-Type-Options: nosniff', $http_response_header);
        foreach (['/', '/mark.svg', '/api/v1/jobs'] as $path) {
            file_get_contents('http://127.0.0.1:'.$this->port.$path);
            self::assertSame([], preg_grep('/^X-Powered-By/i', $http_response_header), $path);
        }
        // The page names its files where they are, and a change that says where it comes from is taken.
        $page = (string) file_get_contents('http://127.0.0.1:'.$this->port.'/');
        $script = preg_match('~<script type="module" src="([^"]+)"~', $page, $found) === 1 ? $found[1] : '';
        self::assertStringStartsWith('http://127.0.0.1:'.$this->port.'/build/assets/', $script);
        self::assertNotFalse(file_get_contents($script));
        $this->ask('length', ['text' => '3in'], ['Origin: http://127.0.0.1:'.$this->port, 'Sec-Fetch-Site: same-origin']);
        // What lies beside the public folder is not served, however it is asked for.
        foreach (['/../composer.json', '/%2e%2e/composer.json', '/build/../../.env'] as $path) {
            self::assertStringNotContainsString('APP_KEY', (string) @file_get_contents('http://127.0.0.1:'.$this->port.$path));
            self::assertStringNotContainsString('"require"', (string) @file_get_contents('http://127.0.0.1:'.$this->port.$path));
        }
        $job = $this->job(self::strips(150));
        // Stopped, it stops at once.
        $id = $this->prepare($job);
        $work = $this->wait($id, 'running')['work']['id'];
        $start = microtime(true);
        $this->ask("works/{$work}/stop", []);
        self::assertSame('stopped', $this->wait($id, 'stopped')['status']);
        self::assertLessThan(2.0, microtime(true) - $start);

        // Its process is killed: the preparation says so, the worker goes on.
        $id = $this->prepare($job);
        $this->wait($id, 'running');
        $child = $this->until(fn (): ?string => $this->pids('neat-edge:work [0-9 ]+$')[0] ?? null, 'the process of the preparation');
        posix_kill((int) $child, SIGKILL);
        self::assertSame(
            'The preparation broke off before it was done. The source art is untouched. Try again, or with fewer steps.',
            $this->wait($id, 'failed')['work']['error'],
        );

        // So are workers of the web servers, one and then most of them: others come, and it answers. And so are those that begin them.
        $answers = fn (): bool => @file_get_contents('http://127.0.0.1:'.$this->port.'/mark.svg') !== false
            && @file_get_contents('http://127.0.0.1:'.$this->port.'/api/v1/token') !== false;
        foreach (['php-fpm' => 8, 'nginx' => 2] as $server => $workers) {
            foreach ([1, $workers - 1] as $many) {
                [$master, $own] = $this->web($server);
                self::assertCount($workers, $own, $server);
                foreach (array_slice($own, -$many) as $pid) {
                    posix_kill((int) $pid, SIGKILL);
                }
                $this->until(
                    fn (): ?bool => count($this->web($server)[1]) === $workers && array_intersect(
                        array_slice($own, -$many),
                        $this->web($server)[1],
                    ) === [] && $answers() ? true : null,
                    "workers of {$server} again",
                );
                self::assertSame($master, $this->web($server)[0], 'nothing else was begun anew');
            }
            posix_kill((int) $this->web($server)[0], SIGKILL);
            $this->until(
                fn (): ?bool => ! in_array(
                    $this->web($server)[0],
                    [null, $master],
                    true,
                ) && count($this->web($server)[1]) === $workers && $answers() ? true : null,
                "another {$server}",
            );
        }
        // Files come compressed, and what is named by its content is kept by who fetched it.
        $asset = '/build/assets/'.basename((glob(dirname(__DIR__, 2).'/public/build/assets/Bench-*.js') ?: [''])[0]);
        file_get_contents('http://127.0.0.1:'.$this->port.$asset, false, stream_context_create(['http' => ['header' => 'Accept-Encoding: gzip']]));
        foreach (['Content-Encoding: gzip', 'Cache-Control: public, max-age=31536000, immutable', 'X-Content-Type-Options: nosniff'] as $header) {
            self::assertContains($header, $http_response_header);
        }
        file_get_contents('http://127.0.0.1:'.$this->port.'/api/v1/jobs', false, stream_context_create(['http' => ['header' => 'Accept-Encoding: gzip']]));
        self::assertContains('Content-Encoding: gzip', $http_response_header);
        foreach (['/.htaccess', '/server.php', '/index.php/../../.env'] as $path) {
            self::assertStringNotContainsString('<?php', (string) @file_get_contents('http://127.0.0.1:'.$this->port.$path));
        }

        // The worker itself is killed, again and again: each time another takes the work up within seconds, and at last it is named. Whoever computed for
        // the one before computes no more.
        $id = $this->prepare($job);
        foreach ([1, 2, 3] as $try) {
            $this->wait($id, 'running');
            $holder = $this->until(fn (): ?string => $this->holders($id)[0] ?? null, 'the worker that holds it');
            $start = microtime(true);
            posix_kill((int) $holder, SIGKILL);
            $state = $this->until(function () use ($id, $holder): ?array {
                $state = $this->ask("preparations/{$id}");

                return $state['status'] === 'failed' || ! in_array($this->holders($id)[0] ?? $holder, [$holder], true) ? $state : null;
            }, 'somebody to take it up');
            self::assertLessThan(10.0, microtime(true) - $start, "try {$try}");
        }
        self::assertStringContainsString('The server was stopped while it prepared this job', $state['work']['error']);
        $this->until(
            fn (): ?bool => count($this->pids('queue:work --name=')) === 8 && $this->pids('neat-edge:work [0-9 ]+$') === [] ? true : null,
            'all workers again, and nobody who computes for none',
        );
        $small = $this->job(self::strips(4));
        self::assertSame('done', $this->wait($this->prepare($small), 'done')['status']);

        // Too large is refused by its measure.
        $large = $this->job(self::strips(500));
        self::assertStringContainsString('500,000 places', $this->wait($this->prepare($large), 'failed')['work']['error']);
        self::assertSame(12, $this->ask('jobs')['found'], 'the demo jobs and these three');

        // Ended, it takes all its own with it and nothing else.
        self::assertIsResource($this->shop);
        $leader = proc_get_status($this->shop)['pid'];
        posix_kill((int) ($this->children($leader)[0] ?? 0), SIGTERM);
        $this->until(
            fn (): ?bool => $this->pids('(queue|schedule):work') === []
                && $this->web('php-fpm') === [null, []]
                && $this->web('nginx') === [null, []] ? true : null,
            'the end of all of it',
        );
        $status = proc_get_status($this->shop);
        self::assertSame([false, 77], [$status['running'], $status['exitcode']], 'the script that called it lived on');
    }

    #[Test]
    public function the_guide_to_the_interface_does_a_job_from_end_to_end(): void
    {
        preg_match_all('/^```sh\n(.*?)^```/ms', (string) file_get_contents(dirname(__DIR__, 2).'/docs/api.md'), $found);
        self::assertGreaterThan(5, count($found[1]));
        file_put_contents("{$this->folder}/guide.sh", "set -euo pipefail\n".implode("\n", $found[1]));
        $by = proc_open(
            ['timeout', '120', 'bash', "{$this->folder}/guide.sh"],
            [['file', '/dev/null', 'r'], ['pipe', 'w'], ['file', "{$this->folder}/guide.err", 'w']],
            $pipes,
            dirname(__DIR__, 2),
            [...getenv(), 'API' => 'http://127.0.0.1:'.$this->port.'/api/v1', 'FILES' => "{$this->folder}/files.zip"],
        );
        self::assertIsResource($by);
        $said = (string) stream_get_contents($pipes[1]);
        self::assertSame(0, proc_close($by), $said.file_get_contents("{$this->folder}/guide.err").file_get_contents("{$this->folder}/log"));
        self::assertStringContainsString('"state": "done"', $said);
        $zip = new ZipArchive;
        self::assertTrue($zip->open("{$this->folder}/files.zip"));
        self::assertStringContainsString(
            '.plt',
            implode(' ', array_map(static fn (int $i): string => (string) $zip->getNameIndex($i), range(0, $zip->numFiles - 1))),
        );
    }

    /** @return list<string> processes that hold the work of a preparation */
    private function holders(int $preparation): array
    {
        $database = new PDO("sqlite:{$this->folder}/shop.sqlite");
        $found = $database->query("select holder from works join preparations on preparations.work_id = works.id where preparations.id = {$preparation} and works.state = 'running'");
        $holder = $found === false ? false : $found->fetchColumn();

        return is_string($holder) ? [explode(':', $holder)[1]] : [];
    }

    private static function strips(int $n): string
    {
        $out = '';
        for ($i = 0; $i < $n; $i++) {
            $out .= sprintf('<path d="M%1$d 0h.5v%2$dh-.5z" fill="#123"/><path d="M0 %1$dv.5h%2$dv-.5z" fill="#456"/>', $i, $n);
        }

        return "<svg xmlns='http://www.w3.org/2000/svg' width='{$n}mm' height='{$n}mm' viewBox='0 0 {$n} {$n}'>{$out}</svg>";
    }

    /** @return resource */
    private function open()
    {
        touch("{$this->folder}/shop.sqlite");
        $environment = array_filter([...getenv(), 'PORT' => (string) $this->port, 'APP_ENV' => 'production', 'APP_KEY' => 'base64:'
            .base64_encode(random_bytes(32)), 'DB_DATABASE' => "{$this->folder}/shop.sqlite", 'QUEUE_CONNECTION' => 'database', 'CACHE_STORE' => 'database',
            'APP_CONFIG_CACHE' => "{$this->folder}/config.php",
            'APP_ROUTES_CACHE' => "{$this->folder}/routes.php",
            'NEAT_EDGE_PAGE_TOKEN' => 'on',
            'NEAT_EDGE_PREPARE_IN' => 'child']);
        // An earlier start was told of another database; this one is not to be misled by what is kept of it.
        $earlier = proc_open(
            [PHP_BINARY, 'artisan', 'config:cache', '--quiet'],
            [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']],
            $pipes,
            dirname(__DIR__, 2),
            ['DB_DATABASE' => "{$this->folder}/other.sqlite"] + $environment,
        );
        self::assertIsResource($earlier);
        self::assertSame(0, proc_close($earlier));
        // A script of somebody's own, which must outlive what it started.
        $shop = proc_open(
            ['bash', '-c', 'bin/start; exit 77'],
            [['file', '/dev/null', 'r'], ['file', "{$this->folder}/log", 'a'], ['file', "{$this->folder}/log", 'a']],
            $pipes,
            dirname(__DIR__, 2),
            $environment,
        );
        self::assertIsResource($shop);
        $this->until(
            fn (): ?bool => str_contains((string) file_get_contents("{$this->folder}/log"), 'Neat Edge is at') ? true : null,
            'the address: '.file_get_contents("{$this->folder}/log"),
            90.0,
        );

        return $shop;
    }

    private function job(string $svg): int
    {
        $body = "--b\r\nContent-Disposition: form-data; name=\"process\"\r\n\r\nplain\r\n--b\r\nContent-Disposition: form-data; name=\"file\"; filename=\"a.svg\"\r\n\r\n{$svg}\r\n--b--\r\n";

        return (int) $this->ask('jobs', $body)['id'];
    }

    private function prepare(int $job): int
    {
        return (int) $this->ask("jobs/{$job}/preparations", [])['id'];
    }

    /** @return array<string, mixed> */
    private function wait(int $preparation, string $status): array
    {
        return $this->until(function () use ($preparation, $status): ?array {
            $state = $this->ask("preparations/{$preparation}");

            return $state['status'] === $status ? $state : null;
        }, "preparation {$preparation} to be {$status}");
    }

    /**
     * As a browser would, with the page's token.
     *
     * @param  array<string, mixed>|string|null  $send
     * @param  list<string>  $more  headers
     * @return array<mixed>
     */
    private function ask(string $path, array|string|null $send = null, array $more = []): array
    {
        if ($send !== null && $this->cookies === []) {
            file_get_contents('http://127.0.0.1:'.$this->port.'/');
            foreach ($http_response_header as $line) {
                if (preg_match('/^Set-Cookie: ([^=]+)=([^;]+)/', $line, $found) === 1) {
                    $this->cookies[$found[1]] = $found[2];
                }
            }
        }
        $headers = ['Accept: application/json', 'Content-Type: '.(is_string($send)
            ? 'multipart/form-data; boundary=b'
            : 'application/json'), 'X-XSRF-TOKEN: '.urldecode($this->cookies['XSRF-TOKEN'] ?? ''),
            'Cookie: '.implode(
                '; ',
                array_map(static fn (string $name, string $value): string => "{$name}={$value}", array_keys($this->cookies), $this->cookies),
            ),
            ...$more];
        $answer = file_get_contents('http://127.0.0.1:'.$this->port."/api/v1/{$path}", false, stream_context_create(['http' => [
            'method' => $send === null ? 'GET' : 'POST',
            'header' => implode("\r\n", $headers),
            'content' => is_array($send) ? json_encode($send, JSON_THROW_ON_ERROR) : (string) $send,
            'ignore_errors' => true,
            'timeout' => 30,
        ]]));
        $data = json_decode((string) $answer, true);

        return is_array($data) && ! isset($data['message']) ? $data : throw new RuntimeException("{$path}: {$answer}");
    }

    /** @return array{string|null, list<string>} the process that begins the workers of a web server, and these */
    private function web(string $server): array
    {
        foreach (glob('/proc/[0-9]*', GLOB_ONLYDIR) ?: [] as $process) {
            $command = str_replace("\0", ' ', (string) @file_get_contents("{$process}/cmdline"));
            if (str_starts_with($command, "{$server}: master process") && str_contains($command, "storage/web/{$this->port}/")) {
                return [basename($process), $this->children((int) basename($process))];
            }
        }

        return [null, []];
    }

    /** @return list<string> of processes of this shop whose command matches */
    private function pids(string $pattern): array
    {
        $out = [];
        foreach (glob('/proc/[0-9]*', GLOB_ONLYDIR) ?: [] as $process) {
            $command = trim(str_replace("\0", ' ', (string) @file_get_contents("{$process}/cmdline")));
            if (preg_match("~^\\S*php.*{$pattern}~", $command) === 1 && str_contains((string) @file_get_contents("{$process}/environ"), "{$this->folder}/")) {
                $out[] = basename($process);
            }
        }

        return $out;
    }

    /** @return list<string> */
    private function children(int $pid): array
    {
        return preg_split('/\s+/', trim((string) @file_get_contents("/proc/{$pid}/task/{$pid}/children")), -1, PREG_SPLIT_NO_EMPTY) ?: [];
    }

    /**
     * @template T
     *
     * @param  callable(): (T|null)  $look
     * @return T
     */
    private function until(callable $look, string $what, float $seconds = 40.0): mixed
    {
        $end = microtime(true) + $seconds;
        do {
            $found = $look();
            if ($found !== null) {
                return $found;
            }
            usleep(50_000);
        } while (microtime(true) < $end);
        self::fail("Waited {$seconds} s for {$what}: ".file_get_contents("{$this->folder}/log"));
    }
}
