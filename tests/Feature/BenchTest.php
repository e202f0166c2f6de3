<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\BenchPiece;
use App\Models\Revision;
use App\Models\ShopJob;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Seen\Seen;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

final class BenchTest extends TestCase
{
    use RefreshDatabase;

    private int $job;

    protected function setUp(): void
    {
        parent::setUp();
        $this->job = $this->postJson(
            '/api/v1/jobs',
            ['process' => 'screen-print', 'width' => '20cm', 'height' => '150', 'title' => 'Lantern'],
        )->assertCreated()->json('id');
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function edit(string $kind, array $fields = [], ?int $version = null): TestResponse
    {
        return $this->postJson("/api/v1/jobs/{$this->job}/edits", ['version' => $version ?? $this->version(), 'edit' => ['kind' => $kind, ...$fields]]);
    }

    private function version(): int
    {
        return ShopJob::query()->findOrFail($this->job)->version;
    }

    private function shape(string $shape = 'star', float $x = 50, float $y = 50): string
    {
        return $this->edit('draw-shape', ['shape' => $shape, 'x' => $x, 'y' => $y])->assertOk()->json('changes.pieces.0.id');
    }

    private function stored(): string
    {
        return ArtworkJson::encode(ShopJob::query()->findOrFail($this->job)->art());
    }

    #[Test]
    public function an_empty_bench_has_a_typed_size_and_is_drawn_on(): void
    {
        $state = $this->getJson("/api/v1/jobs/{$this->job}")->assertOk();
        self::assertEquals(
            [200.0, 150.0, [], 'An empty bench'],
            [$state->json('job.width'), $state->json('job.height'), $state->json('art.pieces'), $state->json('history.label')],
        );
        $id = $this->shape();
        $this->getJson("/api/v1/jobs/{$this->job}")->assertJsonPath('art.pieces.0.id', $id)->assertJsonPath('art.pieces.0.live', ['shape', 'star']);
        $this->postJson('/api/v1/jobs', ['process' => 'screen-print', 'width' => 'wide', 'height' => '150'])->assertStatus(422);
    }

    #[Test]
    public function a_revision_is_stored_as_what_it_changed_however_much_lies_on_the_bench(): void
    {
        $ids = array_map(fn (int $i): string => $this->shape('star', 10 + 3 * $i, 50), range(1, 40));
        $size = static fn (): int => strlen((string) Revision::query()->orderByDesc('id')->firstOrFail()->change);
        $this->edit('move', ['pieces' => [$ids[0]], 'x' => 1])->assertOk();
        $one = $size();
        $this->edit('move', ['pieces' => $ids, 'x' => 1])->assertOk();
        self::assertLessThan($size() / 4, $one);
        self::assertFalse(\Illuminate\Support\Facades\Schema::hasColumn('revisions', 'artwork'));
    }

    #[Test]
    public function undo_reaches_back_to_the_empty_bench_and_redo_to_the_last_edit_state_for_state(): void
    {
        $id = $this->shape();
        $states = ['', $this->stored()];
        foreach ([
            ['fill', ['pieces' => [$id], 'colour' => '#ff0000']],
            ['repeat', ['pieces' => [$id], 'as' => 'ring', 'count' => 5, 'centreX' => 100, 'centreY' => 75]],
            ['add-layer', ['name' => 'Rope']],
            ['centre-lines', []],
            ['bake', ['pieces' => [$id]]],
            ['remove', ['pieces' => [$id]]],
        ] as [$kind, $fields]) {
            $this->edit($kind, $fields)->assertOk();
            $states[] = $this->stored();
        }
        for ($i = count($states) - 2; $i >= 1; $i--) {
            $this->postJson("/api/v1/jobs/{$this->job}/undo", ['version' => $this->version()])->assertOk();
            self::assertSame($states[$i], $this->stored(), "back to state {$i}");
        }
        $this->postJson(
            "/api/v1/jobs/{$this->job}/undo",
            ['version' => $this->version()],
        )->assertJsonPath('history.canUndo', false)->assertJsonPath('history.nextLabel', 'Draw: star');
        for ($i = 1; $i < count($states); $i++) {
            $this->postJson("/api/v1/jobs/{$this->job}/redo", ['version' => $this->version()])->assertOk();
            self::assertSame($states[$i], $this->stored(), "forward to state {$i}");
        }
    }

    #[Test]
    public function the_answer_to_an_edit_brings_another_window_to_the_same_picture_as_opening_anew(): void
    {
        $a = $this->shape();
        $b = $this->shape('heart', 80, 40);
        $before = array_column($this->getJson("/api/v1/jobs/{$this->job}")->json('art.pieces'), null, 'id');
        $changes = $this->edit('order', ['pieces' => [$a], 'to' => 'front'])->json('changes');
        self::assertSame([[], [], [$b, $a]], [$changes['pieces'], $changes['gone'], $changes['order']]);
        $changes = $this->edit('compound', ['pieces' => [$a, $b]])->json('changes');
        $patched = [...array_diff_key($before, array_flip($changes['gone'])), ...array_column($changes['pieces'], null, 'id')];
        $anew = $this->getJson("/api/v1/jobs/{$this->job}")->json('art.pieces');
        self::assertEquals($anew, array_map(static fn (string $id): array => $patched[$id], $changes['order']));
    }

    #[Test]
    public function a_stale_window_is_shown_the_newer_state_and_makes_its_edit_on_top_of_it(): void
    {
        $id = $this->shape();
        $stale = $this->version();
        $this->edit('fill', ['pieces' => [$id], 'colour' => '#00ff00'])->assertOk();
        $answer = $this->edit('move', ['pieces' => [$id], 'x' => 10], $stale)->assertStatus(409)->assertJsonPath('art.pieces.0.fill', '#00ff00');
        $this->edit('move', ['pieces' => [$id], 'x' => 10], $answer->json('job.version'))->assertOk()->assertJsonPath('changes.pieces.0.fill', '#00ff00');
    }

    #[Test]
    public function an_edit_that_changes_nothing_or_is_refused_leaves_no_revision(): void
    {
        $id = $this->shape();
        $before = $this->stored();
        // What is wished and is so already is no mistake: nothing is said, and nothing stored.
        $version = $this->version();
        foreach ([
            ['mark', ['pieces' => [$id], 'name' => 'Star', 'hidden' => false, 'locked' => false]],
            ['place', ['pieces' => [$id], 'width' => '100%']],
            ['order', ['pieces' => [$id], 'to' => 'front']],
        ] as [$kind, $fields]) {
            $this->edit($kind, $fields)->assertOk()->assertJsonPath('changes.pieces', [])->assertJsonPath('job.version', $version);
        }
        foreach ([
            ['place', ['pieces' => [$id], 'width' => 'wide']],
            ['text', ['text' => '']],
            ['knit', []],
            ['fill', ['pieces' => [$id], 'colour' => '<b>']],
        ] as [$kind, $fields]) {
            self::assertMatchesRegularExpression('/^["A-Z][^\n]+\.$/', $this->edit($kind, $fields)->assertStatus(422)->json('message'));
        }
        self::assertSame([2, $before], [Revision::query()->count(), $this->stored()]);
    }

    #[Test]
    public function a_preview_stores_nothing_and_says_only_what_would_change(): void
    {
        $a = $this->shape();
        $this->shape('heart', 80, 40);
        $before = $this->stored();
        $this->postJson(
            "/api/v1/jobs/{$this->job}/previews",
            ['what' => 'edit', 'edit' => ['kind' => 'shape-values', 'pieces' => [$a], 'points' => 9]],
        )->assertOk()
            ->assertJsonCount(1, 'pieces')->assertJsonPath('pieces.0.nodes', 18)->assertJsonPath('order', null);
        self::assertSame($before, $this->stored());
    }

    #[Test]
    public function a_named_version_is_compared_and_laid_on_the_bench_again(): void
    {
        $id = $this->shape();
        $kept = $this->stored();
        $list = $this->postJson(
            "/api/v1/jobs/{$this->job}/versions",
            ['name' => 'First <draft>'],
        )->assertOk()->assertJsonPath('versions.0.name', 'First <draft>')->assertJsonPath('versions.0.current', true);
        $version = $list->json('versions.0.id');
        $this->edit('remove', ['pieces' => [$id]])->assertOk();
        $this->getJson("/api/v1/jobs/{$this->job}/versions/{$version}")->assertOk()->assertJsonPath('pieces.0.id', $id);
        $this->postJson(
            "/api/v1/jobs/{$this->job}/versions/{$version}/back",
            ['version' => $this->version()],
        )->assertOk()->assertJsonPath('history.label', 'Back to "First <draft>"');
        self::assertSame($kept, $this->stored());
        $this->postJson("/api/v1/jobs/{$this->job}/undo", ['version' => $this->version()])->assertOk();
        self::assertSame(0, BenchPiece::query()->count());
        $this->postJson("/api/v1/jobs/{$this->job}/versions", ['name' => ' '])->assertStatus(422);
        $other = $this->postJson('/api/v1/jobs', ['process' => 'plain', 'width' => '20', 'height' => '20'])->json('id');
        $this->getJson("/api/v1/jobs/{$other}/versions/{$version}")->assertNotFound();
        $this->deleteJson("/api/v1/jobs/{$this->job}/versions/{$version}")->assertOk()->assertJsonPath('versions', []);
    }

    #[Test]
    public function what_is_copied_is_pasted_in_another_job_and_nothing_else_is(): void
    {
        $id = $this->shape();
        $art = $this->postJson("/api/v1/jobs/{$this->job}/take", ['pieces' => [$id]])->assertOk()->assertJsonPath('count', 1)->json('art');
        $this->job = $this->postJson('/api/v1/jobs', ['process' => 'plain', 'width' => '200', 'height' => '200'])->json('id');
        $this->edit('paste', ['art' => $art, 'x' => '1cm'])->assertOk()->assertJsonPath('changes.pieces.0.live', ['shape', 'star']);
        foreach (['', 'hello', '{"pieces":[1,2]}', '{"pieces":[{"id":"x"}]}', '{"pieces":[{"id":"x","rule":"odd","contours":[]}]}'] as $bad) {
            $this->edit('paste', ['art' => $bad])->assertStatus(422);
        }
    }

    #[Test]
    public function a_linked_copy_pasted_where_its_source_lies_still_follows_it_and_elsewhere_no_stranger(): void
    {
        $star = $this->shape();
        $copy = $this->edit('link-copy', ['pieces' => [$star], 'x' => '8mm', 'y' => '8mm'])->assertOk()->json('changes.pieces.0.id');
        $art = $this->postJson("/api/v1/jobs/{$this->job}/take", ['pieces' => [$copy]])->assertOk()->json('art');
        $here = $this->edit('paste', ['art' => $art, 'x' => '5mm'])->assertOk()->json('changes.pieces.0.live');
        self::assertSame('linked', $here[0] ?? null);
        $this->job = $this->postJson('/api/v1/jobs', ['process' => 'plain', 'width' => '200', 'height' => '200'])->json('id');
        self::assertSame($star, $this->shape(), 'a stranger has the same id');
        $there = $this->edit('paste', ['art' => $art])->assertOk()->json('changes.pieces.0.live');
        self::assertNotSame('linked', $there[0] ?? null);
    }

    #[Test]
    public function pieces_tell_their_nodes_values_and_frame(): void
    {
        $id = $this->shape('rectangle');
        $this->edit('place', ['pieces' => [$id], 'angle' => 30])->assertOk();
        $answer = $this->postJson("/api/v1/jobs/{$this->job}/pieces", ['pieces' => [$id]])->assertOk();
        self::assertEqualsWithDelta([40.0, 30.0, 30.0], [$answer->json('frame.width'), $answer->json('frame.height'), $answer->json('frame.turn')], 1e-9);
        self::assertFalse($answer->json('details.0.editable'));
        self::assertSame('rectangle', $answer->json('details.0.shape.kind'));
        $this->edit('bake', ['pieces' => [$id]])->assertOk();
        $detail = $this->postJson("/api/v1/jobs/{$this->job}/pieces", ['pieces' => [$id]])->json('details.0');
        self::assertTrue($detail['editable']);
        self::assertSame(['corner', 'corner', 'corner', 'corner'], $detail['contours'][0]['kinds']);
        $this->postJson("/api/v1/jobs/{$this->job}/pieces", ['pieces' => ['gone']])->assertStatus(422);
    }

    #[Test]
    public function places_to_snap_to_are_named_nodes_midpoints_centres_and_crossings(): void
    {
        $first = $this->edit('draw-line', ['coords' => [0, 0, 0, 0, 40, 40, 40, 40]])->assertOk()->json('changes.pieces.0.id');
        $this->edit('draw-line', ['coords' => [0, 40, 0, 40, 40, 0, 40, 0]])->assertOk();
        $points = $this->getJson("/api/v1/jobs/{$this->job}/snaps")->assertOk()->json('points');
        self::assertEqualsCanonicalizing(['node', 'midpoint', 'crossing'], array_values(array_unique(array_column($points, 2))));
        $crossing = array_values(array_filter($points, static fn (array $point): bool => $point[2] === 'crossing'))[0];
        self::assertEqualsWithDelta([20.0, 20.0], [$crossing[0], $crossing[1]], 1e-6);
        $this->edit('mark', ['pieces' => [$first], 'hidden' => true])->assertOk();
        self::assertNotContains('crossing', array_column($this->getJson("/api/v1/jobs/{$this->job}/snaps")->json('points'), 2), 'nothing hidden is snapped to');
    }

    #[Test]
    public function a_reference_picture_is_laid_scaled_to_true_size_and_reaches_no_output(): void
    {
        $picture = UploadedFile::fake()->image('sail.png', 600, 300);
        $file = $this->post("/api/v1/jobs/{$this->job}/reference", ['file' => $picture])->assertCreated()->json('file');
        $this->get("/api/v1/reference/{$file}")->assertOk()->assertHeader('Content-Type', 'image/png')->assertHeader('X-Content-Type-Options', 'nosniff');
        $reference = $this->edit('reference', ['picture' => ['file' => $file, 'name' => 'sail.png']])->assertOk()->json('changes.frame.reference');
        self::assertEqualsWithDelta([200.0, 100.0, 0.0, 25.0], [$reference['width'], $reference['height'], $reference['x'], $reference['y']], 1e-9);
        $reference = $this->edit('true-size', ['marks' => [50, 50, 150, 50], 'length' => '2in'])->assertOk()->json('changes.frame.reference');
        self::assertEqualsWithDelta([101.6, 50.8, 50 - 25.4], [$reference['width'], $reference['height'], $reference['x']], 1e-9);
        $this->edit('reference', ['x' => 5])->assertStatus(422);
        $this->edit('reference', ['locked' => false])->assertOk();
        $this->edit('reference', ['x' => 5, 'strength' => 0.3])->assertOk();
        self::assertSame([], Seen::of(ShopJob::query()->findOrFail($this->job)->art())->pieces);
        self::assertStringNotContainsString('image', (string) $this->get("/api/v1/jobs/{$this->job}/picture.svg")->getContent());
        $this->edit('reference', ['picture' => ['file' => 'nothing']])->assertStatus(422);
    }

    #[Test]
    public function a_reference_that_is_no_picture_is_refused_and_an_svg_loses_all_but_its_shapes(): void
    {
        foreach ([
            'sail.png' => 'no picture',
            'sail.svg' => '<svg xmlns="http://www.w3.org/2000/svg"><!ENTITY x SYSTEM "file:///etc/passwd">',
        ] as $name => $bytes) {
            $this->post(
                "/api/v1/jobs/{$this->job}/reference",
                ['file' => UploadedFile::fake()->createWithContent($name, $bytes)],
                ['Accept' => 'application/json'],
            )->assertStatus(422);
        }
        $svg = '<svg xmlns="http://www.w3.org/2000/svg" width="10mm" height="10mm" viewBox="0 0 10 10" onload="alert(1)"><script>alert(2)</script><rect'
            .' width="5" height="5" onclick="alert(3)"/></svg>';
        $file = $this->post(
            "/api/v1/jobs/{$this->job}/reference",
            ['file' => UploadedFile::fake()->createWithContent('sail.svg', $svg)],
        )->assertCreated()->json('file');
        $shown = (string) $this->get("/api/v1/reference/{$file}")->getContent();
        self::assertStringContainsString('<path', $shown);
        self::assertStringNotContainsString('alert', $shown);
    }

    #[Test]
    public function lengths_typed_without_a_unit_are_in_that_of_the_job(): void
    {
        $id = $this->shape('rectangle');
        $this->patchJson("/api/v1/jobs/{$this->job}", ['version' => $this->version(), 'unit' => 'in'])->assertOk()->assertJsonPath('job.unit', 'in');
        $box = $this->edit('place', ['pieces' => [$id], 'width' => '2', 'height' => '1cm'])->assertOk()->json('changes.pieces.0.box');
        self::assertEqualsWithDelta([50.8, 10.0], [$box[2], $box[3]], 1e-9);
        $this->patchJson("/api/v1/jobs/{$this->job}", ['version' => $this->version(), 'unit' => 'ell'])->assertStatus(422);
    }

    #[Test]
    public function what_there_is_to_draw_is_described_with_its_fields(): void
    {
        $choices = $this->getJson('/api/v1/choices')->assertOk();
        self::assertGreaterThanOrEqual(9, count($choices->json('shapes')));
        self::assertGreaterThanOrEqual(6, count($choices->json('families')));
        foreach ($choices->json('shapes') as $shape) {
            self::assertSame(['width', 'height'], array_slice(array_column($shape['fields'], 'name'), 0, 2));
        }
    }
}
