<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\ShopJob;
use App\Works\Kinds\Prepare;
use App\Works\Works;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** An edit reads only the pieces that it is about, and gives just what it gives when all are read. */
final class PartOfTheBenchTest extends TestCase
{
    use RefreshDatabase;

    private int $job;

    private int $version = 1;

    /** @var list<string> of the four pieces on the bench */
    private array $ids = [];

    protected function setUp(): void
    {
        parent::setUp();
        $this->job = $this->postJson('/api/v1/jobs', ['process' => 'plain', 'width' => '200mm', 'height' => '100mm'])->assertCreated()->json('id');
        foreach ([10, 40, 70, 100] as $x) {
            $this->ids[] = $this->edit([
                'kind' => 'draw-shape',
                'shape' => 'rectangle',
                'x' => $x,
                'y' => 20,
                'width' => 10,
                'height' => 10,
            ])->json('changes.pieces.0.id');
        }
    }

    /**
     * @param  array<string, mixed>  $edit
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function edit(array $edit): TestResponse
    {
        $answer = $this->postJson("/api/v1/jobs/{$this->job}/edits", ['version' => $this->version, 'edit' => $edit])->assertOk();
        $this->version = $answer->json('job.version');

        return $answer;
    }

    /** @return array<string, list<float>> boxes by id */
    private function boxes(): array
    {
        return array_column($this->getJson("/api/v1/jobs/{$this->job}")->json('art.pieces'), 'box', 'id');
    }

    #[Test]
    public function what_follows_goes_along_and_goes_on_following(): void
    {
        $copy = $this->edit(['kind' => 'link-copy', 'pieces' => [$this->ids[0]], 'x' => 0, 'y' => 40])->json('changes.pieces.0.id');
        $again = $this->edit(['kind' => 'link-copy', 'pieces' => [$copy], 'x' => 0, 'y' => 20])->json('changes.pieces.0.id');
        $changed = $this->edit(['kind' => 'shape-values', 'pieces' => [$this->ids[0]], 'width' => 30])->json('changes.pieces');
        self::assertEqualsCanonicalizing([$this->ids[0], $copy, $again], array_column($changed, 'id'), 'and nothing else');
        self::assertEqualsWithDelta(30.0, $this->boxes()[$again][2], 1e-6);
        // A follower that is moved alone still knows whom it follows.
        $this->edit(['kind' => 'move', 'pieces' => [$copy], 'x' => 1, 'y' => 0]);
        $this->edit(['kind' => 'shape-values', 'pieces' => [$this->ids[0]], 'width' => 12]);
        self::assertEqualsWithDelta(12.0, $this->boxes()[$copy][2], 1e-6);
        $this->postJson("/api/v1/jobs/{$this->job}/undo", ['version' => $this->version])->assertOk();
        self::assertEqualsWithDelta(30.0, $this->boxes()[$copy][2], 1e-6);
    }

    #[Test]
    public function copies_groups_and_pieces_from_before_are_read_with_all_that_they_need(): void
    {
        $made = $this->edit([
            'kind' => 'transform',
            'pieces' => [$this->ids[0]],
            'matrix' => [1, 0, 0, 1, 0, 50],
            'copies' => true,
        ])->json('changes.pieces.0.id');
        self::assertNotContains($made, $this->ids, 'an id that is free on the whole bench');
        $this->edit(['kind' => 'group', 'pieces' => [$this->ids[0], $this->ids[1], $made]]);
        // Of the group only two are named: it is met piece by piece, and each is aligned by itself.
        $this->edit(['kind' => 'move', 'pieces' => [$this->ids[1]], 'x' => 0, 'y' => 30]);
        $this->edit(['kind' => 'align', 'pieces' => [$this->ids[0], $this->ids[1], $this->ids[3]], 'edge' => 'bottom', 'to' => $this->ids[3]]);
        self::assertEqualsWithDelta([15.0, 15.0], [$this->boxes()[$this->ids[0]][1], $this->boxes()[$this->ids[1]][1]], 1e-6);
        $copy = $this->edit(['kind' => 'link-copy', 'pieces' => [$this->ids[2]], 'x' => 0, 'y' => 60])->json('changes.pieces.0.id');
        DB::table('bench_pieces')->update(['refers' => null, 'left' => null]);
        $this->edit(['kind' => 'shape-values', 'pieces' => [$this->ids[2]], 'width' => 14]);
        self::assertEqualsWithDelta(14.0, $this->boxes()[$copy][2], 1e-6, 'a follower from before is found too');
        DB::table('bench_pieces')->update(['refers' => null, 'left' => null]);
        $this->edit(['kind' => 'move', 'pieces' => [$this->ids[2]], 'x' => 5, 'y' => 0]);
        self::assertEqualsWithDelta(68.0, $this->boxes()[$this->ids[2]][0], 1e-6);
        self::assertCount(6, $this->boxes());
        $this->postJson(
            "/api/v1/jobs/{$this->job}/edits",
            ['version' => $this->version, 'edit' => ['kind' => 'move', 'pieces' => ['p99'], 'x' => 1, 'y' => 0]],
        )->assertStatus(422);
        $this->postJson(
            "/api/v1/jobs/{$this->job}/edits",
            ['version' => $this->version, 'edit' => ['kind' => ['x'], 'pieces' => $this->ids[0]]],
        )->assertStatus(422);
    }

    #[Test]
    public function places_to_snap_to_are_told_by_piece_with_what_lies_near(): void
    {
        $new = $this->edit(['kind' => 'draw-shape', 'shape' => 'rectangle', 'x' => 14, 'y' => 22, 'width' => 10, 'height' => 10])->json('changes.pieces.0.id');
        $all = $this->getJson("/api/v1/jobs/{$this->job}/snaps")->assertOk()->json('points');
        $some = $this->postJson("/api/v1/jobs/{$this->job}/snaps", ['pieces' => [$new]])->assertOk();
        self::assertSame([$new], array_keys($some->json('edges')));
        $own = array_values(array_filter($all, static fn (array $point): bool => in_array($new, explode(' ', $point[3]), true)));
        self::assertEqualsCanonicalizing($own, $some->json('points'));
        self::assertContains("{$this->ids[0]} {$new}", array_column($some->json('points'), 3));
        $this->postJson("/api/v1/jobs/{$this->job}/snaps", [])->assertStatus(422);
    }

    #[Test]
    public function how_long_it_still_takes_is_told_by_what_it_took(): void
    {
        $queue = Queue::getFacadeRoot();
        Queue::fake();
        $work = Works::start(new Prepare, null, 'Sign', []);
        $hold = Works::take($work->id);
        self::assertNotNull($hold);
        $work = $hold->work;
        $hold->keep(['began_at' => microtime(true) - 3]);
        $hold->tell(0, 4, 'Weld', 0.01);
        self::assertNull($work->secondsLeft(), 'too early to tell');
        $hold->tell(1, 4, 'Weld', 0.25);
        self::assertEqualsWithDelta(9, $work->secondsLeft(), 1);
        // While nothing more is told it counts down.
        $work->ends_at -= 5;
        self::assertEqualsWithDelta(4, $work->secondsLeft(), 1);
        $hold->keep(['began_at' => microtime(true) - 20]);
        $hold->tell(2, 4, 'Weld', 0.5);
        self::assertEqualsWithDelta(9 + 0.3 * 11, $work->secondsLeft(), 1.1, 'what takes longer puts the end off by little at once');
        Works::end($hold, 'done');
        self::assertNull($work->secondsLeft());
        Queue::swap($queue);
        $this->postJson("/api/v1/jobs/{$this->job}/preparations")->assertStatus(202);
        self::assertEqualsWithDelta(1.0, ShopJob::query()->findOrFail($this->job)->latestPreparation?->work?->share, 1e-9);
    }
}
