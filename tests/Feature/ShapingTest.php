<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\CatalogueTypes;
use App\Http\Lane;
use App\Works\Budget;
use App\Works\GivenUp;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use NeatEdge\Core\Line\Edits;
use NeatEdge\Core\Patience\Patience;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** Shaping over HTTP: the catalogue, what tools show on the art, outcomes in numbers, and borders that follow where only a part of the bench is read. */
final class ShapingTest extends TestCase
{
    use RefreshDatabase;

    private function job(string $body): int
    {
        $svg = "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"100mm\" height=\"100mm\" viewBox=\"0 0 100 100\">{$body}</svg>";

        return $this->post(
            '/api/v1/jobs',
            ['process' => 'cut-vinyl', 'file' => UploadedFile::fake()->createWithContent('a.svg', $svg)],
            ['Accept' => 'application/json'],
        )->assertCreated()->json('id');
    }

    #[Test]
    public function the_page_has_the_types_that_the_edits_describe(): void
    {
        self::assertSame(CatalogueTypes::text(), file_get_contents(base_path(CatalogueTypes::FILE)), 'run: php artisan neat-edge:types');
    }

    #[Test]
    public function the_catalogue_tells_every_kind_with_its_fields(): void
    {
        $all = $this->getJson('/api/v1/catalogue')->assertOk()->json();
        self::assertSame(array_keys(Edits::kinds()), array_keys($all));
        self::assertSame('Weave', $all['weave']['label']);
        self::assertContains('gap', array_column($all['weave']['fields'], 'name'));
        $keys = array_filter(array_column($all, 'key'));
        self::assertSame($keys, array_unique($keys), 'no two tools have one key');
    }

    #[Test]
    public function cells_and_faults_are_shown_and_an_outcome_is_said_in_numbers(): void
    {
        $job = $this->job('<rect id="a" width="30" height="30" fill="#112233"/><rect id="b" x="20" width="30" height="30" fill="#aa0000"/><circle cx="80"'
            .' cy="80" r="9" fill="#00aa00"/>');
        $marks = $this->postJson(
            "/api/v1/jobs/{$job}/previews",
            ['lane' => 'marks', 'version' => 1, 'what' => 'marks', 'edit' => ['kind' => 'cells', 'pieces' => ['p1', 'p2']]],
        )->assertOk()->json('marks');
        self::assertSame(['cell', 'cell', 'cell'], array_column($marks, 'kind'));
        self::assertStringStartsWith('M', $marks[0]['d']);
        $preview = $this->postJson(
            "/api/v1/jobs/{$job}/previews",
            ['lane' => 'shape', 'version' => 1, 'what' => 'edit', 'report' => true, 'edit' => ['kind' => 'split-all', 'pieces' => ['p1', 'p2']]],
        )->assertOk()->json();
        self::assertSame(
            [
                'before' => 2,
                'nodesBefore' => 8,
                'after' => 3,
                'nodesAfter' => 12,
                'leftovers' => 0,
                'says' => '2 pieces with 8 nodes would be 3 with 12 nodes. "a" and "b" change.',
            ],
            $preview['report'],
        );
        $this->postJson(
            "/api/v1/jobs/{$job}/previews",
            ['lane' => 'marks', 'version' => 1, 'what' => 'marks', 'edit' => ['kind' => 'cells', 'pieces' => ['gone']]],
        )->assertStatus(422)->assertJsonPath('message', 'The piece "gone" is not on the bench any more.');
    }

    #[Test]
    public function a_border_follows_one_of_its_pieces_though_only_that_one_is_sent(): void
    {
        $job = $this->job('<rect width="20" height="20" x="5" y="5" fill="#112233"/><rect x="40" y="5" width="20" height="20" fill="#aa0000"/><circle'
            .' cx="90" cy="90" r="5" fill="#00aa00"/>');
        $made = $this->postJson(
            "/api/v1/jobs/{$job}/edits",
            ['version' => 1, 'edit' => ['kind' => 'cut-border', 'pieces' => ['p1', 'p2'], 'distance' => '2mm', 'bridge' => '30mm']],
        )->assertOk()->json();
        self::assertCount(1, $made['changes']['pieces']);
        $border = $made['changes']['pieces'][0]['id'];
        $moved = $this->postJson("/api/v1/jobs/{$job}/edits", ['version' => 2, 'edit' => ['kind' => 'move', 'pieces' => ['p2'], 'x' => 4]])->assertOk()->json();
        self::assertEqualsCanonicalizing(['p2', $border], array_column($moved['changes']['pieces'], 'id'), 'both are told, though only one was sent');
        $box = array_column($moved['changes']['pieces'], 'box', 'id')[$border];
        self::assertEqualsWithDelta([3.0, 3.0, 63.0, 24.0], $box, 0.06);
        $back = $this->postJson("/api/v1/jobs/{$job}/undo", ['version' => 3])->assertOk()->json();
        self::assertEqualsWithDelta([3.0, 3.0, 59.0, 24.0], array_column($back['changes']['pieces'], 'box', 'id')[$border], 0.06);
    }

    #[Test]
    public function a_preview_is_of_the_state_that_the_page_knows_and_stops_when_a_later_one_of_its_lane_comes(): void
    {
        $job = $this->job('<rect width="20" height="20" fill="#112233"/>');
        $this->postJson(
            "/api/v1/jobs/{$job}/previews",
            ['lane' => 'shape', 'version' => 7, 'what' => 'edit', 'edit' => ['kind' => 'outset', 'pieces' => ['p1'], 'distance' => 1]],
        )->assertStatus(409);
        $this->postJson(
            "/api/v1/jobs/{$job}/previews",
            ['lane' => 'shape', 'version' => 1, 'what' => 'secrets', 'edit' => ['kind' => 'outset', 'pieces' => ['p1']]],
        )->assertStatus(422);
        $mine = Lane::enter($job, 'shape', 'page');
        $other = Lane::enter($job, 'marks', 'page');
        $elsewhere = Lane::enter($job, 'shape', 'another page');
        self::assertTrue($mine->isLatest() && $other->isLatest() && $elsewhere->isLatest(), 'lanes and pages do not stop one another');
        $began = microtime(true);
        try {
            Budget::within('This', static function () use ($job): void {
                Lane::enter($job, 'shape', 'page');
                for ($end = microtime(true) + 8; microtime(true) < $end;) {
                    Patience::ask();
                }
            }, $mine->isLatest(...));
            self::fail('It went on.');
        } catch (GivenUp) {
            self::assertLessThan(2.5, microtime(true) - $began, 'stopped within a second or two');
        }
        self::assertFalse($mine->isLatest());
        self::assertSame(3, Budget::within('This', static fn (): int => 3, $other->isLatest(...)));
    }
}
