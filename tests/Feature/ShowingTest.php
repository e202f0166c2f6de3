<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** F1, F3: a job's art on things, by the interface: it follows the art, and its files are read by what others wrote. */
final class ShowingTest extends TestCase
{
    use RefreshDatabase;

    private function job(string $colour = '#ff0000'): int
    {
        return $this->post('/api/v1/jobs', [
            'title' => 'Harbour mark', 'process' => 'plain', 'width' => '40mm',
            'file' => UploadedFile::fake()->createWithContent('a.svg', "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 40 40\"><path fill=\"{$colour}\" d=\"M0 0h40v40h-40z\"/></svg>"),
        ], ['Accept' => 'application/json'])->assertCreated()->json('id');
    }

    /**
     * @phpstan-impure
     *
     * @return array{int, int, int} red, green and blue in the middle of the breast of the tabard
     */
    private function seen(int $job): array
    {
        $png = imagecreatefromstring((string) $this->get("/api/v1/jobs/{$job}/showing.png?pixels=260")->assertOk()->assertHeader('Content-Type', 'image/png')->getContent());
        self::assertNotFalse($png);
        self::assertSame(260, imagesx($png));
        $at = imagecolorat($png, 146, 158);

        return [$at >> 16 & 255, $at >> 8 & 255, $at & 255];
    }

    #[Test]
    public function art_lies_on_the_thing_that_was_chosen_and_follows_what_becomes_of_it(): void
    {
        $job = $this->job();
        $this->getJson("/api/v1/jobs/{$job}/showing")->assertOk()->assertJsonPath('thing', 'mug')->assertJsonPath('places.0.turns', true);
        $this->putJson("/api/v1/jobs/{$job}/showing", ['thing' => 'tabard', 'lights' => false])->assertOk()->assertJsonPath('lights', false);
        $told = $this->putJson("/api/v1/jobs/{$job}/showing", ['arts' => ['l4' => ['width' => '20cm']]])->assertOk();
        self::assertEquals([200, 200], $told->json('places.0.size'));
        self::assertSame([255, 0, 0], $this->seen($job));
        $piece = $this->getJson("/api/v1/jobs/{$job}")->json('art.pieces.0.id');
        $this->postJson("/api/v1/jobs/{$job}/edits", ['version' => 1, 'edit' => ['kind' => 'fill', 'pieces' => [$piece], 'colour' => '#00ff00']])->assertOk();
        self::assertSame([0, 255, 0], $this->seen($job), 'the art of now');
        // Another's art in its place, and its own again.
        $other = $this->job('#0000ff');
        $this->putJson("/api/v1/jobs/{$job}/showing", ['arts' => ['l4' => ['job' => $other]]])->assertOk()->assertJsonPath('places.0.job', $other);
        self::assertSame([0, 0, 255], $this->seen($job));
        $this->putJson("/api/v1/jobs/{$job}/showing", ['arts' => ['l4' => ['job' => null]]])->assertOk();
        self::assertSame([0, 255, 0], $this->seen($job));
        // As it was when it had a name: what is done since changes nothing of it.
        $version = $this->postJson("/api/v1/jobs/{$job}/versions", ['name' => 'Green'])->assertSuccessful()->json('versions.0.id');
        $this->postJson("/api/v1/jobs/{$job}/edits", ['version' => 2, 'edit' => ['kind' => 'fill', 'pieces' => [$piece], 'colour' => '#ffff00']])->assertOk();
        $this->putJson("/api/v1/jobs/{$job}/showing", ['arts' => ['l4' => ['version' => $version]]])->assertOk()->assertJsonPath('places.0.version', $version);
        self::assertSame([0, 255, 0], $this->seen($job));
        $this->putJson("/api/v1/jobs/{$other}/showing", ['arts' => ['l4' => ['version' => $version]]])->assertStatus(422);
        $this->putJson("/api/v1/jobs/{$job}/showing", ['arts' => ['l4' => ['job' => $other]]])->assertOk()->assertJsonPath('places.0.version', null);
        $this->putJson("/api/v1/jobs/{$job}/showing", ['arts' => ['l4' => ['job' => null, 'version' => $version]]])->assertOk();
        self::assertSame([0, 255, 0], $this->seen($job));
        $this->putJson("/api/v1/jobs/{$job}/showing", ['arts' => ['l4' => ['version' => null]]])->assertOk();
        // Two states of one job beside each other.
        $places = $this->putJson("/api/v1/jobs/{$job}/showing", ['thing' => 'quay'])->assertOk()->json('places.*.layer');
        $this->putJson("/api/v1/jobs/{$job}/showing", ['arts' => [$places[0] => ['version' => $version]]])->assertOk();
        $both = (string) $this->get("/api/v1/jobs/{$job}/showing.svg")->assertOk()->getContent();
        self::assertStringContainsString('#00ff00', $both);
        self::assertStringContainsString('#ffff00', $both);
        $this->putJson("/api/v1/jobs/{$job}/showing", ['thing' => 'tabard', 'lights' => false, 'arts' => ['l4' => ['width' => '20cm']]])->assertOk();
        self::assertSame([255, 255, 0], $this->seen($job));
        $this->postJson("/api/v1/jobs/{$job}/edits", ['version' => 3, 'edit' => ['kind' => 'fill', 'pieces' => [$piece], 'colour' => '#00ff00']])->assertOk();
        self::assertSame(4, $this->getJson("/api/v1/jobs/{$job}")->json('job.version'), 'nothing of it is an act on the job');
        // To be compared: without the art, and without what light it stands in.
        $this->putJson("/api/v1/jobs/{$job}/showing", ['lights' => true])->assertOk();
        $picture = fn (string $without): string => (string) $this->get("/api/v1/jobs/{$job}/showing.svg?{$without}")->assertOk()->getContent();
        self::assertStringContainsString('#00ff00', $picture(''));
        self::assertStringContainsString('#00ff00', $picture('without=light'));
        self::assertStringNotContainsString('#00ff00', $picture('without=art'));
        self::assertLessThan(strlen($picture('')), strlen($picture('without=light')));
        $this->get("/api/v1/jobs/{$job}/showing.svg?without=all", ['Accept' => 'application/json'])->assertStatus(422);
    }

    #[Test]
    public function a_line_that_is_too_thin_at_its_size_on_the_thing_is_said(): void
    {
        $bar = '<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="40mm" viewBox="0 0 100 40"><path d="M0 0h100v10H0z" fill="#1d5c46"/><path d="M10 20h80v1H10z" fill="#1d5c46"/></svg>';
        $job = $this->post('/api/v1/jobs', ['process' => 'cut-vinyl', 'title' => 'Bar', 'file' => UploadedFile::fake()->createWithContent('bar.svg', $bar)], ['Accept' => 'application/json'])->json('id');
        $limit = $this->getJson("/api/v1/jobs/{$job}")->json('job.limits.line');
        self::assertSame(0.8, $limit);
        $says = fn (string $width): array => $this->putJson("/api/v1/jobs/{$job}/showing", ['thing' => 'tabard', 'arts' => ['l4' => ['width' => $width]]])->assertOk()->json('says');
        self::assertSame([], $says('90mm'), '0.9 mm');
        self::assertSame(['The narrowest line is 0.50 mm wide there; at least 0.80 mm are needed.'], $says('50mm'));
        self::assertSame(['The narrowest line is 0.70 mm wide there; at least 0.80 mm are needed.'], $says('70mm'));
        // It is the art that is measured, as it is now.
        $piece = $this->getJson("/api/v1/jobs/{$job}")->json('art.pieces.1.id');
        $this->postJson("/api/v1/jobs/{$job}/edits", ['version' => 1, 'edit' => ['kind' => 'outset', 'pieces' => [$piece], 'distance' => '0.5mm']])->assertOk();
        self::assertSame([], $says('50mm'));
    }

    #[Test]
    public function colours_are_taken_and_given_back_and_what_does_not_fit_is_said(): void
    {
        $job = $this->job();
        $this->putJson("/api/v1/jobs/{$job}/showing", ['thing' => 'tabard', 'lights' => false])->assertOk();
        $this->putJson("/api/v1/jobs/{$job}/showing", ['colours' => ['l2' => '#204060'], 'arts' => ['l4' => ['x' => '-1000mm']]])->assertOk()->assertJsonPath('parts.1.colour', '#204060')->assertJsonPath('parts.0.drawn', '#e3d8c1');
        [$red, $green, $blue] = $this->seen($job);
        self::assertEqualsWithDelta([0x20, 0x40, 0x60], [$red, $green, $blue], 6.0, 'its cloth, as the art lies beside it');
        $this->putJson("/api/v1/jobs/{$job}/showing", ['colours' => ['l2' => null]])->assertOk()->assertJsonPath('parts.1.colour', null);
        self::assertGreaterThan(220, $this->seen($job)[0]);
        $says = $this->putJson("/api/v1/jobs/{$job}/showing", ['arts' => ['l4' => ['width' => 500]]])->assertOk()->json('says');
        self::assertSame(['The art is wider than can be printed there: 500 mm of 280 mm.', 'The art is higher than can be printed there: 500 mm of 360 mm.'], $says);
        $this->putJson("/api/v1/jobs/{$job}/showing", ['thing' => 'tag'])->assertOk()->assertJsonPath('says', []);
        $this->putJson("/api/v1/jobs/{$job}/showing", ['colours' => ['l2' => '#204060']])->assertOk();
        $back = $this->putJson("/api/v1/jobs/{$job}/showing", ['thing' => 'tabard'])->assertOk();
        self::assertSame([null, null, null], $back->json('parts.*.colour'), 'colours are those of one thing');
        self::assertEquals([40, 40], $back->json('places.0.size'), 'and so are places');
        foreach ([['thing' => 'boat'], ['thing' => 'job-999'], ['colours' => ['l2' => 'red']], ['arts' => ['l4' => ['width' => 'wide']]], ['arts' => ['l4' => ['job' => 999]]]] as $wrong) {
            $this->putJson("/api/v1/jobs/{$job}/showing", $wrong)->assertStatus(422);
        }
        $this->getJson("/api/v1/jobs/{$job}/showing")->assertOk()->assertJsonPath('thing', 'tabard');
    }

    #[Test]
    public function any_bench_becomes_a_thing_by_the_parts_of_its_layers(): void
    {
        $job = $this->job();
        $thing = $this->job('#808080');
        $state = $this->getJson("/api/v1/jobs/{$thing}");
        $this->putJson("/api/v1/jobs/{$job}/showing", ['thing' => "job-{$thing}"])->assertStatus(422);
        $this->postJson("/api/v1/jobs/{$thing}/edits", ['version' => 1, 'edit' => [
            'kind' => 'layer-part', 'layer' => $state->json('art.layers.0.id'), 'part' => 'place', 'width' => '80mm',
        ]])->assertOk();
        self::assertSame('80', (string) (int) $this->getJson("/api/v1/jobs/{$thing}")->json('art.layers.0.place.width'));
        self::assertContains("job-{$thing}", array_column($this->getJson('/api/v1/things')->assertOk()->json('things'), 'key'));
        $this->putJson("/api/v1/jobs/{$job}/showing", ['thing' => "job-{$thing}"])->assertOk()->assertJsonPath('width', 40)->assertJsonPath('places.0.size', [40, 40]);
        $this->deleteJson("/api/v1/jobs/{$thing}")->assertSuccessful();
        $this->getJson("/api/v1/jobs/{$job}/showing")->assertStatus(422)->assertJsonPath('message', 'The thing it is shown on is gone. Choose another.');
        $this->putJson("/api/v1/jobs/{$job}/showing", ['thing' => 'tag'])->assertOk();
    }

    #[Test]
    public function what_ships_can_be_opened_as_a_job_and_is_a_thing_of_the_shops_own_then(): void
    {
        $own = $this->postJson('/api/v1/things/mug/job')->assertCreated()->json('id');
        self::assertSame(['ground', 'ground', 'part', 'part', 'body', 'place', 'part', 'shade', 'light'], array_map(
            static fn (array $layer): string => $layer['part'] ?? '',
            $this->getJson("/api/v1/jobs/{$own}")->assertOk()->json('art.layers'),
        ));
        self::assertContains("job-{$own}", array_column($this->getJson('/api/v1/things')->json('things'), 'key'));
        $this->putJson('/api/v1/jobs/'.$this->job().'/showing', ['thing' => "job-{$own}"])->assertOk()->assertJsonPath('places.0.turns', true);
        $this->postJson('/api/v1/things/boat/job')->assertNotFound();
    }

    #[Test]
    public function a_scene_has_art_in_each_of_its_places_and_nothing_where_that_is_chosen(): void
    {
        $job = $this->job();
        $told = $this->putJson("/api/v1/jobs/{$job}/showing", ['thing' => 'quay'])->assertOk();
        self::assertCount(3, $told->json('places'));
        $count = fn (): int => substr_count((string) $this->get("/api/v1/jobs/{$job}/showing.svg")->assertOk()->getContent(), '#ff0000');
        self::assertSame(3, $count());
        $this->putJson("/api/v1/jobs/{$job}/showing", ['arts' => [$told->json('places.1.layer') => ['job' => 0]]])->assertOk()->assertJsonPath('places.1.size', null);
        self::assertSame(2, $count());
        $other = $this->job('#0000ff');
        $this->putJson("/api/v1/jobs/{$job}/showing", ['arts' => [$told->json('places.2.layer') => ['job' => $other, 'turn' => 30]]])->assertOk();
        self::assertSame(1, $count());
    }

    #[Test]
    public function its_pdf_has_lines_for_what_is_hard_and_pictures_with_soft_masks_for_what_is_soft(): void
    {
        $job = $this->job();
        $pdf = (string) $this->get("/api/v1/jobs/{$job}/showing.pdf")->assertOk()->assertHeader('Content-Type', 'application/pdf')->getContent();
        $path = (string) tempnam(sys_get_temp_dir(), 'pdf');
        file_put_contents($path, $pdf);
        exec('pdfimages -list '.escapeshellarg($path), $images);
        self::assertGreaterThan(10, count(array_filter($images, static fn (string $line): bool => str_contains($line, 'smask'))) * 2);
        self::assertMatchesRegularExpression('/\b300\s+300\b/', implode("\n", $images), 'dots an inch');
        exec('pdftoppm -r 100 -png '.escapeshellarg($path).' '.escapeshellarg("{$path}-page"), $said, $code);
        self::assertSame(0, $code);
        $page = imagecreatefrompng("{$path}-page-1.png");
        self::assertNotFalse($page);
        $picture = imagecreatefromstring((string) $this->get("/api/v1/jobs/{$job}/showing.png?pixels=".imagesx($page))->getContent());
        self::assertNotFalse($picture);
        $off = 0;
        $count = 0;
        for ($y = 10; $y < imagesy($page) - 10; $y += 7) {
            for ($x = 10; $x < imagesx($page) - 10; $x += 7) {
                foreach ([0, 8, 16] as $shift) {
                    $off += abs((imagecolorat($page, $x, $y) >> $shift & 255) - (imagecolorat($picture, $x, $y) >> $shift & 255));
                    $count++;
                }
            }
        }
        self::assertLessThan(2.5, $off / $count, 'another reader shows what the picture shows');
        exec('qpdf --qdf --object-streams=disable '.escapeshellarg($path).' - | grep -a -c "/BM /Multiply"', $blends);
        self::assertGreaterThan(0, (int) ($blends[0] ?? 0), 'as another program reads it');
        // Shade is multiplied, not laid on: a white cloth under half a shade is as dark as the picture has it.
        $places = [[(int) (0.62 * imagesx($page)), (int) (0.55 * imagesy($page))], [(int) (0.3 * imagesx($page)), (int) (0.4 * imagesy($page))]];
        foreach ($places as [$x, $y]) {
            self::assertEqualsWithDelta(imagecolorat($picture, $x, $y) & 255, imagecolorat($page, $x, $y) & 255, 6.0);
        }
        array_map(unlink(...), [$path, "{$path}-page-1.png"]);
    }
}
