<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\ShopJob;
use App\Models\StepResult;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** The line is the artist's: changed step by step, taken back, saved as a preset and used again; colours get names. */
final class LineTest extends TestCase
{
    use RefreshDatabase;

    private int $job = 0;

    protected function setUp(): void
    {
        parent::setUp();
        $svg = '<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="60mm" viewBox="0 0 100 60"><rect x="5" y="5" width="60" height="40"'
            .' fill="#e0a030"/><rect x="20" y="20" width="70" height=".4" fill="#223344"/><rect x="70" y="30" width="9" height="9" fill="#e1a131"/></svg>';
        $this->job = $this->post(
            '/api/v1/jobs',
            ['process' => 'cut-vinyl', 'width' => '100', 'file' => UploadedFile::fake()->createWithContent('pier.svg', $svg)],
            ['Accept' => 'application/json'],
        )->assertCreated()->json('id');
    }

    /**
     * @param  array<string, mixed>  $edit
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function edit(array $edit): TestResponse
    {
        return $this->postJson(
            "/api/v1/jobs/{$this->job}/edits",
            ['version' => ShopJob::query()->findOrFail($this->job)->version, 'edit' => $edit],
        )->assertOk();
    }

    /** @return list<array<string, mixed>> */
    private function line(): array
    {
        return $this->getJson("/api/v1/jobs/{$this->job}")->json('art.line');
    }

    /** @return array<string, mixed> */
    private function prepared(): array
    {
        $id = $this->postJson("/api/v1/jobs/{$this->job}/preparations")->assertStatus(202)->json('id');

        return $this->getJson("/api/v1/preparations/{$id}")->json();
    }

    #[Test]
    public function steps_are_inserted_where_they_are_proposed_moved_copied_changed_and_taken_out_and_all_can_be_undone(): void
    {
        $kinds = fn (): array => array_column($this->line(), 'kind');
        self::assertSame(
            [
                ['outline-strokes', true],
                ['join-near-blacks', false],
                ['solid-colours', false],
                ['remove-hidden', true],
                ['merge-by-colour', true],
                ['clean-nodes', true],
            ],
            array_map(null, $kinds(), array_column($this->line(), 'on')),
        );
        $this->edit(['kind' => 'line-insert', 'what' => 'thicken', 'values' => ['width' => '1/32in']]);
        self::assertSame(['merge-by-colour', 'thicken', 'clean-nodes'], array_slice($kinds(), 4), 'before nodes are cleaned');
        $id = $this->line()[5]['id'];
        self::assertEqualsWithDelta(0.79375, $this->line()[5]['values']['width'], 1e-6);
        $this->edit(['kind' => 'line-set', 'step' => $id, 'values' => ['width' => '1.2mm']]);
        self::assertSame(1.2, $this->line()[5]['values']['width']);
        $this->edit(['kind' => 'line-copy', 'step' => $id]);
        self::assertCount(2, array_keys($kinds(), 'thicken'));
        self::assertCount(8, array_unique(array_column($this->line(), 'id')));
        $this->edit(['kind' => 'line-move', 'step' => $id, 'at' => 0]);
        self::assertSame('thicken', $kinds()[0]);
        self::assertSame(
            '"Thicken lines" stands before "Remove hidden". Only what is seen is measured: remove what is hidden before.',
            $this->line()[0]['says'],
        );
        self::assertNull($this->line()[1]['says']);
        $this->edit(['kind' => 'line-remove', 'step' => $id]);
        for ($k = 0; $k < 5; $k++) {
            $this->postJson("/api/v1/jobs/{$this->job}/undo", ['version' => ShopJob::query()->findOrFail($this->job)->version])->assertOk();
        }
        self::assertSame(['outline-strokes', 'join-near-blacks', 'solid-colours', 'remove-hidden', 'merge-by-colour', 'clean-nodes'], $kinds());
    }

    #[Test]
    public function after_a_late_change_only_what_follows_is_computed_and_deeds_are_told(): void
    {
        $this->edit(['kind' => 'line-insert', 'what' => 'thicken']);
        $first = $this->prepared();
        $step = $first['result']['steps'][3];
        self::assertSame(['thicken', 1], [$step['step'], $step['done'] ?? 0], 'to the limit of the ticket');
        self::assertNotContains('thin-line', array_column($first['result']['findings'], 'kind'));
        $kept = StepResult::query()->count();
        $this->edit(['kind' => 'line-set', 'step' => $step['id'], 'values' => ['width' => '1.5mm']]);
        self::assertSame([true, true, true, false, false], array_column($this->prepared()['result']['steps'], 'cached'));
        self::assertSame($kept + 2, StepResult::query()->count());
        // Other limits of the ticket are other values of the step.
        $this->edit(['kind' => 'line-set', 'step' => $step['id'], 'values' => ['width' => '0']]);
        self::assertSame([true, true, true, true, true], array_column($this->prepared()['result']['steps'], 'cached'));
        $this->patchJson(
            "/api/v1/jobs/{$this->job}",
            ['version' => ShopJob::query()->findOrFail($this->job)->version, 'line' => '1mm', 'limits' => ['island' => '3mm', 'colours' => '1']],
        )->assertOk();
        $after = $this->prepared();
        self::assertSame([true, true, true, false, false], array_column($after['result']['steps'], 'cached'));
        self::assertContains('too-many-colours', array_column($after['result']['findings'], 'kind'));
    }

    #[Test]
    public function what_other_values_would_give_is_shown_and_nothing_is_kept(): void
    {
        $this->edit(['kind' => 'line-insert', 'what' => 'thicken']);
        $id = $this->line()[5]['id'];
        $version = ShopJob::query()->findOrFail($this->job)->version;
        $answer = $this->postJson(
            "/api/v1/jobs/{$this->job}/previews",
            ['lane' => 'step', 'version' => $version, 'what' => 'step', 'step' => ['id' => $id, 'values' => ['width' => '2mm']]],
        )->assertOk();
        self::assertSame(1, $answer->json('report.done'));
        self::assertSame(0.0, (float) $this->line()[5]['values']['width']);
        self::assertSame($version, ShopJob::query()->findOrFail($this->job)->version);
        $this->postJson(
            "/api/v1/jobs/{$this->job}/previews",
            ['lane' => 'step', 'version' => $version, 'what' => 'step', 'step' => ['id' => 'gone']],
        )->assertStatus(422)->assertJsonPath('message', 'That step is not in the line any more.');
    }

    #[Test]
    public function places_where_a_step_changed_the_look_can_be_stepped_through(): void
    {
        $this->edit(['kind' => 'line-insert', 'what' => 'thicken']);
        $done = $this->prepared();
        $places = $this->getJson("/api/v1/preparations/{$done['id']}/stages/3/changes")->assertOk()->json();
        self::assertNotSame([], $places);
        // Beside the line, which is thicker by 0.204 mm on both sides.
        foreach ($places as $place) {
            self::assertEqualsWithDelta(20.2, $place['y'] + $place['height'] / 2, 0.5);
        }
        self::assertSame([], $this->getJson("/api/v1/preparations/{$done['id']}/stages/1/changes")->json(), 'removing what is hidden changes no look');
    }

    #[Test]
    public function a_line_is_saved_as_a_preset_exported_imported_compared_and_used(): void
    {
        $ships = $this->getJson('/api/v1/presets')->assertOk()->json();
        self::assertSame('Vinyl to weed', $ships[0]['name']);
        $this->edit(['kind' => 'line-insert', 'what' => 'thicken', 'values' => ['width' => 1.1]]);
        $this->postJson(
            "/api/v1/jobs/{$this->job}/presets",
            ['name' => 'Shop window', 'note' => 'outdoor', 'for' => ['cut-vinyl']],
        )->assertCreated()->assertJsonPath('version', 1);
        $this->postJson("/api/v1/jobs/{$this->job}/presets", ['name' => 'Shop window'])->assertCreated()->assertJsonPath('version', 2);
        self::assertSame(['name' => 'Shop window', 'called' => 'Shop window', 'version' => 2, 'changed' => false], $this->getJson("/api/v1/jobs/{$this->job}")->json('job.preset'));
        $this->edit(['kind' => 'line-switch', 'step' => $this->line()[0]['id'], 'on' => false]);
        self::assertTrue($this->getJson("/api/v1/jobs/{$this->job}")->json('job.preset.changed'));
        $this->edit(['kind' => 'line-switch', 'step' => $this->line()[0]['id'], 'on' => true]);
        self::assertFalse($this->getJson("/api/v1/jobs/{$this->job}")->json('job.preset.changed'), 'as it was again');
        $this->postJson(
            "/api/v1/jobs/{$this->job}/presets",
            ['name' => 'Vinyl to weed'],
        )->assertStatus(422)->assertJsonPath('message', 'That preset is built in; choose another name.');
        $file = $this->get('/api/v1/presets/Shop%20window.json')->assertOk();
        $text = (string) $file->getContent();
        self::assertSame(1.1, json_decode($text, true)['steps'][5]['values']['width']);
        $this->deleteJson('/api/v1/presets/Shop%20window')->assertNoContent();
        $import = fn (string $text): TestResponse => $this->post(
            '/api/v1/presets/import',
            ['file' => UploadedFile::fake()->createWithContent('p.json', $text)],
            ['Accept' => 'application/json'],
        );
        $import($text)->assertCreated()->assertJsonPath('name', 'Shop window');
        foreach ([
            '{' => 'the preset is no JSON',
            '{"a":1}' => 'the file is no preset of form 1',
            str_replace('"thicken"', '"knit"', $text) => 'There is no such step',
            str_replace('"width"', '"wide"', $text) => 'has no field "wide"',
            str_replace('1.1', '"far"', $text) => 'step 6',
        ] as $bad => $says) {
            self::assertStringContainsStringIgnoringCase($says, (string) $import((string) $bad)->assertStatus(422)->json('message'));
        }
        $rows = $this->getJson('/api/v1/presets/compare?one=Plain%20and%20tidy&other=Shop%20window')->assertOk()->json();
        self::assertContains(['what' => 'step', 'step' => 'Thicken lines', 'here' => '', 'there' => 'has it'], $rows);
        $this->postJson(
            "/api/v1/jobs/{$this->job}/preset",
            ['version' => ShopJob::query()->findOrFail($this->job)->version, 'preset' => 'Vinyl to weed'],
        )->assertOk();
        self::assertContains('islands', array_column($this->line(), 'kind'));
        $done = $this->prepared();
        self::assertSame(
            [],
            array_filter($done['result']['findings'], static fn (array $finding): bool => in_array($finding['kind'], ['thin-line', 'near-colour'], true)),
        );
        self::assertCount(2, $done['result']['sheets'], 'near colours became one');
        $this->postJson("/api/v1/jobs/{$this->job}/undo", ['version' => ShopJob::query()->findOrFail($this->job)->version])->assertOk();
        self::assertNotContains('islands', array_column($this->line(), 'kind'));
    }

    #[Test]
    public function colours_are_told_by_what_is_seen_and_have_names_that_stay(): void
    {
        $palette = $this->getJson("/api/v1/jobs/{$this->job}/colours")->assertOk()->json();
        self::assertSame(['#e0a030', '#e1a131', '#223344'], array_column($palette['colours'], 'hex'));
        self::assertEqualsWithDelta(60 * 40 - 45 * 0.4, $palette['colours'][0]['area'], 0.01, 'without what lies under the line');
        self::assertSame([['#e1a131', '#e0a030']], array_map(static fn (array $row): array => [$row['from'], $row['to']], $palette['near']));
        $this->putJson('/api/v1/colours', ['hex' => '#e0a030', 'name' => 'Brass 920'])->assertOk()->assertExactJson(['#e0a030' => 'Brass 920']);
        self::assertSame('Brass 920', $this->getJson("/api/v1/jobs/{$this->job}/colours")->json('colours.0.name'));
        $this->putJson('/api/v1/colours', ['hex' => 'brass', 'name' => 'x'])->assertStatus(422);
        $this->putJson('/api/v1/colours', ['hex' => '#e0a030', 'name' => ''])->assertOk()->assertExactJson([]);
    }

    #[Test]
    public function every_finding_says_what_cures_it_and_a_cure_on_the_art_makes_it_go(): void
    {
        $choices = $this->getJson('/api/v1/choices')->json();
        $kinds = array_column($choices['steps'], 'kind');
        foreach ($choices['findings'] as $about) {
            foreach ($about['remedies'] as $remedy) {
                self::assertContains($remedy['step'], $kinds, $about['kind']);
            }
        }
        $before = $this->prepared();
        $thin = array_values(array_filter($before['result']['findings'], static fn (array $finding): bool => $finding['kind'] === 'thin-line'))[0];
        $answer = $this->edit(['kind' => 'mend', 'step' => 'thicken', 'at' => implode(',', $thin['at']), 'line' => 0.8, 'gap' => 0.5]);
        self::assertCount(1, $answer->json('changes.pieces'));
        self::assertNotContains('thin-line', array_column($this->prepared()['result']['findings'], 'kind'));
    }

    #[Test]
    public function hand_work_on_the_result_is_kept_as_a_step_and_carried_over_when_the_source_changes(): void
    {
        $this->edit(['kind' => 'line-insert', 'what' => 'touch-up']);
        $step = array_column($this->line(), 'id', 'kind')['touch-up'];
        $result = $this->getJson("/api/v1/jobs/{$this->job}/touch-up/{$step}")->assertOk()->json();
        self::assertCount(3, $result['pieces'], 'one a colour');
        $bar = array_values(array_filter($result['pieces'], static fn (array $piece): bool => $piece['fill'] === '#223344'))[0]['id'];
        $on = ['X-Touch-Up' => $step];
        $this->postJson("/api/v1/jobs/{$this->job}/pieces", ['pieces' => [$bar]], $on)->assertOk()->assertJsonPath('details.0.id', $bar);
        $version = ShopJob::query()->findOrFail($this->job)->version;
        $this->postJson(
            "/api/v1/jobs/{$this->job}/edits",
            ['version' => $version, 'edit' => ['kind' => 'move', 'pieces' => [$bar], 'x' => 0, 'y' => 12]],
            $on,
        )->assertOk()->assertJsonPath('history.label', 'Touch up: move 12 mm');
        self::assertSame(
            [],
            array_diff(array_column($this->getJson("/api/v1/jobs/{$this->job}")->json('art.pieces'), 'fill'), ['#e0a030', '#223344', '#e1a131']),
            'the source is as it was',
        );
        $done = $this->prepared();
        self::assertSame(1, $done['result']['steps'][4]['done']);
        $after = $this->getJson("/api/v1/preparations/{$done['id']}/stages/4")->json('pieces');
        self::assertEqualsWithDelta(12.0, self::top($after, '#223344') - self::top($result['pieces'], '#223344'), 1e-6);
        // The source changes: the hand edit is carried over to what is there now.
        $source = array_values(array_filter(
            $this->getJson("/api/v1/jobs/{$this->job}")->json('art.pieces'),
            static fn (array $piece): bool => $piece['fill'] === '#223344',
        ))[0]['id'];
        $this->edit(['kind' => 'move', 'pieces' => [$source], 'x' => 2, 'y' => 0]);
        self::assertSame(1, $this->prepared()['result']['steps'][4]['done']);
        // What it was made on goes: it is named, and left out.
        $this->edit(['kind' => 'remove', 'pieces' => [$source]]);
        $left = $this->prepared()['result']['steps'][4]['left'];
        self::assertSame('Move no longer applies: the piece in #223344 that it was made on is gone.', $left[0]['how']);
        foreach (range(1, 3) as $_) {
            $this->postJson("/api/v1/jobs/{$this->job}/undo", ['version' => ShopJob::query()->findOrFail($this->job)->version])->assertOk();
        }
        self::assertSame([], $this->line()[6]['values']['edits'], 'a hand edit is undone like every other');
        $this->postJson(
            "/api/v1/jobs/{$this->job}/edits",
            ['version' => ShopJob::query()->findOrFail($this->job)->version, 'edit' => ['kind' => 'move', 'pieces' => [$bar], 'x' => 1]],
            ['X-Touch-Up' => 'gone'],
        )->assertStatus(422);
    }

    /** @param  list<array<string, mixed>>  $pieces */
    private static function top(array $pieces, string $fill): float
    {
        foreach ($pieces as $piece) {
            if ($piece['fill'] === $fill) {
                preg_match_all('/-?\d+(?:\.\d+)?/', (string) $piece['d'], $found);

                return (float) $found[0][1];
            }
        }

        return 0.0;
    }

    #[Test]
    public function each_step_tells_how_many_findings_there_were_before_it_and_are_after_it(): void
    {
        $this->edit(['kind' => 'line-insert', 'what' => 'thicken']);
        $run = $this->prepared();
        $at = (int) array_search('thicken', array_column($run['result']['steps'], 'step'), true);
        $found = $this->getJson("/api/v1/preparations/{$run['id']}/stages/{$at}/found")->assertOk()->json();
        self::assertGreaterThan($found['after']['findings'], $found['before']['findings']);
        self::assertSame(
            count(array_filter($run['result']['findings'], static fn (array $finding): bool => $finding['kind'] !== 'look-changed')),
            $this->getJson('/api/v1/preparations/'.$run['id'].'/stages/'.(count($run['result']['steps']) - 1).'/found')->json('after.findings'),
        );
        self::assertSame($found['before'], $this->getJson("/api/v1/preparations/{$run['id']}/stages/".($at - 1).'/found')->json('after'));
        // Under other limits there is less to find.
        $this->patchJson(
            "/api/v1/jobs/{$this->job}",
            ['version' => ShopJob::query()->findOrFail($this->job)->version, 'line' => '0.1mm', 'gap' => '0.1mm'],
        )->assertOk();
        self::assertLessThan($found['before']['findings'], $this->getJson("/api/v1/preparations/{$run['id']}/stages/{$at}/found")->json('before.findings'));
        $this->getJson("/api/v1/preparations/{$run['id']}/stages/99/found")->assertNotFound();
    }

    #[Test]
    public function what_is_drawn_is_checked_around_where_it_lies_and_nothing_else_is(): void
    {
        $pieces = $this->getJson("/api/v1/jobs/{$this->job}")->json('art.pieces');
        $answer = $this->postJson("/api/v1/jobs/{$this->job}/previews", ['what' => 'checks', 'pieces' => [$pieces[1]['id']]])->assertOk()->json();
        self::assertSame(['thin-line'], array_values(array_unique(array_column($answer['findings'], 'kind'))));
        self::assertEqualsWithDelta([19.2, 19.2, 90.8, 21.2], $answer['region'], 1e-6);
        self::assertSame(
            [],
            $this->postJson("/api/v1/jobs/{$this->job}/previews", ['what' => 'checks', 'pieces' => [$pieces[2]['id']]])->assertOk()->json('findings'),
        );
        $this->postJson(
            "/api/v1/jobs/{$this->job}/previews",
            ['what' => 'checks', 'pieces' => 'all'],
        )->assertStatus(422)->assertJsonPath('message', 'Say which pieces were changed, at most 2000.');
    }
}
