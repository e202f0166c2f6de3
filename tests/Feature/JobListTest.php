<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\JobList;
use App\Models\ShopJob;
use App\Models\WriteFirstSqlite;
use App\Prep\Standing;
use App\Works\Works;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** The list of jobs is searched, sifted, ordered and cut into pages by the database, by what is stored with each job. */
final class JobListTest extends TestCase
{
    use RefreshDatabase;

    private function job(string $title = 'Sign', string $customer = '', ?string $due = null, string $process = 'cut-vinyl'): int
    {
        $id = $this->postJson('/api/v1/jobs', ['process' => $process, 'width' => '100mm', 'height' => '50mm', 'title' => $title])->assertCreated()->json('id');
        $this->patchJson("/api/v1/jobs/{$id}", ['version' => $this->version($id), 'customer' => $customer, 'due' => $due])->assertOk();

        return $id;
    }

    private function version(int $job): int
    {
        return ShopJob::query()->findOrFail($job)->version;
    }

    /** @return list<int> */
    private function found(string $query): array
    {
        return $this->getJson("/api/v1/jobs?{$query}")->assertOk()->json('jobs.*.id');
    }

    #[Test]
    public function it_is_searched_by_all_words_and_put_in_order_with_what_is_missing_last(): void
    {
        [$a, $b, $c] = [
            $this->job('Window decal', 'Boat Club', '2026-12-09'),
            $this->job('decal 10', process: 'engraving'),
            $this->job('Decal 9', 'Änglers', '2026-12-01'),
        ];
        DB::table('shop_jobs')->where('id', $b)->update(['findings' => 3]);
        self::assertSame([$a], $this->found('search=club+DECAL'));
        self::assertSame([$b], $this->found('search=+engra+'));
        self::assertSame([], $this->found('search=graving'), 'words are known by their beginning');
        self::assertSame([], $this->found('search=tabard'));
        self::assertSame([], $this->found('search=%25'), 'a sign of the database is a letter like others');
        self::assertSame([[$c], [$c]], [$this->found('search=ÄNGLERS'), $this->found('search=angl')]);
        self::assertSame([$c, $b, $a], $this->found('order=title'));
        self::assertSame([$c, $a, $b], $this->found('order=due'));
        self::assertSame([$c, $a, $b], $this->found('order=customer'));
        self::assertSame($b, $this->found('order=findings')[0]);
        self::assertSame([$a, $c], array_values(array_intersect([$a, $b, $c], $this->found('only=due'))));
        // Given another name it is found by that.
        $this->patchJson("/api/v1/jobs/{$b}", ['version' => $this->version($b), 'title' => 'Lantern tag'])->assertOk();
        self::assertSame([[$b], [$a, $c]], [$this->found('search=lantern'), array_values(array_intersect([$a, $b, $c], $this->found('search=decal')))]);
        $this->getJson('/api/v1/jobs?order=moon')->assertStatus(422)->assertJsonPath('message', 'Choose from what is there.');
        $this->getJson('/api/v1/jobs?search[]=x')->assertStatus(422);
        $this->deleteJson("/api/v1/jobs/{$c}")->assertNoContent();
        self::assertSame([[], [$b, $a]], [$this->found('search=angl'), $this->found('')], 'what lies in the trash is not found');
        $copy = $this->postJson("/api/v1/jobs/{$a}/copy")->json('id');
        self::assertEqualsCanonicalizing([$a, $copy], $this->found('search=club'));
    }

    #[Test]
    public function where_a_job_stands_follows_all_that_changes_it(): void
    {
        $svg = '<svg xmlns="http://www.w3.org/2000/svg" width="60mm" height="40mm" viewBox="0 0 60 40"><rect x="5" y="5" width="30" height="20"'
            .' fill="#223344"/><image href="http://elsewhere.example/x.png" width="5" height="5"/></svg>';
        $job = $this->post(
            '/api/v1/jobs',
            ['process' => 'cut-vinyl', 'file' => UploadedFile::fake()->createWithContent('a.svg', $svg)],
            ['Accept' => 'application/json'],
        )->assertCreated()->json('id');
        $stands = fn (): array => [
            ShopJob::query()->whereKey($job)->value('standing'),
            ...array_values(array_intersect_key($this->getJson('/api/v1/jobs')->json('jobs.0'), array_flip(['state', 'stale', 'ready', 'findings']))),
        ];
        self::assertSame([Standing::FRESH, 'new', false, false, 1], $stands());
        Queue::fake();
        $work = $this->postJson("/api/v1/jobs/{$job}/preparations")->json('work.id');
        self::assertSame([Standing::BUSY, 'waiting', false, false, 1], $stands());
        $this->postJson("/api/v1/works/{$work}/stop")->assertOk();
        self::assertSame([Standing::BROKEN, 'stopped', false, false, 1], $stands());
        $hold = Works::take($this->postJson("/api/v1/jobs/{$job}/preparations")->json('work.id'));
        self::assertNotNull($hold);
        Works::run($hold);
        self::assertSame([Standing::OPEN, 'done', false, false, 1], $stands());
        $this->patchJson("/api/v1/jobs/{$job}/notices/0", ['accepted' => 'The customer knows'])->assertOk();
        self::assertSame([Standing::READY, 'done', false, true, 0], $stands());
        self::assertSame([[$job], [], []], [$this->found('only=ready'), $this->found('only=open'), $this->found('only=fresh')]);
        $this->postJson(
            "/api/v1/jobs/{$job}/edits",
            [
                'version' => $this->version($job),
                'edit' => ['kind' => 'draw-shape', 'shape' => 'rectangle', 'x' => 1, 'y' => 1, 'width' => 0.2, 'height' => 30, 'fill' => '#223344'],
            ],
        )->assertOk();
        self::assertSame([Standing::STALE, 'done', true, false, 0], $stands());
        self::assertSame([$job], $this->found('only=open'));
        $hold = Works::take($this->postJson("/api/v1/jobs/{$job}/preparations")->json('work.id'));
        self::assertNotNull($hold);
        Works::run($hold);
        [$standing, , , , $findings] = $stands();
        self::assertSame(Standing::OPEN, $standing);
        self::assertGreaterThan(0, $findings);
    }

    #[Test]
    public function a_shop_of_very_many_is_shown_a_page_at_a_time_and_the_oldest_is_found(): void
    {
        $first = $this->job('The very first', 'Harbour office');
        $row = (array) DB::table('shop_jobs')->find($first);
        foreach (array_chunk(range(1, 5000), 500) as $numbers) {
            DB::table('shop_jobs')->insert(array_map(
                static fn (int $i): array => [
                    ...$row,
                    'id' => $first + $i,
                    'title' => "Job {$i}",
                    ...Standing::keys("Job {$i}", '', null, 'Cut vinyl'),
                    'updated_at' => now()->addSeconds($i),
                ],
                $numbers,
            ));
        }
        DB::table('job_words')->insertUsing(['word', 'shop_job_id'], DB::table('shop_jobs')->where('id', '>', $first)->selectRaw("'job', id"));
        DB::enableQueryLog();
        $page = $this->getJson('/api/v1/jobs')->assertOk()->json();
        // One of them asks who works here.
        self::assertLessThanOrEqual(7, count(DB::getQueryLog()));
        self::assertSame([60, 1001, 1001, $first + 5000], [count($page['jobs']), $page['found'], $page['all'], $page['jobs'][0]['id']]);
        self::assertSame([$first], $this->found('search=office'));
        self::assertSame(
            [1001, 60],
            [$this->getJson('/api/v1/jobs?search=job')->json('found'), count($this->found('search=job&page=3'))],
            'of very many it is said that there are more',
        );
        self::assertCount(21, $this->found('page=84'));
        self::assertSame([], $this->found('page=85'));
        self::assertSame($first + 9, $this->found('order=title&search=job')[8], '10 comes after 9');
        // Each page is found in one index alone, along its order.
        DB::flushQueryLog();
        foreach (array_keys(JobList::ORDERS) as $order) {
            $this->found("order={$order}&only=fresh");
        }
        $asked = array_filter(array_column(DB::getQueryLog(), 'query'), static fn (string $sql): bool => str_contains($sql, 'limit 60'));
        // By the last change what stands in one way lies together.
        self::assertCount(5, $asked);
        // How another database finds its way is its own affair.
        foreach (DB::connection() instanceof WriteFirstSqlite ? $asked : [] as $sql) {
            $plan = implode(' ', array_column(DB::select('explain query plan '.str_replace('?', "'x'", $sql)), 'detail'));
            self::assertStringContainsString('USING COVERING INDEX shop_jobs_', $plan, $sql);
            self::assertStringNotContainsString('TEMP B-TREE FOR ORDER', $plan, $sql);
        }
        self::assertSame(0, Artisan::call('neat-edge:prune'));
    }
}
