<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\ShopJob;
use Illuminate\Foundation\Testing\RefreshDatabase;
use NeatEdge\Core\Edit\FreeIds;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** New pieces are worked out without the bench beneath them: what comes of it is what comes of the whole bench. */
final class LaidAboveTest extends TestCase
{
    use RefreshDatabase;

    private int $job;

    protected function setUp(): void
    {
        parent::setUp();
        $this->job = $this->postJson('/api/v1/jobs', ['title' => 'Boat sign', 'process' => 'cut-vinyl', 'width' => '200mm', 'height' => '100mm'])->assertCreated()->json('id');
    }

    /**
     * @param  array<string, mixed>  $edit
     * @return array<string, mixed>
     */
    private function edit(array $edit, int $status = 200): array
    {
        return $this->postJson("/api/v1/jobs/{$this->job}/edits", ['version' => ShopJob::query()->findOrFail($this->job)->version, 'edit' => $edit])
            ->assertStatus($status)->json();
    }

    /** @return list<string> */
    private function order(): array
    {
        return array_column($this->getJson("/api/v1/jobs/{$this->job}")->json('art.pieces'), 'id');
    }

    private function square(float $x): void
    {
        $this->edit(['kind' => 'draw-shape', 'shape' => 'rectangle', 'x' => "{$x}mm", 'y' => '5mm', 'width' => '8mm', 'height' => '8mm']);
    }

    /** @return array<string, array{array<string, mixed>}> */
    public static function kinds(): array
    {
        return [
            'a shape' => [['kind' => 'draw-shape', 'shape' => 'ellipse', 'x' => '50mm', 'y' => '10mm', 'width' => '20mm', 'height' => '20mm']],
            'a line' => [['kind' => 'draw-line', 'coords' => [50, 50, 60, 50, 80, 50, 90, 50], 'closed' => false]],
            'a brush line' => [['kind' => 'brush-line', 'points' => [50, 50, 60, 55, 70, 50, 80, 45], 'lineWidth' => '3mm']],
            'letters' => [['kind' => 'text', 'text' => 'QUAY', 'family' => 'Josefin Sans', 'size' => '8mm', 'x' => '20mm', 'y' => '60mm']],
        ];
    }

    /** @param  array<string, mixed>  $edit */
    #[Test]
    #[DataProvider('kinds')]
    public function a_new_piece_lies_above_all_with_an_id_that_nothing_has(array $edit): void
    {
        foreach ([0, 10, 20] as $x) {
            $this->square($x);
        }
        $ids = $this->order();
        // A group has a name that must not be lost, and what came last becomes a clip, whose id is in no order.
        $this->edit(['kind' => 'group', 'pieces' => [$ids[0], $ids[1]]]);
        $this->square(30);
        $ids = $this->order();
        $this->edit(['kind' => 'align', 'pieces' => [$ids[2], $ids[3]], 'edge' => 'left']);
        $this->edit(['kind' => 'clip', 'pieces' => [$ids[2], $ids[3]]]);
        $before = ShopJob::snapshot($this->job)->art();
        $free = FreeIds::in($before)->next();
        $state = $this->edit($edit);
        self::assertSame([...array_map(static fn ($piece): string => $piece->id, $before->pieces), $free], $this->order());
        self::assertSame([$free], array_column($state['changes']['pieces'], 'id'));
        $after = ShopJob::snapshot($this->job)->art();
        self::assertSame($before->groups, $after->groups);
        self::assertNotSame([], $after->groups);
        foreach ($before->pieces as $i => $piece) {
            self::assertEquals($piece, $after->pieces[$i]);
        }
        self::assertFalse($after->piece($free)?->shape->isEmpty());
        $this->postJson("/api/v1/jobs/{$this->job}/undo", ['version' => ShopJob::query()->findOrFail($this->job)->version])->assertOk();
        self::assertEquals($before, ShopJob::snapshot($this->job)->art());
        $this->postJson("/api/v1/jobs/{$this->job}/redo", ['version' => ShopJob::query()->findOrFail($this->job)->version])->assertOk();
        self::assertEquals($after, ShopJob::snapshot($this->job)->art());
        // And the clip comes back beside it.
        $this->edit(['kind' => 'release-clip', 'pieces' => [$ids[2]]]);
        self::assertCount(5, array_unique($this->order()));
    }

    #[Test]
    public function on_a_lower_layer_it_lies_under_what_is_above_and_a_locked_one_takes_none(): void
    {
        $this->square(0);
        $lower = ShopJob::snapshot($this->job)->art()->layers[0]->id;
        $this->edit(['kind' => 'add-layer', 'name' => 'Above']);
        $upper = ShopJob::snapshot($this->job)->art()->layers[1]->id;
        $this->square(10);
        $this->edit(['kind' => 'draw-shape', 'shape' => 'rectangle', 'x' => '50mm', 'y' => '5mm', 'width' => '8mm', 'height' => '8mm', 'layer' => $lower]);
        $art = ShopJob::snapshot($this->job)->art();
        self::assertSame([$lower, $lower, $upper], array_map(static fn ($piece): string => $piece->place->layer, $art->pieces));
        $this->edit(['kind' => 'change-layer', 'layer' => $upper, 'locked' => true]);
        $this->edit(['kind' => 'draw-shape', 'shape' => 'rectangle', 'x' => '50mm', 'y' => '5mm', 'width' => '8mm', 'height' => '8mm'], 422);
        self::assertCount(3, $this->order());
    }
}
