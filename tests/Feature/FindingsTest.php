<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Person;
use App\Models\Preparation;
use App\Models\Role;
use App\Models\ShopJob;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** Findings are worked off by the group and stay judged; a list of hundreds of jobs reads nothing that is long. */
final class FindingsTest extends TestCase
{
    use RefreshDatabase;

    private function job(
        string $body = '<rect x="10" y="10" width="80" height=".3" fill="#224"/><rect x="10" y="20" width="80" height=".2" fill="#224"/><rect x="10"'
            .' y="30" width="60" height=".5" fill="#c33"/>',
        string $name = 'a.svg',
    ): int {
        $svg = "<svg xmlns='http://www.w3.org/2000/svg' width='100mm' height='50mm' viewBox='0 0 100 50'>{$body}</svg>";

        return $this->post(
            '/api/v1/jobs',
            ['process' => 'cut-vinyl', 'file' => UploadedFile::fake()->createWithContent($name, $svg)],
            ['Accept' => 'application/json'],
        )->assertCreated()->json('id');
    }

    /** @return array<string, mixed> the state of the job once it is prepared */
    private function prepared(int $job): array
    {
        $this->postJson("/api/v1/jobs/{$job}/preparations")->assertStatus(202);

        return $this->getJson("/api/v1/jobs/{$job}")->json();
    }

    #[Test]
    public function they_come_in_groups_and_what_was_judged_stays_so_over_another_preparation(): void
    {
        $job = $this->job();
        $state = $this->prepared($job);
        $groups = $state['preparation']['groups'];
        self::assertSame(
            [['thin-line', '#222244', 2], ['thin-line', '#cc3333', 1]],
            array_map(static fn (array $group): array => [$group['kind'], $group['sheet'], count($group['findings'])], $groups),
        );
        $serious = $groups[0]['findings'];
        self::assertSame(['3 findings are open, 2 of them serious: thin line (3).'], $state['preparation']['verdict']['open']);
        $say = fn (array $fields) => $this->patchJson("/api/v1/jobs/{$job}/findings", ['preparation' => $state['preparation']['id'], ...$fields]);
        $say(['findings' => [$serious[0]], 'accepted' => 'the customer cuts it herself'])->assertOk()->assertJsonPath(
            'preparation.verdict.open',
            ['2 findings are open, 1 of them serious: thin line (2).'],
        )->assertJsonPath('preparation.groups.0.accepted', 1);
        $say(['findings' => [$groups[1]['findings'][0]]])->assertOk()->assertJsonPath('preparation.groups.1.seen', 1);
        $again = $this->prepared($job)['preparation'];
        self::assertSame(['2 findings are open, 1 of them serious: thin line (2).'], $again['verdict']['open'], 'what was only looked at is open');
        self::assertContains('the customer cuts it herself', array_column($again['result']['findings'], 'accepted'));
        self::assertSame([false, 2], [$this->getJson('/api/v1/jobs')->json('jobs.0.ready'), $this->getJson('/api/v1/jobs')->json('jobs.0.findings')]);
        $this->patchJson(
            "/api/v1/jobs/{$job}/findings",
            ['preparation' => $again['id'], 'findings' => [$again['groups'][0]['findings'][1]], 'accepted' => 'as well'],
        )->assertOk()->assertJsonPath('preparation.verdict.open', ['1 finding is open: thin line.']);
        $this->patchJson(
            "/api/v1/jobs/{$job}/findings",
            ['preparation' => $again['id'], 'findings' => [$again['groups'][1]['findings'][0]], 'accepted' => 'and that'],
        )->assertOk()->assertJsonPath('preparation.verdict.ready', true);
        self::assertTrue($this->getJson('/api/v1/jobs')->json('jobs.0.ready'));
        $this->patchJson(
            "/api/v1/jobs/{$job}/findings",
            ['preparation' => $again['id'], 'findings' => [$again['groups'][0]['findings'][1]], 'open' => true],
        )->assertOk()->assertJsonPath('preparation.verdict.ready', false);
        foreach ([['findings' => []], ['findings' => ['x']], ['findings' => [0], 'accepted' => str_repeat('x', 300)]] as $wrong) {
            $say($wrong)->assertStatus(422);
        }
        $say(['findings' => [99]])->assertNotFound();
    }

    #[Test]
    public function what_was_accepted_says_who_accepted_it(): void
    {
        // One person at their own machine: nobody is asked, and what they say is theirs.
        Person::query()->create(['name' => 'Isa Quill', 'email' => 'isa@marrowby.test', 'role' => Role::Owner, 'password' => 'a lantern on the water']);
        $job = $this->job();
        $state = $this->prepared($job);
        $number = $state['preparation']['groups'][0]['findings'][0];
        $said = ['preparation' => $state['preparation']['id'], 'findings' => [$number], 'accepted' => 'she cuts it herself'];
        $after = $this->patchJson("/api/v1/jobs/{$job}/findings", $said)->assertOk()->json();
        self::assertSame(['Isa Quill'], array_values(array_filter(array_column($after['preparation']['result']['findings'], 'acceptedBy'))));
        self::assertStringContainsString('Isa Quill', (string) json_encode($this->prepared($job)['preparation']['result']['findings']), 'also of the next preparation');
        ShopJob::query()->whereKey($job)->firstOrFail()->update(['notices' => [['kind' => 'left-out', 'message' => 'x', 'severity' => 'warning']]]);
        $told = $this->patchJson("/api/v1/jobs/{$job}/notices/0", ['accepted' => 'no matter'])->assertOk()->json('notices.0');
        self::assertSame(['no matter', 'Isa Quill'], [$told['accepted'], $told['acceptedBy']]);
        self::assertArrayNotHasKey('acceptedBy', $this->patchJson("/api/v1/jobs/{$job}/notices/0", ['accepted' => null])->assertOk()->json('notices.0'));
        $released = $this->postJson("/api/v1/jobs/{$job}/releases", ['by' => 'Somebody else', 'reason' => 'A trial piece'])->assertCreated();
        $released->assertJsonPath('by', 'Isa Quill');
    }

    #[Test]
    public function the_look_of_a_step_is_measured_when_somebody_asks_and_then_kept(): void
    {
        $preparation = $this->prepared($this->job())['preparation'];
        self::assertArrayNotHasKey('look_difference', $preparation['result']['steps'][1]);
        $this->getJson("/api/v1/preparations/{$preparation['id']}/stages/1/look")->assertOk()->assertJsonPath('seen_mm2', 0);
        self::assertStringContainsString(
            'look_difference',
            (string) DB::table('step_results')->where('key', Preparation::query()->findOrFail($preparation['id'])->stage_keys[1] ?? '')->value('report'),
        );
        $this->getJson("/api/v1/preparations/{$preparation['id']}/stages/9/look")->assertNotFound();
    }

    #[Test]
    public function a_change_whose_answer_was_lost_is_known_by_its_key_and_not_made_twice(): void
    {
        $job = $this->job();
        $edit = ['version' => 1, 'key' => 'm3-abc', 'edit' => ['kind' => 'move', 'pieces' => ['p1'], 'x' => 5, 'y' => 0]];
        $this->postJson("/api/v1/jobs/{$job}/edits", $edit)->assertOk()->assertJsonPath('history.key', 'm3-abc');
        $this->postJson("/api/v1/jobs/{$job}/edits", $edit)->assertStatus(409)->assertJsonPath('history.key', 'm3-abc')->assertJsonPath('history.number', 2);
        $this->postJson("/api/v1/jobs/{$job}/edits", ['version' => 2, 'key' => '<b>', 'edit' => $edit['edit']])->assertOk()->assertJsonPath('history.key', '');
    }

    #[Test]
    public function an_edit_is_answered_without_what_was_made_before_it(): void
    {
        $job = $this->job();
        $this->prepared($job);
        $answer = $this->postJson(
            "/api/v1/jobs/{$job}/edits",
            ['version' => 1, 'edit' => ['kind' => 'move', 'pieces' => ['p1'], 'x' => 5, 'y' => 0]],
        )->assertOk();
        self::assertTrue($answer->json('preparation.stale'));
        self::assertSame([], array_intersect(['result', 'groups', 'verdict'], array_keys($answer->json('preparation'))));
    }

    #[Test]
    public function a_copy_of_a_job_has_its_ticket_file_and_bench_and_a_history_of_its_own(): void
    {
        $job = $this->job();
        $this->patchJson("/api/v1/jobs/{$job}", ['version' => 1, 'customer' => ' Marrowby Boat Club ', 'due' => '2026-12-01'])->assertOk();
        $this->postJson("/api/v1/jobs/{$job}/edits", ['version' => 1, 'edit' => ['kind' => 'remove', 'pieces' => ['p3']]])->assertOk();
        // Ids of clips are counted on from, in the copy as well.
        DB::table('bench_pieces')->where('shop_job_id', $job)->update(['clip_number' => 7]);
        $copy = $this->postJson("/api/v1/jobs/{$job}/copy")->assertCreated()->json();
        self::assertSame([7], DB::table('bench_pieces')->where('shop_job_id', $copy['id'])->distinct()->pluck('clip_number')->map(intval(...))->all());
        self::assertSame(['a (copy)', 'Marrowby Boat Club', '2026-12-01', 1], [$copy['title'], $copy['customer'], $copy['due'], $copy['version']]);
        $state = $this->getJson("/api/v1/jobs/{$copy['id']}")->json();
        self::assertSame([2, false], [count($state['art']['pieces']), $state['history']['canUndo']]);
        $this->postJson("/api/v1/jobs/{$copy['id']}/edits", ['version' => 1, 'edit' => ['kind' => 'remove', 'pieces' => ['p1']]])->assertOk();
        self::assertCount(2, $this->getJson("/api/v1/jobs/{$job}")->json('art.pieces'), 'the first is untouched');
        // A picture of the first as it was once is none of the copy.
        ShopJob::query()->whereKey($job)->toBase()->update(['picture' => '<svg/>', 'picture_version' => 1]);
        $third = $this->postJson("/api/v1/jobs/{$job}/copy")->assertCreated()->json('id');
        self::assertStringContainsString('<path', (string) $this->get("/api/v1/jobs/{$third}/picture.svg?v=1")->getContent());
        self::assertSame($this->get("/api/v1/jobs/{$job}/source.svg")->getContent(), $this->get("/api/v1/jobs/{$copy['id']}/source.svg")->getContent());
        foreach (['customer' => str_repeat('x', 200), 'due' => 'tomorrow'] as $field => $wrong) {
            $this->patchJson("/api/v1/jobs/{$job}", ['version' => 2, $field => $wrong])->assertStatus(422);
        }
    }

    #[Test]
    public function a_small_picture_is_made_once_for_each_state_of_the_bench(): void
    {
        $job = $this->job('<rect x="10" y="10" width="50" height="20" fill="#f00"/><rect x="1" y="1" width=".1" height=".1"/>');
        $first = $this->get("/api/v1/jobs/{$job}/picture.svg?v=1")->assertOk();
        self::assertStringContainsString('immutable', (string) $first->headers->get('Cache-Control'));
        self::assertSame(1, substr_count((string) $first->getContent(), '<path'), 'a speck is no dot on it');
        $updated = ShopJob::query()->findOrFail($job)->updated_at;
        ShopJob::query()->whereKey($job)->toBase()->update(['picture' => '<svg/>']);
        self::assertSame('<svg/>', $this->get("/api/v1/jobs/{$job}/picture.svg?v=1")->getContent(), 'kept');
        $this->postJson("/api/v1/jobs/{$job}/edits", ['version' => 1, 'edit' => ['kind' => 'move', 'pieces' => ['p1'], 'x' => 5, 'y' => 0]])->assertOk();
        self::assertStringContainsString('<path', (string) $this->get("/api/v1/jobs/{$job}/picture.svg?v=2")->getContent());
        self::assertEquals($updated, ShopJob::query()->findOrFail($job)->created_at, 'to look at it is no change');
    }
}
