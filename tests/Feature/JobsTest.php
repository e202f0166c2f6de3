<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Revision;
use App\Models\ShopJob;
use App\Models\StepResult;
use App\Works\RunWork;
use App\Works\Works;
use Database\Seeders\DatabaseSeeder;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Testing\TestResponse;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Tests\Support\HostileFiles;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use RuntimeException;
use Tests\TestCase;
use ZipArchive;

final class JobsTest extends TestCase
{
    use RefreshDatabase;

    private const DECAL = '<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="50mm" viewBox="0 0 100 50"><rect id="panel" x="10" y="10"'
        .' width="50" height="20" fill="#f00"/><path id="rope" d="M20 20h60" stroke="#00f" stroke-width="4"/><path d="M10 40h80" stroke="#f00"'
        .' stroke-width=".1"/><foreignObject x="5" y="45" width="9" height="3"/></svg>';

    /**
     * @param  array<string, string>  $fields
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function send(string $svg, array $fields = [], string $name = 'decal.svg'): TestResponse
    {
        return $this->post(
            '/api/v1/jobs',
            ['process' => 'cut-vinyl', ...$fields, 'file' => UploadedFile::fake()->createWithContent($name, $svg)],
            ['Accept' => 'application/json'],
        );
    }

    private function job(string $svg = self::DECAL): ShopJob
    {
        return ShopJob::query()->whereKey($this->send($svg)->assertCreated()->json('id'))->firstOrFail();
    }

    #[Test]
    public function a_file_becomes_a_job_at_the_finished_width(): void
    {
        $id = $this->send(self::DECAL, ['width' => '12in - 2*2.4mm', 'title' => 'Boathouse'])->assertCreated()->json('id');
        $state = $this->getJson("/api/v1/jobs/{$id}")->assertOk();
        self::assertEqualsWithDelta(300.0, $state->json('job.width'), 1e-9);
        self::assertEqualsWithDelta(150.0, $state->json('job.height'), 1e-9);
        self::assertSame(['Boathouse', 'decal.svg'], [$state->json('job.title'), $state->json('job.sourceName')]);
        self::assertSame(['panel', 'rope', ''], array_column($state->json('art.pieces'), 'name'));
        self::assertEqualsWithDelta(12.0, $state->json('art.pieces.1.stroke.width'), 1e-9);
        self::assertSame('foreignObject', $state->json('notices.0.kind'));
        self::assertEqualsWithDelta([15.0, 135.0], $state->json('notices.0.at'), 1e-6);
    }

    #[Test]
    public function without_a_title_the_file_name_serves_and_stays_text(): void
    {
        $id = $this->send(self::DECAL, [], '<b>x<i>.svg')->assertCreated()->json('id');
        // It comes as data, whole, and never as markup: see FromFileToSheetsTest for how the page shows such a title.
        $answer = $this->getJson("/api/v1/jobs/{$id}")->assertHeader('Content-Type', 'application/json');
        self::assertSame(['<b>x<i>', '<b>x<i>.svg'], [$answer->json('job.title'), $answer->json('job.sourceName')]);
    }

    /** @return array<string, array{string, string}> */
    public static function refused(): array
    {
        return array_map(static fn (array $one): array => $one, HostileFiles::refused());
    }

    #[Test]
    #[DataProvider('refused')]
    public function a_hostile_file_is_answered_in_one_sentence_and_nothing_is_stored(string $file, string $words): void
    {
        $message = $this->send($file)->assertStatus(422)->json('message');
        // A file beyond the limit of uploads, or an empty one, is refused before it is read.
        self::assertMatchesRegularExpression('/^[A-Z][^\n]+\.$/u', $message);
        self::assertTrue(str_contains($message, $words) || str_contains($message, 'larger than') || str_contains($message, 'This is a picture'), $message);
        self::assertSame([0, 0], [ShopJob::query()->count(), Revision::query()->count()]);
    }

    #[Test]
    public function bad_fields_are_answered_in_words(): void
    {
        $this->send(self::DECAL, ['width' => 'wide'])->assertStatus(422)->assertJsonPath(
            'message',
            '"wide" is not a length; write it like 300mm, 4in or 120mm - 2*3.',
        );
        $this->send(self::DECAL, ['width' => '90m'])->assertStatus(422);
        $this->send(self::DECAL, ['width' => '900000mm'])->assertStatus(422)->assertJsonPath(
            'message',
            'At that size the art is 900.0 m long; at most 50 m are taken.',
        );
        $this->send(self::DECAL, ['process' => 'knitting'])->assertStatus(422)->assertJsonPath('message', 'Choose how the job is made.');
        $this->postJson('/api/v1/jobs', ['process' => 'cut-vinyl'])->assertStatus(422)->assertJsonPath(
            'message',
            'Choose a file first, or type the height of an empty bench.',
        );
        $this->send('<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"/>')->assertStatus(422)->assertJsonPath(
            'message',
            'The file draws nothing: it has no shapes and no lines.',
        );
        $this->getJson('/api/v1/jobs/99')->assertNotFound()->assertJsonPath('message', 'That is not here any more.');
        self::assertSame(0, ShopJob::query()->count());
    }

    #[Test]
    public function preparing_gives_steps_sheets_findings_and_files(): void
    {
        $job = $this->job();
        $id = $this->postJson("/api/v1/jobs/{$job->id}/preparations")->assertStatus(202)->json('id');
        $state = $this->getJson("/api/v1/preparations/{$id}")->assertOk()->assertJsonPath('status', 'done');
        self::assertSame(['outline-strokes', 'remove-hidden', 'merge-by-colour', 'clean-nodes'], array_column($state->json('result.steps'), 'step'));
        self::assertSame(['#ff0000', '#0000ff'], array_column($state->json('result.sheets'), 'colour'));
        self::assertSame('thin-line', $state->json('result.findings.0.kind'));
        self::assertEqualsWithDelta(0.1, $state->json('result.findings.0.width_mm'), 0.002);
        self::assertEqualsWithDelta(0.0, $state->json('result.look_difference.percent'), 1e-3);

        $art = $this->getJson("/api/v1/preparations/{$id}/stages/1")->assertOk();
        self::assertCount(3, $art->json('pieces'));
        $this->getJson("/api/v1/preparations/{$id}/stages/9")->assertNotFound();

        $this->letGo($job->id);
        $file = $this->get("/api/v1/preparations/{$id}/sheets/2.svg")->assertOk()->assertHeader(
            'Content-Disposition',
            'attachment; filename="sheet-2-0000ff.svg"',
        );
        self::assertEqualsWithDelta(240.0, Reader::read((string) $file->getContent())->artwork->pieces[0]->shape->area(), 1e-4);
        $this->get("/api/v1/preparations/{$id}/sheets/3.svg")->assertNotFound();

        $path = (string) tempnam(sys_get_temp_dir(), 'zip');
        file_put_contents($path, $this->get("/api/v1/preparations/{$id}/sheets.zip")->assertOk()->getContent());
        $zip = new ZipArchive;
        self::assertTrue($zip->open($path));
        self::assertSame(3, $zip->numFiles);
        self::assertStringContainsString('width="100mm"', (string) $zip->getFromName('sheet-1-ff0000.svg'));
        self::assertSame($state->json('result.sheets'), json_decode((string) $zip->getFromName('report.json'), true)['sheets']);
        unlink($path);
    }

    #[Test]
    public function pictures_are_plain_and_cannot_run_anything(): void
    {
        $job = $this->job(str_replace('<rect id="panel"', '<script>alert(1)</script><rect id="alert(2)" onclick="alert(3)"', self::DECAL));
        self::assertSame('alert(2)', $this->getJson("/api/v1/jobs/{$job->id}")->json('art.pieces.0.name'), 'what could run is in the file');
        $picture = $this->get("/api/v1/jobs/{$job->id}/picture.svg")->assertOk();
        self::assertStringNotContainsString('alert', (string) $picture->getContent());
        self::assertStringContainsString('sandbox', (string) $picture->headers->get('Content-Security-Policy'));
        self::assertSame('nosniff', $picture->headers->get('X-Content-Type-Options'));
    }

    #[Test]
    public function a_switched_off_step_is_left_out_and_the_others_are_not_run_again(): void
    {
        $job = $this->job();
        $this->postJson("/api/v1/jobs/{$job->id}/preparations")->assertStatus(202);
        $kept = StepResult::query()->count();
        $this->postJson(
            "/api/v1/jobs/{$job->id}/edits",
            ['version' => 1, 'edit' => ['kind' => 'line-switch', 'step' => 'clean-nodes', 'on' => false]],
        )->assertOk();
        $id = $this->postJson("/api/v1/jobs/{$job->id}/preparations")->json('id');
        $state = $this->getJson("/api/v1/preparations/{$id}");
        self::assertSame([true, true, true], array_column($state->json('result.steps'), 'cached'));
        self::assertSame($kept, StepResult::query()->count());
        $this->postJson(
            "/api/v1/jobs/{$job->id}/edits",
            ['version' => 2, 'edit' => ['kind' => 'line-insert', 'what' => 'knit']],
        )->assertStatus(422)->assertJsonPath('message', 'There is no such step.');
        foreach (['outline-strokes', 'remove-hidden', 'merge-by-colour'] as $i => $step) {
            $this->postJson(
                "/api/v1/jobs/{$job->id}/edits",
                ['version' => 2 + $i, 'edit' => ['kind' => 'line-switch', 'step' => $step, 'on' => false]],
            )->assertOk();
        }
        $this->postJson("/api/v1/jobs/{$job->id}/preparations")->assertStatus(422)->assertJsonPath('message', 'Switch on at least one step.');
    }

    #[Test]
    public function a_preparation_can_be_stopped(): void
    {
        Queue::fake();
        $job = $this->job();
        $asked = $this->postJson("/api/v1/jobs/{$job->id}/preparations")->assertJsonPath('status', 'waiting')->json();
        [$id, $work] = [$asked['id'], $asked['work']['id']];
        Queue::assertPushedOn('page', RunWork::class);
        self::assertSame($id, $this->postJson("/api/v1/jobs/{$job->id}/preparations")->json('id'), 'what is being made is not made twice');
        Queue::assertPushed(RunWork::class, 1);
        $this->postJson("/api/v1/works/{$work}/stop")->assertJsonPath('state', 'stopped');
        (new RunWork($work))->handle();
        $this->getJson("/api/v1/preparations/{$id}")->assertJsonPath('status', 'stopped')->assertJsonPath('result', null);

        $second = $this->postJson("/api/v1/jobs/{$job->id}/preparations")->json();
        $hold = Works::take($second['work']['id']);
        self::assertNotNull($hold);
        $this->postJson("/api/v1/works/{$second['work']['id']}/stop")->assertJsonPath('asked', 'stop');
        Works::run($hold);
        $this->getJson("/api/v1/preparations/{$second['id']}")->assertJsonPath('status', 'stopped');
        self::assertSame($third = $this->postJson("/api/v1/jobs/{$job->id}/preparations")->json('id'), $second['id'] + 1);
        (new RunWork($this->getJson("/api/v1/preparations/{$third}")->json('work.id')))->handle();
        self::assertSame(
            $third,
            $this->postJson("/api/v1/jobs/{$job->id}/preparations")->assertJsonPath('status', 'done')->json('id'),
            'nor what is made and kept',
        );
        StepResult::query()->limit(1)->delete();
        self::assertNotSame(
            $third,
            $this->postJson("/api/v1/jobs/{$job->id}/preparations")->assertJsonPath('status', 'waiting')->json('id'),
            'what of it is not kept any more is made again',
        );
    }

    #[Test]
    public function work_that_breaks_off_says_so_and_touches_nothing(): void
    {
        Queue::fake();
        $job = $this->job();
        $asked = $this->postJson("/api/v1/jobs/{$job->id}/preparations")->json();
        DB::listen(static function (QueryExecuted $query): void {
            str_starts_with($query->sql, 'insert into "step_results"') && throw new RuntimeException('secret detail');
        });
        try {
            (new RunWork($asked['work']['id']))->handle();
            self::fail('it did not break off');
        } catch (RuntimeException $problem) {
            self::assertSame('secret detail', $problem->getMessage(), 'the worker writes down what it was');
        }
        $this->getJson("/api/v1/preparations/{$asked['id']}")->assertJsonPath('status', 'failed')->assertJsonPath(
            'work.error',
            'The preparation broke off before it was done. The source art is untouched. Try again, or with fewer steps.',
        );
        self::assertSame(1, $job->revisions()->count());
    }

    #[Test]
    public function changing_the_ticket_scales_the_art_and_checks_against_the_new_limits(): void
    {
        $job = $this->job();
        $this->postJson("/api/v1/jobs/{$job->id}/preparations");
        $state = $this->patchJson(
            "/api/v1/jobs/{$job->id}",
            ['version' => 1, 'process' => 'engraving', 'width' => '200mm', 'line' => '0.15mm', 'title' => 'Tag'],
        )->assertOk();
        self::assertEquals([200.0, 100.0, 0.15], [$state->json('job.width'), $state->json('job.height'), $state->json('job.limits.line')]);
        self::assertTrue($state->json('preparation.stale'));
        self::assertEqualsWithDelta([10.0, 90.0], $state->json('notices.0.at'), 1e-6);
        $id = $this->postJson("/api/v1/jobs/{$job->id}/preparations")->json('id');
        self::assertSame([], $this->getJson("/api/v1/preparations/{$id}")->json('result.findings'));
        $this->patchJson("/api/v1/jobs/{$job->id}", ['version' => $state->json('job.version'), 'width' => 'no'])->assertStatus(422);
    }

    #[Test]
    public function a_preparation_that_takes_longer_than_it_may_is_ended_and_says_so(): void
    {
        $job = $this->job();
        config(['neat-edge.prepare_in' => 'child', 'neat-edge.prepare_seconds' => 0]);
        $begun = microtime(true);
        $id = $this->postJson("/api/v1/jobs/{$job->id}/preparations")->assertStatus(202)->json('id');
        $row = $this->getJson("/api/v1/preparations/{$id}")->json();
        self::assertSame('failed', $row['status']);
        self::assertSame(
            'It needs more than 0 minutes of computing. The source art is untouched. Prepare a part of it, or clean its nodes first.',
            $row['work']['error'],
        );
        self::assertLessThan(5.0, microtime(true) - $begun);
    }

    #[Test]
    public function an_edit_is_previewed_kept_undone_and_done_again(): void
    {
        $job = $this->job();
        $edit = ['kind' => 'weld', 'pieces' => ['p1', 'p2']];
        $this->postJson(
            "/api/v1/jobs/{$job->id}/previews",
            ['what' => 'edit', 'edit' => $edit],
        )->assertOk()->assertJsonCount(1, 'pieces')->assertJsonPath('gone', ['p2'])->assertJsonPath('order', ['p1', 'p3']);
        self::assertSame(1, $job->revisions()->count());
        $pieces = fn (): array => array_column($this->getJson("/api/v1/jobs/{$job->id}")->json('art.pieces'), 'd', 'id');
        $before = $pieces();
        $state = $this->postJson(
            "/api/v1/jobs/{$job->id}/edits",
            ['version' => 1, 'edit' => $edit],
        )->assertOk()->assertJsonCount(1, 'changes.pieces')->assertJsonPath('changes.gone', ['p2'])->assertJsonPath('history.label', 'Weld');
        $welded = $pieces();
        self::assertSame(['p1', 'p3'], array_keys($welded));
        $state = $this->postJson(
            "/api/v1/jobs/{$job->id}/undo",
            ['version' => $state->json('job.version')],
        )->assertJsonPath('history.canRedo', true)->assertJsonPath('changes.order', ['p1', 'p2', 'p3']);
        self::assertSame($before, $pieces());
        $state = $this->postJson("/api/v1/jobs/{$job->id}/redo", ['version' => $state->json('job.version')])->assertJsonPath('history.canRedo', false);
        self::assertSame($welded, $pieces());
        $this->postJson(
            "/api/v1/jobs/{$job->id}/edits",
            ['version' => $state->json('job.version'), 'edit' => ['kind' => 'remove', 'pieces' => ['p1']]],
        )->assertOk();
        self::assertSame(['p3'], array_keys($pieces()));
    }

    #[Test]
    public function a_stale_window_overwrites_nothing_and_is_shown_the_newer_state(): void
    {
        $job = $this->job();
        $this->postJson("/api/v1/jobs/{$job->id}/edits", ['version' => 1, 'edit' => ['kind' => 'remove', 'pieces' => ['p3']]])->assertOk();
        $this->postJson("/api/v1/jobs/{$job->id}/edits", ['version' => 1, 'edit' => ['kind' => 'remove', 'pieces' => ['p1']]])->assertStatus(409)
            ->assertJsonCount(2, 'art.pieces')->assertJsonPath('job.version', 2);
        $this->patchJson("/api/v1/jobs/{$job->id}", ['version' => 1, 'width' => '50mm'])->assertStatus(409);
        self::assertSame(2, $job->revisions()->count());
    }

    #[Test]
    public function an_edit_that_cannot_be_made_says_why(): void
    {
        $job = $this->job();
        foreach ([
            ['kind' => 'knit', 'pieces' => []],
            ['kind' => 'weld', 'pieces' => ['gone']],
            ['kind' => 'cut-away', 'pieces' => ['p1']],
            ['kind' => 'remove', 'pieces' => []],
            ['kind' => 'keep-overlap', 'pieces' => ['p1', 'p3']],
        ] as $edit) {
            $message = $this->postJson("/api/v1/jobs/{$job->id}/edits", ['version' => 1, 'edit' => $edit])->assertStatus(422)->json('message');
            self::assertMatchesRegularExpression('/^[A-Z][^\n]+\.$/', $message);
        }
        self::assertSame(1, $job->revisions()->count());
    }

    #[Test]
    public function a_font_that_the_shop_adds_sets_the_text_that_asks_for_it(): void
    {
        $text = '<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="50mm" viewBox="0 0 100 50"><text x="5" y="45" font-size="20"'
            .' font-family="DejaVu Sans Condensed, serif">Wharf</text></svg>';
        $width = fn (): float => $this->getJson('/api/v1/jobs/'.$this->send($text)->assertCreated()->json('id'))->json('art.pieces.0.box.2');
        $before = $width();
        self::assertSame('missing-font', $this->getJson('/api/v1/jobs/'.$this->send($text)->json('id'))->json('notices.0.kind'));
        $bytes = (string) file_get_contents(base_path('core/tests/Support/condensed.woff'));
        $font = $this->post('/api/v1/fonts', ['file' => UploadedFile::fake()->createWithContent('wide.woff', $bytes)])->assertCreated()->json();
        try {
            self::assertSame('DejaVu Sans Condensed', $font['family']);
            self::assertNotEqualsWithDelta($before, $width(), 0.5);
            self::assertSame($font['family'], $this->getJson('/api/v1/fonts')->json('added.0.family'));
        } finally {
            $this->deleteJson("/api/v1/fonts/{$font['id']}")->assertNoContent();
        }
        self::assertEqualsWithDelta($before, $width(), 1e-9);
    }

    #[Test]
    public function what_is_no_font_is_refused_in_one_sentence_and_not_kept(): void
    {
        foreach (['text.ttf' => 'hello', 'cut.ttf' => "\x00\x01\x00\x00\x00\x04".str_repeat("\x07", 80), 'empty.woff' => "wOFF\x00"] as $name => $bytes) {
            $message = $this->post('/api/v1/fonts', ['file' => UploadedFile::fake()->createWithContent($name, $bytes)])->assertStatus(422)->json('message');
            self::assertMatchesRegularExpression('/^"[^\n]+\.$/', $message);
        }
        self::assertSame([], $this->getJson('/api/v1/fonts')->json('added'));
    }

    #[Test]
    public function gradients_and_pictures_reach_the_page_as_paint(): void
    {
        $png = 'data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAAAIAAAABCAIAAAB7QOjdAAAADklEQVR4nGP4z8AARBAAABL7Af9WnVAaAAAAAElFTkSuQmCC';
        $id = $this->send('<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="50mm" viewBox="0 0 100 50"><linearGradient id="g"><stop'
            .' stop-color="red"/><stop offset="1" stop-color="blue"/></linearGradient><rect width="40" height="40" fill="url(#g)"/><image x="50"'
            .' width="40" height="20" href="'.$png.'"/></svg>')->json('id');
        $pieces = $this->getJson("/api/v1/jobs/{$id}")->json('art.pieces');
        self::assertSame(['linear', 2], [$pieces[0]['fillGradient']['kind'], count($pieces[0]['fillGradient']['stops'])]);
        self::assertSame($png, $pieces[1]['picture']['href']);
    }

    #[Test]
    public function the_demo_is_seeded_once_and_rich_enough(): void
    {
        $this->seed(DatabaseSeeder::class);
        $this->seed(DatabaseSeeder::class);
        $jobs = $this->getJson('/api/v1/jobs')->assertOk()->assertJsonCount(9, 'jobs')->json('jobs');
        foreach ($jobs as $job) {
            $state = $this->getJson("/api/v1/jobs/{$job['id']}");
            // Files bring many pieces; what was drawn on the bench has few, still adjustable ones; what was shaped on it has plain ones.
            $shaped = in_array($state->json('job.sourceName'), ['harbour-dial.json', 'lantern-chain.json'], true);
            $drawn = str_ends_with($state->json('job.sourceName'), '.json');
            self::assertGreaterThanOrEqual($drawn ? 3 : 40, count($state->json('art.pieces')), $job['title']);
            self::assertSame($drawn && ! $shaped, array_filter(array_column($state->json('art.pieces'), 'live')) !== [], $job['title']);
            self::assertSame([], $state->json('notices'), $job['title'].': all of it is taken');
        }
        $this->deleteJson("/api/v1/jobs/{$jobs[0]['id']}")->assertNoContent();
        $this->getJson('/api/v1/jobs')->assertJsonCount(8, 'jobs');
    }

    #[Test]
    public function a_drawing_is_brought_to_a_bench_with_what_was_left_out_of_it_and_pieces_leave_as_a_drawing(): void
    {
        $svg = '<svg xmlns="http://www.w3.org/2000/svg" width="40mm" height="20mm" viewBox="0 0 40 20"><rect x="5" y="5" width="10" height="8"'
            .' fill="#1d5c46"/><path d="M20 5h15" stroke="#c33" stroke-width="2" fill="none"/><foreignObject width="3" height="3"/></svg>';
        $file = static fn (string $bytes, string $name): UploadedFile => UploadedFile::fake()->createWithContent($name, $bytes);
        $brought = $this->post('/api/v1/bring', ['file' => $file($svg, 'quay.svg')], ['Accept' => 'application/json'])->assertOk();
        self::assertSame(2, $brought->json('count'));
        self::assertEqualsWithDelta([5.0, 4.0, 30.0, 9.0], $brought->json('box'), 1e-6, 'with the width of the line');
        self::assertCount(1, $brought->json('leftOut'));
        $job = $this->postJson('/api/v1/jobs', ['title' => 'Bench', 'process' => 'plain', 'width' => '100mm', 'height' => '80mm'])->assertCreated()->json('id');
        $laid = $this->postJson(
            "/api/v1/jobs/{$job}/edits",
            ['version' => 1, 'edit' => ['kind' => 'paste', 'art' => $brought->json('art'), 'x' => 10, 'y' => 0]],
        )->assertOk();
        $ids = array_column($laid->json('changes.pieces'), 'id');
        self::assertCount(2, $ids);
        self::assertEqualsWithDelta([15.0, 5.0, 10.0, 8.0], $laid->json('changes.pieces.0.box'), 1e-6);

        // What is copied goes to other programs as a drawing of that box, in true millimetres.
        $taken = $this->postJson("/api/v1/jobs/{$job}/take", ['pieces' => $ids])->assertOk();
        self::assertStringContainsString('width="30mm" height="9mm"', $taken->json('svg'));
        $back = $this->post('/api/v1/bring', ['file' => $file($taken->json('svg'), 'clipboard.svg')], ['Accept' => 'application/json'])->assertOk();
        self::assertEqualsWithDelta([0.0, 0.0, 30.0, 9.0], $back->json('box'), 1e-6);

        $this->post('/api/v1/bring', ['file' => $file("\x89PNG\r\n\x1a\n", 'art.svg')], ['Accept' => 'application/json'])->assertStatus(422)
            ->assertJsonPath(
                'message',
                'This is a picture (PNG), not a drawing: it has no outlines to cut. Lay it under the work as a reference, and draw over it or trace it.',
            );
        self::assertStringContainsString(
            'damaged at line 2',
            $this->post(
                '/api/v1/bring',
                ['file' => $file("<svg xmlns='http://www.w3.org/2000/svg'>\n<path d='M0 0'", 'torn.svg')],
                ['Accept' => 'application/json'],
            )->assertStatus(422)->json('message'),
        );
    }
}
