<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\ShopJob;
use Illuminate\Foundation\Testing\RefreshDatabase;
use NeatEdge\Core\Line\Steps;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** What a shop begins with: settings, templates, a guide, and jobs that are put away. */
final class TheFirstMinutesTest extends TestCase
{
    use RefreshDatabase;

    private function job(string $title = 'Lantern tag'): int
    {
        return $this->postJson('/api/v1/jobs', ['title' => $title, 'process' => 'cut-vinyl', 'width' => '120mm', 'height' => '80mm'])->assertCreated()->json('id');
    }

    #[Test]
    public function settings_are_as_is_usual_until_they_are_set_and_what_is_no_choice_is_refused(): void
    {
        self::assertSame(['unit' => 'mm', 'currency' => 'EUR', 'paper' => 'a4', 'days' => 'day', 'news' => ''], $this->getJson('/api/v1/settings')->assertOk()->json('values'));
        $this->putJson('/api/v1/settings', ['values' => ['unit' => 'in', 'currency' => ' USD ']])->assertOk();
        $this->putJson('/api/v1/settings', ['values' => ['paper' => 'letter']])->assertOk()
            ->assertJsonPath('values', ['unit' => 'in', 'currency' => 'USD', 'paper' => 'letter', 'days' => 'day', 'news' => '']);
        $this->putJson('/api/v1/settings', ['values' => ['paper' => 'a5']])->assertStatus(422);
        self::assertSame('letter', $this->getJson('/api/v1/settings')->json('values.paper'));
        // New jobs are worked in that unit; those of before stay in theirs.
        self::assertSame('in', $this->getJson('/api/v1/jobs/'.$this->job())->json('job.unit'));
    }

    #[Test]
    public function a_template_keeps_ticket_guides_and_line_of_a_job_without_its_art(): void
    {
        $job = $this->job();
        $edit = fn (array $edit) => $this->postJson("/api/v1/jobs/{$job}/edits", ['version' => $this->getJson("/api/v1/jobs/{$job}")->json('job.version'), 'edit' => $edit])->assertOk();
        $edit(['kind' => 'guide', 'upright' => true, 'at' => 30]);
        $edit(['kind' => 'draw-shape', 'shape' => 'star', 'x' => 20, 'y' => 20, 'width' => 10, 'height' => 10]);
        $edit(['kind' => 'line-insert', 'what' => 'round-corners']);
        $this->patchJson("/api/v1/jobs/{$job}", ['version' => $this->getJson("/api/v1/jobs/{$job}")->json('job.version'), 'line' => '1.25mm', 'unit' => 'cm'])->assertOk();
        $template = $this->postJson("/api/v1/jobs/{$job}/template", ['name' => 'Tags'])->assertCreated()->assertJson(['name' => 'Tags', 'process' => 'cut-vinyl', 'width' => 120.0, 'guides' => 1])->json('id');

        $new = $this->postJson("/api/v1/templates/{$template}/jobs", ['title' => 'Second tag'])->assertCreated()->json('id');
        $state = $this->getJson("/api/v1/jobs/{$new}")->json();
        self::assertSame(['Second tag', 'cut-vinyl', 'cm', 1.25], [$state['job']['title'], $state['job']['process'], $state['job']['unit'], $state['job']['ownLimits']['line']]);
        self::assertSame([], $state['art']['pieces']);
        self::assertEqualsWithDelta([30.0], array_column($state['art']['guides'], 'at'), 1e-9);
        self::assertContains('round-corners', array_column($state['art']['line'], 'kind'));
        $sized = $this->postJson("/api/v1/templates/{$template}/jobs", ['width' => '5cm', 'height' => '4cm'])->assertCreated()->json('id');
        self::assertEqualsWithDelta(['Tags', 50.0, 40.0], array_values(array_intersect_key($this->getJson("/api/v1/jobs/{$sized}")->json('job'), ['width' => 1, 'height' => 1, 'title' => 1])), 1e-9);
        // Made once more, it goes on as it is now; taken away, its jobs stay.
        $this->postJson("/api/v1/jobs/{$job}/template", ['name' => 'Tags'])->assertCreated();
        self::assertCount(1, $this->getJson('/api/v1/templates')->json());
        $this->deleteJson("/api/v1/templates/{$template}")->assertNoContent();
        $this->getJson("/api/v1/jobs/{$new}")->assertOk();
        $this->postJson("/api/v1/templates/{$template}/jobs")->assertNotFound();
    }

    #[Test]
    public function an_archived_job_is_passed_over_by_lists_and_found_in_the_archive_alone(): void
    {
        [$kept, $put] = [$this->job('Harbour sign'), $this->job('Harbour flag')];
        $changed = ShopJob::query()->findOrFail($put)->updated_at;
        $this->postJson("/api/v1/jobs/{$put}/archive")->assertNoContent();
        $titles = fn (string $query): array => array_column($this->getJson("/api/v1/jobs?{$query}")->assertOk()->json('jobs'), 'title');
        self::assertSame(['Harbour sign'], $titles('only=all'));
        self::assertSame(['Harbour sign'], $titles('only=all&search=harbour'), 'by its words');
        self::assertSame(['Harbour sign'], $titles('only=fresh'));
        self::assertSame(['Harbour flag'], $titles('only=archived'));
        self::assertSame(['Harbour flag'], $titles('only=archived&search=flag'));
        self::assertSame([1, 1], [$this->getJson('/api/v1/jobs?only=all')->json('all'), $this->getJson('/api/v1/jobs?only=archived')->json('found')]);
        $this->getJson("/api/v1/jobs/{$put}")->assertOk();
        self::assertEquals($changed, ShopJob::query()->findOrFail($put)->updated_at, 'nothing of it was changed');
        $this->postJson("/api/v1/jobs/{$put}/unarchive")->assertNoContent();
        self::assertCount(2, $titles('only=all'));
        self::assertSame($kept, $this->getJson('/api/v1/jobs?only=all&search=sign')->json('jobs.0.id'));
    }

    #[Test]
    public function whoever_has_but_the_demo_is_told_so(): void
    {
        self::assertFalse($this->getJson('/api/v1/jobs')->json('own'));
        $job = $this->job();
        self::assertTrue($this->getJson('/api/v1/jobs')->json('own'));
        ShopJob::query()->whereKey($job)->update(['is_demo' => true]);
        self::assertFalse($this->getJson('/api/v1/jobs')->json('own'));
    }

    #[Test]
    public function the_guide_has_a_place_for_every_tool_step_finding_and_file_and_all_its_links_and_pictures_are_there(): void
    {
        $guide = $this->getJson('/api/v1/guide')->assertOk()->json();
        $reference = $this->getJson('/api/v1/guide/reference')->assertOk()->json('html');
        foreach ($guide['entries'] as $entry) {
            self::assertStringContainsString("id=\"{$entry['id']}\"", $reference, $entry['label']);
            self::assertNotSame('', trim($entry['says']), "{$entry['label']} has a sentence");
        }
        self::assertEqualsCanonicalizing(
            array_map(static fn ($about): string => "step-{$about->kind}", array_values(Steps::catalogue())),
            array_column(array_filter($guide['entries'], static fn (array $entry): bool => $entry['sort'] === 'step'), 'id'),
        );
        foreach ($guide['pages'] as $page) {
            $html = $this->getJson("/api/v1/guide/{$page['page']}")->assertOk()->json('html');
            self::assertStringNotContainsString('<script', $html);
            foreach ($page['headings'] as $heading) {
                self::assertStringContainsString("id=\"{$heading['id']}\"", $html);
            }
            preg_match_all('/src="([^"]+)"/', $html, $pictures);
            foreach ($pictures[1] as $picture) {
                $this->get($picture)->assertOk()->assertHeader('Content-Type', 'image/png');
            }
        }
        $this->getJson('/api/v1/guide/nowhere')->assertNotFound();
        $this->get('/api/v1/guide/pictures/nothing.png')->assertNotFound();
        // Every page of the application that the page itself links to is a page of the guide.
        foreach (glob(resource_path('js/**/*.vue')) ?: [] as $path) {
            preg_match_all("/:guide=\"\\['([a-z-]+)', '([a-z-]+)'\\]\"/", (string) file_get_contents($path), $links, PREG_SET_ORDER);
            foreach ($links as [, $page, $at]) {
                self::assertStringContainsString("id=\"{$at}\"", $this->getJson("/api/v1/guide/{$page}")->assertOk()->json('html'), "{$path}: {$page}#{$at}");
            }
        }
    }
}
