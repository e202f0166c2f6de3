<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use Illuminate\Contracts\Console\Kernel as Console;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Foundation\Application;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Facade;
use RuntimeException;

/**
 * What each kind of act costs: seconds of CPU, queries, bytes kept; asked of the application in this very process, on a database with the demo in it.
 * docs/scale.md reckons with it.
 */
final class ActCosts
{
    private const TIMES = 12;

    private Application $app;

    private int $queries = 0;

    private string $folder;

    /** The job that was made last. */
    private int $newest = 0;

    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        $this->folder = sys_get_temp_dir().'/neat-edge-acts-'.getmypid();
        mkdir($this->folder);
        touch("{$this->folder}/shop.sqlite");
        try {
            $this->begin();
            yield from $this->acts();
        } finally {
            exec('rm -rf '.escapeshellarg($this->folder));
        }
    }

    private function begin(): void
    {
        $settings = [
            'APP_ENV' => 'production', 'APP_KEY' => 'base64:'.base64_encode(random_bytes(32)), 'DB_CONNECTION' => 'sqlite',
            'DB_DATABASE' => "{$this->folder}/shop.sqlite",
            'QUEUE_CONNECTION' => 'sync', 'CACHE_STORE' => 'array', 'CACHE_LIMITER' => 'array', 'NEAT_EDGE_PAGE_TOKEN' => 'off',
            'NEAT_EDGE_PREPARE_IN' => 'here',
            'APP_CONFIG_CACHE' => "{$this->folder}/config.php", 'APP_ROUTES_CACHE' => "{$this->folder}/routes.php",
        ];
        foreach ($settings as $name => $value) {
            putenv("{$name}={$value}");
            $_ENV[$name] = $_SERVER[$name] = $value;
        }
        $this->app = require dirname(__DIR__, 2).'/bootstrap/app.php';
        Facade::setFacadeApplication($this->app);
        $console = $this->app->make(Console::class);
        $console->call('migrate', ['--force' => true]);
        $console->call('db:seed', ['--force' => true]);
        DB::listen(function (): void {
            $this->queries++;
        });
    }

    /** @return iterable<array{string, string, string}> */
    private function acts(): iterable
    {
        $svg = (string) file_get_contents(dirname(__DIR__, 2).'/database/demo/window-decal.svg');
        $id = $this->made($svg);
        $piece = $this->ask('GET', "jobs/{$id}")['art']['pieces'][0]['id'];
        $version = fn (): int => $this->ask('GET', "jobs/{$id}")['job']['version'];
        $edit = static fn (int $at): array => ['version' => $at, 'edit' => ['kind' => 'move', 'pieces' => [$piece], 'x' => 0.1, 'y' => 0]];
        $acts = [
            'an edit' => fn (int $at) => fn () => $this->ask('POST', "jobs/{$id}/edits", $edit($at)),
            'a preview' => fn (int $at) => fn () => $this->ask(
                'POST',
                "jobs/{$id}/previews",
                ['version' => $at, 'what' => 'edit', 'edit' => ['kind' => 'outset', 'pieces' => [$piece], 'distance' => '0.7mm']],
            ),
            'a job opened' => fn (int $at) => fn () => $this->ask('GET', "jobs/{$id}"),
            'the list of jobs' => fn (int $at) => fn () => $this->ask('GET', 'jobs'),
            'a job of a file' => fn (int $at) => fn () => $this->made($svg),
            'prepared' => fn (int $at) => fn () => $this->ask('POST', 'jobs/'.$this->newest.'/preparations', []),
            'laid out' => fn (int $at) => fn () => $this->ask('GET', 'jobs/'.$this->newest.'/making'),
        ];
        foreach ($acts as $name => $act) {
            $times = in_array($name, ['prepared', 'laid out'], true) ? 1 : self::TIMES;
            // The first of a kind is compiled: a worker that stays has done that long ago.
            $times === 1 ? null : ($act($version()))();
            [$seconds, $queries, $bytes] = [[], [], []];
            for ($i = 0; $i < $times; $i++) {
                $do = $act($version());
                [$cpu, $had, $lay] = [Timed::here(), $this->queries, $this->bytes()];
                $do();
                $seconds[] = Timed::here() - $cpu;
                $queries[] = $this->queries - $had;
                $bytes[] = $this->bytes() - $lay;
            }
            sort($seconds);
            yield [
                "{$name}: s of CPU, queries, kB kept",
                sprintf('%.3f, %d, %.0f', $seconds[intdiv($times, 2)], max($queries), array_sum($bytes) / $times / 1000),
                'what docs/scale.md reckons with',
            ];
        }
        $kept = DB::table('revisions')->where('shop_job_id', $id)->where('number', '>', 1)->selectRaw('avg(length(change)) as many')->value('many');
        yield ['what is kept of an edit, bytes', sprintf('%.0f', (float) $kept), 'within 20 MB a job'];
    }

    private function made(string $svg): int
    {
        $path = "{$this->folder}/decal.svg";
        file_put_contents($path, $svg);
        $file = new \Illuminate\Http\UploadedFile($path, 'decal.svg', 'image/svg+xml', null, true);

        return $this->newest = (int) $this->ask('POST', 'jobs', ['process' => 'cut-vinyl', 'width' => '600mm'], ['file' => $file])['id'];
    }

    /**
     * @param  array<string, mixed>  $fields
     * @param  array<string, \Illuminate\Http\UploadedFile>  $files
     * @return array<mixed>
     */
    private function ask(string $method, string $path, array $fields = [], array $files = []): array
    {
        $request = $files === []
            ? Request::create(
                "http://127.0.0.1/api/v1/{$path}",
                $method,
                server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
                content: json_encode($fields, JSON_THROW_ON_ERROR),
            )
            : Request::create("http://127.0.0.1/api/v1/{$path}", $method, $fields, files: $files, server: ['HTTP_ACCEPT' => 'application/json']);
        $answer = $this->app->make(Kernel::class)->handle($request);
        if ($answer->getStatusCode() >= 300) {
            throw new RuntimeException("{$method} {$path}: ".mb_substr((string) $answer->getContent(), 0, 300));
        }

        return (array) json_decode((string) $answer->getContent(), true);
    }

    private function bytes(): int
    {
        return (int) shell_exec('du -sb '.escapeshellarg($this->folder).' | cut -f1');
    }
}
