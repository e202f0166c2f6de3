<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use Illuminate\Contracts\Console\Kernel as Console;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Foundation\Application;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Facade;
use RuntimeException;

/** A shop with the demo in it, asked in this very process: what it computes and asks its database is counted here. */
final class ShopHere
{
    private readonly Application $app;

    /** @var array<string, string|false> what the environment had before */
    private array $before = [];

    /** @param  array<string, string>  $settings  further ones, by their names in the environment: of its database */
    public function __construct(public readonly string $folder, array $settings = [])
    {
        mkdir($folder);
        touch("{$folder}/shop.sqlite");
        $settings += [
            'APP_ENV' => 'production', 'APP_KEY' => 'base64:'.base64_encode(random_bytes(32)), 'DB_CONNECTION' => 'sqlite',
            'DB_DATABASE' => "{$folder}/shop.sqlite", 'NEAT_EDGE_CONTENTS' => "{$folder}/contents",
            'QUEUE_CONNECTION' => 'sync', 'CACHE_STORE' => 'array', 'CACHE_LIMITER' => 'array', 'NEAT_EDGE_PAGE_TOKEN' => 'off',
            'NEAT_EDGE_PREPARE_IN' => 'here',
            'APP_CONFIG_CACHE' => "{$folder}/config.php", 'APP_ROUTES_CACHE' => "{$folder}/routes.php",
        ];
        foreach ($settings as $name => $value) {
            $this->before[$name] = getenv($name);
            self::set($name, $value);
        }
        Facade::clearResolvedInstances();
        $this->app = require dirname(__DIR__, 2).'/bootstrap/app.php';
        Facade::setFacadeApplication($this->app);
        $console = $this->app->make(Console::class);
        $console->call('migrate', ['--force' => true]);
        $console->call('db:seed', ['--force' => true]);
    }

    public function __destruct()
    {
        foreach ($this->before as $name => $value) {
            self::set($name, $value);
        }
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    private static function set(string $name, string|false $value): void
    {
        putenv($value === false ? $name : "{$name}={$value}");
        unset($_ENV[$name], $_SERVER[$name]);
        if ($value !== false) {
            $_ENV[$name] = $_SERVER[$name] = $value;
        }
    }

    /** @return array{int, array<string, mixed>} a job of this drawing: its number, and what was answered */
    public function made(string $svg, string $process = 'cut-vinyl', string $width = '600mm'): array
    {
        $path = "{$this->folder}/drawing.svg";
        file_put_contents($path, $svg);
        $answer = $this->ask('POST', 'jobs', ['process' => $process, 'width' => $width], [
            'file' => new UploadedFile($path, 'drawing.svg', 'image/svg+xml', null, true),
        ]);

        return [(int) $answer['id'], $answer];
    }

    /**
     * @param  array<string, mixed>  $fields
     * @param  array<string, UploadedFile>  $files
     * @return array<mixed>
     */
    public function ask(string $method, string $path, array $fields = [], array $files = []): array
    {
        $request = $files === []
            ? Request::create(
                "http://127.0.0.1/api/v1/{$path}",
                $method,
                server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json', 'HTTP_X_PAGE' => 'bench'],
                content: json_encode($fields === [] ? (object) [] : $fields, JSON_THROW_ON_ERROR),
            )
            : Request::create("http://127.0.0.1/api/v1/{$path}", $method, $fields, files: $files, server: ['HTTP_ACCEPT' => 'application/json']);
        $answer = $this->app->make(Kernel::class)->handle($request);
        if ($answer->getStatusCode() >= 300) {
            throw new RuntimeException("{$method} {$path}: ".mb_substr((string) $answer->getContent(), 0, 300));
        }

        return (array) json_decode((string) $answer->getContent(), true);
    }
}
