<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Foundation\Testing\RefreshDatabase;
use NeatEdge\Console\EditCommand;
use NeatEdge\Core\Catalogue;
use NeatEdge\Core\Described\Field;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** What is beyond its bounds is refused in the words of its description, whichever way it came. */
final class SameWordsTest extends TestCase
{
    use RefreshDatabase;

    #[Test]
    public function an_edit_is_refused_in_the_same_words_over_http_and_by_command(): void
    {
        $job = $this->job();
        $file = storage_path('framework/testing/words.svg');
        file_put_contents($file, self::SVG);
        $seen = 0;
        foreach (Catalogue::all()['edits'] as $kind => $entry) {
            $needs = array_filter($entry['fields'], static fn (Field $field): bool => $field->needed);
            foreach ($entry['fields'] as $field) {
                // Which of several is missed first is not what is asked here.
                if (! $field->isNumeric() || array_filter($needs, static fn (Field $one): bool => $one !== $field) !== []) {
                    continue;
                }
                $seen++;
                $words = "{$field->label}: {$field->wanted()}.";
                $beyond = $field->most + max(1.0, abs($field->most));
                $edit = ['kind' => $kind, 'pieces' => ['p1'], $field->name => $beyond];
                $this->postJson("/api/v1/jobs/{$job}/edits", ['version' => 1, 'edit' => $edit])->assertStatus(422)->assertJsonPath('message', $words);
                exec(
                    sprintf(
                        '%s edit %s %s --all --%s=%s -o /dev/null 2>&1',
                        escapeshellarg(base_path('bin/neat-edge')),
                        escapeshellarg($kind),
                        escapeshellarg($file),
                        EditCommand::option($field),
                        $beyond,
                    ),
                    $out,
                    $code,
                );
                self::assertSame([2, "neat-edge: {$words}"], [$code, trim(implode("\n", $out))], "{$kind} {$field->name}");
                $out = [];
                // One field of each kind by command; its parser is the same for all.
                break;
            }
        }
        self::assertGreaterThan(25, $seen);
        unlink($file);
    }

    #[Test]
    public function a_length_that_is_typed_on_the_page_is_held_to_its_field_in_the_same_words(): void
    {
        $asked = ['text' => '3000 mm', 'unit' => 'mm', 'label' => 'Least line', 'least' => 0, 'most' => 1000];
        $this->postJson('/api/v1/length', $asked)->assertStatus(422)->assertJsonPath('message', 'Least line: type a length between 0 and 1000 mm.');
        $this->postJson('/api/v1/length', [...$asked, 'text' => '2cm + 50%', 'of' => 10])->assertOk()->assertJsonPath('mm', 25);
        $this->postJson('/api/v1/length', [...$asked, 'text' => 'much'])->assertStatus(422);
    }

    #[Test]
    public function what_a_step_or_a_way_of_making_is_refused_for_names_its_field(): void
    {
        $job = $this->job();
        $this->postJson(
            "/api/v1/jobs/{$job}/edits",
            ['version' => 1, 'edit' => ['kind' => 'line-insert', 'what' => 'clean-nodes', 'values' => ['deviation' => '9mm']]],
        )
            ->assertStatus(422)->assertJsonPath('message', 'Deviation: type a length between 0 and 5 mm.');
        $this->postJson('/api/v1/stock', ['kind' => 'screen', 'name' => 'Mesh', 'values' => ['threads' => 5]])
            ->assertStatus(422)->assertJsonPath('message', 'Threads a centimetre: type a whole number between 10 and 200.');
    }

    private const SVG = '<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="100mm" viewBox="0 0 100 100"><rect id="a" x="5" y="5" width="30"'
        .' height="30" fill="#112233"/><rect id="b" x="20" y="20" width="30" height="30" fill="#aa0000"/></svg>';

    private function job(): int
    {
        return (int) $this->post(
            '/api/v1/jobs',
            ['title' => 'Words', 'process' => 'cut-vinyl', 'file' => \Illuminate\Http\UploadedFile::fake()->createWithContent('words.svg', self::SVG)],
            ['Accept' => 'application/json'],
        )->assertSuccessful()->json('id');
    }
}
