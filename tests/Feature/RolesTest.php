<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\Description\Document;
use App\Models\Approval;
use App\Models\Batch;
use App\Models\Customer;
use App\Models\JobTemplate;
use App\Models\Person;
use App\Models\Preparation;
use App\Models\Role;
use App\Models\Sending;
use App\Models\ShopFont;
use App\Models\ShopJob;
use App\Models\StockItem;
use App\Models\Version;
use App\Models\Work;
use App\People\SigningIn;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use NeatEdge\Core\Shop\Stock;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** Every address of the interface, walked as every role, by a program of every scope and as nobody. */
final class RolesTest extends TestCase
{
    use RefreshDatabase;

    /** The way in, what a customer has a link to, and how the interface is described. */
    private const OPEN = [
        'token', 'openapi', 'me', 'sign-in', 'sign-out', 'password.forgot', 'password.choose', 'shown.show', 'shown.picture', 'shown.answer',
    ];

    private const OWNERS = [
        'people.index', 'people.store', 'people.update', 'people.link', 'people.sign-out', 'settings.update', 'stock.store', 'stock.update', 'stock.destroy',
        'backups.index', 'customers.data', 'customers.destroy',
    ];

    /** What somebody does in person. */
    private const OWN = ['account.update', 'account.password', 'account.sign-ins', 'account.end', 'account.tokens', 'account.give', 'account.take-back'];

    /** What an operator does besides looking; machines of the stock and kinds of work are tried below. */
    private const OPERATORS = ['making.update', 'making.files', 'copies.move', 'sendings.store', 'jobs.previews.store', 'jobs.pieces.show', 'jobs.pieces.take', 'jobs.snaps.some',
        'length', 'here', 'gone', 'works.store', 'works.stop', 'works.pause', 'works.go'];

    /** @var array<string, int|string> what stands in addresses, by name */
    private array $things = [];

    private Person $owner;

    protected function setUp(): void
    {
        parent::setUp();
        config(['neat-edge.sign_ins_a_minute' => 100_000]);
        $job = ShopJob::query()->whereKey($this->postJson('/api/v1/jobs', ['process' => 'plain', 'width' => '100', 'height' => '100'])->json('id'))->firstOrFail();
        $work = Work::query()->create(['kind' => 'lay-out', 'title' => 'x', 'about' => [], 'state' => 'done', 'shop_job_id' => $job->id]);
        $approval = Approval::query()->create(['shop_job_id' => $job->id, 'token' => str_repeat('a', 64), 'state' => 'x', 'picture' => 'x', 'ends_at' => now(),
            'facts' => ['title' => 'x', 'width_mm' => 1, 'height_mm' => 1, 'ground' => '#ffffff']]);
        $this->owner = Person::query()->create(['name' => 'Isa Quill', 'email' => 'isa@marrowby.test', 'role' => Role::Owner, 'password' => 'lantern light']);
        $someone = Person::query()->create(['name' => 'Someone', 'email' => 'someone@marrowby.test', 'role' => Role::Artist, 'password' => 'river evening']);
        SigningIn::begin($someone, '127.0.0.1', 'a browser');
        $this->things = [
            'job' => $job->id, 'work' => $work->id, 'approval' => $approval->id, 'person' => $someone->id,
            'signIn' => $someone->signIns()->firstOrFail()->id,
            'answer' => $approval->answers()->create(['kind' => 'approved', 'by' => 'x', 'words' => '', 'pins' => []])->id,
            'version' => Version::keep(ShopJob::snapshot($job->id), 'one')->id,
            'preparation' => Preparation::query()->create(['shop_job_id' => $job->id, 'version' => 1, 'steps' => []])->id,
            'template' => JobTemplate::of(ShopJob::snapshot($job->id), 'one')->id,
            'customer' => Customer::query()->create(['name' => 'The regatta', 'note' => ''])->id,
            'batch' => Batch::query()->create(['title' => 'x', 'process' => 'plain', 'preset' => 'x', 'files' => 0])->id,
            'font' => ShopFont::query()->create(['family' => 'x', 'bold' => false, 'italic' => false, 'file_name' => 'x', 'path' => 'x'])->id,
            'item' => StockItem::query()->create(['kind' => 'film', 'name' => 'x', 'data' => []])->id,
            'sending' => Sending::query()->create(['shop_job_id' => $job->id, 'version' => 1, 'machine' => 'x', 'kind' => 'cutter', 'address' => 'x', 'file' => 'x',
                'title' => 'x', 'number' => 0, 'log' => []] + ['length_mm' => 0])->id,
            'token' => $this->owner->createToken('x', ['look'])->accessToken->getKey(),
            'page' => 'start', 'picture' => 'x', 'file' => str_repeat('0', 32), 'format' => 'svg', 'secret' => 'x', 'thing' => 'mug', 'step' => 'x', 'name' => 'x',
        ];
        Auth::forgetGuards();
    }

    /**
     * @param  array<string, string>  $headers
     * @return array<string, int> status by name of the route, each tried as if it were the only one
     */
    private function walk(array $headers = []): array
    {
        $came = [];
        foreach (Document::routes() as $route) {
            $address = '/'.(string) preg_replace_callback('/\{(\w+)\??\}/', fn (array $found): string => (string) ($this->things[$found[1]] ?? 0), $route->uri());
            DB::beginTransaction();
            $came[Document::name($route)] = $this->json($route->methods()[0], $address, [], $headers)->getStatusCode();
            DB::rollBack();
        }
        self::assertGreaterThan(120, count($came));

        return $came;
    }

    /**
     * @param  array<string, int>  $came
     * @param  list<string>  $refused
     */
    private static function holds(array $came, array $refused, int $status): void
    {
        $are = array_keys(array_filter($came, static fn (int $each): bool => $each === $status));
        sort($are);
        sort($refused);
        self::assertSame($refused, $are);
    }

    /** @return list<string> names of routes that change something, or tell it to others */
    private static function changing(): array
    {
        return array_values(array_map(
            static fn (Route $route): string => Document::name($route),
            array_filter(Document::routes(), static fn (Route $route): bool => $route->methods()[0] !== 'GET'),
        ));
    }

    #[Test]
    public function nobody_comes_past_the_door(): void
    {
        $came = $this->walk();
        self::holds($came, array_values(array_diff(array_keys($came), self::OPEN)), 401);
        // Not even whether there is such a job is told.
        $this->getJson('/api/v1/jobs/999999')->assertStatus(401)->assertJsonPath('message', 'Sign in first.');
    }

    #[Test]
    public function an_owner_may_do_everything_but_end_the_sign_ins_of_others_as_their_own(): void
    {
        $this->actingAs($this->owner);
        self::holds($this->walk(), ['account.end'], 403);
    }

    #[Test]
    public function an_artist_has_the_jobs_and_not_the_shop(): void
    {
        $this->actingAs(Person::query()->findOrFail($this->things['person']));
        self::holds($this->walk(), self::OWNERS, 403);
    }

    #[Test]
    public function an_operator_looks_lays_out_and_sends(): void
    {
        $operator = Person::query()->create(['name' => 'Tam', 'email' => 'tam@marrowby.test', 'role' => Role::Operator, 'password' => 'river evening']);
        $this->actingAs($operator);
        $may = [...self::OPEN, ...self::OPERATORS, ...self::OWN];
        self::holds($this->walk(), ['account.end', ...array_values(array_diff([...self::changing(), 'people.index', 'backups.index', 'customers.data'], $may))], 403);
        // What cuts is theirs, what is cut the owner's.
        $fine = ['offset' => 0.25, 'overcut' => 0.3, 'deepest' => 0.12, 'leastLine' => 0.5, 'leastGap' => 0.3];
        $this->postJson('/api/v1/stock', ['kind' => 'blade', 'name' => 'Their knife', 'values' => $fine])->assertCreated();
        $kinds = $this->getJson('/api/v1/stock')->assertOk()->json('kinds');
        self::assertSame([true, true, true, false], [$kinds['machine']['changes'], $kinds['blade']['changes'], $kinds['head']['changes'], $kinds['material']['changes']]);
        $this->postJson('/api/v1/stock', ['kind' => array_key_first(Stock::kinds()), 'name' => 'Their film', 'values' => []])->assertForbidden();
        $this->postJson("/api/v1/jobs/{$this->things['job']}/works", ['kind' => 'trace'])->assertForbidden();
        self::assertNotSame(403, $this->postJson("/api/v1/jobs/{$this->things['job']}/works", ['kind' => 'lay-out'])->getStatusCode());
        $prepares = Work::query()->create(['kind' => 'prepare', 'title' => 'x', 'about' => [], 'state' => 'running', 'shop_job_id' => $this->things['job']]);
        $this->postJson("/api/v1/works/{$prepares->id}/stop")->assertForbidden()
            ->assertJsonPath('message', 'That is not yours to do here; ask the owner of the shop.');
        self::assertSame('', $prepares->refresh()->asked);
    }

    #[Test]
    public function a_program_may_no_more_than_its_scope_and_nothing_in_person(): void
    {
        $may = static fn (string $scope): array => ['Authorization' => 'Bearer '.Person::query()->where('email', 'isa@marrowby.test')->firstOrFail()
            ->createToken('x', [$scope])->plainTextToken];
        Auth::forgetGuards();
        $looks = ['token', 'me', 'sign-in', 'sign-out', 'password.forgot', 'password.choose', 'shown.answer', 'here', 'gone', 'jobs.previews.store', 'jobs.pieces.show',
            'jobs.pieces.take', 'jobs.snaps.some', 'length'];
        self::holds($this->walk($may('look')), array_values(array_unique([
            ...array_diff(self::changing(), $looks, ['works.store', 'stock.store']), 'works.stop', 'works.pause', 'works.go', 'stock.store', 'people.index', 'backups.index', 'customers.data',
            'account.sign-ins', 'account.tokens',
        ])), 403);
        Auth::forgetGuards();
        self::holds($this->walk($may('jobs')), [...self::OWNERS, ...self::OWN], 403);
        Auth::forgetGuards();
        $operator = $this->walk($may('machines'));
        self::assertSame([403, 403, 403], [$operator['jobs.edits.store'], $operator['people.index'], $operator['account.give']]);
        self::assertNotContains(403, [$operator['making.update'], $operator['sendings.store']]);
    }
}
