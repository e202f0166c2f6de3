<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\ShopJob;
use App\Models\StepResult;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use NeatEdge\Core\Tests\Support\Painted;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** D14 over HTTP: the reference picture is traced by a work, shown, and laid by an edit. */
final class TracedPicturesTest extends TestCase
{
    use RefreshDatabase;

    private int $job;

    protected function setUp(): void
    {
        parent::setUp();
        $this->job = $this->postJson('/api/v1/jobs', ['title' => 'Harbour stamp', 'process' => 'plain', 'width' => '200mm', 'height' => '100mm'])->assertCreated()->json('id');
    }

    private function lay(string $bytes, string $name): void
    {
        $file = $this->post("/api/v1/jobs/{$this->job}/reference", ['file' => UploadedFile::fake()->createWithContent($name, $bytes)])->assertCreated()->json('file');
        $this->edit(['kind' => 'reference', 'picture' => ['file' => $file, 'name' => $name]])->assertOk();
    }

    /**
     * @param  array<string, mixed>  $edit
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function edit(array $edit): TestResponse
    {
        $version = ShopJob::query()->findOrFail($this->job)->version;

        return $this->postJson("/api/v1/jobs/{$this->job}/edits", ['version' => $version, 'edit' => $edit]);
    }

    /**
     * @param  array<string, mixed>  $values
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function trace(array $values = []): TestResponse
    {
        return $this->postJson("/api/v1/jobs/{$this->job}/works", ['kind' => 'trace', ...$values]);
    }

    /** @param  int<1, 10>  $scale */
    private static function stamp(int $scale = 1): string
    {
        return Painted::picture(200 * $scale, 100 * $scale, static fn (float $x, float $y): int => hypot($x / $scale - 50, $y / $scale - 50) < 30 ? 0xCC3333
            : (abs($x / $scale - 140) < 40 && abs($y / $scale - 50) < 20 ? 0x1D5C46 : 0xFFFFFF));
    }

    #[Test]
    public function where_curves_and_picture_differ_is_told_in_mm_and_what_comes_again_can_be_live(): void
    {
        // A hairline that is lost, and two squares at an angle that mirror each other.
        $this->lay(Painted::picture(200, 100, static fn (float $x, float $y): int => abs($y - 90) < 0.17 && $x > 40 && $x < 160 ? 0x000000
            : (abs(abs($x - 100) - 50) + abs($y - 45) < 30 ? 0xCC3333 : 0xFFFFFF)), 'signs.png');
        $outcome = $this->getJson('/api/v1/works/'.$this->trace(['live' => true])->assertStatus(202)->json('id'))->json('outcome');
        self::assertNotSame([], $outcome['differs']);
        $wide = $outcome['wide'];
        foreach (array_merge(...$outcome['differs']) as [$x, $y, $width]) {
            self::assertEqualsWithDelta(0.45 * $wide, $y, 0.01 * $wide, 'along the hairline');
            self::assertGreaterThan(0.19 * $wide, $x);
            self::assertLessThan(0.81 * $wide, $x + $width);
        }
        self::assertSame(1, $outcome['pieces'], 'one square, which mirrors itself');
        $kept = $this->edit(['kind' => 'trace', 'traced' => $outcome['traced']])->assertOk()->json('changes.pieces');
        self::assertCount(1, $kept);
        $told = $this->postJson("/api/v1/jobs/{$this->job}/pieces", ['pieces' => [$kept[0]['id']]])->assertOk()->getContent();
        self::assertStringContainsString('"mirror":{', (string) $told);
    }

    #[Test]
    public function a_picture_is_traced_and_what_is_kept_is_what_was_shown(): void
    {
        $this->lay(self::stamp(), 'stamp.png');
        $work = $this->getJson('/api/v1/works/'.$this->trace()->assertStatus(202)->json('id'))->assertJsonPath('state', 'done')->json();
        $outcome = $work['outcome'];
        self::assertSame([2, true, [], []], [$outcome['pieces'], $outcome['fine'], $outcome['says'], $outcome['differs']]);
        self::assertSame(['1 circle', '1 rectangle'], array_column($outcome['meant'], 'label'));
        $shown = $this->postJson("/api/v1/jobs/{$this->job}/previews", ['what' => 'edit', 'edit' => ['kind' => 'trace', 'traced' => $outcome['traced']]])->assertOk()->json('pieces');
        self::assertCount(2, $shown);
        self::assertSame([], $this->getJson("/api/v1/jobs/{$this->job}")->json('art.pieces'), 'nothing is laid by looking');
        $kept = $this->edit(['kind' => 'trace', 'traced' => $outcome['traced']])->assertOk()->json('changes.pieces');
        self::assertSame(array_column($shown, 'd'), array_column($kept, 'd'));
        $art = $this->getJson("/api/v1/jobs/{$this->job}")->json('art');
        self::assertSame('Traced', end($art['layers'])['name']);
        self::assertContains('shape', $art['pieces'][0]['live'] ?? []);
        // As it was asked for again it is there at once; asked for otherwise it is another.
        $rows = StepResult::query()->count();
        self::assertSame($outcome['traced'], $this->getJson('/api/v1/works/'.$this->trace()->json('id'))->json('outcome.traced'));
        self::assertSame($rows, StepResult::query()->count());
        $other = $this->getJson('/api/v1/works/'.$this->trace(['off' => 'circles', 'inks' => [['colour' => '#ffffff', 'drop' => true], ['colour' => '#1d5c46'], ['colour' => '#cc3333', 'drop' => true]]])->json('id'))->json('outcome');
        self::assertNotSame($outcome['traced'], $other['traced']);
        self::assertSame(1, $other['pieces']);
    }

    #[Test]
    public function a_large_picture_is_seen_coarse_first_and_comes_fine(): void
    {
        $this->lay(self::stamp(5), 'stamp.png');
        $outcome = $this->getJson('/api/v1/works/'.$this->trace()->json('id'))->assertJsonPath('state', 'done')->json('outcome');
        self::assertTrue($outcome['fine']);
        self::assertSame(1000, $outcome['picture']['width']);
        $widths = StepResult::query()->pluck('report')->map(static fn (string $told): int => json_decode($told, true)['picture']['width'])->sort()->values()->all();
        self::assertCount(2, $widths);
        self::assertLessThan(600, $widths[0], 'the coarse one was kept as well');
    }

    #[Test]
    public function what_cannot_be_traced_or_laid_is_refused_in_a_sentence(): void
    {
        $this->trace()->assertStatus(422)->assertJsonPath('message', 'There is no reference picture yet.');
        $this->lay('<svg xmlns="http://www.w3.org/2000/svg" width="10mm" height="10mm"><rect width="5" height="5"/></svg>', 'drawing.svg');
        $this->trace()->assertStatus(422)->assertJsonPath('message', 'The reference picture is a drawing already: bring it in as a file instead.');
        $this->lay(self::stamp(), 'stamp.png');
        $this->trace(['colours' => 99])->assertStatus(422);
        $this->trace(['part' => '5mm'])->assertStatus(422)->assertJsonPath('message', 'A part of a picture is four lengths: left, top, width and height.');
        foreach (['trace-00000000000000000000000000000000', 'x', null, ['trace-1']] as $key) {
            $this->edit(['kind' => 'trace', 'traced' => $key])->assertStatus(422)->assertJsonPath('message', 'What was traced is not here any more; trace the picture again.');
        }
        $failed = $this->getJson('/api/v1/works/'.$this->trace(['part' => '900mm 900mm 10mm 10mm'])->json('id'))->assertJsonPath('state', 'failed')->json('error');
        self::assertStringContainsString('Nothing of the picture lies in that part.', $failed);
    }
}
