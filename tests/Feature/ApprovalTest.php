<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Mail\News;
use App\Models\Approval;
use App\Models\Letter;
use App\Models\ShopJob;
use App\Models\StockItem;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;
use Illuminate\Testing\TestResponse;
use NeatEdge\Core\Tests\Support\Share;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** F7: a proof is shown by a link; what the customer says holds for what they saw. */
final class ApprovalTest extends TestCase
{
    use RefreshDatabase;

    private function job(string $title = 'Boat sign', string $colour = '#1d5c46'): int
    {
        $svg = "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 100 50\"><rect x=\"10\" y=\"10\" width=\"80\" height=\"30\" fill=\"{$colour}\"/></svg>";
        $job = $this->postJson('/api/v1/jobs', ['title' => $title, 'process' => 'cut-vinyl', 'width' => '200mm', 'file' => \Illuminate\Http\UploadedFile::fake()->createWithContent('sign.svg', $svg)])
            ->assertCreated()->json('id');
        $this->prepare($job);

        return $job;
    }

    private function prepare(int $job): void
    {
        $this->postJson("/api/v1/jobs/{$job}/preparations", ['version' => ShopJob::query()->findOrFail($job)->version])->assertSuccessful();
        self::assertSame('done', $this->getJson("/api/v1/jobs/{$job}")->json('preparation.status'));
    }

    /** @param  array<string, mixed>  $more */
    private function share(int $job, array $more = []): string
    {
        $link = (string) $this->postJson("/api/v1/jobs/{$job}/approvals", ['ground' => '#f1e4c3', ...$more])->assertCreated()->json('link');
        self::assertMatchesRegularExpression('~/shown/[A-Za-z0-9_-]{43}$~', $link);

        return substr($link, -43);
    }

    private function move(int $job): void
    {
        $state = $this->getJson("/api/v1/jobs/{$job}");
        $this->postJson("/api/v1/jobs/{$job}/edits", ['version' => $state->json('job.version'), 'edit' => [
            'kind' => 'move', 'pieces' => [$state->json('art.pieces.0.id')], 'x' => '2mm', 'y' => '0',
        ]])->assertOk();
    }

    private function standing(int $job): string
    {
        return (string) $this->getJson("/api/v1/jobs/{$job}/approvals")->assertOk()->json('standing');
    }

    /** @return list<string> */
    private function open(int $job): array
    {
        return $this->getJson("/api/v1/jobs/{$job}")->json('preparation.verdict.open');
    }

    /**
     * @param  array<string, mixed>  $said
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function say(string $secret, array $said, int $status = 201): TestResponse
    {
        return $this->postJson("/api/v1/shown/{$secret}/answers", $said)->assertStatus($status);
    }

    #[Test]
    public function a_pin_on_a_mug_lies_on_the_place_of_the_art_that_it_means(): void
    {
        $job = $this->job();
        $this->putJson("/api/v1/jobs/{$job}/showing", ['thing' => 'mug', 'arts' => ['l6' => ['width' => '120mm', 'turn' => 12, 'y' => '4mm']]])->assertOk();
        $secret = $this->share($job, ['onThing' => true]);
        $shown = $this->getJson("/api/v1/shown/{$secret}")->assertOk()->assertJsonPath('across', 150)->assertJsonPath('down', 130)->assertJsonPath('width', 200);
        self::assertSame('Boat sign', $shown->json('title'));
        $png = imagecreatefromstring((string) $this->get("/api/v1/shown/{$secret}/picture.png")->getContent());
        self::assertNotFalse($png);
        self::assertEqualsWithDelta(150 / 130, imagesx($png) / imagesy($png), 0.01, 'the mug itself');
        // 120 mm in truth for 160 mm of art (20 to 180): round a radius of 41 mm, turned by 12 degrees.
        $at = static function (float $x, float $y): array {
            $s = ($x - 100) * 120 / 160;
            $angle = $s / 41 + deg2rad(12);

            return [65 + 41 * sin($angle), 0.5 * (27 + 107) + 41 * sin(deg2rad(9.8)) / 2 + (($y - 50) * 120 / 160 + 4) * cos(deg2rad(9.8)) + 41 * (cos($angle) - 1) * sin(deg2rad(9.8))];
        };
        $places = [[100.0, 50.0], [70.0, 30.0], [120.0, 72.0]];
        $pins = array_map(static fn (array $place): array => ['x' => $at(...$place)[0], 'y' => $at(...$place)[1], 'words' => 'here'], $places);
        $this->say($secret, ['kind' => 'changes', 'by' => 'Ines', 'pins' => [...$pins, ['x' => 130, 'y' => 20, 'words' => 'the handle']]])
            ->assertJsonPath('answers.0.pins.3.x', 130);
        $seen = $this->getJson("/api/v1/jobs/{$job}/approvals")->assertOk()->json('approvals.0.answers.0.pins');
        foreach ($places as $i => [$x, $y]) {
            self::assertEqualsWithDelta($x, $seen[$i]['x'], 0.5);
            self::assertEqualsWithDelta($y, $seen[$i]['y'], 0.5);
            self::assertFalse($seen[$i]['beside']);
        }
        self::assertTrue($seen[3]['beside'], 'the handle is no place of the art');
        // A mark on another job's art means none of this one's.
        $other = $this->job('Other sign');
        $this->putJson("/api/v1/jobs/{$job}/showing", ['arts' => ['l6' => ['job' => $other]]])->assertOk();
        $second = $this->share($job, ['onThing' => true]);
        $this->say($second, ['kind' => 'changes', 'by' => 'Ines', 'pins' => [['x' => $at(100, 50)[0], 'y' => $at(100, 50)[1], 'words' => 'this']]]);
        self::assertTrue($this->getJson("/api/v1/jobs/{$job}/approvals")->json('approvals.0.answers.0.pins.0.beside'));
        // What it is shown on may be another since.
        $this->putJson("/api/v1/jobs/{$job}/showing", ['thing' => 'tag'])->assertOk();
        self::assertEqualsWithDelta($places[1][0], $this->getJson("/api/v1/jobs/{$job}/approvals")->json('approvals.1.answers.0.pins.1.x'), 0.5);
    }

    #[Test]
    public function a_customer_is_told_what_it_is_made_on_as_it_was_when_it_was_shared(): void
    {
        $job = $this->job();
        self::assertSame([], $this->getJson('/api/v1/shown/'.$this->share($job))->assertOk()->json('materials'));
        $film = StockItem::query()->create(['kind' => 'material', 'name' => 'Quay white film', 'data' => ['width' => 610]]);
        $this->patchJson("/api/v1/jobs/{$job}", ['version' => $this->getJson("/api/v1/jobs/{$job}")->json('job.version'), 'stock' => ['material' => $film->id]])->assertOk();
        $this->prepare($job);
        $secret = $this->share($job);
        self::assertSame(['Quay white film'], $this->getJson("/api/v1/shown/{$secret}")->assertOk()->json('materials'));
        $film->update(['name' => 'Another film']);
        self::assertSame(['Quay white film'], $this->getJson("/api/v1/shown/{$secret}")->json('materials'));
    }

    #[Test]
    public function a_customer_sees_what_was_shared_asks_for_a_change_and_says_yes_to_the_next(): void
    {
        $job = $this->job();
        self::assertSame(['none', []], [$this->standing($job), $this->open($job)]);
        $first = $this->share($job);
        self::assertSame(['waiting', ['The customer was asked and has not answered yet.']], [$this->standing($job), $this->open($job)]);

        $this->getJson("/api/v1/shown/{$first}")->assertOk()
            ->assertJsonPath('title', 'Boat sign')->assertJsonPath('width', 200)->assertJsonPath('height', 100)
            ->assertJsonPath('processLabel', 'Cut vinyl')->assertJsonPath('sheets.0.colour', '#1d5c46')->assertJsonPath('sentence', 'Looks the same');
        self::assertSame('seen', $this->standing($job));
        $png = (string) $this->get("/api/v1/shown/{$first}/picture.png")->assertOk()->assertHeader('Content-Type', 'image/png')->getContent();
        $picture = imagecreatefromstring($png);
        self::assertNotFalse($picture);
        self::assertSame([1600, 800], [imagesx($picture), imagesy($picture)]);
        self::assertSame([0xF1E4C3, 0x1D5C46], [imagecolorat($picture, 40, 40) & 0xFFFFFF, imagecolorat($picture, 800, 400) & 0xFFFFFF]);

        $this->say($first, ['kind' => 'changes', 'by' => 'Ines Harrow', 'words' => '', 'pins' => [['x' => 50.25, 'y' => 30, 'words' => 'rounder here'], ['x' => 150, 'y' => 80]]])
            ->assertJsonPath('answers.0.pins.0', ['x' => 50.25, 'y' => 30, 'words' => 'rounder here']);
        self::assertSame(['changes', ['The customer asked for a change.']], [$this->standing($job), $this->open($job)]);
        self::assertSame(['changes'], array_column($this->getJson('/api/v1/jobs')->json('jobs'), 'customerSays'));

        // The proof stays as it was, whatever becomes of the job.
        $this->move($job);
        $this->prepare($job);
        self::assertSame($png, (string) $this->get("/api/v1/shown/{$first}/picture.png")->getContent());
        $second = $this->share($job);
        self::assertNotSame($first, $second);
        $this->say($second, ['kind' => 'approved', 'by' => 'Ines Harrow']);
        self::assertSame(['approved', []], [$this->standing($job), $this->open($job)]);

        // What is approved is this state: another is not, and undo leads back to it.
        $this->move($job);
        $this->prepare($job);
        self::assertSame(['earlier', ['The customer approved an earlier state of this job.']], [$this->standing($job), $this->open($job)]);
        $this->getJson("/api/v1/jobs/{$job}/files.zip?format=svg")->assertStatus(409)->assertJsonPath('open.0', 'The customer approved an earlier state of this job.');
        $this->postJson("/api/v1/jobs/{$job}/undo", ['version' => ShopJob::query()->findOrFail($job)->version])->assertOk();
        $this->prepare($job);
        self::assertSame(['approved', []], [$this->standing($job), $this->open($job)]);
    }

    #[Test]
    public function another_size_or_another_way_of_making_is_another_state(): void
    {
        $job = $this->job();
        $this->say($this->share($job), ['kind' => 'approved', 'by' => 'Ines']);
        self::assertSame('approved', $this->standing($job));
        $this->patchJson("/api/v1/jobs/{$job}", ['version' => ShopJob::query()->findOrFail($job)->version, 'process' => 'engraving'])->assertOk();
        self::assertSame('earlier', $this->standing($job));
        $this->patchJson("/api/v1/jobs/{$job}", ['version' => ShopJob::query()->findOrFail($job)->version, 'process' => 'cut-vinyl'])->assertOk();
        self::assertSame('approved', $this->standing($job));
        $this->patchJson("/api/v1/jobs/{$job}", ['version' => ShopJob::query()->findOrFail($job)->version, 'width' => '210mm'])->assertOk();
        self::assertSame('earlier', $this->standing($job));
    }

    #[Test]
    public function what_is_asked_for_and_done_stands_against_nothing(): void
    {
        $job = $this->job();
        $this->say($this->share($job), ['kind' => 'changes', 'by' => 'Ines', 'words' => 'smaller']);
        $answer = $this->getJson("/api/v1/jobs/{$job}/approvals")->json('approvals.0.answers.0.id');
        $this->patchJson("/api/v1/answers/{$answer}", ['settled' => true])->assertOk()->assertJsonPath('answers.0.settled', true);
        self::assertSame(['none', []], [$this->standing($job), $this->open($job)]);
        $this->patchJson("/api/v1/answers/{$answer}", ['settled' => false])->assertOk();
        self::assertSame('changes', $this->standing($job));
    }

    #[Test]
    public function a_link_ends_is_taken_back_and_goes_with_its_job(): void
    {
        $job = $this->job();
        $short = $this->share($job, ['days' => 2]);
        $this->travel(47)->hours();
        $this->getJson("/api/v1/shown/{$short}")->assertOk();
        $this->travel(2)->hours();
        foreach (['', '/picture.png'] as $part) {
            $this->getJson("/api/v1/shown/{$short}{$part}")->assertNotFound()->assertJsonPath('message', 'That is not here any more.');
        }
        $this->say($short, ['kind' => 'approved', 'by' => 'Ines'], 404);
        self::assertSame('none', $this->standing($job));

        $taken = $this->share($job);
        $this->deleteJson('/api/v1/approvals/'.Approval::query()->max('id'))->assertNoContent();
        $this->say($taken, ['kind' => 'approved', 'by' => 'Ines'], 404);

        $gone = $this->share($job);
        $this->deleteJson("/api/v1/jobs/{$job}")->assertNoContent();
        $this->getJson("/api/v1/shown/{$gone}")->assertNotFound();
        $this->postJson("/api/v1/trash/{$job}/restore")->assertOk();
        $this->getJson("/api/v1/shown/{$gone}")->assertOk();
    }

    #[Test]
    public function the_secret_is_stored_nowhere_and_cannot_be_guessed_at(): void
    {
        $job = $this->job();
        $secret = $this->share($job);
        $row = json_encode(Approval::query()->firstOrFail()->getAttributes(), JSON_PARTIAL_OUTPUT_ON_ERROR);
        self::assertStringNotContainsString($secret, (string) $row);
        self::assertNull($this->getJson("/api/v1/jobs/{$job}/approvals")->json('approvals.0.link'));
        // Neither what is stored nor what is nearly it leads there.
        $this->getJson('/api/v1/shown/'.hash('sha256', $secret))->assertNotFound();
        $this->getJson('/api/v1/shown/'.substr($secret, 0, 42))->assertNotFound();
        $this->getJson('/api/v1/shown/'.strtolower($secret))->assertNotFound();
        $this->getJson('/api/v1/shown/'.str_repeat('a', 5000))->assertNotFound();
        $statuses = [];
        for ($i = 0; $i < Share::of(1000); $i++) {
            config(['neat-edge.looks_a_minute' => 100_000]);
            $statuses[$this->getJson('/api/v1/shown/'.bin2hex(random_bytes(20)))->getStatusCode()] = ($statuses[429] ?? 0) + 1;
        }
        self::assertSame([404, 429], array_keys($statuses));
        // Whoever guesses waits, with the right link too.
        $this->getJson("/api/v1/shown/{$secret}")->assertTooManyRequests()->assertHeader('Retry-After');
        $this->travel(11)->minutes();
        $this->getJson("/api/v1/shown/{$secret}")->assertOk();
    }

    #[Test]
    public function a_link_leads_to_one_proof_and_to_nothing_of_another_job(): void
    {
        $mine = $this->share($this->job('Boat sign'));
        $this->share($this->job('Secret regatta', '#cc3333'));
        $seen = (string) $this->getJson("/api/v1/shown/{$mine}")->getContent();
        self::assertStringNotContainsString('regatta', $seen);
        self::assertSame(['title', 'customer', 'width', 'height', 'across', 'down', 'processLabel', 'sheets', 'materials', 'sentence', 'ends', 'answers'], array_keys(json_decode($seen, true)));
        $this->say($mine, ['kind' => 'approved', 'by' => 'Ines', 'approval_id' => Approval::query()->max('id'), 'settled_at' => '2026-01-01']);
        self::assertSame([1, 0], Approval::query()->orderBy('id')->get()->map(static fn (Approval $one): int => $one->answers()->count())->all());
    }

    /** @return array<string, array{array<string, mixed>, string}> */
    public static function nonsense(): array
    {
        $words = 'Say it in at most 2000 letters.';
        $pin = 'A pin is a place on the picture, with at most 500 letters; there are at most 30.';

        return [
            'nobody' => [['kind' => 'approved', 'by' => ''], 'Give your name, in at most 80 letters.'],
            'a name without end' => [['kind' => 'approved', 'by' => str_repeat('a', 81)], 'Give your name, in at most 80 letters.'],
            'neither yes nor no' => [['kind' => 'settled', 'by' => 'Ines'], 'Say yes, or ask for a change.'],
            'no words' => [['kind' => 'changes', 'by' => 'Ines', 'pins' => [['x' => 1, 'y' => 1]]], 'Say in words what is to be changed.'],
            'too many words' => [['kind' => 'changes', 'by' => 'Ines', 'words' => str_repeat('a', 2001)], $words],
            'a pin nowhere' => [['kind' => 'changes', 'by' => 'Ines', 'words' => 'a', 'pins' => [['x' => 'left', 'y' => 1]]], $pin],
            'a pin in another world' => [['kind' => 'changes', 'by' => 'Ines', 'words' => 'a', 'pins' => [['x' => 1e9, 'y' => 1]]], $pin],
            'pins without end' => [['kind' => 'changes', 'by' => 'Ines', 'words' => 'a', 'pins' => array_fill(0, 31, ['x' => 1, 'y' => 1])], $pin],
        ];
    }

    /** @param  array<string, mixed>  $said */
    #[Test]
    #[DataProvider('nonsense')]
    public function nonsense_is_refused_in_one_sentence_and_nothing_is_kept(array $said, string $words): void
    {
        $secret = $this->share($this->job());
        $this->say($secret, $said, 422)->assertJsonPath('message', $words);
        $this->getJson("/api/v1/shown/{$secret}")->assertJsonPath('answers', []);
    }

    #[Test]
    public function a_proof_takes_so_many_answers_and_no_more(): void
    {
        $secret = $this->share($this->job());
        for ($i = 0; $i < 30; $i++) {
            $this->say($secret, ['kind' => 'changes', 'by' => 'Ines', 'words' => "again {$i}"]);
        }
        $this->say($secret, ['kind' => 'approved', 'by' => 'Ines'], 422)->assertJsonPath('message', 'This proof was answered often enough; call the shop.');
    }

    #[Test]
    public function mail_goes_to_the_mailbox_of_the_shop_or_out_by_a_server(): void
    {
        $job = $this->job('<b>Boat</b> & sign');
        $this->putJson('/api/v1/settings', ['values' => ['news' => 'nobody']])->assertStatus(422);
        $this->putJson('/api/v1/settings', ['values' => ['news' => 'desk@marrowby.test']])->assertOk();
        $secret = $this->share($job, ['to' => 'ines@harrow.test', 'days' => 5]);
        $letter = Letter::query()->firstOrFail();
        self::assertSame(['ines@harrow.test', 'Please look at “<b>Boat</b> & sign”'], [$letter->to, $letter->subject]);
        self::assertStringContainsString("/shown/{$secret}", $letter->words);
        self::assertStringContainsString('for 5 days', $letter->words);
        $this->say($secret, ['kind' => 'changes', 'by' => 'Ines', 'words' => "it's <script>", 'pins' => [['x' => 1, 'y' => 2, 'words' => 'here']]]);
        $news = Letter::query()->latest('id')->firstOrFail();
        self::assertSame('desk@marrowby.test', $news->to);
        self::assertStringContainsString("Ines: it's <script>", $news->words);
        self::assertStringContainsString('1. here', $news->words);
        $this->getJson('/api/v1/letters')->assertOk()->assertJsonPath('stand_in', true)->assertJsonCount(2, 'letters');
        $this->postJson("/api/v1/jobs/{$job}/approvals", ['ground' => '#f1e4c3', 'to' => 'ines'])->assertStatus(422)->assertJsonPath('message', 'That is no address of mail.');

        Mail::fake();
        $this->say($secret, ['kind' => 'approved', 'by' => 'Ines']);
        Mail::assertSent(News::class, static fn (News $news): bool => $news->hasTo('desk@marrowby.test'));
    }

    #[Test]
    public function mail_that_no_server_takes_is_told_of_at_the_proof_and_in_the_mailbox_and_nothing_of_its_words_stays(): void
    {
        config(['mail.default' => 'smtp', 'mail.mailers.smtp' => ['transport' => 'smtp', 'host' => '127.0.0.1', 'port' => 1, 'timeout' => 1]]);
        $job = $this->job('Boat');
        $this->putJson('/api/v1/settings', ['values' => ['news' => 'desk@marrowby.test']])->assertOk();
        $secret = $this->share($job, ['to' => 'ines@harrow.test']);
        $why = $this->getJson("/api/v1/jobs/{$job}/approvals")->assertOk()->json('approvals.0.unsent');
        self::assertStringContainsString('127.0.0.1:1', $why);
        // The answer is kept all the same.
        $this->say($secret, ['kind' => 'approved', 'by' => 'Ines', 'words' => 'fine']);
        $this->getJson("/api/v1/jobs/{$job}/approvals")->assertJsonPath('approvals.0.answers.0.words', 'fine');
        $box = $this->getJson('/api/v1/letters')->assertOk()->assertJsonPath('stand_in', false)->assertJsonCount(2, 'letters')->json('letters');
        self::assertSame([['desk@marrowby.test', 'Approved: Boat', ''], ['ines@harrow.test', 'Please look at “Boat”', '']], array_map(static fn (array $one): array => [$one['to'], $one['subject'], $one['words']], $box));
        self::assertStringContainsString('127.0.0.1:1', $box[0]['unsent']);
        self::assertStringContainsString("neat_edge_mail_unsent 2\n", (string) $this->get('/api/v1/counts')->getContent());
    }

    #[Test]
    public function mail_waits_for_a_worker_and_what_leads_in_waits_encrypted(): void
    {
        $job = $this->job('Boat');
        config(['queue.default' => 'database']);
        $secret = $this->share($job, ['to' => 'ines@harrow.test']);
        self::assertSame(0, Letter::query()->count());
        $waiting = (string) DB::table('queued_work')->where('queue', 'quick')->value('payload');
        self::assertStringContainsString('Post', $waiting);
        self::assertStringNotContainsString($secret, stripslashes($waiting));
        Artisan::call('queue:work', ['--once' => true, '--queue' => 'quick']);
        self::assertStringContainsString("/shown/{$secret}", Letter::query()->firstOrFail()->words);
    }

    #[Test]
    public function nothing_is_shared_before_it_is_prepared_or_after_it_was_changed(): void
    {
        $job = $this->job();
        $this->move($job);
        $this->postJson("/api/v1/jobs/{$job}/approvals", ['ground' => '#f1e4c3'])->assertStatus(422)->assertJsonPath('message', 'The job was changed since it was prepared; prepare it, and look again.');
        $this->postJson("/api/v1/jobs/{$job}/approvals", ['ground' => 'red'])->assertStatus(422);
        self::assertSame(0, Approval::query()->count());
    }

    #[Test]
    public function a_proof_leaves_as_a_picture_of_any_width_and_as_a_page_at_true_size(): void
    {
        $job = $this->job();
        $preparation = $this->getJson("/api/v1/jobs/{$job}")->json('preparation.id');
        $png = $this->get("/api/v1/preparations/{$preparation}/proof.png?ground=%2320242f&pixels=300")->assertOk()->assertHeader('Content-Type', 'image/png')
            ->assertHeader('Content-Disposition', 'attachment; filename="boat-sign-proof.png"');
        $picture = imagecreatefromstring((string) $png->getContent());
        self::assertNotFalse($picture);
        self::assertSame([300, 150, 0x20242F, 0x1D5C46], [imagesx($picture), imagesy($picture), imagecolorat($picture, 3, 3) & 0xFFFFFF, imagecolorat($picture, 150, 75) & 0xFFFFFF]);

        $file = tempnam(sys_get_temp_dir(), 'proof').'.pdf';
        file_put_contents($file, (string) $this->get("/api/v1/preparations/{$preparation}/proof.pdf?ground=%2320242f")->assertOk()->assertHeader('Content-Type', 'application/pdf')->getContent());
        // Read by Poppler: its size, and its colours where they are.
        self::assertStringContainsString('566.929 x 283.465 pts', (string) shell_exec('pdfinfo '.escapeshellarg($file)));
        shell_exec('pdftoppm -png -r 50 -singlefile '.escapeshellarg($file).' '.escapeshellarg($file));
        $page = imagecreatefrompng("{$file}.png");
        self::assertNotFalse($page);
        foreach ([[5, 5, 0x20242F], [197, 98, 0x1D5C46]] as [$x, $y, $wanted]) {
            $is = imagecolorat($page, $x, $y) & 0xFFFFFF;
            foreach ([16, 8, 0] as $shift) {
                self::assertEqualsWithDelta(($wanted >> $shift) & 255, ($is >> $shift) & 255, 3, "{$x}, {$y}");
            }
        }
        array_map(unlink(...), [$file, "{$file}.png"]);

        $this->getJson("/api/v1/preparations/{$preparation}/proof.png?ground=red")->assertStatus(422);
        $this->getJson("/api/v1/preparations/{$preparation}/proof.png?ground=%2320242f&pixels=9000")->assertStatus(422)->assertJsonPath('message', 'A proof is 50 to 8000 dots wide.');
        $this->getJson("/api/v1/preparations/{$preparation}/proof.gif?ground=%2320242f")->assertNotFound();
    }
}
