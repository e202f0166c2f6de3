<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\Middleware\Told;
use App\Models\Person;
use App\Models\Role;
use App\Models\Work;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** How the shop does, told to a balancer and a collector; and what its log says of each request. */
final class HealthTest extends TestCase
{
    use RefreshDatabase;

    #[Test]
    public function a_balancer_is_told_whether_the_shop_can_work_and_nothing_else(): void
    {
        $this->get('/health')->assertOk()->assertExactJson(['well' => true, 'database' => true, 'contents' => true, 'workers' => true])->assertCookieMissing('neat-edge-page');
        // Also where everybody else is asked who they are.
        foreach ([Role::Owner, Role::Artist] as $i => $role) {
            Person::query()->create(['name' => "Somebody {$i}", 'email' => "some{$i}@marrowby.test", 'role' => $role, 'password' => 'a lantern on the water']);
        }
        $this->get('/health')->assertOk();
        // What is waited for, and nobody does.
        $waits = Work::query()->create(['kind' => 'prepare', 'title' => 'x', 'about' => [], 'state' => 'waiting', 'queued_at' => microtime(true) - 100]);
        $this->get('/health')->assertOk();
        $waits->update(['queued_at' => microtime(true) - 200]);
        $this->get('/health')->assertStatus(503)->assertJsonPath('workers', false)->assertJsonPath('well', false);
        // A batch may wait all night.
        $waits->update(['kind' => 'batch']);
        $this->get('/health')->assertOk();
        config(['filesystems.disks.contents.root' => '/proc/no-such-place']);
        app('filesystem')->forgetDisk('contents');
        $this->get('/health')->assertStatus(503)->assertJsonPath('contents', false)->assertJsonPath('database', true);
        app('filesystem')->forgetDisk('contents');
    }

    #[Test]
    public function a_collector_is_told_counts_in_the_open_text_format(): void
    {
        $this->postJson('/api/v1/jobs', ['process' => 'plain', 'width' => '9', 'height' => '9'])->assertCreated();
        Work::query()->create(['kind' => 'prepare', 'title' => 'x', 'about' => [], 'state' => 'done']);
        Work::query()->create(['kind' => 'prepare', 'title' => 'x', 'about' => [], 'state' => 'waiting', 'queued_at' => microtime(true) - 40]);
        $text = (string) $this->get('/api/v1/counts')->assertOk()->getContent();
        self::assertStringContainsString("\nneat_edge_jobs 1\n", $text);
        self::assertStringContainsString("\nneat_edge_works{kind=\"prepare\",state=\"done\"} 1\n", $text);
        self::assertMatchesRegularExpression('/\nneat_edge_longest_wait_seconds 4\d\.\d\n/', $text);
        self::assertStringContainsString("\nneat_edge_up{part=\"workers\"} 1\n", $text);
        self::assertStringEndsWith("# EOF\n", $text);
        foreach (array_filter(explode("\n", $text)) as $line) {
            self::assertMatchesRegularExpression('/^(# (TYPE|HELP) neat_edge_\w+ .+|# EOF|neat_edge_\w+(\{\w+="[^"\n]*"(,\w+="[^"\n]*")*\})? -?[\d.]+)$/', $line);
        }
    }

    #[Test]
    public function the_log_is_lines_of_json_that_say_who_asked_for_what_and_no_secret(): void
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'edge-log');
        config(['logging.default' => 'json', 'logging.channels.json.level' => 'info', 'logging.channels.json.handler_with.stream' => $file]);
        app('log')->forgetChannel('json');
        app('log')->setDefaultDriver('json');
        $isa = Person::query()->create(['name' => 'Isa Quill', 'email' => 'isa@marrowby.test', 'role' => Role::Owner, 'password' => 'a lantern on the water']);
        $job = $this->postJson('/api/v1/jobs', ['process' => 'plain', 'width' => '9', 'height' => '9'])->assertCreated()->json('id');
        $answer = $this->getJson("/api/v1/jobs/{$job}")->assertOk();
        $token = $isa->createToken('x', ['look'])->plainTextToken;
        $this->withToken($token)->getJson('/api/v1/jobs')->assertOk();
        $this->flushHeaders();
        $this->getJson('/api/v1/shown/a-customers-secret-link')->assertNotFound();
        $this->get('/password/0123456789abcdef0123456789abcdef?address=isa%40marrowby.test')->assertOk();
        $this->postJson('/api/v1/sign-in', ['address' => 'isa@marrowby.test', 'password' => 'a lantern on the water'])->assertOk();
        DB::listen(static fn () => throw new \RuntimeException('The database went away.'));
        $this->getJson('/api/v1/stock')->assertStatus(500);
        $text = (string) file_get_contents($file);
        unlink($file);
        $lines = array_map(static fn (string $line): array => json_decode($line, true, flags: JSON_THROW_ON_ERROR), array_values(array_filter(explode("\n", $text))));
        $asked = array_values(array_filter($lines, static fn (array $line): bool => $line['message'] === 'asked'));
        self::assertCount(7, $asked);
        self::assertSame(['api/v1/jobs/{job}', 200, $job, $isa->id, $answer->headers->get(Told::HEADER)], [
            $asked[1]['context']['address'], $asked[1]['context']['status'], $asked[1]['extra']['job'], $asked[1]['extra']['person'], $asked[1]['extra']['request'],
        ]);
        self::assertGreaterThan(count($asked), count($lines), 'what broke is told as well');
        foreach ([$token, explode('|', $token)[1], 'a-customers-secret-link', '0123456789abcdef', 'lantern on the water'] as $secret) {
            self::assertStringNotContainsString($secret, $text);
        }
    }
}
