<?php

declare(strict_types=1);

namespace Tests\Feature;

use Closure;
use PDO;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Support\FreePort;

/** Workers of two hosts, told apart by their names, share a shop: what one holds the other leaves alone, until its lease has run out; then nothing is done twice. */
#[Group('own-shop')]
final class TwoHostsTest extends TestCase
{
    private string $folder;

    private PDO $shop;

    /** @var list<resource> */
    private array $begun = [];

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/neat-edge-hosts-'.bin2hex(random_bytes(4));
        mkdir("{$this->folder}/contents", 0700, true);
        touch("{$this->folder}/shop.sqlite");
        self::assertSame(0, proc_close($this->begin('none', ['artisan', 'migrate', '--force', '--quiet'])));
        $this->shop = new PDO("sqlite:{$this->folder}/shop.sqlite");
    }

    protected function tearDown(): void
    {
        foreach ($this->begun as $process) {
            if (is_resource($process)) {
                // Stopped ones hear nothing else.
                posix_kill(-proc_get_status($process)['pid'], SIGKILL);
                proc_close($process);
            }
        }
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    #[Test]
    public function a_host_that_stands_still_at_a_machine_sends_no_more_once_another_may_have_the_sheet(): void
    {
        $port = FreePort::any();
        $this->begin('none', ['console/neat-edge.php', 'device', 'cutter', "--port={$port}", '--bed=5000x600mm', '--pace=14', '--blade=0', "--out-dir={$this->folder}/cutter"]);
        // 120 ways of 200 mm, each a part or more.
        $plotter = 'IN;SP1;';
        for ($i = 0; $i < 120; $i++) {
            $plotter .= sprintf('PU%d,%d;PD%d,%d;', 100, 200 + 100 * $i, 8100, 200 + 100 * $i);
        }
        file_put_contents("{$this->folder}/sheet.plt", $plotter);
        $work = (int) $this->told(<<<PHP
            \$plotter = file_get_contents('{$this->folder}/sheet.plt');
            \$job = App\Prep\Intake::take('Boat', NeatEdge\Core\Process\Processes::of('cut-vinyl'), 200.0, 'a.svg', '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><path d="M0 0h9v9z"/></svg>');
            \$sending = App\Models\Sending::query()->create(['shop_job_id' => \$job->id, 'version' => 1, 'machine' => 'Cutter', 'kind' => 'cutter', 'address' => '127.0.0.1:{$port}',
                'file' => 'sheet.plt', 'title' => 'Sheet', 'number' => 0, 'log' => [], 'content' => App\Models\Contents::put(\$plotter)]);
            echo App\Works\Kinds\Send::begin(\$job, \$sending, NeatEdge\Core\Device\Devices::of('cutter')::parts(\$plotter))->id;
            PHP);
        $first = $this->worker('quay-one', 'machines');
        $this->until(fn (): bool => (int) $this->work($work)['done'] >= 12, 'some of it to be cut');
        posix_kill(-proc_get_status($first)['pid'], SIGSTOP);
        $stood = microtime(true);
        $before = $this->work($work);
        self::assertStringStartsWith('quay-one-', (string) $before['holder']);
        $this->worker('quay-two', 'machines');
        // Alive or not, it has it for as long as its lease lasts: on another host nobody can ask the process.
        while (microtime(true) < (float) $before['lease_until'] - 0.7) {
            self::assertSame([$before['fence'], 'running'], [$this->work($work)['fence'], $this->work($work)['state']]);
            usleep(200_000);
        }
        $this->until(fn (): bool => $this->work($work)['state'] === 'failed', 'the other host to name it');
        self::assertLessThan(12.0, microtime(true) - $stood);
        $named = $this->work($work);
        self::assertSame("The server was stopped while this was sent; {$before['done']} of {$before['of']} blocks are done. Go on with it.", $named['error']);
        // It comes to itself, and neither stores nor sends anything more.
        posix_kill(-proc_get_status($first)['pid'], SIGCONT);
        usleep(3_000_000);
        self::assertSame([$named['done'], $named['fence'], 'failed'], [$this->work($work)['done'], $this->work($work)['fence'], $this->work($work)['state']]);
        posix_kill(-proc_get_status($first)['pid'], SIGKILL);
        // Somebody presses "go on": the other host cuts what is left.
        $this->told("App\\Works\\Works::goOn(App\\Models\\Work::query()->findOrFail({$work}));");
        $this->until(fn (): bool => $this->work($work)['state'] === 'done', 'the rest to be cut', 60.0);
        self::assertStringStartsWith('quay-two-', (string) $this->work($work)['holder']);
        $cut = array_map(static fn (string $path): float => (float) json_decode((string) file_get_contents($path), true)['cut_mm'], glob("{$this->folder}/cutter/*.json") ?: []);
        self::assertEqualsWithDelta(120 * 200.0, array_sum($cut), 0.5, 'every way was cut, and none twice');
    }

    #[Test]
    public function what_a_host_that_died_prepared_another_prepares_within_ten_seconds(): void
    {
        $strips = '';
        for ($i = 0; $i < 90; $i++) {
            $strips .= sprintf('<path d="M%1$d 0h.5v90h-.5z" fill="#123"/><path d="M0 %1$dv.5h90v-.5z" fill="#456"/>', $i);
        }
        file_put_contents("{$this->folder}/strips.svg", "<svg xmlns='http://www.w3.org/2000/svg' width='90mm' height='90mm' viewBox='0 0 90 90'>{$strips}</svg>");
        $work = (int) $this->told(<<<PHP
            \$job = App\Prep\Intake::take('Strips', NeatEdge\Core\Process\Processes::of('cut-vinyl'), 90.0, 'a.svg', file_get_contents('{$this->folder}/strips.svg'));
            echo (new App\Works\Kinds\Prepare)->ask(\$job, NeatEdge\Core\Described\Values::read([], []))->id;
            PHP);
        $first = $this->worker('quay-one', 'quick,page');
        $this->until(fn (): bool => $this->work($work)['state'] === 'running', 'it to be begun');
        $this->worker('quay-two', 'quick,page');
        usleep(500_000);
        posix_kill(-proc_get_status($first)['pid'], SIGKILL);
        $died = microtime(true);
        $this->until(fn (): bool => str_starts_with((string) $this->work($work)['holder'], 'quay-two-'), 'the other host to take it up');
        self::assertLessThan(10.5, microtime(true) - $died);
        $this->until(fn (): bool => $this->work($work)['state'] !== 'running', 'it to end', 120.0);
        self::assertSame(['done', ''], [$this->work($work)['state'], $this->work($work)['error']]);
    }

    /** @return resource a worker of these queues at this host */
    private function worker(string $host, string $queues)
    {
        return $this->begin($host, ['artisan', 'queue:work', "--queue={$queues}", '--sleep=0.1', '--timeout=0', '--quiet']);
    }

    /** What code says that is run at neither host. */
    private function told(string $code): string
    {
        $begin = 'require "vendor/autoload.php"; $app = require "bootstrap/app.php"; $app->make(Illuminate\Contracts\Console\Kernel::class)->bootstrap();';
        $process = $this->begin('none', ['-r', "{$begin}\n{$code}"]);
        self::assertSame(0, proc_close($process), (string) file_get_contents("{$this->folder}/said"));

        return (string) file_get_contents("{$this->folder}/out");
    }

    /**
     * @param  list<string>  $command
     * @return resource the leader of a group of its own
     */
    private function begin(string $host, array $command)
    {
        $environment = array_filter([...getenv(), 'APP_ENV' => 'production', 'APP_KEY' => 'base64:'.base64_encode(str_repeat('k', 32)),
            'DB_DATABASE' => "{$this->folder}/shop.sqlite", 'QUEUE_CONNECTION' => 'database', 'CACHE_STORE' => 'database',
            'APP_CONFIG_CACHE' => "{$this->folder}/config.php", 'APP_ROUTES_CACHE' => "{$this->folder}/routes.php", 'NEAT_EDGE_HOST' => $host,
            'NEAT_EDGE_CONTENTS' => "{$this->folder}/contents", 'NEAT_EDGE_PREPARE_IN' => 'child']);
        $process = proc_open(
            ['setsid', PHP_BINARY, '-d', 'opcache.enable_cli=1', '-d', 'memory_limit=1G', ...$command],
            [['file', '/dev/null', 'r'], ['file', "{$this->folder}/".($command[0] === '-r' ? 'out' : 'said'), 'w'], ['file', "{$this->folder}/said", 'a']],
            $pipes,
            dirname(__DIR__, 2),
            $environment,
        );
        self::assertIsResource($process);
        $this->begun[] = $process;

        return $process;
    }

    /** @return array<string, mixed> */
    private function work(int $id): array
    {
        $found = $this->shop->query("select * from works where id = {$id}");
        $row = $found === false ? false : $found->fetch(PDO::FETCH_ASSOC);
        self::assertIsArray($row);

        return $row;
    }

    /** @param  Closure(): bool  $is */
    private function until(Closure $is, string $what, float $seconds = 30.0): void
    {
        $end = microtime(true) + $seconds;
        while (! $is()) {
            if (microtime(true) > $end) {
                $works = $this->shop->query('select * from works');
                self::fail("Waited {$seconds} s for {$what}: ".json_encode($works === false ? [] : $works->fetchAll(PDO::FETCH_ASSOC)).file_get_contents("{$this->folder}/said"));
            }
            usleep(50_000);
        }
    }
}
