<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\BenchPiece;
use App\Models\Preparation;
use App\Models\ReferencePicture;
use App\Models\Revision;
use App\Models\ShopJob;
use App\Models\StepResult;
use App\Models\Work;
use App\Models\WriteFirstSqlite;
use App\Prep\Holder;
use App\Works\Budget;
use App\Works\BudgetSpent;
use App\Works\RunWork;
use App\Works\Works;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use NeatEdge\Core\Format\Json\ArtworkDifference;
use NeatEdge\Core\Patience\Patience;
use PDO;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** What a shop keeps, for how long, and that two who work on it never see half of anything. */
final class NothingIsLostTest extends TestCase
{
    use RefreshDatabase;

    private const SVG = '<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="50mm" viewBox="0 0 100 50"><rect x="10" y="10" width="50"'
        .' height="20" fill="#f00"/><path d="M20 20h60" stroke="#00f" stroke-width="4"/><foreignObject x="5" y="45" width="9" height="3"/></svg>';

    private function job(string $svg = self::SVG): int
    {
        return $this->post(
            '/api/v1/jobs',
            ['process' => 'cut-vinyl', 'file' => UploadedFile::fake()->createWithContent('a.svg', $svg)],
            ['Accept' => 'application/json'],
        )->assertCreated()->json('id');
    }

    private function version(int $job): int
    {
        return ShopJob::query()->findOrFail($job)->version;
    }

    #[Test]
    public function a_deleted_job_lies_in_the_trash_and_comes_back_as_it_was(): void
    {
        $job = $this->job();
        $this->postJson("/api/v1/jobs/{$job}/preparations");
        $before = $this->getJson("/api/v1/jobs/{$job}")->json();
        $this->deleteJson("/api/v1/jobs/{$job}")->assertNoContent();
        $this->getJson("/api/v1/jobs/{$job}")->assertNotFound();
        self::assertSame([], $this->getJson('/api/v1/jobs')->json('jobs'));
        $this->getJson('/api/v1/trash')->assertJsonPath('data.0.id', $job);
        $this->travel(29)->days();
        Artisan::call('neat-edge:prune');
        $this->postJson("/api/v1/trash/{$job}/restore")->assertOk()->assertJsonPath('id', $job);
        $after = $this->getJson("/api/v1/jobs/{$job}")->json();
        unset($before['job']['updated'], $after['job']['updated']);
        self::assertSame($before, $after);
        $this->postJson("/api/v1/trash/{$job}/restore")->assertNotFound();
    }

    #[Test]
    public function after_thirty_days_everything_of_it_is_gone(): void
    {
        $job = $this->job();
        $stays = $this->job(str_replace('#f00', '#0a0', self::SVG));
        foreach ([$job, $stays] as $one) {
            $this->postJson("/api/v1/jobs/{$one}/preparations");
            $this->postJson("/api/v1/jobs/{$one}/versions", ['name' => 'First']);
            $picture = imagecreatetruecolor(8, max(1, $one));
            ob_start();
            imagepng($picture);
            $file = $this->post(
                "/api/v1/jobs/{$one}/reference",
                ['file' => UploadedFile::fake()->createWithContent('a.png', (string) ob_get_clean())],
                ['Accept' => 'application/json'],
            )->json('file');
            $this->postJson(
                "/api/v1/jobs/{$one}/edits",
                ['version' => $this->version($one), 'edit' => ['kind' => 'reference', 'picture' => ['file' => $file]]],
            )->assertOk();
        }
        self::assertSame([2, 8], [ReferencePicture::query()->count(), StepResult::query()->count()]);
        $this->deleteJson("/api/v1/jobs/{$job}");
        $this->travel(31)->days();
        Artisan::call('neat-edge:prune');
        foreach (['bench_pieces', 'revisions', 'versions', 'preparations', 'sources', 'job_pictures'] as $table) {
            self::assertSame([$stays], DB::table($table)->distinct()->pluck('shop_job_id')->all(), $table);
        }
        self::assertSame([1, 4], [ReferencePicture::query()->count(), StepResult::query()->count()]);
        $this->getJson("/api/v1/jobs/{$stays}")->assertOk();
        // Taken out of the trash by hand it is gone at once.
        $this->deleteJson("/api/v1/jobs/{$stays}");
        $this->deleteJson("/api/v1/trash/{$stays}")->assertNoContent();
        self::assertSame(0, DB::table('shop_jobs')->count());
    }

    #[Test]
    public function outcomes_of_older_preparations_go_and_those_of_the_last_stay(): void
    {
        $job = $this->job();
        for ($i = 0; $i < 5; $i++) {
            $this->postJson(
                "/api/v1/jobs/{$job}/edits",
                ['version' => $this->version($job), 'edit' => ['kind' => 'move', 'pieces' => ['p1'], 'x' => 0.5]],
            )->assertOk();
            $this->postJson("/api/v1/jobs/{$job}/preparations")->assertStatus(202);
        }
        self::assertSame([5, 20], [Preparation::query()->count(), StepResult::query()->count()]);
        Artisan::call('neat-edge:prune');
        self::assertSame(20, StepResult::query()->count(), 'what may still be at work is left alone');
        $this->travel(3)->hours();
        Artisan::call('neat-edge:prune');
        self::assertSame([2, 8], [Preparation::query()->count(), StepResult::query()->count()]);
        $id = $this->getJson("/api/v1/jobs/{$job}")->json('preparation.id');
        $this->letGo($job);
        $this->get("/api/v1/preparations/{$id}/sheets/1.svg")->assertOk();
    }

    #[Test]
    public function a_shop_of_many_jobs_is_pruned_in_one_go_and_what_runs_or_was_done_stays(): void
    {
        $job = $this->job();
        $jobs = [$job];
        $row = (array) DB::table('shop_jobs')->find($job);
        foreach (array_chunk(range(1, 20_000), 500) as $numbers) {
            DB::table('shop_jobs')->insert(array_map(static fn (int $i): array => [...$row, 'id' => $job + $i], $numbers));
            array_push($jobs, ...array_map(static fn (int $i): int => $job + $i, $numbers));
        }
        $rows = $works = [];
        foreach ($jobs as $id) {
            // The oldest first: one that is done, one that broke off, one at work, and two that broke off.
            foreach ($id === $job ? ['done', 'failed', 'running', 'failed', 'failed'] : ['done', 'done'] as $status) {
                $works[] = [
                    'id' => $work = 1000 + count($works),
                    'kind' => 'prepare',
                    'shop_job_id' => $id,
                    'title' => '',
                    'about' => '[]',
                    'state' => $status,
                    'holder' => Holder::own(),
                ];
                $rows[] = ['shop_job_id' => $id, 'work_id' => $work, 'version' => 1, 'steps' => '[]'];
            }
        }
        foreach (['works' => $works, 'preparations' => $rows] as $table => $all) {
            foreach (array_chunk($all, 2000) as $some) {
                DB::table($table)->insert($some);
            }
        }
        self::assertGreaterThan(40_000, DB::table('preparations')->count());
        self::assertStringContainsString('1 preparations', Artisan::call('neat-edge:prune') === 0 ? Artisan::output() : '');
        self::assertSame(
            ['done', 'running', 'failed', 'failed'],
            Preparation::query()->where('shop_job_id', $job)->orderBy('id')->get()->pluck('status')->all(),
        );
        self::assertSame(2, DB::table('preparations')->where('shop_job_id', $job + 20_000)->count());
    }

    #[Test]
    public function a_history_that_grows_too_large_forgets_its_oldest_changes_and_keeps_what_can_be_done_again(): void
    {
        $job = $this->job();
        for ($i = 0; $i < 30; $i++) {
            $this->postJson(
                "/api/v1/jobs/{$job}/edits",
                ['version' => $this->version($job), 'edit' => ['kind' => 'move', 'pieces' => ['p1', 'p2'], 'x' => 0.1 * ($i + 1)]],
            )->assertOk();
        }
        $this->postJson("/api/v1/jobs/{$job}/undo", ['version' => $this->version($job)]);
        $bench = $this->getJson("/api/v1/jobs/{$job}")->json('art');
        $most = (int) (DB::table('revisions')->where('shop_job_id', $job)->sum(DB::raw('length(change)')) / 3);
        config(['neat-edge.history_bytes' => $most]);
        Artisan::call('neat-edge:prune');
        self::assertLessThanOrEqual($most, (int) DB::table('revisions')->where('shop_job_id', $job)->sum(DB::raw('length(change)')));
        self::assertSame($bench, $this->getJson("/api/v1/jobs/{$job}")->json('art'));
        $this->postJson("/api/v1/jobs/{$job}/redo", ['version' => $this->version($job)])->assertOk()->assertJsonCount(2, 'changes.pieces');
        $undone = 0;
        while ($this->postJson("/api/v1/jobs/{$job}/undo", ['version' => $this->version($job)])->json('history.canUndo')) {
            $undone++;
        }
        self::assertGreaterThan(5, $undone);
        self::assertLessThan(15, $undone);
    }

    #[Test]
    public function undo_takes_a_size_back_whole_and_with_it_the_places_of_what_was_left_out(): void
    {
        $job = $this->job();
        $before = $this->getJson("/api/v1/jobs/{$job}")->json();
        self::assertEqualsWithDelta([5.0, 45.0], $before['notices'][0]['at'], 1e-9);
        $state = $this->patchJson("/api/v1/jobs/{$job}", ['version' => 1, 'width' => '300'])->assertOk();
        self::assertEqualsWithDelta([15.0, 135.0], $state->json('notices.0.at'), 1e-9);
        self::assertEqualsWithDelta([0.0, 0.0, 300.0, 150.0], $state->json('job.file'), 1e-9);
        $this->postJson("/api/v1/jobs/{$job}/undo", ['version' => 2])->assertOk();
        $after = $this->getJson("/api/v1/jobs/{$job}")->json();
        self::assertSame(
            [$before['notices'], $before['art'], $before['job']['width'], $before['job']['height']],
            [$after['notices'], $after['art'], $after['job']['width'], $after['job']['height']],
        );
        $redone = $this->postJson("/api/v1/jobs/{$job}/redo", ['version' => 3])->assertOk();
        self::assertEqualsWithDelta([15.0, 135.0], $redone->json('notices.0.at'), 1e-9);
    }

    #[Test]
    public function the_list_of_acts_leads_to_any_of_them_back_and_on_as_so_many_presses_would(): void
    {
        $job = $this->job();
        $do = fn (array $edit) => $this->postJson("/api/v1/jobs/{$job}/edits", ['version' => $this->version($job), 'edit' => $edit])->assertOk();
        $art = fn (): array => $this->getJson("/api/v1/jobs/{$job}")->json('art');
        $go = fn (int $number) => $this->postJson("/api/v1/jobs/{$job}/act", ['version' => $this->version($job), 'number' => $number]);
        $states = [1 => $art()];
        $do(['kind' => 'move', 'pieces' => ['p1'], 'x' => 3, 'y' => 4]);
        $states[] = $art();
        $do(['kind' => 'draw-shape', 'shape' => 'star', 'x' => 20, 'y' => 20, 'width' => 10, 'height' => 10, 'fill' => '#123456']);
        $states[] = $art();
        $this->patchJson("/api/v1/jobs/{$job}", ['version' => $this->version($job), 'width' => '300'])->assertOk();
        $states[] = $art();
        $do(['kind' => 'remove', 'pieces' => ['p1']]);
        $states[] = $art();
        $acts = fn (): array => array_column($this->getJson("/api/v1/jobs/{$job}/acts")->assertOk()->json('acts'), 'state', 'number');
        self::assertSame([5 => 'now', 4 => 'done', 3 => 'done', 2 => 'done', 1 => 'done'], $acts());
        self::assertSame('Move 5 mm', $this->getJson("/api/v1/jobs/{$job}/acts")->json('acts.3.label'));
        foreach ([2, 5, 3, 4, 1, 5] as $number) {
            $go($number)->assertOk();
            self::assertSame($states[$number], $art(), "the state after act {$number}");
            self::assertCount(5, $acts());
            self::assertSame('now', $acts()[$number]);
        }
        // The places of what was left out go along, as with undo.
        self::assertEqualsWithDelta([15.0, 135.0], $this->getJson("/api/v1/jobs/{$job}")->json('notices.0.at'), 1e-9);
        $go(2)->assertOk();
        self::assertEqualsWithDelta([5.0, 45.0], $this->getJson("/api/v1/jobs/{$job}")->json('notices.0.at'), 1e-9);
        self::assertSame([5 => 'undone', 4 => 'undone', 3 => 'undone', 2 => 'now', 1 => 'done'], $acts());
        // What is done now leads another way: the acts that were taken back are not on it.
        $do(['kind' => 'move', 'pieces' => ['p1'], 'x' => 1, 'y' => 0]);
        self::assertSame([6 => 'now', 2 => 'done', 1 => 'done'], $acts());
        $go(4)->assertStatus(422)->assertJsonPath('message', 'That act is not one of those that led here; look at the list again.');
        $go(6)->assertOk()->assertJsonPath('changes.pieces', []);
        // What stands beside the art goes along over several acts: what is said of the customer's file, and how the job is laid out.
        $told = fn (): array => $this->getJson("/api/v1/jobs/{$job}")->json('notices');
        $was = $told();
        $nothing = ArtworkDifference::fromArray([]);
        $one = ShopJob::query()->findOrFail($job);
        $accepted = [...$one->notices[0], 'accepted' => 'so'];
        $number = Revision::add($one, 'Said', $nothing, $nothing, ['ahead' => ['notices' => [$accepted]], 'back' => ['notices' => [$one->notices[0]]]]);
        $one->update(['revision' => $number, 'notices' => [$accepted, ...array_slice($one->notices, 1)]]);
        $do(['kind' => 'move', 'pieces' => ['p1'], 'x' => 1, 'y' => 0]);
        self::assertSame('so', $told()[0]['accepted']);
        $go(6)->assertOk();
        self::assertSame($was, $told());
    }

    #[Test]
    public function redo_takes_the_newest_of_several_ways(): void
    {
        $job = $this->job();
        $fill = fn (string $colour) => $this->postJson(
            "/api/v1/jobs/{$job}/edits",
            ['version' => $this->version($job), 'edit' => ['kind' => 'fill', 'pieces' => ['p1'], 'colour' => $colour]],
        )->assertOk();
        $go = fn (string $way) => $this->postJson("/api/v1/jobs/{$job}/{$way}", ['version' => $this->version($job)]);
        $fill('#111111');
        $go('undo');
        $fill('#222222');
        $go('undo');
        $fill('#333333');
        $go('undo');
        $go('redo')->assertJsonPath('changes.pieces.0.fill', '#333333');
    }

    #[Test]
    public function a_version_of_another_job_is_neither_shown_nor_laid_back_nor_dropped(): void
    {
        [$job, $other] = [$this->job(), $this->job(str_replace('#f00', '#0a0', self::SVG))];
        $version = $this->postJson("/api/v1/jobs/{$other}/versions", ['name' => 'Theirs'])->json('versions.0.id');
        $before = $this->getJson("/api/v1/jobs/{$job}")->json('art');
        $this->getJson("/api/v1/jobs/{$job}/versions/{$version}")->assertNotFound();
        $this->postJson("/api/v1/jobs/{$job}/versions/{$version}/back", ['version' => 1])->assertNotFound();
        $this->deleteJson("/api/v1/jobs/{$job}/versions/{$version}")->assertNotFound();
        self::assertSame($before, $this->getJson("/api/v1/jobs/{$job}")->json('art'));
        $this->getJson("/api/v1/jobs/{$other}/versions")->assertJsonCount(1, 'versions');
        // An equal version laid back changes nothing and stores nothing.
        $revisions = Revision::query()->count();
        $this->postJson(
            "/api/v1/jobs/{$other}/versions/{$version}/back",
            ['version' => 1],
        )->assertOk()->assertJsonPath('changes.pieces', [])->assertJsonPath('job.version', 1);
        self::assertSame($revisions, Revision::query()->count());
    }

    #[Test]
    public function a_new_preparation_stops_the_one_before(): void
    {
        Queue::fake();
        $job = $this->job();
        $first = $this->postJson("/api/v1/jobs/{$job}/preparations")->json();
        $change = fn () => $this->postJson(
            "/api/v1/jobs/{$job}/edits",
            ['version' => $this->version($job), 'edit' => ['kind' => 'move', 'pieces' => ['p1'], 'x' => 0.5]],
        )->assertOk();
        $change();
        $second = $this->postJson("/api/v1/jobs/{$job}/preparations")->json();
        $this->getJson("/api/v1/preparations/{$first['id']}")->assertJsonPath('status', 'stopped');
        self::assertNotNull(Works::take($second['work']['id']));
        $change();
        $this->postJson("/api/v1/jobs/{$job}/preparations");
        self::assertSame('stop', Work::query()->whereKey($second['work']['id'])->value('asked'));
    }

    #[Test]
    public function work_whose_process_is_gone_is_taken_up_again_and_named_when_that_does_not_help(): void
    {
        Queue::fake();
        $asked = $this->postJson("/api/v1/jobs/{$this->job()}/preparations")->json();
        $waiting = $this->postJson("/api/v1/jobs/{$this->job()}/preparations")->json('id');
        $gone = Holder::machine().':1:0';
        foreach ([1, 2, 3] as $try) {
            $hold = Works::take($asked['work']['id']);
            self::assertNotNull($hold);
            Artisan::call('neat-edge:recover');
            $this->getJson("/api/v1/preparations/{$asked['id']}")->assertJsonPath('status', 'running');
            $hold->keep(['holder' => $gone, 'doing' => 'Remove hidden']);
            Artisan::call('neat-edge:recover');
            $this->getJson("/api/v1/preparations/{$asked['id']}")->assertJsonPath('status', $try < 3 ? 'waiting' : 'failed')->assertJsonPath('work.doing', '');
            Queue::assertPushed(RunWork::class, 2 + min(2, $try));
        }
        $this->getJson("/api/v1/preparations/{$asked['id']}")->assertJsonPath(
            'work.error',
            'The server was stopped while it prepared this job; the source art is untouched. Prepare it again.',
        );
        $this->getJson("/api/v1/preparations/{$waiting}")->assertJsonPath('status', 'waiting');
        // One whose place in the queue was lost is brought again.
        $this->travel(10)->minutes();
        Work::query()->where('state', 'waiting')->update(['queued_at' => microtime(true) - 400]);
        Works::sweep();
        Works::sweep();
        Queue::assertPushed(RunWork::class, 5);
    }

    #[Test]
    public function a_bench_is_read_at_one_moment_although_somebody_writes_between(): void
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'neat-edge-snapshot-');
        try {
            $writer = new PDO("sqlite:{$path}");
            $writer->exec('PRAGMA journal_mode=WAL; CREATE TABLE migrations (id INTEGER, batch INTEGER); CREATE TABLE job (width REAL); CREATE TABLE piece'
                .' (x REAL); INSERT INTO job VALUES (100); INSERT INTO piece VALUES (95)');
            $reader = new WriteFirstSqlite(new PDO("sqlite:{$path}", options: [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]), $path);
            $read = static fn (?callable $between): array => $reader->snapshot(static function () use ($reader, $between): array {
                $width = $reader->selectOne('SELECT width FROM job')->width;
                $between === null ?: $between();

                return [$width, $reader->selectOne('SELECT x FROM piece')->x];
            });
            self::assertSame(
                [100.0, 95.0],
                $read(static fn () => $writer->exec('BEGIN IMMEDIATE; UPDATE job SET width = 200; UPDATE piece SET x = 195; COMMIT')),
            );
            self::assertSame([200.0, 195.0], $read(null), 'and the next reading sees what was written');
            $within = $reader->snapshot(static fn (): array => $read(static fn () => $writer->exec('BEGIN IMMEDIATE; UPDATE piece SET x = 295; COMMIT')));
            self::assertSame([200.0, 195.0], $within, 'one within another sees what that sees');
            self::assertSame([200.0, 295.0], $read(null));
            // Nobody was kept out meanwhile, and nothing is left locked.
            $writer->exec('UPDATE job SET width = 300');
            self::assertSame(300.0, $reader->selectOne('SELECT width FROM job')->width);
        } finally {
            array_map(unlink(...), glob("{$path}*") ?: []);
        }
    }

    #[Test]
    public function what_computes_too_long_is_given_up_with_a_sentence_and_changes_nothing(): void
    {
        config(['neat-edge.request_seconds' => 1]);
        try {
            Budget::within('This change', static function (): float {
                for ($sum = 0.0, $i = 1; $i < PHP_INT_MAX; $i++) {
                    Patience::ask();
                    $sum += 1 / $i;
                }

                return $sum;
            });
            self::fail('It never ended.');
        } catch (BudgetSpent $spent) {
            self::assertSame(
                'This change needs more than 1 seconds of computing and was given up; nothing was changed. Try it with less at once.',
                $spent->getMessage(),
            );
        }
        self::assertSame(5, Budget::within('This change', static fn (): int => 5));
        // On a busy machine the clock runs on while nothing is computed: that is late, and no fault of the work.
        self::assertSame(6, Budget::within('This change', static function (): int {
            for ($end = microtime(true) + 2.5; microtime(true) < $end;) {
                usleep(50_000);
                Patience::ask(100_000);
            }

            return 6;
        }));
        // Nobody asks any more in whatever comes next.
        for ($k = 0; $k < 10_000_000; $k++) {
            Patience::ask(1000);
        }
        // Real work is given up as well, wherever it is.
        $job = $this->job();
        for ($k = 0; $k < 7; $k++) {
            $ids = array_column($this->getJson("/api/v1/jobs/{$job}")->json('art.pieces'), 'id');
            $this->postJson(
                "/api/v1/jobs/{$job}/edits",
                ['version' => $this->version($job), 'edit' => ['kind' => 'copy', 'pieces' => $ids, 'x' => 3 + 2 ** $k, 'y' => 2]],
            )->assertOk();
        }
        config(['neat-edge.request_seconds' => 0]);
        $version = $this->version($job);
        $ids = array_column($this->getJson("/api/v1/jobs/{$job}")->json('art.pieces'), 'id');
        $refused = $this->postJson("/api/v1/jobs/{$job}/edits", ['version' => $version, 'edit' => ['kind' => 'weld', 'pieces' => $ids]]);
        self::assertSame(
            [422, 'This change needs more than 0 seconds of computing and was given up; nothing was changed. Try it with less at once.'],
            [$refused->status(), $refused->json('message')],
        );
        self::assertSame([$version, $ids], [$this->version($job), array_column($this->getJson("/api/v1/jobs/{$job}")->json('art.pieces'), 'id')]);
    }

    #[Test]
    public function a_drawing_of_too_many_crossings_is_refused_by_its_measure_and_the_shop_goes_on(): void
    {
        $strips = '';
        for ($i = 0; $i < 360; $i++) {
            $strips .= sprintf('<path d="M%1$d 0h.5v400h-.5z" fill="#123"/><path d="M0 %1$dv.5h400v-.5z" fill="#456"/>', $i);
        }
        $job = $this->job("<svg xmlns='http://www.w3.org/2000/svg' width='400mm' height='400mm' viewBox='0 0 400 400'>{$strips}</svg>");
        $id = $this->postJson("/api/v1/jobs/{$job}/preparations")->assertStatus(202)->json('id');
        $state = $this->getJson("/api/v1/preparations/{$id}")->assertJsonPath('status', 'failed');
        self::assertStringContainsString('more than 500,000 places', (string) $state->json('work.error'));
        $this->postJson(
            "/api/v1/jobs/{$job}/edits",
            ['version' => 1, 'edit' => ['kind' => 'weld', 'pieces' => array_column($this->getJson("/api/v1/jobs/{$job}")->json('art.pieces'), 'id')]],
        )
            ->assertStatus(422)->assertJsonPath('message', $state->json('work.error'));
        self::assertSame(1, $this->version($job));
    }

    #[Test]
    public function pages_in_an_older_form_are_made_anew_when_they_are_read(): void
    {
        $job = $this->job();
        $before = $this->getJson("/api/v1/jobs/{$job}")->json('art');
        BenchPiece::query()->where('shop_job_id', $job)->update(['page' => '{"id":"p1","old":true}', 'page_form' => 1]);
        self::assertSame($before, $this->getJson("/api/v1/jobs/{$job}")->json('art'));
    }
}
