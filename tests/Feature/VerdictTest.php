<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use Tests\TestCase;
use ZipArchive;

/** C12, S5: what is said of a job is true of the customer's file, and nothing goes out that is not. */
final class VerdictTest extends TestCase
{
    use RefreshDatabase;

    private const WHOLE = '<rect x="10" y="10" width="50" height="20" fill="#f00"/><path d="M20 40h60" stroke="#00f" stroke-width="4"/>';

    private const LOST = '<foreignObject x="5" y="45" width="9" height="3"/><image href="https://elsewhere.test/a.png" x="70" y="10" width="9" height="9"/>';

    private static function svg(string $body, string $size = 'width="100mm" height="50mm" viewBox="0 0 100 50"'): string
    {
        return "<svg xmlns=\"http://www.w3.org/2000/svg\" {$size}>{$body}</svg>";
    }

    /**
     * @param  array<string, string>  $fields
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function send(string $svg, array $fields = [], string $to = '/api/v1/jobs'): TestResponse
    {
        return $this->post(
            $to,
            ['process' => 'cut-vinyl', ...$fields, 'file' => UploadedFile::fake()->createWithContent('a.svg', $svg)],
            ['Accept' => 'application/json'],
        );
    }

    /** @return array{int, array<string, mixed>} the job, and its state when it is prepared */
    private function prepared(string $svg): array
    {
        $job = $this->send($svg)->assertCreated()->json('id');
        $this->postJson("/api/v1/jobs/{$job}/preparations")->assertStatus(202);

        return [$job, $this->getJson("/api/v1/jobs/{$job}")->json()];
    }

    #[Test]
    public function a_whole_file_is_ready_and_looks_the_same(): void
    {
        [, $state] = $this->prepared(self::svg(self::WHOLE));
        self::assertSame(
            ['sentence' => 'Looks the same', 'ready' => true, 'open' => [], 'empty' => false, 'stale' => false, 'released' => null],
            $state['preparation']['verdict'],
        );
        self::assertTrue($this->getJson('/api/v1/jobs')->json('jobs.0.ready'));
    }

    #[Test]
    public function what_was_left_out_is_part_of_it_until_somebody_can_do_without(): void
    {
        [$job, $state] = $this->prepared(self::svg(self::WHOLE.self::LOST));
        self::assertSame('Looks the same but for 2 things that were left out or replaced', $state['preparation']['verdict']['sentence']);
        self::assertFalse($state['preparation']['verdict']['ready']);
        self::assertSame(['2 things were left out or replaced, and nobody has accepted that.'], $state['preparation']['verdict']['open']);
        $this->patchJson(
            "/api/v1/jobs/{$job}/notices/0",
            ['accepted' => 'the tag is not cut'],
        )->assertOk()->assertJsonPath('preparation.verdict.open', ['1 thing was left out or replaced, and nobody has accepted that.']);
        $words = $this->patchJson("/api/v1/jobs/{$job}/notices/1", ['accepted' => 'a mark of the customer'])->assertOk();
        self::assertSame(
            [true, 'Looks the same but for 2 things that were left out or replaced'],
            [$words->json('preparation.verdict.ready'), $words->json('preparation.verdict.sentence')],
        );
        self::assertSame('the tag is not cut', $this->getJson("/api/v1/jobs/{$job}")->json('notices.0.accepted'));
        $this->patchJson("/api/v1/jobs/{$job}/notices/1", ['accepted' => null])->assertOk()->assertJsonPath('preparation.verdict.ready', false);
        $this->patchJson("/api/v1/jobs/{$job}/notices/7", ['accepted' => 'x'])->assertNotFound();
        $this->patchJson("/api/v1/jobs/{$job}/notices/0", ['accepted' => str_repeat('x', 300)])->assertStatus(422);
    }

    #[Test]
    public function a_serious_finding_and_a_change_since_keep_it_from_being_ready(): void
    {
        [$job, $state] = $this->prepared(self::svg(self::WHOLE.'<path d="M10 45h80" stroke="#000" stroke-width=".1"/>'));
        self::assertSame(['1 finding is open, a serious one: thin line.'], $state['preparation']['verdict']['open']);
        $this->patchJson("/api/v1/jobs/{$job}", ['version' => 1, 'line' => '0'])->assertOk();
        self::assertSame(
            ['The job was changed since it was prepared.', '1 finding is open, a serious one: thin line.'],
            $this->getJson("/api/v1/jobs/{$job}")->json('preparation.verdict.open'),
        );
        // A limit of nought switches its check off.
        $this->postJson("/api/v1/jobs/{$job}/preparations");
        self::assertSame(
            [true, []],
            [
                $this->getJson("/api/v1/jobs/{$job}")->json('preparation.verdict.ready'),
                $this->getJson("/api/v1/jobs/{$job}")->json('preparation.result.findings'),
            ],
        );
    }

    #[Test]
    public function sheets_of_an_earlier_state_go_out_only_by_name(): void
    {
        [$job, $state] = $this->prepared(self::svg(self::WHOLE.self::LOST));
        $id = $state['preparation']['id'];
        $this->getJson("/api/v1/preparations/{$id}/sheets/1.svg")->assertStatus(409)->assertJsonPath(
            'open',
            ['2 things were left out or replaced, and nobody has accepted that.'],
        );
        $this->letGo($job);
        $this->get("/api/v1/preparations/{$id}/sheets/1.svg")->assertOk();
        $this->postJson("/api/v1/jobs/{$job}/edits", ['version' => 1, 'edit' => ['kind' => 'move', 'pieces' => ['p1'], 'x' => 3]])->assertOk();
        foreach (['sheets/1.svg', 'sheets.zip'] as $what) {
            $this->getJson("/api/v1/preparations/{$id}/{$what}")->assertStatus(422)->assertJsonPath(
                'message',
                'The job was changed since these sheets were made. Prepare it again, or ask for the earlier state by name.',
            );
            $this->getJson("/api/v1/preparations/{$id}/{$what}?earlier=1")->assertStatus(409);
        }
        $this->patchJson("/api/v1/jobs/{$job}/notices/0", ['accepted' => 'not wanted'])->assertOk();
        $this->patchJson("/api/v1/jobs/{$job}/notices/1", ['accepted' => 'not wanted'])->assertOk();
        foreach (['sheets/1.svg', 'sheets.zip'] as $what) {
            $this->get("/api/v1/preparations/{$id}/{$what}?earlier=1")->assertOk();
        }
        $this->get("/api/v1/preparations/{$id}/sheets/1/picture.svg")->assertOk();
        foreach (['sheets/1', 'stages/0'] as $what) {
            $small = imagecreatefromstring((string) $this->get("/api/v1/preparations/{$id}/{$what}/small.webp")->assertOk()->getContent());
            self::assertNotFalse($small);
            $seen = 0;
            for ($at = 0; $at < 160; $at++) {
                $seen += imagecolorat($small, min($at, imagesx($small) - 1), intdiv(imagesy($small), 2)) >> 24 < 64 ? 1 : 0;
            }
            self::assertGreaterThan(10, $seen, "{$what} shows its art");
        }
        // The report that goes along says what is true of them.
        $path = (string) tempnam(sys_get_temp_dir(), 'zip');
        file_put_contents($path, $this->get("/api/v1/preparations/{$id}/sheets.zip?earlier=1")->getContent());
        $zip = new ZipArchive;
        $zip->open($path);
        $report = json_decode((string) $zip->getFromName('report.json'), true);
        unlink($path);
        self::assertContains('The job was changed since it was prepared.', $report['verdict']['open']);
        self::assertSame(['foreignObject', 'external-reference'], array_column($report['left_out'], 'kind'));
    }

    #[Test]
    public function what_came_in_is_the_file_itself_also_after_edits_and_can_run_nothing(): void
    {
        $svg = self::svg(self::WHOLE.'<script>alert(1)</script>'.self::LOST);
        $job = $this->send($svg)->json('id');
        $this->postJson("/api/v1/jobs/{$job}/edits", ['version' => 1, 'edit' => ['kind' => 'remove', 'pieces' => ['p1']]])->assertOk();
        $picture = $this->get("/api/v1/jobs/{$job}/source.svg")->assertOk();
        self::assertStringContainsString('foreignObject', (string) $picture->getContent());
        self::assertStringContainsString('#f00', (string) $picture->getContent());
        self::assertStringStartsWith('image/svg+xml', (string) $picture->headers->get('Content-Type'));
        self::assertStringContainsString("default-src 'none'", (string) $picture->headers->get('Content-Security-Policy'));
        self::assertStringContainsString('sandbox', (string) $picture->headers->get('Content-Security-Policy'));
        self::assertEqualsWithDelta([0, 0, 100, 50], $this->getJson("/api/v1/jobs/{$job}")->json('job.file'), 1e-9);
        $blank = $this->postJson('/api/v1/jobs', ['process' => 'plain', 'width' => '50', 'height' => '50'])->json('id');
        $this->get("/api/v1/jobs/{$blank}/source.svg")->assertNotFound();
        self::assertNull($this->getJson("/api/v1/jobs/{$blank}")->json('job.file'));
    }

    /** @param  array{float, float, float, float}  $view */
    #[Test]
    #[TestWith(['', [30.0, 20.0, 60.0, 40.0]])]
    #[TestWith(['viewBox="0 0 400 200"', [0.0, 0.0, 400.0, 200.0]])]
    #[TestWith(['width="100%" height="100%" viewBox="0 0 400 200"', [0.0, 0.0, 400.0, 200.0]])]
    public function a_file_that_states_no_size_is_asked_about(string $size, array $view): void
    {
        $svg = self::svg('<rect x="30" y="20" width="60" height="40"/>', $size);
        $look = $this->send($svg, [], '/api/v1/look')->assertOk();
        self::assertFalse($look->json('statesSize'));
        self::assertEqualsWithDelta([60 * 25.4 / 96, 40 * 25.4 / 96], [$look->json('box.2'), $look->json('box.3')], 1e-6);
        self::assertStringContainsString('states no size; type the finished width', (string) $this->send($svg)->assertStatus(422)->json('message'));
        $state = $this->getJson('/api/v1/jobs/'.$this->send($svg, ['width' => '300mm', 'of' => 'art'])->assertCreated()->json('id'))->json();
        self::assertEqualsWithDelta([300.0, 200.0], [$state['job']['width'], $state['job']['height']], 1e-6);
        self::assertEqualsWithDelta([0.0, 0.0, 300.0, 200.0], $state['art']['pieces'][0]['box'], 1e-6);
        self::assertSame([], $state['notices'], 'who typed a width was asked');
        // The customer's own page lies where its art does.
        [$left, $top, $width] = $state['job']['file'];
        self::assertEqualsWithDelta([($view[0] - 30) * 5, ($view[1] - 20) * 5, $view[2] * 5], [$left, $top, $width], 1e-6);
    }

    #[Test]
    public function the_finished_width_is_that_of_the_page_or_of_the_art(): void
    {
        $svg = self::svg('<circle cx="100" cy="25" r="20" stroke="#000" stroke-width="10"/>');
        $look = $this->send($svg, [], '/api/v1/look')->assertOk();
        self::assertTrue($look->json('outside') && $look->json('statesSize'));
        self::assertEqualsWithDelta([75.0, 0.0, 50.0, 50.0], $look->json('box'), 1e-3);
        $page = $this->getJson('/api/v1/jobs/'.$this->send($svg, ['width' => '200'])->json('id'))->json();
        self::assertEqualsWithDelta([200.0, 100.0], [$page['job']['width'], $page['job']['height']], 1e-6);
        $art = $this->getJson('/api/v1/jobs/'.$this->send($svg, ['width' => '200', 'of' => 'art'])->json('id'))->json();
        self::assertEqualsWithDelta([200.0, 200.0], [$art['job']['width'], $art['job']['height']], 0.01);
        self::assertEqualsWithDelta([-300.0, 0.0, 400.0, 200.0], $art['job']['file'], 0.01);
        $this->send('no drawing', [], '/api/v1/look')->assertStatus(422);
        $this->send(self::svg(''), [], '/api/v1/look')->assertStatus(422)->assertJsonPath('message', 'The file draws nothing: it has no shapes and no lines.');
    }

    #[Test]
    public function see_through_colours_are_laid_on_the_ground_that_was_chosen(): void
    {
        [$job, $state] = $this->prepared(self::svg('<rect x="10" y="10" width="40" height="20" fill="#f00"/><rect x="30" y="20" width="40" height="20"'
            .' fill="#000" opacity=".5"/>'));
        self::assertSame(
            ['overlapping-sheets', 'solid-colours'],
            [$state['preparation']['result']['findings'][0]['kind'], $state['preparation']['result']['findings'][0]['step']],
        );
        foreach ([
            ['kind' => 'line-set', 'step' => 'solid-colours', 'values' => ['ground' => '#ffffff']],
            ['kind' => 'line-switch', 'step' => 'solid-colours', 'on' => true],
        ] as $i => $edit) {
            $this->postJson("/api/v1/jobs/{$job}/edits", ['version' => 1 + $i, 'edit' => $edit])->assertOk();
        }
        $this->postJson("/api/v1/jobs/{$job}/preparations")->assertStatus(202);
        $after = $this->getJson("/api/v1/jobs/{$job}")->json('preparation');
        $colours = array_column($after['result']['sheets'], 'colour');
        sort($colours);
        self::assertSame(['#800000', '#808080', '#ff0000'], $colours);
        self::assertSame(
            [true, []],
            [
                array_column($after['steps'], 'on', 'id')['solid-colours'],
                array_filter(
                    $after['result']['findings'],
                    static fn (array $finding): bool => in_array($finding['kind'], ['see-through', 'overlapping-sheets'], true),
                ),
            ],
        );
    }

    #[Test]
    public function a_remedy_says_before_it_is_kept_what_it_cures_leaves_and_makes_and_which_would_help_instead(): void
    {
        // A thin line close by a bar: thickened it comes too near to it. What is under it has no thin place at all.
        [$job, $state] = $this->prepared(self::svg('<rect x="10" y="10" width="60" height="10" fill="#f00"/><rect x="10" y="21.6" width="60" height=".5"'
            .' fill="#f00"/><rect x="10" y="40" width="60" height=".5" fill="#f00"/>'));
        $found = $state['preparation']['result']['findings'];
        self::assertSame(['thin-line', 'thin-line'], array_column($found, 'kind'));
        $ask = fn (array $edit, array $numbers, int $version = 1): TestResponse => $this->postJson(
            "/api/v1/jobs/{$job}/previews",
            ['lane' => 'cure', 'version' => $version, 'what' => 'cure', 'edit' => $edit, 'findings' => $numbers],
        );
        $all = $ask(['kind' => 'line-cure', 'what' => 'thicken', 'values' => []], [0, 1])->assertOk()->json();
        self::assertSame(
            [2, 0, ['Look changed']],
            [$all['cures'], $all['leaves'], array_column($all['makes'], 'label')],
            'thicker lines are another look, of more than the ticket lets pass',
        );
        $useless = $ask(['kind' => 'line-cure', 'what' => 'remove-hidden', 'values' => []], [0, 1])->assertOk()->json();
        self::assertSame([0, 2, []], [$useless['cures'], $useless['leaves'], $useless['makes']]);
        $others = fn (string $label): mixed => $this->postJson(
            "/api/v1/jobs/{$job}/previews",
            ['lane' => 'cure', 'version' => 1, 'what' => 'cure', 'instead' => $label, 'findings' => [0, 1]],
        )->assertOk()->json();
        self::assertSame(['Thicken to the limit', 2], [$others('Remove what is hidden')['label'], $others('Remove what is hidden')['cures']]);
        self::assertSame(['none' => true], $others('Thicken to the limit'), 'there is no other');
        // For one place alone, on the art itself.
        $at = implode(',', $found[1]['at']);
        $one = $ask(['kind' => 'mend', 'step' => 'thicken', 'values' => [], 'at' => $at, 'line' => 0.8, 'gap' => 1.0], [1])->assertOk()->json();
        self::assertSame([1, 0], [$one['cures'], $one['leaves']]);
        self::assertSame($state['job']['version'], $this->getJson("/api/v1/jobs/{$job}")->json('job.version'), 'nothing is stored');
        $this->postJson("/api/v1/jobs/{$job}/edits", ['version' => 1, 'edit' => ['kind' => 'line-cure', 'what' => 'thicken', 'values' => []]])->assertOk();
        $this->postJson("/api/v1/jobs/{$job}/preparations")->assertStatus(202);
        self::assertSame(['look-changed'], array_column($this->getJson("/api/v1/jobs/{$job}")->json('preparation.result.findings'), 'kind'), 'as it was told');
        $this->postJson("/api/v1/jobs/{$job}/edits", ['version' => 2, 'edit' => ['kind' => 'line-switch', 'step' => 'clean-nodes', 'on' => false]])->assertOk();
        $ask(
            ['kind' => 'line-cure', 'what' => 'thicken', 'values' => []],
            [0],
            3,
        )->assertStatus(422)->assertJsonPath('message', 'The job was changed since it was prepared; prepare it, and look again.');
        // A step of its kind that is off is switched on; no second one is put beside it.
        $steps = array_count_values(array_column(
            $this->postJson(
                "/api/v1/jobs/{$job}/edits",
                ['version' => 3, 'edit' => ['kind' => 'line-cure', 'what' => 'clean-nodes', 'values' => ['deviation' => 0.02]]],
            )->assertOk()->json('changes.frame.line'),
            'kind',
        ));
        self::assertSame(1, $steps['clean-nodes']);
    }

    #[Test]
    public function letters_whose_font_was_missing_are_set_in_it_once_it_is_there_and_that_is_undone_like_everything(): void
    {
        $svg = self::svg(self::WHOLE.'<text x="10" y="48" font-family="Brass Sans, serif" font-size="7">QUAY</text><text x="60" y="48" font-family="Brass'
            .' Sans, serif" font-size="4">mole</text><text x="50" y="20" font-family="Rye" font-size="5">Rye</text>');
        $job = $this->send($svg, ['width' => '200'])->assertCreated()->json('id');
        $state = fn (): array => $this->getJson("/api/v1/jobs/{$job}")->json();
        $first = $state();
        $number = array_search('missing-font', array_column($first['notices'], 'kind'), true);
        self::assertSame(
            ['Brass Sans', 'The font "Brass Sans" is not at hand; "DejaVu Serif" takes its place, and its letters differ.'],
            [$first['notices'][$number]['sheet'], $first['notices'][$number]['message']],
        );
        $where = $this->getJson("/api/v1/jobs/{$job}/letters?missing=Brass+Sans")->assertOk()->json();
        self::assertCount(2, $where['pieces']);
        self::assertEqualsWithDelta([20, 82], [$where['box']['x'], $where['box']['y']], 5, 'both words, at the size of the bench');
        self::assertLessThan(170, $where['box']['width']);
        $ask = fn (string $family, int $version, string $missing = 'Brass Sans'): TestResponse => $this->postJson(
            "/api/v1/jobs/{$job}/letters",
            ['version' => $version, 'missing' => $missing, 'family' => $family],
        );
        $ask('Brass Sans', 1)->assertStatus(422)->assertJsonPath('message', 'The font "Brass Sans" is not at hand; add it first.');
        $ask('Rye', 1, 'Tin Sans')->assertStatus(422)->assertJsonPath('message', 'No letters on the bench stand in for that font any more.');

        // One of the words is moved by hand: it stays.
        $moved = $where['pieces'][1];
        $this->postJson(
            "/api/v1/jobs/{$job}/edits",
            ['version' => 1, 'edit' => ['kind' => 'transform', 'pieces' => [$moved], 'matrix' => [1, 0, 0, 1, 3, 0]]],
        )->assertOk();
        $other = $ask('Rye', 2)->assertOk();
        self::assertSame([$where['pieces'][0]], array_column($other->json('changes.pieces'), 'id'));
        self::assertSame('Set in "Rye" instead, but for 1 that were changed by hand', $other->json('notices')[$number]['accepted']);
        $rye = array_column($this->getJson("/api/v1/jobs/{$job}")->json('art.pieces'), null, 'id')[$where['pieces'][0]];
        $this->postJson("/api/v1/jobs/{$job}/undo", ['version' => 3])->assertOk();
        self::assertSame($first['notices'], $state()['notices'], 'it is open again');
        $this->postJson("/api/v1/jobs/{$job}/redo", ['version' => 4])->assertOk();
        self::assertArrayHasKey('accepted', $state()['notices'][$number]);
        self::assertEquals($rye, array_column($state()['art']['pieces'], null, 'id')[$where['pieces'][0]]);
        $this->postJson("/api/v1/jobs/{$job}/undo", ['version' => 5])->assertOk();

        // Once the font itself is there, they are set in it.
        $condensed = $this->send(str_replace('Brass Sans', 'DejaVu Sans Condensed', $svg), ['width' => '200'])->json('id');
        $font = $this->post(
            '/api/v1/fonts',
            ['file' => UploadedFile::fake()->createWithContent('c.woff', (string) file_get_contents(base_path('core/tests/Support/condensed.woff')))],
        )->assertCreated()->json('id');
        try {
            self::assertCount(2, $this->getJson("/api/v1/jobs/{$condensed}/letters?missing=DejaVu+Sans+Condensed")->json('pieces'));
            $set = $this->postJson(
                "/api/v1/jobs/{$condensed}/letters",
                ['version' => 1, 'missing' => 'DejaVu Sans Condensed', 'family' => 'DejaVu Sans Condensed'],
            )->assertOk();
            self::assertCount(2, $set->json('changes.pieces'));
            self::assertSame('The font was added, and the letters set in it', $set->json('notices')[$number]['accepted']);
        } finally {
            $this->deleteJson("/api/v1/fonts/{$font}");
        }

        // The same shapes as a file that names the font which is at hand.
        $named = $this->send(str_replace('Brass Sans', 'Rye', $svg), ['width' => '200'])->json('id');
        $same = array_column($this->getJson("/api/v1/jobs/{$named}")->json('art.pieces'), null, 'id')[$where['pieces'][0]];
        self::assertSame($same['d'], $rye['d']);
    }

    #[Test]
    public function letters_of_a_drawing_in_lines_stay_letters_when_they_are_set_in_another_font(): void
    {
        $dxf = implode(
            "\n",
            [
                0, 'SECTION', 2, 'HEADER', 9, '$INSUNITS', 70, 4, 0, 'ENDSEC', 0, 'SECTION', 2, 'ENTITIES', 0, 'LINE', 8, 'L', 10, 0, 20, 0, 11, 100,
                21, 0, 0, 'MTEXT', 8, 'T', 10, 10, 20, 40, 40, 12, 71, 1, 1, '{\fBrass Sans|b0;MOLE}', 0, 'ENDSEC', 0, 'EOF', '',
            ],
        );
        $job = $this->post(
            '/api/v1/jobs',
            ['process' => 'cut-vinyl', 'taking' => ['lines' => 'drawn'], 'file' => UploadedFile::fake()->createWithContent('a.dxf', $dxf)],
            ['Accept' => 'application/json'],
        )->assertCreated()->json('id');
        $notices = $this->getJson("/api/v1/jobs/{$job}")->json('notices');
        self::assertContains('Brass Sans', array_column($notices, 'sheet'));
        $where = $this->getJson("/api/v1/jobs/{$job}/letters?missing=Brass+Sans")->assertOk()->json('pieces');
        self::assertCount(1, $where);
        $set = $this->postJson("/api/v1/jobs/{$job}/letters", ['version' => 1, 'missing' => 'Brass Sans', 'family' => 'Rye'])->assertOk();
        self::assertSame([$where[0], ['text']], [$set->json('changes.pieces.0.id'), $set->json('changes.pieces.0.live')]);
        self::assertSame('Rye', $this->postJson("/api/v1/jobs/{$job}/pieces", ['pieces' => $where])->json('details.0.text.family'));
    }

    #[Test]
    public function what_is_not_ready_leaves_only_where_somebody_lets_it_by_name_in_that_state_alone(): void
    {
        [$job, $state] = $this->prepared(self::svg(self::WHOLE.'<path d="M10 45h80" stroke="#000" stroke-width=".6"/>'));
        $id = $state['preparation']['id'];
        self::assertSame(
            ['1 finding is open: thin line.'],
            $state['preparation']['verdict']['open'],
            'a line of 0.6 mm under a limit of 0.8 is not serious, and not ready',
        );
        foreach ([
            "/api/v1/preparations/{$id}/sheets.zip",
            "/api/v1/preparations/{$id}/sheets/1.svg",
            "/api/v1/jobs/{$job}/files.zip?format=plt",
            "/api/v1/jobs/{$job}/files/0.plt",
            "/api/v1/jobs/{$job}/sizes.zip?width=50mm",
        ] as $way) {
            $this->getJson($way)->assertStatus(409)->assertJsonPath('open', ['1 finding is open: thin line.']);
        }
        $this->postJson("/api/v1/jobs/{$job}/releases", ['by' => '', 'reason' => 'x'])->assertStatus(422)->assertJsonPath('message', 'Say who lets it go.');
        $this->postJson("/api/v1/jobs/{$job}/releases", ['by' => 'Ina', 'reason' => ''])->assertStatus(422);
        $this->postJson("/api/v1/jobs/{$job}/releases", ['by' => 'Ina', 'reason' => 'The customer wants it so thin'])->assertCreated();
        $this->get("/api/v1/jobs/{$job}/files.zip?format=plt")->assertOk();
        self::assertSame('Ina', $this->getJson("/api/v1/jobs/{$job}")->json('preparation.verdict.released.by'));
        self::assertSame(
            [['Ina', 'The customer wants it so thin', ['1 finding is open: thin line.']]],
            array_map(
                static fn (array $row): array => [$row['by'], $row['reason'], $row['open']],
                $this->getJson("/api/v1/jobs/{$job}/releases")->json('data'),
            ),
        );
        // Another state is another question.
        $this->patchJson("/api/v1/jobs/{$job}", ['version' => 1, 'line' => '0.9mm'])->assertOk();
        $this->postJson("/api/v1/jobs/{$job}/preparations");
        $this->getJson("/api/v1/jobs/{$job}/files.zip?format=plt")->assertStatus(409);
        // What is ready is not asked about.
        $this->patchJson("/api/v1/jobs/{$job}", ['version' => 2, 'line' => '0.5mm'])->assertOk();
        $this->postJson("/api/v1/jobs/{$job}/preparations");
        $this->get("/api/v1/jobs/{$job}/files.zip?format=plt")->assertOk();
        $this->postJson(
            "/api/v1/jobs/{$job}/releases",
            ['by' => 'Ina', 'reason' => 'x'],
        )->assertStatus(422)->assertJsonPath('message', 'The job is ready; nothing holds it.');
    }

    #[Test]
    public function an_empty_bench_is_neither_ready_nor_not(): void
    {
        $job = $this->postJson('/api/v1/jobs', ['process' => 'cut-vinyl', 'width' => '100mm', 'height' => '50mm'])->assertCreated()->json('id');
        $this->postJson("/api/v1/jobs/{$job}/preparations")->assertStatus(202);
        $verdict = $this->getJson("/api/v1/jobs/{$job}")->json('preparation.verdict');
        self::assertSame([true, false, 'There is nothing to make yet'], [$verdict['empty'], $verdict['ready'], $verdict['sentence']]);
    }
}
