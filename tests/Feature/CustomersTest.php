<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Approval;
use App\Models\Customer;
use App\Models\Letter;
use App\Models\ShopJob;
use App\Prep\Standing;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** Who jobs are made for, and what is to be done when. */
final class CustomersTest extends TestCase
{
    use RefreshDatabase;

    private function job(string $title, string $customer, ?string $due = null, string $process = 'plain'): ShopJob
    {
        $id = $this->postJson('/api/v1/jobs', ['process' => $process, 'width' => '100', 'height' => '100', 'title' => $title])->assertCreated()->json('id');
        $this->patchJson("/api/v1/jobs/{$id}", ['version' => 1, 'customer' => $customer, 'due' => $due])->assertOk();

        return ShopJob::query()->whereKey($id)->firstOrFail();
    }

    #[Test]
    public function who_stands_on_a_ticket_is_kept_and_known_again(): void
    {
        $first = $this->job('Decal', 'Müller & Söhne');
        $second = $this->job('Tag', '  muller  & SOHNE ');
        self::assertNotNull($first->customer_id);
        self::assertSame($first->customer_id, $second->customer_id);
        self::assertNull($this->job('Nobody', '')->customer_id);
        $page = $this->getJson('/api/v1/customers?search=m%C3%BCll')->assertOk()->assertJsonPath('found', 1);
        $page->assertJsonPath('customers.0.name', 'Müller & Söhne')->assertJsonPath('customers.0.jobs', 2);
        $this->getJson('/api/v1/customers?search=%25')->assertJsonPath('found', 0);
        $id = $first->customer_id;
        $this->getJson("/api/v1/customers/{$id}")->assertJsonCount(2, 'jobs');
        // Another name stands on every ticket, and jobs are found by it.
        $before = $first->refresh()->updated_at;
        $this->travel(1)->hours();
        $this->patchJson("/api/v1/customers/{$id}", ['name' => 'Müller, Boats', 'email' => 'boats@marrowby.test'])->assertOk()->assertJsonPath('email', 'boats@marrowby.test');
        self::assertSame(['Müller, Boats', 'Müller, Boats'], ShopJob::query()->where('customer_id', $id)->pluck('customer')->all());
        self::assertEquals($before, $first->refresh()->updated_at, 'it is no newer by that');
        $this->getJson('/api/v1/jobs?search=boats')->assertJsonPath('found', 2);
        $this->postJson('/api/v1/customers', ['name' => 'MULLER, BOATS'])->assertStatus(422);
        $this->postJson('/api/v1/customers', ['name' => 'The regatta', 'phone' => '07 00'])->assertCreated()->assertJsonPath('phone', '07 00');
        $this->patchJson("/api/v1/customers/{$id}", ['name' => 'the REGATTA'])->assertStatus(422);
    }

    #[Test]
    public function two_who_are_one_are_joined_and_nothing_of_either_is_lost(): void
    {
        $one = $this->job('Decal', 'Regatta');
        $two = $this->job('Tag', 'Marrowby Lantern Regatta');
        $this->patchJson("/api/v1/customers/{$one->customer_id}", ['email' => 'old@marrowby.test', 'phone' => '07 00', 'note' => 'pays late'])->assertOk();
        $this->patchJson("/api/v1/customers/{$two->customer_id}", ['email' => 'new@marrowby.test', 'note' => 'by the river'])->assertOk();
        $two->delete();
        $this->job('Thrown away', 'Regatta')->delete();
        $this->postJson("/api/v1/customers/{$one->customer_id}/merge", ['into' => $one->customer_id])->assertStatus(422);
        $this->postJson("/api/v1/customers/{$two->customer_id}/merge", ['into' => 999])->assertStatus(422);
        $joined = $this->postJson("/api/v1/customers/{$one->customer_id}/merge", ['into' => $two->customer_id])->assertOk()->json();
        self::assertSame(['new@marrowby.test', '07 00', "by the river\npays late"], [$joined['email'], $joined['phone'], $joined['note']]);
        self::assertSame('Marrowby Lantern Regatta', $one->refresh()->customer);
        self::assertSame([$two->customer_id, $two->customer_id, $two->customer_id], ShopJob::withTrashed()->orderBy('id')->pluck('customer_id')->all());
        $this->getJson("/api/v1/customers/{$one->customer_id}")->assertOk();
        self::assertSame(1, Customer::query()->count());
    }

    #[Test]
    public function a_list_goes_out_and_comes_in(): void
    {
        $this->postJson('/api/v1/customers', ['name' => 'Quay, "Boats" & Co', 'email' => 'quay@marrowby.test', 'note' => "two\nlines"])->assertCreated();
        $this->postJson('/api/v1/customers', ['name' => '=cmd|calc', 'phone' => '+44 7'])->assertCreated();
        $csv = (string) $this->get('/api/v1/customers.csv')->assertOk()->getContent();
        self::assertStringContainsString("'=cmd|calc", $csv, 'no cell is a formula');
        self::assertStringContainsString("'+44 7", $csv);
        Customer::query()->delete();
        $take = fn (string $bytes) => $this->post('/api/v1/customers/import', ['file' => UploadedFile::fake()->createWithContent('c.csv', $bytes)], ['Accept' => 'application/json']);
        $take($csv)->assertOk()->assertJson(['new' => 2, 'known' => 0, 'passed' => 0]);
        self::assertSame($csv, $this->get('/api/v1/customers.csv')->getContent());
        // As another program writes it: another sign between, other columns, known ones among them.
        $take("\xEF\xBB\xBFPhone;Name;Other\r\n01;quay, \"boats\" & co;x\r\n02;Ünal;y\r\n03;;z\r\n04\r\n")->assertOk()->assertJson(['new' => 1, 'known' => 1, 'passed' => 2]);
        self::assertSame(['quay@marrowby.test', '01'], [Customer::query()->where('name', 'like', 'Quay%')->value('email'), Customer::query()->where('name', 'like', 'Quay%')->value('phone')]);
        $before = Customer::query()->count();
        foreach (["first,last\na,b", "name\n\xFF\xFE", ''] as $wrong) {
            $take($wrong)->assertStatus(422);
        }
        self::assertSame($before, Customer::query()->count());
    }

    #[Test]
    public function all_of_one_is_handed_out_and_forgotten(): void
    {
        $job = $this->job('Decal', 'Una Moss');
        $other = $this->job('Tag', 'Tam Vale');
        $this->patchJson("/api/v1/customers/{$job->customer_id}", ['email' => 'una@marrowby.test', 'note' => 'likes green'])->assertOk();
        foreach ([$job, $other] as $each) {
            $approval = Approval::query()->create(['shop_job_id' => $each->id, 'token' => hash('sha256', (string) $each->id), 'state' => 'x', 'picture' => 'x', 'ends_at' => now()->addDay(),
                'sent_to' => "{$each->title}@marrowby.test", 'facts' => ['title' => 'x', 'customer' => $each->customer, 'width_mm' => 1, 'height_mm' => 1, 'ground' => '#ffffff']]);
            $approval->answers()->create(['kind' => 'changes', 'by' => $each->customer, 'words' => 'greener', 'pins' => []]);
            Letter::query()->create(['to' => "{$each->title}@marrowby.test", 'subject' => 's', 'words' => 'w']);
        }
        Letter::query()->create(['to' => 'una@marrowby.test', 'subject' => 'hello', 'words' => 'w']);
        $shown = $this->getJson("/api/v1/customers/{$job->customer_id}")->assertOk()->assertJsonCount(1, 'proofs')->json('proofs.0');
        self::assertSame([$job->id, 'Decal', true, null, 'changes', 'greener', false], [
            $shown['job'], $shown['title'], $shown['live'], $shown['seen'], $shown['answers'][0]['kind'], $shown['answers'][0]['words'], $shown['answers'][0]['settled'],
        ]);
        $told = $this->getJson("/api/v1/customers/{$job->customer_id}/data.json")->assertOk()->json();
        self::assertSame(['Una Moss', 'likes green', 'Decal', 'Una Moss', 'greener', 'hello'], [
            $told['customer']['name'], $told['customer']['note'], $told['jobs'][0]['title'], $told['proofs'][0]['answers'][0]['by'],
            $told['proofs'][0]['answers'][0]['words'], $told['letters'][0]['subject'],
        ]);
        self::assertStringNotContainsString('Tam Vale', (string) json_encode($told));
        $this->deleteJson("/api/v1/customers/{$job->customer_id}")->assertNoContent();
        $all = json_encode([ShopJob::query()->get()->makeHidden('picture'), Approval::query()->with('answers')->get()->makeHidden('picture'), Letter::query()->get(), Customer::query()->get()], JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE);
        foreach (['Una', 'una@', 'Decal@', 'likes green'] as $personal) {
            self::assertStringNotContainsString($personal, $all);
        }
        self::assertStringContainsString('Tam Vale', $all);
        self::assertSame(1, Letter::query()->count());
        $this->getJson('/api/v1/jobs?search=una')->assertJsonPath('found', 0);
        $this->getJson("/api/v1/jobs/{$job->id}")->assertOk()->assertJsonPath('job.customer', '');
    }

    #[Test]
    public function what_is_due_is_told_by_day_and_machine_and_whom_it_waits_for(): void
    {
        $cut = $this->job('Decal', 'Regatta', '2026-12-02', 'cut-vinyl');
        $late = $this->job('Tag', '', '2026-11-20', 'engraving');
        $print = $this->job('Tabard', '', '2026-12-02', 'screen-print');
        $this->job('Some day', '', null);
        $this->job('Far off', '', '2027-03-01');
        $away = $this->job('Put away', '', '2026-12-02');
        $this->postJson("/api/v1/jobs/{$away->id}/archive")->assertNoContent();
        $print->forceFill(['customer_says' => 'seen', 'standing' => Standing::READY])->save();
        $late->forceFill(['standing' => Standing::READY, 'customer_says' => 'approved'])->save();
        $jobs = $this->getJson('/api/v1/today?day=2026-12-01')->assertOk()->json('jobs');
        self::assertSame([$late->id, ...($jobs[1]['machine'] < $jobs[2]['machine'] ? [$jobs[1]['id'], $jobs[2]['id']] : [])], array_column($jobs, 'id'));
        self::assertEqualsCanonicalizing([$late->id, $cut->id, $print->id], array_column($jobs, 'id'));
        self::assertSame(['machine', 'artist', 'customer'], array_map(
            static fn (int $id): string => array_column($jobs, 'waitsFor', 'id')[$id],
            [$late->id, $cut->id, $print->id],
        ));
        $this->getJson('/api/v1/today?day=tomorrow')->assertStatus(422);
    }
}
