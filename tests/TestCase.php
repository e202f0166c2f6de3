<?php

declare(strict_types=1);

namespace Tests;

use Illuminate\Foundation\Testing\TestCase as LaravelTestCase;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\Support\HeldToDescription;
use Tests\Support\HeldToWords;

abstract class TestCase extends LaravelTestCase
{
    /** On another database than the one that a shop has by itself, where that is asked for; see bin/test. */
    public function createApplication()
    {
        $app = parent::createApplication();
        $on = getenv('NEAT_EDGE_TESTS_ON');
        if (is_string($on) && $on !== '') {
            $app->make('config')->set(['database.default' => $on, 'database.connections.'.$on.'.database' => 'edge']);
        }

        if (getenv('NEAT_EDGE_TESTS_REDIS') !== false) {
            // Each test as if the server were empty.
            $app->make('config')->set(['cache.default' => 'redis', 'cache.limiter' => 'redis', 'database.redis.options.prefix' => bin2hex(random_bytes(8)).'-']);
        }
        $app->make('config')->set('filesystems.disks.contents.root', self::contents());

        return $app;
    }

    /** Where these tests keep large contents; gone when they end. */
    private static function contents(): string
    {
        static $folder = null;
        if ($folder === null) {
            $folder = sys_get_temp_dir().'/neat-edge-contents-'.getmypid();
            register_shutdown_function(static fn () => exec('rm -rf '.escapeshellarg($folder)));
        }

        return $folder;
    }

    /**
     * Every answer is held to the description of the interface, and what it says to the catalogues.
     *
     * @param  string  $method
     * @param  string  $uri
     * @param  array<mixed>  $parameters
     * @param  array<mixed>  $cookies
     * @param  array<mixed>  $files
     * @param  array<mixed>  $server
     * @param  string|null  $content
     * @return TestResponse<Response>
     */
    public function call($method, $uri, $parameters = [], $cookies = [], $files = [], $server = [], $content = null)
    {
        $answer = parent::call($method, $uri, $parameters, $cookies, $files, $server, $content);
        HeldToDescription::check($method, $uri, is_string($content) ? $content : null, $answer);
        HeldToWords::check((string) $uri, $answer);

        return $answer;
    }

    /** Somebody lets a job go as it is, where it is not ready. */
    protected function letGo(int $job): void
    {
        $this->postJson("/api/v1/jobs/{$job}/releases", ['by' => 'The shop', 'reason' => 'A trial piece'])->assertCreated();
    }
}
