<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Contents;
use App\Models\Sending;
use App\Models\ShopJob;
use App\Models\StockItem;
use App\Models\Work;
use App\Prep\Broken;
use App\Prep\Holder;
use App\Prep\Laid;
use App\Prep\Made;
use App\Prep\Pruning;
use App\Prep\WantedFile;
use App\Prep\Written;
use App\Works\Kinds\WriteFiles;
use App\Works\Lost;
use App\Works\RunWork;
use App\Works\Works;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Testing\TestResponse;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Shop\Stock;
use PDOException;
use PHPUnit\Framework\Attributes\Test;
use RuntimeException;
use Symfony\Component\Process\Process;
use Tests\TestCase;
use ZipArchive;

/** The last stage over HTTP: what the shop has, laying out, files, machines, sizes. */
final class SendTest extends TestCase
{
    use RefreshDatabase;

    private string $folder = '';

    private ?Process $machine = null;

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/neat-edge-send-'.bin2hex(random_bytes(5));
        mkdir($this->folder);
        config(['filesystems.disks.contents.root' => "{$this->folder}/contents"]);
    }

    protected function tearDown(): void
    {
        $this->machine?->stop(0.0, SIGKILL);
        exec('rm -rf '.escapeshellarg($this->folder));
        parent::tearDown();
    }

    private function job(string $process = 'cut-vinyl', string $body = ''): int
    {
        $svg = '<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="60mm" viewBox="0 0 100 60">'
            .($body === '' ? '<rect x="5" y="5" width="60" height="40" fill="#e0a030"/><path d="M70 10H95V50Z" fill="#223344"/>' : $body).'</svg>';
        $id = $this->post(
            '/api/v1/jobs',
            ['process' => $process, 'width' => '100', 'title' => 'Boat sign', 'file' => UploadedFile::fake()->createWithContent('sign.svg', $svg)],
            ['Accept' => 'application/json'],
        )->assertCreated()->json('id');
        $this->postJson("/api/v1/jobs/{$id}/preparations")->assertStatus(202);

        return $id;
    }

    private function cutter(string ...$options): StockItem
    {
        $free = stream_socket_server('tcp://127.0.0.1:0');
        self::assertNotFalse($free);
        $port = (int) substr((string) strrchr((string) stream_socket_get_name($free, false), ':'), 1);
        fclose($free);
        $this->machine = new Process(
            [
                PHP_BINARY, 'console/neat-edge.php', 'device', 'cutter', "--port={$port}", "--out-dir={$this->folder}/out", '--pace=0',
                '--bed=1000x610mm', ...$options,
            ],
            base_path(),
            timeout: null,
        );
        $this->machine->start();
        for ($k = 0; $k < 200 && ! str_contains($this->machine->getOutput(), 'listening'); $k++) {
            usleep(20_000);
        }

        return StockItem::query()->create([
            'kind' => 'machine',
            'name' => 'Long cutter',
            'data' => Stock::values('machine', ['port' => $port, 'overcut' => '0']),
        ]);
    }

    /** @return array<string, mixed> a sending with how far it is */
    private function sending(int $id): array
    {
        $row = $this->getJson("/api/v1/sendings/{$id}")->assertOk()->json();

        return [...$row['work'], ...$row, 'status' => $row['work']['state'], 'work' => $row['work']['id']];
    }

    /** @return array<string, mixed> */
    private function tell(int $sending, string $what): array
    {
        $this->postJson("/api/v1/works/{$this->sending($sending)['work']}/{$what}")->assertOk();

        return $this->sending($sending);
    }

    /**
     * As somebody else would have left its work.
     *
     * @param  array<string, mixed>  $columns
     */
    private function workOf(int $sending, array $columns): Work
    {
        $work = Work::query()->whereKey($this->sending($sending)['work'])->firstOrFail();
        $work->update($columns);

        return $work;
    }

    #[Test]
    public function what_the_shop_has_is_added_changed_and_taken_out_and_nonsense_is_refused(): void
    {
        $made = $this->postJson(
            '/api/v1/stock',
            ['kind' => 'material', 'name' => 'Sailcloth', 'values' => ['width' => '50cm', 'price' => 7]],
        )->assertCreated()->assertJsonPath('values.width', 500);
        $this->postJson(
            '/api/v1/stock',
            ['kind' => 'material', 'name' => 'Sailcloth'],
        )->assertStatus(422)->assertJsonPath('message', 'There is one of that name already.');
        $this->postJson('/api/v1/stock', ['kind' => 'boat', 'name' => 'x'])->assertStatus(422)->assertJsonPath('message', 'There is no such kind of thing.');
        $this->patchJson("/api/v1/stock/{$made->json('id')}", ['values' => ['width' => 'wide']])->assertStatus(422);
        $this->patchJson(
            "/api/v1/stock/{$made->json('id')}",
            ['name' => 'Sailcloth 2', 'values' => ['grain' => true]],
        )->assertOk()->assertJsonPath('values.grain', true)->assertJsonPath('values.width', 500);
        self::assertSame(['Sailcloth 2'], $this->getJson('/api/v1/stock')->json('items.*.name'));
        $this->deleteJson("/api/v1/stock/{$made->json('id')}")->assertNoContent();
    }

    #[Test]
    public function a_job_is_laid_out_by_its_choices_and_on_its_materials(): void
    {
        $job = $this->job();
        $first = $this->getJson("/api/v1/jobs/{$job}/making")->assertOk();
        self::assertSame(['boat-sign-1-gold-e0a030-60x40', 'boat-sign-2-dark-blue-223344-25x40'], $first->json('layouts.*.name'));
        self::assertSame(6, count($first->json('formats')));
        $film = $this->postJson(
            '/api/v1/stock',
            ['kind' => 'material', 'name' => 'Lamp yellow', 'values' => ['colour' => '#e0a030', 'width' => '300mm']],
        )->json('id');
        $now = $this->putJson(
            "/api/v1/jobs/{$job}/making",
            ['values' => ['copies' => '3', 'weedEvery' => '1in'], 'materials' => ['#e0a030' => $film]],
        )->assertOk();
        self::assertEqualsWithDelta(300.0, $now->json('layouts.0.height_mm'), 1e-6);
        self::assertEqualsWithDelta(610.0, $now->json('layouts.1.height_mm'), 1e-6);
        self::assertSame('Lamp yellow', $now->json('layouts.0.material'));
        self::assertSame(3, $now->json('layouts.0.layers.0.lines'));
        self::assertEqualsWithDelta(25.4, $now->json('values.weedEvery'), 1e-9);
        $this->putJson(
            "/api/v1/jobs/{$job}/making",
            ['values' => ['copies' => '-1']],
        )->assertStatus(422)->assertJsonPath('message', 'Copies: type a whole number between 1 and 2000.');
        $this->putJson("/api/v1/jobs/{$job}/making", ['materials' => ['#e0a030' => 9999]])->assertStatus(422);
        self::assertSame(3, $this->getJson("/api/v1/jobs/{$job}/making")->json('values.copies'), 'nothing was changed by what was refused');
        $this->get("/api/v1/jobs/{$job}/layouts/0/picture.svg")->assertOk()->assertHeader('Content-Type', 'image/svg+xml');
        $small = $this->get("/api/v1/jobs/{$job}/layouts/0/small.webp")->assertOk()->assertHeader('Content-Type', 'image/webp');
        $picture = imagecreatefromstring((string) $small->getContent());
        self::assertNotFalse($picture);
        self::assertSame(160, max(imagesx($picture), imagesy($picture)), 'as large as a card needs, by its longer side');
        $this->get("/api/v1/jobs/{$job}/layouts/0/small.webp", ['If-None-Match' => (string) $small->headers->get('ETag')])->assertStatus(304);
        $moves = $this->getJson("/api/v1/jobs/{$job}/layouts/0/moves")->assertOk()->json();
        self::assertEqualsWithDelta($now->json('layouts.0.length_mm'), $moves['cut_mm'], 0.001 * $moves['cut_mm']);
        $this->getJson("/api/v1/jobs/{$job}/layouts/7/moves")->assertNotFound();
        $bare = $this->post(
            '/api/v1/jobs',
            [
                'process' => 'cut-vinyl',
                'width' => '100',
                'file' => UploadedFile::fake()->createWithContent(
                    's.svg',
                    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><rect width="9" height="9"/></svg>',
                ),
            ],
            ['Accept' => 'application/json'],
        )->json('id');
        $this->getJson("/api/v1/jobs/{$bare}/making")->assertStatus(422)->assertJsonPath(
            'message',
            'There is nothing to lay out until the art has been prepared.',
        );
    }

    #[Test]
    public function copies_are_nested_moved_by_hand_and_never_onto_another(): void
    {
        $job = $this->job();
        $this->putJson("/api/v1/jobs/{$job}/making", ['values' => ['copies' => '4', 'arrange' => 'nest', 'bedWidth' => '150mm', 'weedBox' => '0']])->assertOk();
        $nesting = $this->postJson("/api/v1/jobs/{$job}/works", ['kind' => 'nest', 'seconds' => 1])->assertStatus(202)->json('id');
        $run = $this->getJson("/api/v1/works/{$nesting}")->json();
        self::assertSame('done', $run['state'], $run['error']);
        self::assertSame(['#e0a030', '#223344'], array_keys($run['outcome']['progress']));
        self::assertTrue($this->getJson("/api/v1/jobs/{$job}/making")->json('nested'));
        $copies = $this->getJson("/api/v1/jobs/{$job}/copies")->assertOk()->json('0.copies');
        self::assertCount(4, $copies);
        $this->postJson(
            "/api/v1/jobs/{$job}/copies",
            ['sheet' => '#e0a030', 'moved' => [['copy' => 0, 'x' => $copies[1]['x'] + 5, 'y' => $copies[1]['y'] + 5]]],
        )->assertStatus(422)->assertJsonFragment(['message' => $this->lastMessage()]);
        self::assertStringStartsWith('There it would lie on another copy', $this->lastMessage());
        $this->postJson(
            "/api/v1/jobs/{$job}/copies",
            ['sheet' => '#e0a030', 'moved' => [['copy' => 0, 'x' => 5, 'y' => 140]]],
        )->assertStatus(422)->assertJsonPath('message', 'There it would lie beyond the bed.');
        $moved = $this->postJson(
            "/api/v1/jobs/{$job}/copies",
            ['sheet' => '#e0a030', 'moved' => [['copy' => 0, 'x' => 600, 'y' => 20, 'turn' => 90]]],
        )->assertOk()->json('0.copies.0');
        self::assertSame([600, 20, 90, true], [$moved['x'], $moved['y'], $moved['turn'], $moved['kept']]);
        self::assertGreaterThan(600, $this->getJson("/api/v1/jobs/{$job}/making")->json('layouts.0.width_mm'));
        $this->postJson("/api/v1/jobs/{$job}/works", ['kind' => 'nest', 'seconds' => 1])->assertStatus(202);
        self::assertContains(
            [600, true],
            array_map(static fn (array $one): array => [$one['x'], $one['kept']], $this->getJson("/api/v1/jobs/{$job}/copies")->json('0.copies')),
            'a hand is not overruled',
        );
        $this->postJson(
            "/api/v1/jobs/{$job}/copies",
            ['sheet' => '#e0a030', 'moved' => [['copy' => 0, 'x' => 600, 'y' => 20], ['copy' => 0, 'x' => 700, 'y' => 20]]],
        )->assertStatus(422);
        $this->putJson("/api/v1/jobs/{$job}/making", ['values' => ['arrange' => 'drawn']])->assertOk();
        $this->postJson("/api/v1/jobs/{$job}/works", ['kind' => 'nest'])->assertStatus(422);
        $this->postJson(
            "/api/v1/jobs/{$job}/works",
            ['kind' => 'nest', 'seconds' => 601],
        )->assertStatus(422)->assertJsonPath('message', 'Search for seconds: type a whole number between 1 and 600.');
        $this->postJson("/api/v1/jobs/{$job}/works", ['kind' => 'dance'])->assertStatus(422)->assertJsonPath('message', 'Say which kind of work.');
        $this->postJson("/api/v1/jobs/{$job}/works", ['kind' => 'send'])->assertStatus(422)->assertJsonPath('message', 'That is not begun in this way.');
        self::assertSame(2, Work::query()->where('kind', 'nest')->count());
    }

    #[Test]
    public function what_is_laid_by_hand_is_a_state_like_every_other_and_a_whole_sheet_moves_at_once(): void
    {
        $job = $this->job();
        $this->putJson(
            "/api/v1/jobs/{$job}/making",
            ['values' => ['copies' => '3', 'weedBox' => '0']],
        )->assertOk()->assertJsonPath('history.label', 'Lay it out: 2 choices');
        $places = fn (): array => array_map(
            static fn (array $one): array => [$one['x'], $one['y']],
            $this->getJson("/api/v1/jobs/{$job}/copies")->json('0.copies'),
        );
        $first = $places();
        $whole = array_map(static fn (array $at, int $i): array => ['copy' => $i, 'x' => $at[0] + 40, 'y' => $at[1] - 25], $first, array_keys($first));
        $this->postJson("/api/v1/jobs/{$job}/copies", ['sheet' => '#e0a030', 'moved' => $whole])->assertOk();
        $moved = $places();
        self::assertEqualsWithDelta(array_map(static fn (array $at): array => [$at[0] + 40, $at[1] - 25], $first), $moved, 1e-3);
        // One of two that move runs into the third, which stays.
        $onto = [$whole[0], ['copy' => 1, 'x' => $moved[2][0] + 2, 'y' => $moved[2][1] + 2]];
        self::assertStringStartsWith(
            'There it would lie on another copy',
            (string) $this->postJson("/api/v1/jobs/{$job}/copies", ['sheet' => '#e0a030', 'moved' => $onto])->assertStatus(422)->json('message'),
        );
        // So do two that move onto each other.
        self::assertStringStartsWith(
            'There it would lie on another copy',
            (string) $this->postJson(
                "/api/v1/jobs/{$job}/copies",
                ['sheet' => '#e0a030', 'moved' => [['copy' => 0, 'x' => 700, 'y' => 20], ['copy' => 1, 'x' => 702, 'y' => 22]]],
            )->assertStatus(422)->json('message'),
        );
        self::assertSame($moved, $places(), 'what was refused moved nothing');
        $state = $this->getJson("/api/v1/jobs/{$job}");
        self::assertSame('Lay 3 copies by hand', $state->json('history.label'));
        self::assertFalse($state->json('preparation.stale'), 'the art is what was prepared');
        $version = $state->json('job.version');

        $back = $this->postJson("/api/v1/jobs/{$job}/undo", ['version' => $version, 'key' => 'back-once'])->assertOk();
        self::assertSame($version, $back->json('job.version'), 'no window is stale by it');
        self::assertSame($first, $places());
        $this->postJson(
            "/api/v1/jobs/{$job}/undo",
            ['version' => $version, 'key' => 'back-once'],
        )->assertOk()->assertJsonPath('history.label', 'Lay it out: 2 choices');
        self::assertSame($first, $places(), 'what was asked for again, its answer lost, is not done twice');
        $this->postJson("/api/v1/jobs/{$job}/undo", ['version' => $version, 'key' => 'back-twice'])->assertOk();
        self::assertSame(1, $this->getJson("/api/v1/jobs/{$job}/making")->json('values.copies'));
        $this->postJson("/api/v1/jobs/{$job}/redo", ['version' => $version, 'key' => 'on'])->assertOk();
        $this->postJson("/api/v1/jobs/{$job}/redo", ['version' => $version, 'key' => 'on again'])->assertOk();
        self::assertSame($moved, $places());
        self::assertFalse($this->getJson("/api/v1/jobs/{$job}")->json('preparation.stale'));
        $this->putJson("/api/v1/jobs/{$job}/making", ['values' => ['copies' => '3']])->assertOk()->assertJsonPath('history.label', 'Lay 3 copies by hand');
    }

    #[Test]
    public function what_is_chosen_while_it_is_laid_out_goes_with_it_and_whoever_chose_otherwise_is_not_overruled(): void
    {
        $job = $this->job();
        $made = fn () => $this->getJson("/api/v1/jobs/{$job}/making");
        Queue::fake();
        $first = $this->putJson("/api/v1/jobs/{$job}/making", ['values' => ['copies' => '3']])->assertStatus(202)->json('work.id');
        $second = $this->putJson("/api/v1/jobs/{$job}/making", ['values' => ['weedBox' => '0']])->assertStatus(202)->json('work.id');
        self::assertSame(
            ['stopped', 'waiting'],
            [$this->getJson("/api/v1/works/{$first}")->json('state'), $this->getJson("/api/v1/works/{$second}")->json('state')],
        );
        // Who only looks meanwhile is told of it, and stops nothing.
        $made()->assertStatus(202)->assertJsonPath('work.id', $second);
        // A file is held back until it is there: workers lay it out meanwhile, and write it.
        $ran = [];
        $worker = (object) ['busy' => false];
        DB::listen(static function (QueryExecuted $query) use (&$ran, $worker): void {
            if (! $worker->busy && str_starts_with($query->sql, 'select * from "works" where "id" =')) {
                $worker->busy = true;
                foreach (Work::query()->where('state', 'waiting')->get() as $work) {
                    $ran[] = $work->kind;
                    (new RunWork($work->id))->handle();
                }
                $worker->busy = false;
            }
        });
        $zip = (string) $this->get("/api/v1/jobs/{$job}/files.zip?format=svg")->assertOk()->getContent();
        self::assertSame(['lay-out', 'write-files'], $ran);
        self::assertStringStartsWith('PK', $zip);
        // Once written it is given again, and no worker is asked.
        self::assertSame($zip, (string) $this->get("/api/v1/jobs/{$job}/files.zip?format=svg")->assertOk()->getContent());
        self::assertCount(2, $ran);
        $worker->busy = true;
        self::assertSame(1, Work::query()->where('kind', 'write-files')->count());
        self::assertEquals([3, 0], [$made()->assertOk()->json('values.copies'), $made()->json('values.weedBox')]);
        $made()->assertJsonPath('history.label', 'Lay it out: Weed box');
        // Undone while something else is being laid out: that was chosen on top of what is no more.
        $third = $this->putJson("/api/v1/jobs/{$job}/making", ['values' => ['copies' => '5']])->assertStatus(202)->json('work.id');
        $this->postJson("/api/v1/jobs/{$job}/undo", ['version' => ShopJob::query()->findOrFail($job)->version])->assertOk();
        (new RunWork($third))->handle();
        $this->getJson("/api/v1/works/{$third}")->assertJsonPath('state', 'failed')->assertJsonPath(
            'error',
            'It was laid out otherwise meanwhile; nothing was changed.',
        );
        self::assertEquals([], ShopJob::query()->findOrFail($job)->making['values'] ?? []);
        // What cannot be laid out is never stored.
        $this->putJson("/api/v1/jobs/{$job}/making", ['values' => ['copies' => 'many']])->assertStatus(422);
    }

    #[Test]
    public function a_way_back_that_was_looked_up_before_it_was_laid_anew_leads_nowhere(): void
    {
        $job = $this->job();
        $this->postJson("/api/v1/jobs/{$job}/edits", ['version' => 1, 'edit' => ['kind' => 'line-switch', 'step' => 'clean-nodes', 'on' => false]])->assertOk();
        // Another window lays copies between the look at the history and the lock.
        $once = false;
        DB::listen(function (QueryExecuted $query) use ($job, &$once): void {
            if (! $once && str_contains($query->sql, 'from "revisions" where') && str_contains($query->sql, '"number" = ?')) {
                $once = true;
                Laid::change(ShopJob::query()->findOrFail($job), 'Laid meanwhile', static fn (): array => ['values' => ['copies' => 2]]);
            }
        });
        $this->postJson("/api/v1/jobs/{$job}/undo", ['version' => 2])->assertStatus(409)->assertJsonPath('history.label', 'Laid meanwhile');
        self::assertTrue($once);
    }

    #[Test]
    public function a_search_that_is_stopped_keeps_its_best_and_whatever_else_was_chosen(): void
    {
        $job = $this->job();
        $this->putJson("/api/v1/jobs/{$job}/making", ['values' => ['copies' => '3', 'arrange' => 'nest', 'weedBox' => '0']])->assertOk();
        // Somebody presses Stop as soon as something of it was told.
        DB::listen(static function (QueryExecuted $query): void {
            if (str_starts_with($query->sql, 'update "works" set "done"')) {
                Work::query()->where('kind', 'nest')
                    ->where('state', 'running')
                    ->where('asked', '')
                    ->where('about', 'like', '%60%')
                    ->toBase()
                    ->update(['asked' => 'stop']);
            }
        });
        $begun = microtime(true);
        $nesting = $this->postJson("/api/v1/jobs/{$job}/works", ['kind' => 'nest', 'seconds' => 60])->assertStatus(202)->json();
        self::assertLessThan(20.0, microtime(true) - $begun);
        self::assertSame(['stopped', ''], [$nesting['state'], $nesting['asked']]);
        $making = $this->getJson("/api/v1/jobs/{$job}/making");
        self::assertSame([3, true, 'Nest the copies'], [$making->json('values.copies'), $making->json('nested'), $making->json('history.label')]);
        // Its time is that of all sheets together.
        $begun = microtime(true);
        $this->postJson("/api/v1/jobs/{$job}/works", ['kind' => 'nest', 'seconds' => 4])->assertJsonPath('state', 'done');
        self::assertLessThan(7.0, microtime(true) - $begun);
    }

    private function lastMessage(): string
    {
        $job = ShopJob::query()->firstOrFail()->id;
        $copies = $this->getJson("/api/v1/jobs/{$job}/copies")->json('0.copies');

        return (string) $this->postJson(
            "/api/v1/jobs/{$job}/copies",
            ['sheet' => '#e0a030', 'moved' => [['copy' => 0, 'x' => $copies[1]['x'] + 5, 'y' => $copies[1]['y'] + 5]]],
        )->json('message');
    }

    #[Test]
    public function files_come_in_a_zip_with_a_list_and_one_by_one_and_stale_ones_only_by_name(): void
    {
        $job = $this->job();
        foreach (['svg', 'pdf', 'dxf', 'plt', 'gcode', 'png'] as $format) {
            $answer = $this->get("/api/v1/jobs/{$job}/files.zip?format={$format}&plates=one".($format === 'png' ? '&values[resolution]=50' : ''))->assertOk();
            file_put_contents("{$this->folder}/a.zip", $answer->getContent());
            $zip = new ZipArchive;
            self::assertTrue($zip->open("{$this->folder}/a.zip"));
            $manifest = json_decode((string) $zip->getFromName('manifest.json'), true);
            foreach ($manifest['files'] as $file) {
                self::assertSame($file['sha256'], hash('sha256', (string) $zip->getFromName($file['file'])));
            }
            self::assertCount($format === 'pdf' ? 1 : 2, $manifest['files'], $format);
        }
        $this->get("/api/v1/jobs/{$job}/files/1.plt?values[blade]=0.25mm")->assertOk()->assertHeader(
            'Content-Disposition',
            'attachment; filename="boat-sign-2-dark-blue-223344-25x40.plt"',
        );
        $this->getJson("/api/v1/jobs/{$job}/files/1.exe")->assertStatus(422);
        self::assertStringStartsWith('%PDF-', (string) $this->get("/api/v1/jobs/{$job}/job-sheet.pdf")->assertOk()->getContent());
        $this->postJson(
            "/api/v1/jobs/{$job}/edits",
            [
                'version' => ShopJob::query()->findOrFail($job)->version,
                'edit' => ['kind' => 'draw-shape', 'shape' => 'rectangle', 'x' => 1, 'y' => 1, 'width' => 5, 'height' => 5, 'fill' => '#223344'],
            ],
        )->assertOk();
        $this->getJson("/api/v1/jobs/{$job}/files.zip?format=svg")->assertStatus(422);
        $this->get("/api/v1/jobs/{$job}/files.zip?format=svg&earlier=1")->assertOk();
    }

    #[Test]
    public function a_sheet_is_sent_its_machine_fails_and_it_goes_on_and_nothing_is_sent_twice_unseen(): void
    {
        $job = $this->job();
        $machine = $this->cutter('--fail=empty', '--after=9');
        $sent = $this->postJson("/api/v1/jobs/{$job}/sendings", ['machine' => $machine->id, 'number' => 0])->assertStatus(202)->json();
        $stopped = $this->sending($sent['id']);
        self::assertSame('failed', $stopped['status']);
        self::assertStringContainsString('out of material', $stopped['error']);
        self::assertGreaterThan(0, $stopped['done']);
        $this->postJson(
            "/api/v1/jobs/{$job}/sendings",
            ['machine' => $machine->id, 'number' => 0],
        )->assertStatus(409)->assertJsonPath('message', 'This sheet is on its way to Long cutter already. Send it a second time?');
        $done = $this->tell($sent['id'], 'go');
        self::assertSame(['done', $done['of']], [$done['status'], $done['done']]);
        $log = json_decode((string) file_get_contents("{$this->folder}/out/job-0001.json"), true);
        self::assertEqualsWithDelta(
            $this->getJson("/api/v1/jobs/{$job}/making")->json('layouts.0.length_mm'),
            $log['cut_mm'],
            0.001 * $log['cut_mm'],
            'cut as long as the sheet says, not a stroke twice',
        );
        $this->postJson(
            "/api/v1/jobs/{$job}/sendings",
            ['machine' => $machine->id, 'number' => 0],
        )->assertStatus(409)->assertJsonPath('message', 'This sheet was sent to Long cutter before. Send it once more?');
        self::assertSame(
            ['Begun', 'Stopped', 'Goes on', 'Done'],
            array_map(
                static fn (array $row): string => implode(
                    ' ',
                    array_slice(explode(' ', rtrim($row['what'], ':')), 0, str_starts_with($row['what'], 'Goes') ? 2 : 1),
                ) === 'Stopped:' ? 'Stopped' : rtrim(implode(' ', array_slice(explode(' ', $row['what']), 0, str_starts_with($row['what'], 'Goes') ? 2 : 1)),
                    ':'),
                $done['log'],
            ),
        );
        $this->postJson("/api/v1/jobs/{$job}/sendings", ['machine' => 999, 'number' => 0])->assertStatus(422);
    }

    #[Test]
    public function a_machine_that_is_busy_for_a_moment_is_asked_again(): void
    {
        $job = $this->job();
        $machine = $this->cutter('--fail=busy');
        $sent = $this->postJson("/api/v1/jobs/{$job}/sendings", ['machine' => $machine->id, 'number' => 0])->assertStatus(202)->json('id');
        self::assertSame(['done', ''], [$this->sending($sent)['status'], $this->sending($sent)['error']]);
    }

    #[Test]
    public function a_worker_that_was_killed_leaves_a_sending_that_goes_on_where_the_machine_stands(): void
    {
        $job = $this->job();
        $machine = $this->cutter();
        // Sent wholly once, to know what there is to be cut; then as if the worker had died after part 4 was done and before it could be stored.
        $whole = $this->postJson("/api/v1/jobs/{$job}/sendings", ['machine' => $machine->id, 'number' => 0])->json();
        $sending = Sending::query()->where('id', $whole['id'])->firstOrFail();
        $bytes = $sending->bytes();
        $work = $this->workOf($sending->id, ['state' => 'running', 'done' => 2]);
        Works::sweep();
        self::assertSame('running', $work->refresh()->state, 'its worker, which is this process, is there: another that looks leaves it alone');
        $work->update(['holder' => 'elsewhere:12:0123456789abcdef', 'lease_until' => microtime(true) + 5]);
        Works::sweep();
        self::assertSame('running', $work->refresh()->state, 'one of another machine is left alone for as long as its lease lasts');
        $work->update(['lease_until' => microtime(true) - 0.1]);
        self::assertSame(1, Works::sweep());
        $stopped = $this->sending($sending->id);
        self::assertSame('failed', $stopped['status']);
        self::assertStringContainsString("2 of {$work->of} blocks are done", $stopped['error']);
        $stream = stream_socket_client("tcp://{$sending->address}");
        self::assertNotFalse($stream);
        // Begun, lowered and two strokes along; the last was not acknowledged.
        $words = explode(';', $bytes);
        $first = implode(';', array_slice($words, 0, 4)).';PD'.implode(',', array_slice(explode(',', substr($words[4], 2)), 0, 4)).';';
        fwrite($stream, $first.'OA;');
        self::assertMatchesRegularExpression('/^\d+,\d+,1/', (string) fread($stream, 40));
        fclose($stream);
        usleep(200_000);
        $done = $this->tell($sending->id, 'go');
        self::assertSame('done', $done['status'], $done['error']);
        $jobs = glob("{$this->folder}/out/*.json") ?: [];
        $log = json_decode((string) file_get_contents((string) end($jobs)), true);
        self::assertEqualsWithDelta($this->getJson("/api/v1/jobs/{$job}/making")->json('layouts.0.length_mm'), $log['cut_mm'], 0.01);
    }

    #[Test]
    public function a_file_that_is_not_kept_any_more_is_written_anew_and_one_of_another_state_is_not_given(): void
    {
        $job = $this->job();
        $fetch = fn () => (string) $this->get("/api/v1/jobs/{$job}/files.zip?format=svg")->assertOk()->getContent();
        $zip = $fetch();
        foreach (Contents::disk()->files(Written::FOLDER) as $path) {
            touch(Contents::disk()->path($path), time() - Written::KEPT - 5);
        }
        $works = fn (): int => Work::query()->where('kind', 'write-files')->count();
        self::assertSame(1, $works());
        self::assertStringStartsWith('PK', $fetch());
        self::assertSame([2, strlen($zip)], [$works(), strlen($fetch())]);
        self::assertSame(2, $works());
        touch(Contents::disk()->path(Contents::disk()->files(Written::FOLDER)[0]), time() - Written::KEPT - 5);
        Pruning::run();
        self::assertSame([], Contents::disk()->files(Written::FOLDER));

        Queue::fake();
        $work = WriteFiles::begin(ShopJob::query()->findOrFail($job), new WantedFile('svg'));
        ShopJob::query()->whereKey($job)->update(['title' => 'Another sign']);
        (new RunWork($work->id))->handle();
        self::assertSame(['failed', 'The job was changed meanwhile; ask for the file again.'], [$work->refresh()->state, $work->error]);
        self::assertSame([], Contents::disk()->files(Written::FOLDER));
    }

    /** Whether a part that a machine did is being stored: the work before it, which writes the file, tells how far it is too. */
    private static function isPart(string $query): bool
    {
        return str_starts_with($query, 'update "works" set "done"') && Work::query()->where('kind', 'send')->where('state', 'running')->exists();
    }

    #[Test]
    public function a_database_that_is_held_stops_a_sending_in_words_and_it_goes_on_from_there(): void
    {
        $job = $this->job();
        $machine = $this->cutter();
        $stored = 0;
        DB::beforeExecuting(static function (string $query) use (&$stored): void {
            if (self::isPart($query) && ++$stored === 2) {
                throw new PDOException('SQLSTATE[HY000]: General error: 5 database is locked');
            }
        });
        $this->postJson(
            "/api/v1/jobs/{$job}/sendings",
            ['machine' => $machine->id, 'number' => 0],
        )->assertStatus(500)->assertJsonPath('message', 'The database was held by another for too long. Nothing was changed. Try again.');
        $sending = Sending::query()->firstOrFail();
        $row = $this->sending($sending->id);
        self::assertSame(
            ['failed', "The database was held by another for too long. 1 of {$row['of']} blocks are done. Go on with it."],
            [$row['status'], $row['error']],
        );
        $stored = 100;
        self::assertSame('done', $this->tell($sending->id, 'go')['status']);
    }

    #[Test]
    public function a_sheet_waits_while_another_is_cut_at_its_machine_and_comes_after_it_by_itself(): void
    {
        $job = $this->job();
        $machine = $this->cutter();
        $first = $this->postJson("/api/v1/jobs/{$job}/sendings", ['machine' => $machine->id, 'number' => 0])->assertStatus(202)->json('id');
        $this->workOf($first, ['state' => 'running', 'done' => 0]);
        $next = $this->postJson("/api/v1/jobs/{$job}/sendings", ['machine' => $machine->id, 'number' => 1])->assertStatus(202)->json('id');
        self::assertSame('waiting', $this->sending($next)['status']);
        self::assertFalse(Holder::isThere(Holder::machine().':1:'.str_repeat('0', 16)));
        $this->workOf($first, ['holder' => Holder::machine().':1:'.str_repeat('0', 16)]);
        Artisan::call('neat-edge:recover');
        self::assertSame(
            ['failed', 'done'],
            [$this->sending($first)['status'], $this->sending($next)['status']],
            'what was cut off before a single part was done holds up nobody',
        );
    }

    #[Test]
    public function what_broke_off_is_said_by_its_cause(): void
    {
        $full = new RuntimeException('x', 0, new PDOException('SQLSTATE[HY000]: General error: 13 database or disk is full'));
        self::assertSame(
            ['The disk is full.', 'It needed more memory than it may have.', 'It broke.'],
            [Broken::why($full, 'It broke'), Broken::why(new RuntimeException('Allowed memory size of 5 bytes'), 'It broke'), Broken::why(null, 'It broke.')],
        );
        $tries = 0;
        Broken::ended(static function () use (&$tries, $full): void {
            if (++$tries < 3) {
                throw $full;
            }
        }, 0.0);
        self::assertSame(3, $tries, 'that it ended is stored as soon as that can be done');
    }

    #[Test]
    public function a_machine_that_is_not_there_is_said_and_a_waiting_sheet_can_be_cancelled(): void
    {
        $job = $this->job();
        $machine = StockItem::query()->create(['kind' => 'machine', 'name' => 'Gone', 'data' => Stock::values('machine', ['port' => 1])]);
        $sent = $this->postJson("/api/v1/jobs/{$job}/sendings", ['machine' => $machine->id, 'number' => 0])->assertStatus(202)->json();
        self::assertStringStartsWith('Gone does not answer at 127.0.0.1:1. Go on when it is back', $this->sending($sent['id'])['error']);
        self::assertSame('stopped', $this->tell($sent['id'], 'stop')['status']);
        self::assertSame('stopped', $this->tell($sent['id'], 'go')['status'], 'what was cancelled does not go on');
    }

    #[Test]
    public function a_sheet_that_lies_half_done_is_not_lost_to_the_next_one(): void
    {
        $job = $this->job();
        $machine = $this->cutter('--fail=empty', '--after=16');
        $first = $this->postJson("/api/v1/jobs/{$job}/sendings", ['machine' => $machine->id, 'number' => 0])->json('id');
        self::assertSame('failed', $this->sending($first)['status']);
        $second = $this->postJson("/api/v1/jobs/{$job}/sendings", ['machine' => $machine->id, 'number' => 1])->json('id');
        $waits = $this->sending($second);
        self::assertSame(['waiting', 0], [$waits['status'], $waits['done']]);
        self::assertStringContainsString('lies half done at Long cutter. Go on with that or cancel it first.', $waits['error']);
        // Gone on with, it is made whole, and what waited comes next by itself.
        self::assertSame('done', $this->tell($first, 'go')['status']);
        $done = $this->sending($second);
        self::assertSame(['done', ''], [$done['status'], $done['error']]);
        $cut = array_sum(array_map(
            static fn (string $path): float => json_decode((string) file_get_contents($path), true)['cut_mm'],
            glob("{$this->folder}/out/*.json") ?: [],
        ));
        $sheets = array_sum($this->getJson("/api/v1/jobs/{$job}/making")->json('layouts.*.length_mm'));
        self::assertEqualsWithDelta($sheets, $cut, 0.001 * $sheets, 'both of them, and nothing twice');
        // One that is given up holds nobody up either.
        $this->workOf($first, ['state' => 'failed', 'done' => 3]);
        $third = $this->postJson("/api/v1/jobs/{$job}/sendings", ['machine' => $machine->id, 'number' => 1, 'again' => true])->json('id');
        self::assertSame('waiting', $this->sending($third)['status']);
        $this->tell($first, 'stop');
        self::assertSame('done', $this->sending($third)['status']);
    }

    #[Test]
    public function one_that_is_cancelled_under_way_ends_there_and_one_without_its_file_or_of_another_worker_is_not_touched(): void
    {
        $job = $this->job();
        $machine = $this->cutter();
        // Somebody presses Cancel while the third part is acknowledged.
        $parts = 0;
        DB::listen(static function (QueryExecuted $query) use (&$parts): void {
            if (self::isPart($query->sql) && ++$parts === 3) {
                Work::query()->where('state', 'running')->toBase()->update(['asked' => 'stop']);
            }
        });
        $sent = $this->postJson("/api/v1/jobs/{$job}/sendings", ['machine' => $machine->id, 'number' => 0])->json('id');
        $row = $this->sending($sent);
        self::assertSame(['stopped', '', 3], [$row['status'], $row['asked'], $row['done']]);
        self::assertContains('Cancelled after block 3', array_column($row['log'], 'what'));

        $lost = Sending::query()->whereKey($this->postJson(
            "/api/v1/jobs/{$job}/sendings",
            ['machine' => $machine->id, 'number' => 1],
        )->json('id'))->firstOrFail();
        Contents::disk()->deleteDirectory('kept');
        $work = $this->workOf($lost->id, ['state' => 'failed', 'done' => 0]);
        self::assertSame(
            ['failed', 'The file is not kept any more; send the sheet anew.'],
            [$this->tell($lost->id, 'go')['status'], $this->sending($lost->id)['error']],
        );

        // What another process has by now is told and ended by nobody who had it before.
        $work->refresh()->update(['state' => 'waiting']);
        $hold = Works::take($work->id);
        self::assertNotNull($hold);
        self::assertNull(Works::take($work->id), 'it is taken once');
        $work->refresh()->update(['fence' => $work->fence + 1, 'holder' => 'another']);
        try {
            $hold->tell(1, 5);
            self::fail('told by who has it no more');
        } catch (Lost) {
        }
        Works::run($hold);
        self::assertSame(['running', 0, 'another'], [$work->refresh()->state, $work->done, $work->holder]);
    }

    #[Test]
    public function what_is_done_so_far_is_drawn_where_it_lies_on_the_sheet(): void
    {
        $job = $this->job();
        $machine = $this->cutter('--fail=empty', '--after=16');
        $sent = $this->postJson("/api/v1/jobs/{$job}/sendings", ['machine' => $machine->id, 'number' => 0])->json('id');
        $some = $this->getJson("/api/v1/sendings/{$sent}/done")->assertOk()->json();
        $layout = Made::layouts(ShopJob::query()->findOrFail($job))[0];
        $box = $layout->box();
        self::assertNotNull($box);
        $length = static function (array $ways) use ($box): float {
            $sum = 0.0;
            foreach ($ways as $way) {
                for ($i = 0; $i < count($way); $i += 2) {
                    self::assertTrue(
                        $way[$i] > $box->left - 0.05 && $way[$i] < $box->right + 0.05 && $way[$i + 1] > $box->top - 0.05 && $way[$i + 1] < $box->bottom + 0.05,
                        'on the sheet as it is shown',
                    );
                    $sum += $i > 0 ? hypot($way[$i] - $way[$i - 2], $way[$i + 1] - $way[$i - 1]) : 0.0;
                }
            }

            return $sum;
        };
        self::assertGreaterThan(0, $some['done']);
        self::assertGreaterThan(1.0, $length($some['ways']));
        self::assertLessThan(0.9 * $layout->length(), $length($some['ways']));
        $this->tell($sent, 'go');
        self::assertEqualsWithDelta($layout->length(), $length($this->getJson("/api/v1/sendings/{$sent}/done")->json('ways')), 0.001 * $layout->length());
    }

    #[Test]
    public function other_jobs_are_laid_with_it_and_their_changes_are_minded(): void
    {
        $job = $this->job();
        $other = $this->job('cut-vinyl', '<rect x="10" y="10" width="20" height="20" fill="#e0a030"/>');
        $print = $this->job('screen-print');
        $this->patchJson("/api/v1/jobs/{$other}", ['version' => 1, 'title' => 'Small sign'])->assertOk();
        $alone = $this->getJson("/api/v1/jobs/{$job}/making")->json('layouts.0.layers.0.area_mm2');
        self::assertSame([$other], array_column($this->getJson("/api/v1/jobs/{$job}/making")->json('others'), 'id'), 'only what is made in the same way');
        $now = $this->putJson("/api/v1/jobs/{$job}/making", ['along' => [['job' => $other, 'copies' => 2]]])->assertOk();
        self::assertEqualsWithDelta($alone + 2 * 400, $now->json('layouts.0.layers.0.area_mm2'), 0.1);
        self::assertContains('Laid with it: 2 × Small sign.', $now->json('layouts.0.says'));
        foreach ([[$job, 1, 'Only another job'], [$print, 1, 'Only another job'], [$other, 0, 'Lay 1 to 2000 copies']] as [$id, $copies, $says]) {
            self::assertStringStartsWith(
                $says,
                (string) $this->putJson("/api/v1/jobs/{$job}/making", ['along' => [['job' => $id, 'copies' => $copies]]])->assertStatus(422)->json('message'),
            );
        }
        self::assertSame(
            [['job' => $other, 'copies' => 2]],
            $this->getJson("/api/v1/jobs/{$job}/making")->json('along'),
            'nothing was changed by what was refused',
        );
        $copies = $this->getJson("/api/v1/jobs/{$job}/copies")->json('0');
        self::assertSame([2, [0, 1, 1]], [count($copies['designs']), array_column($copies['copies'], 'design')]);
        // The other is changed: what is cut of it would not be what it is now.
        $this->patchJson("/api/v1/jobs/{$other}", ['version' => 1, 'width' => '50'])->assertOk();
        $changed = $this->getJson("/api/v1/jobs/{$job}/making");
        self::assertEqualsWithDelta($alone, $changed->json('layouts.0.layers.0.area_mm2'), 0.1);
        self::assertContains('Small sign is not laid with it: it was changed and has to be prepared again.', $changed->json('layouts.0.warns'));
        $this->postJson("/api/v1/jobs/{$other}/preparations")->assertStatus(202);
        self::assertEqualsWithDelta($alone + 2 * 100, $this->getJson("/api/v1/jobs/{$job}/making")->json('layouts.0.layers.0.area_mm2'), 0.1);
        $this->deleteJson("/api/v1/jobs/{$other}")->assertNoContent();
        self::assertContains(
            'A job that was to be laid with it is not in the shop any more.',
            $this->getJson("/api/v1/jobs/{$job}/making")->json('layouts.0.warns'),
        );
        self::assertSame([], $this->putJson("/api/v1/jobs/{$job}/making", ['along' => []])->json('layouts.0.warns'));
    }

    #[Test]
    public function a_ticket_that_names_what_a_job_is_made_from_is_held_to_it(): void
    {
        $job = $this->job('cut-vinyl', '<path d="M5 10H95V11H5Z" fill="#223344"/>');
        $film = $this->postJson(
            '/api/v1/stock',
            ['kind' => 'material', 'name' => 'Stiff film', 'values' => ['width' => '300mm', 'leastLine' => '3mm', 'thickness' => '0.4mm']],
        )->json('id');
        $blade = $this->postJson(
            '/api/v1/stock',
            ['kind' => 'blade', 'name' => 'Short knife', 'values' => ['deepest' => '0.1mm', 'offset' => '0.4mm']],
        )->json('id');
        self::assertTrue($this->getJson("/api/v1/jobs/{$job}")->json('preparation.verdict.ready'));
        $named = $this->patchJson("/api/v1/jobs/{$job}", ['version' => 1, 'stock' => ['material' => $film, 'blade' => $blade]])->assertOk();
        self::assertEquals([3, 300], [$named->json('job.limits.line'), $named->json('job.limits.bedWidth')]);
        self::assertTrue($named->json('preparation.stale'), 'other limits check everything again');
        $this->postJson("/api/v1/jobs/{$job}/preparations")->assertStatus(202);
        $checked = $this->getJson("/api/v1/jobs/{$job}");
        self::assertFalse($checked->json('preparation.verdict.ready'));
        self::assertContains('thin-line', $checked->json('preparation.groups.*.kind'));
        $making = $this->getJson("/api/v1/jobs/{$job}/making");
        self::assertEquals([300, 'Stiff film'], [$making->json('layouts.0.height_mm'), $making->json('layouts.0.material')]);
        self::assertSame(['Stiff film is 0.40 mm thick; Short knife cuts 0.10 mm at most.'], $making->json('layouts.0.warns'));
        // The knife that is steered is the one on the ticket: the first stroke that turns it is as long as its offset wants.
        $steered = StockItem::query()->create([
            'kind' => 'machine',
            'name' => 'Steered',
            'data' => Stock::values('machine', ['port' => 1, 'blade' => '0.25mm']),
        ]);
        $this->postJson("/api/v1/jobs/{$job}/sendings", ['machine' => $steered->id, 'number' => 0])->assertStatus(409)->assertJsonPath('gate', true);
        $this->letGo($job);
        $sent = $this->postJson("/api/v1/jobs/{$job}/sendings", ['machine' => $steered->id, 'number' => 0])->assertStatus(202)->json('id');
        self::assertStringContainsString('PU20,20;PD116,20;', Sending::query()->where('id', $sent)->firstOrFail()->bytes());
        $table = $this->postJson('/api/v1/stock', ['kind' => 'machine', 'name' => 'Small cutter', 'values' => ['bedHeight' => '200mm']])->json('id');
        $this->patchJson("/api/v1/jobs/{$job}", ['version' => $checked->json('job.version'), 'stock' => ['machine' => $table]])->assertOk();
        self::assertEquals(200, $this->getJson("/api/v1/jobs/{$job}/making")->json('layouts.0.height_mm'), 'no wider than the machine takes');
        // The shop changes it: the job keeps what it was checked for until somebody takes the new.
        $this->patchJson("/api/v1/stock/{$film}", ['values' => ['leastLine' => '1mm']])->assertOk();
        $kept = $this->getJson("/api/v1/jobs/{$job}");
        self::assertEquals(
            [3, true, false],
            [$kept->json('job.limits.line'), $kept->json('job.stock.material.changed'), $kept->json('job.stock.blade.changed')],
        );
        $version = $kept->json('job.version');
        self::assertEquals(1, $this->patchJson("/api/v1/jobs/{$job}", ['version' => $version, 'stock' => ['material' => $film]])->json('job.limits.line'));
        $version = ShopJob::query()->findOrFail($job)->version;
        self::assertEqualsWithDelta(
            0.8,
            $this->patchJson("/api/v1/jobs/{$job}", ['version' => $version, 'stock' => ['material' => null, 'blade' => null]])->json('job.limits.line'),
            1e-9,
        );
        $version = ShopJob::query()->findOrFail($job)->version;
        $this->patchJson(
            "/api/v1/jobs/{$job}",
            ['version' => $version, 'stock' => ['blade' => $film]],
        )->assertStatus(422)->assertJsonPath('message', 'That is not in the shop any more.');
        $this->patchJson(
            "/api/v1/jobs/{$job}",
            ['version' => $version, 'stock' => ['boat' => 1]],
        )->assertStatus(422)->assertJsonPath('message', 'Choose from what the shop has.');
    }

    #[Test]
    public function plates_take_their_ruling_from_the_screen_and_their_order_from_the_inks_until_somebody_says_otherwise(): void
    {
        $job = $this->job('screen-print', '<rect x="5" y="5" width="60" height="40" fill="#e0a030"/><circle cx="35" cy="25" r="10" fill="#223344"/>');
        $screen = $this->postJson(
            '/api/v1/stock',
            ['kind' => 'screen', 'name' => 'Fine mesh', 'values' => ['ruling' => 65, 'leastDot' => '0.06mm']],
        )->json('id');
        $this->patchJson("/api/v1/jobs/{$job}", ['version' => 1, 'stock' => ['screen' => $screen]])->assertOk();
        $this->postJson("/api/v1/jobs/{$job}/preparations")->assertStatus(202);
        $making = $this->getJson("/api/v1/jobs/{$job}/making");
        self::assertEquals([65, 0.06], [$making->json('values.ruling'), $making->json('values.leastDot')]);
        self::assertSame(['#e0a030', '#223344'], $making->json('layouts.*.layers.0.colour'));
        $this->postJson('/api/v1/stock', ['kind' => 'ink', 'name' => 'Night', 'values' => ['colour' => '#223344', 'rank' => 1]])->assertCreated();
        self::assertSame(
            ['#e0a030', '#223344'],
            $this->getJson("/api/v1/jobs/{$job}/making")->json('layouts.*.layers.0.colour'),
            'what looks like an ink is none until somebody says so',
        );
        $this->putJson('/api/v1/colours', ['hex' => '#223344', 'name' => 'Night'])->assertOk();
        self::assertSame(['#223344', '#e0a030'], $this->getJson("/api/v1/jobs/{$job}/making")->json('layouts.*.layers.0.colour'));
        // Another choice leaves the ruling with the screen; typed once, it is that of the job.
        self::assertEquals(65, $this->putJson("/api/v1/jobs/{$job}/making", ['values' => ['trap' => '0.2mm']])->json('values.ruling'));
        self::assertEquals(35, $this->putJson("/api/v1/jobs/{$job}/making", ['values' => ['ruling' => '35']])->json('values.ruling'));
        self::assertSame(['trap', 'ruling'], array_keys(ShopJob::query()->findOrFail($job)->making['values'] ?? []));
    }

    #[Test]
    public function the_same_art_is_checked_at_other_sizes(): void
    {
        $job = $this->job('cut-vinyl', '<path d="M5 10H95V12H5Z" fill="#223344"/>');
        $last = fn (string $what): mixed => $this->getJson("/api/v1/works?job={$job}")->assertOk()->json("last.sizes.{$what}");
        self::assertNull($last('id'));
        $ask = fn (array $widths): TestResponse => $this->postJson("/api/v1/jobs/{$job}/works", ['kind' => 'sizes', 'widths' => $widths]);
        $asked = $ask(['100mm', 'small', '15mm'])->assertStatus(202)->json('id');
        $run = $this->getJson("/api/v1/works/{$asked}")->assertOk();
        self::assertSame(['done', '', 1], [$run->json('state'), $run->json('doing'), $run->json('outcome.version')]);
        self::assertTrue($run->json('outcome.rows.0.verdict.ready'));
        self::assertStringContainsString('small', (string) $run->json('outcome.rows.1.error'));
        $small = $run->json('outcome.rows.2');
        self::assertFalse($small['verdict']['ready']);
        self::assertContains('thin-line', array_column($small['groups'], 'kind'));
        self::assertEqualsWithDelta([15.0, 9.0], [$small['width'], $small['height']], 1e-6);
        $thin = $small['groups'][(int) array_search('thin-line', array_column($small['groups'], 'kind'), true)];
        self::assertEqualsWithDelta(0.3, $thin['least_mm'], 0.01, 'measured at its size');
        self::assertEqualsWithDelta(11.0, $thin['at'][1], 1.1, 'shown where it lies on the bench');
        self::assertSame($asked, $last('id'));
        foreach ([[], array_fill(0, 41, '100mm'), [3]] as $bad) {
            $ask($bad)->assertStatus(422)->assertJsonPath('message', 'Type 1 to 40 widths such as 300mm.');
        }
        // Stopped before its turn it is not begun; cut off, it says so, and what was done stays.
        $work = Work::query()->whereKey($asked)->firstOrFail();
        $work->update(['state' => 'waiting']);
        $this->postJson("/api/v1/works/{$asked}/stop")->assertOk()->assertJsonPath('state', 'stopped');
        self::assertNull(Works::take($asked), 'what was stopped before its turn is not begun');
        $work->update(['state' => 'running', 'holder' => Holder::machine().':1:0']);
        Works::sweep();
        self::assertSame(['failed', 'It broke off; what is done stands below. Check again for the rest.'], [$last('state'), $last('error')]);
        self::assertTrue($last('outcome.rows.0.verdict.ready'));
        $this->get("/api/v1/jobs/{$job}/sizes.zip?width=50mm&format=dxf")->assertOk()->assertHeader('Content-Type', 'application/zip');
    }

    #[Test]
    public function plates_are_mixed_and_an_ink_on_others_takes_what_lies_under_it(): void
    {
        $job = $this->job('screen-print', '<rect x="5" y="5" width="60" height="40" fill="#e0a030"/><circle cx="35" cy="25" r="10" fill="#223344"/>');
        $area = fn (): float => (float) $this->getJson("/api/v1/jobs/{$job}/making")->json('layouts.0.layers.0.area_mm2');
        self::assertEqualsWithDelta(2400 - M_PI * 100 + 0.15 * 2 * M_PI * 10, $area(), 0.3, 'with its trap');
        $this->putJson("/api/v1/jobs/{$job}/making", ['values' => ['overprint' => '#223344']])->assertOk();
        self::assertEqualsWithDelta(2400.0, $area(), 1.0);
        $this->putJson("/api/v1/jobs/{$job}/making", ['values' => ['overprint' => 'dark']])->assertStatus(422);
        self::assertStringContainsString('<svg', (string) $this->get("/api/v1/jobs/{$job}/layouts/mix.svg?on=0,1,77")->assertOk()->getContent());
        self::assertSame(2, count(Made::layouts(ShopJob::query()->findOrFail($job))));
        // At another size too nothing is knocked out under it.
        $this->putJson("/api/v1/jobs/{$job}/making", ['values' => ['overprint' => '#223344', 'marks' => false]])->assertOk();
        file_put_contents("{$this->folder}/s.zip", $this->get("/api/v1/jobs/{$job}/sizes.zip?width=50mm&format=svg")->assertOk()->getContent());
        $zip = new ZipArchive;
        self::assertTrue($zip->open("{$this->folder}/s.zip"));
        $under = Reader::read((string) $zip->getFromIndex(0))->artwork;
        self::assertEqualsWithDelta(600.0, array_sum(array_map(static fn (Piece $piece): float => $piece->shape->area(), $under->pieces)), 1.0);
        // Ink is paid by what it covers, not by the film.
        $this->postJson('/api/v1/stock', ['kind' => 'ink', 'name' => 'Amber', 'values' => ['colour' => '#e0a030', 'price' => 1000]])->assertCreated();
        self::assertSame(
            'gold #e0a030',
            $this->getJson("/api/v1/jobs/{$job}/making")->json('layouts.0.layers.0.name'),
            'a colour is no ink because it looks like one',
        );
        $this->putJson('/api/v1/colours', ['hex' => '#e0a030', 'name' => 'Amber'])->assertOk();
        $read = $this->folder.'/sheet.pdf';
        file_put_contents($read, $this->get("/api/v1/jobs/{$job}/job-sheet.pdf")->assertOk()->getContent());
        self::assertStringContainsString('Material 2.40', (string) shell_exec('pdftotext -layout '.escapeshellarg($read).' - 2>/dev/null'));
    }

    #[Test]
    public function drawings_in_lines_come_in_as_jobs(): void
    {
        $dxf = "0\nSECTION\n2\nENTITIES\n0\nCIRCLE\n8\nPLATE\n10\n50\n20\n50\n40\n20\n0\nDIMENSION\n8\nD\n0\nENDSEC\n0\nEOF\n";
        $file = static fn (): UploadedFile => UploadedFile::fake()->createWithContent('plate.dxf', $dxf);
        $look = $this->post('/api/v1/look', ['file' => $file()], ['Accept' => 'application/json'])->assertOk()->json();
        self::assertSame(['lines', 'gap', 'width', 'unit', 'asleep'], array_column($look['fields'], 'name'));
        self::assertFalse($look['statesSize']);
        $this->post(
            '/api/v1/jobs',
            ['process' => 'engraving', 'file' => $file()],
            ['Accept' => 'application/json'],
        )->assertStatus(422)->assertJsonPath('fields.width',
            'The file states no size; type the finished width. At 96 units an inch its page would be 40.00 mm wide.');
        $job = $this->post(
            '/api/v1/jobs',
            ['process' => 'engraving', 'file' => $file(), 'taking' => ['unit' => 'cm', 'lines' => 'drawn', 'width' => '2mm']],
            ['Accept' => 'application/json'],
        )->assertCreated()->json('id');
        $shown = $this->getJson("/api/v1/jobs/{$job}")->assertOk()->json();
        self::assertEqualsWithDelta(
            [400.0, 400.0],
            [$shown['job']['width'], $shown['job']['height']],
            1e-3,
            'the size of the lines, in the unit that was said',
        );
        self::assertSame(2.0, (float) $shown['art']['pieces'][0]['stroke']['width']);
        self::assertSame(['left-out'], array_column($shown['notices'], 'kind'), 'what was left out stays with the job');
        $this->get("/api/v1/jobs/{$job}/source.svg")->assertOk();
        $this->post(
            '/api/v1/jobs',
            ['process' => 'engraving', 'file' => $file(), 'taking' => ['unit' => 'furlong']],
            ['Accept' => 'application/json'],
        )->assertStatus(422);
    }

    #[Test]
    public function pages_of_a_pdf_are_asked_about_with_their_pictures(): void
    {
        $ps = "%!PS\n<< /PageSize [144 72] >> setpagedevice 0 0 144 72 rectfill showpage\n<< /PageSize [72 72] >> setpagedevice 10 10 50 50 rectfill"
            ." showpage\n";
        $file = static fn (): UploadedFile => UploadedFile::fake()->createWithContent('two.ps', $ps);
        $look = $this->post('/api/v1/look', ['file' => $file()], ['Accept' => 'application/json'])->assertOk()->json();
        self::assertSame(2, $look['pages']);
        self::assertCount(2, $look['pagePictures']);
        self::assertStringStartsWith('data:image/png;base64,', $look['pagePictures'][1]);
        $this->post(
            '/api/v1/jobs',
            ['process' => 'plain', 'file' => $file()],
            ['Accept' => 'application/json'],
        )->assertStatus(422)->assertJsonPath('message', 'The file has 2 pages; choose one.');
        $job = $this->post(
            '/api/v1/jobs',
            ['process' => 'plain', 'file' => $file(), 'taking' => ['page' => '2']],
            ['Accept' => 'application/json'],
        )->assertCreated()->json('id');
        self::assertEqualsWithDelta(25.4, $this->getJson("/api/v1/jobs/{$job}")->json('job.width'), 1e-3);
        $this->post(
            '/api/v1/jobs',
            ['process' => 'plain', 'file' => UploadedFile::fake()->createWithContent('plate.pdf', '%PDF-1.7')],
            ['Accept' => 'application/json'],
        )->assertStatus(422);
    }
}
