<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Letter;
use App\Models\Person;
use App\Models\Preparation;
use App\Models\Presence;
use App\Models\Revision;
use App\Models\Role;
use App\Models\ShopJob;
use App\Models\SignIn;
use App\Models\Work;
use App\People\Company;
use App\People\Doors;
use App\People\SendPasswordLink;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Laravel\Sanctum\PersonalAccessToken;
use PHPUnit\Framework\Attributes\Test;
use Symfony\Component\Mailer\Exception\TransportException;
use Tests\TestCase;

/** Who comes in, how, and what is written down of it. */
final class PeopleTest extends TestCase
{
    use RefreshDatabase;

    private const PASSWORD = 'a lantern on the water';

    protected function setUp(): void
    {
        parent::setUp();
        // The keys of several browsers are kept side by side.
        config(['session.driver' => 'array']);
    }

    private function somebody(string $name, Role $role, ?string $password = self::PASSWORD): Person
    {
        return Person::query()->create(['name' => $name, 'email' => strtolower(explode(' ', $name)[0]).'@marrowby.test', 'role' => $role, 'password' => $password]);
    }

    private function shop(): Person
    {
        $this->somebody('Ola Reed', Role::Artist);

        return $this->somebody('Isa Quill', Role::Owner);
    }

    /** What a browser keeps that is signed in. */
    private function signIn(string $address, string $password = self::PASSWORD): string
    {
        Auth::forgetGuards();
        $this->flushSession();
        $this->postJson('/api/v1/sign-in', ['address' => $address, 'password' => $password])->assertOk();

        return (string) session('signed-in');
    }

    /** Asks as a browser with this key, or with none. */
    private function with(?string $key): self
    {
        Auth::forgetGuards();
        $this->flushSession();

        return $key === null ? $this : $this->withSession(['signed-in' => $key]);
    }

    #[Test]
    public function whoever_signed_in_changes_something_at_once_with_the_token_that_came_along(): void
    {
        $this->shop();
        config(['neat-edge.page_token' => true]);
        $this->getJson('/api/v1/token')->assertOk();
        $before = session()->token();
        $came = $this->postJson('/api/v1/sign-in', ['address' => 'isa@marrowby.test', 'password' => self::PASSWORD], ['X-CSRF-TOKEN' => $before])->assertOk();
        self::assertNotSame('', (string) $came->getCookie('XSRF-TOKEN', false)?->getValue());
        $after = (string) session()->token();
        self::assertSame(40, strlen($after));
        self::assertNotSame($before, $after, 'nobody who knew the one before knows this one');
        $this->postJson('/api/v1/length', ['text' => '10mm'], ['X-CSRF-TOKEN' => $before])->assertStatus(419);
        $this->postJson('/api/v1/length', ['text' => '10mm'], ['X-CSRF-TOKEN' => $after])->assertOk();
    }

    #[Test]
    public function one_artist_on_their_own_machine_is_asked_nothing(): void
    {
        $this->getJson('/api/v1/me')->assertOk()->assertJsonPath('asks', false)->assertJsonPath('person', null)->assertJsonPath('may.people', true);
        $this->getJson('/api/v1/jobs')->assertOk();
        // Known, they are still asked nothing, and what they do is theirs.
        $this->somebody('Isa Quill', Role::Owner);
        $this->getJson('/api/v1/me')->assertJsonPath('asks', false)->assertJsonPath('person.name', 'Isa Quill')->assertJsonPath('may.draw', true);
        $job = $this->postJson('/api/v1/jobs', ['process' => 'plain', 'width' => '100', 'height' => '100'])->assertCreated()->json('id');
        $this->getJson("/api/v1/jobs/{$job}/acts")->assertJsonPath('acts.0.by', 'Isa Quill');
    }

    #[Test]
    public function a_shop_that_others_reach_is_opened_by_nobody_but_its_owner(): void
    {
        self::assertSame(0, Artisan::call('neat-edge:doors'));
        foreach ([['neat-edge.hosts', '127.0.0.1, edge.marrowby.test'], ['neat-edge.listen', '0.0.0.0'], ['neat-edge.listen', '192.168.7.2']] as [$name, $value]) {
            $before = config($name);
            config([$name => $value]);
            self::assertTrue(Doors::isReached());
            self::assertSame(1, Artisan::call('neat-edge:doors'));
            self::assertStringContainsString('neat-edge:owner', Artisan::output());
            $this->getJson('/api/v1/jobs')->assertStatus(503);
            $this->getJson('/api/v1/me')->assertStatus(503);
            config([$name => $before]);
        }
        config(['neat-edge.listen' => '0.0.0.0']);
        // Somebody who chose no password yet opens nothing.
        $this->somebody('Isa Quill', Role::Owner, null);
        self::assertSame(1, Artisan::call('neat-edge:doors'));
        $in = tempnam(sys_get_temp_dir(), 'edge');
        file_put_contents((string) $in, self::PASSWORD."\n");
        self::assertSame(0, Artisan::call('neat-edge:owner', ['name' => 'Isa Quill', 'address' => 'Isa@Marrowby.test', '--password-in' => $in]));
        self::assertSame(0, Artisan::call('neat-edge:doors'));
        self::assertSame(1, Person::query()->count(), 'the same person');
        $this->getJson('/api/v1/jobs')->assertStatus(401);
        $this->signIn('isa@marrowby.test');
        $this->getJson('/api/v1/jobs')->assertOk();
        foreach ([['Isa', 'isa@marrowby.test', 'short'], ['Isa', 'no address', self::PASSWORD], [' ', 'isa@marrowby.test', self::PASSWORD]] as [$name, $to, $word]) {
            file_put_contents((string) $in, $word);
            self::assertSame(1, Artisan::call('neat-edge:owner', ['name' => $name, 'address' => $to, '--password-in' => $in]));
        }
        unlink((string) $in);
    }

    #[Test]
    public function who_signs_in_is_known_until_that_is_ended(): void
    {
        $isa = $this->shop();
        $this->getJson('/api/v1/jobs')->assertStatus(401);
        $first = $this->signIn('ISA@marrowby.test ');
        $second = $this->signIn('isa@marrowby.test');
        self::assertNotSame($first, $second);
        self::assertSame(0, SignIn::query()->whereIn('key', [$first, $second])->count(), 'what the browser keeps is stored nowhere');
        $list = $this->with($second)->getJson('/api/v1/account/sign-ins')->assertOk()->json();
        self::assertSame([true, false], array_column($list, 'here'));
        // Ended from the other browser, the first is out at once; so is a cookie that somebody copied.
        $this->with($second)->deleteJson('/api/v1/account/sign-ins/'.$list[1]['id'])->assertNoContent();
        $this->with($first)->getJson('/api/v1/jobs')->assertStatus(401);
        $this->with($second)->getJson('/api/v1/jobs')->assertOk();
        $this->with($second)->postJson('/api/v1/sign-out')->assertNoContent();
        $this->with($second)->getJson('/api/v1/jobs')->assertStatus(401);
        // Who left is out, however they left.
        $isa->forceFill(['left_at' => now()])->save();
        $late = SignIn::query()->create(['person_id' => $isa->id, 'key' => hash('sha256', 'late'), 'from' => 'x', 'with' => 'x', 'seen_at' => now()]);
        $this->somebody('Una Moss', Role::Owner);
        $this->with('late')->getJson('/api/v1/jobs')->assertStatus(401);
        $late->delete();
        $isa->forceFill(['left_at' => null])->save();
        // What was not used for a month is over, and goes.
        $third = $this->signIn('isa@marrowby.test');
        $this->travel(29)->days();
        $this->with($third)->getJson('/api/v1/jobs')->assertOk();
        $this->travel(29)->days();
        $this->with($third)->getJson('/api/v1/jobs')->assertOk();
        $this->travel(31)->days();
        $this->with($third)->getJson('/api/v1/jobs')->assertStatus(401);
        Artisan::call('neat-edge:prune');
        self::assertSame(0, $isa->signIns()->count());
    }

    #[Test]
    public function a_session_that_somebody_laid_ready_is_not_the_one_that_is_signed_in(): void
    {
        $this->shop();
        $this->withSession(['laid' => 'by another', '_token' => 'known to another'])->postJson(
            '/api/v1/sign-in',
            ['address' => 'isa@marrowby.test', 'password' => self::PASSWORD],
        )->assertOk();
        self::assertNull(session('laid'));
        self::assertNotSame('known to another', session()->token());
    }

    #[Test]
    public function wrong_words_are_told_apart_by_nothing_and_not_tried_for_long(): void
    {
        $this->shop();
        $this->somebody('Tam Vale', Role::Operator, null);
        $gone = $this->somebody('Una Moss', Role::Artist);
        $gone->update(['left_at' => now()]);
        $said = [];
        foreach ([['isa@marrowby.test', 'not her password'], ['nobody@marrowby.test', self::PASSWORD], ['tam@marrowby.test', ''], ['tam@marrowby.test', 'null'],
            ['una@marrowby.test', self::PASSWORD]] as [$address, $password]) {
            $answer = $this->postJson('/api/v1/sign-in', ['address' => $address, 'password' => $password === '' ? ' ' : $password])->assertStatus(422);
            $said[] = $answer->json('message');
        }
        self::assertCount(1, array_unique(array_diff($said, ['Say your password.'])));
        $this->getJson('/api/v1/jobs')->assertStatus(401);
        for ($i = 0; $i < 4; $i++) {
            $this->postJson('/api/v1/sign-in', ['address' => 'isa@marrowby.test', 'password' => "guess {$i}"])->assertStatus(422);
        }
        $this->postJson('/api/v1/sign-in', ['address' => 'Isa@marrowby.test', 'password' => self::PASSWORD])->assertStatus(429);
        // From one place, also under many names.
        for ($i = 0; $i < 15; $i++) {
            $this->postJson('/api/v1/sign-in', ['address' => "guess{$i}@marrowby.test", 'password' => 'x'])->assertStatus(422);
        }
        $this->postJson('/api/v1/sign-in', ['address' => 'ola@marrowby.test', 'password' => self::PASSWORD])->assertStatus(429);
        $this->travel(61)->seconds();
        $this->signIn('ola@marrowby.test');
    }

    #[Test]
    public function it_takes_as_long_to_say_no_to_nobody_as_to_somebody(): void
    {
        $this->shop();
        config(['neat-edge.sign_ins_a_minute' => 1000, 'hashing.bcrypt.rounds' => 10]);
        app('hash')->forgetDrivers();
        Person::query()->where('email', 'isa@marrowby.test')->firstOrFail()->update(['password' => self::PASSWORD]);
        $took = ['isa@marrowby.test' => [], 'nobody@marrowby.test' => []];
        for ($i = 0; $i < 7; $i++) {
            foreach (array_keys($took) as $address) {
                $began = hrtime(true);
                $this->postJson('/api/v1/sign-in', ['address' => $address, 'password' => 'not the word'])->assertStatus(422);
                $took[$address][] = (hrtime(true) - $began) / 1e6;
            }
        }
        [$known, $unknown] = [min($took['isa@marrowby.test']), min($took['nobody@marrowby.test'])];
        self::assertGreaterThan(15.0, min($known, $unknown), 'a password is looked at either way');
        self::assertLessThan(0.5 * max($known, $unknown), abs($known - $unknown));
    }

    #[Test]
    public function a_password_that_was_forgotten_is_chosen_anew_by_mail_and_ends_what_was_signed_in(): void
    {
        $this->shop();
        $isa = $this->signIn('isa@marrowby.test');
        $ola = $this->signIn('ola@marrowby.test');
        foreach (['nobody@marrowby.test', 'ola@marrowby.test'] as $address) {
            $this->with(null)->postJson('http://localhost/api/v1/password/forgot', ['address' => $address])->assertNoContent();
        }
        self::assertSame(['ola@marrowby.test'], Letter::query()->pluck('to')->all(), 'nobody else is written to');
        $words = Letter::query()->firstOrFail()->words;
        self::assertSame(1, preg_match('~^http://localhost/password/([0-9a-f]{64})\?address=ola%40marrowby\.test\s*$~m', $words, $link));
        $token = (string) ($link[1] ?? '');
        // The mail itself is for the owner's eyes, as long as it does not go out.
        $this->with($ola)->getJson('/api/v1/letters')->assertOk()->assertJsonPath('letters', []);
        $this->with($isa)->getJson('/api/v1/letters')->assertJsonCount(1, 'letters');
        $choose = fn (string $token, string $password, string $address = 'ola@marrowby.test') => $this->with(null)->postJson(
            '/api/v1/password/choose',
            ['address' => $address, 'token' => $token, 'password' => $password],
        );
        $choose(str_repeat('0', 64), 'quite another word')->assertStatus(422);
        $choose($token, 'short')->assertStatus(422)->assertJsonPath('message', 'A password has at least 10 letters, and at most 200.');
        $choose($token, 'quite another word', 'isa@marrowby.test')->assertStatus(422);
        $this->travel(61)->minutes();
        $choose($token, 'quite another word')->assertStatus(422);
        $this->travelBack();

        $choose($token, 'quite another word')->assertNoContent();
        $this->with($ola)->getJson('/api/v1/jobs')->assertStatus(401);
        $choose($token, 'quite a third word')->assertStatus(422);
        $this->signIn('ola@marrowby.test', 'quite another word');
        $this->with($isa)->getJson('/api/v1/jobs')->assertOk();
    }

    #[Test]
    public function ones_own_password_is_changed_by_who_knows_it(): void
    {
        $this->shop();
        $here = $this->signIn('ola@marrowby.test');
        $elsewhere = $this->signIn('ola@marrowby.test');
        $this->with($here)->putJson('/api/v1/account/password', ['current' => 'no', 'password' => 'quite another word'])->assertStatus(422);
        $this->with($elsewhere)->getJson('/api/v1/jobs')->assertOk();
        $this->with($here)->putJson('/api/v1/account/password', ['current' => self::PASSWORD, 'password' => 'quite another word'])->assertNoContent();
        $this->with($here)->getJson('/api/v1/jobs')->assertOk();
        $this->with($elsewhere)->getJson('/api/v1/jobs')->assertStatus(401);
        $this->with($here)->patchJson('/api/v1/account', ['name' => ' Ola Reed-Vale '])->assertOk()->assertJsonPath('person.name', 'Ola Reed-Vale')
            ->assertJsonPath('scopes', ['look', 'jobs', 'machines']);
    }

    #[Test]
    public function the_owner_welcomes_people_gives_them_roles_and_sees_them_off(): void
    {
        $isa = $this->shop();
        $key = $this->signIn('isa@marrowby.test');
        $tam = $this->with($key)->postJson('/api/v1/people', ['name' => 'Tam Vale', 'address' => 'Tam@marrowby.test', 'role' => 'operator'])->assertCreated();
        $tam->assertJsonPath('address', 'tam@marrowby.test')->assertJsonPath('ready', false);
        self::assertSame(1, Letter::query()->where('to', 'tam@marrowby.test')->where('secret', true)->count());
        $this->with($key)->postJson('/api/v1/people', ['name' => 'Tam', 'address' => 'TAM@marrowby.test', 'role' => 'artist'])->assertStatus(422);
        $this->with($key)->postJson('/api/v1/people/'.$tam->json('id').'/link')->assertStatus(422);
        $this->travel(2)->minutes();
        $this->with($key)->postJson('/api/v1/people/'.$tam->json('id').'/link')->assertNoContent();
        $ola = Person::query()->where('email', 'ola@marrowby.test')->firstOrFail();
        $olas = $this->signIn('ola@marrowby.test');
        $token = $this->with($olas)->postJson('/api/v1/account/tokens', ['name' => 'the night batch', 'scope' => 'jobs', 'days' => null])->json('token');
        $this->with($key)->patchJson("/api/v1/people/{$ola->id}", ['role' => 'operator'])->assertOk()->assertJsonPath('role', 'operator');
        $this->with($olas)->postJson('/api/v1/jobs', ['process' => 'plain', 'width' => '9', 'height' => '9'])->assertForbidden();
        $this->with(null)->withToken($token)->postJson('/api/v1/jobs', ['process' => 'plain', 'width' => '9', 'height' => '9'])->assertForbidden();
        $this->flushHeaders();
        // The shop is never left without an owner; somebody without a password is none yet.
        foreach ([['role' => 'artist'], ['left' => true]] as $change) {
            $this->with($key)->patchJson("/api/v1/people/{$isa->id}", $change)->assertStatus(422);
        }
        $this->with($key)->patchJson('/api/v1/people/'.$tam->json('id'), ['role' => 'owner'])->assertOk();
        $this->with($key)->patchJson("/api/v1/people/{$isa->id}", ['role' => 'artist'])->assertStatus(422);
        $this->with($key)->patchJson("/api/v1/people/{$ola->id}", ['left' => true])->assertOk()->assertJsonPath('left', true);
        $this->with($olas)->getJson('/api/v1/jobs')->assertStatus(401);
        self::assertSame(0, PersonalAccessToken::query()->count());
        self::assertSame(0, $ola->signIns()->count());
        $letters = Letter::query()->count();
        $this->travel(2)->minutes();
        $this->with(null)->postJson('/api/v1/password/forgot', ['address' => 'ola@marrowby.test'])->assertNoContent();
        self::assertSame($letters, Letter::query()->count(), 'who left is sent no way in');
        $this->with(null)->postJson('/api/v1/sign-in', ['address' => 'ola@marrowby.test', 'password' => self::PASSWORD])->assertStatus(422);
        $this->with($key)->patchJson("/api/v1/people/{$ola->id}", ['left' => false])->assertOk();
        $this->signIn('ola@marrowby.test');
        $this->with($key)->deleteJson("/api/v1/people/{$ola->id}/sign-ins")->assertNoContent();
        self::assertSame(0, $ola->signIns()->count());
    }

    #[Test]
    public function a_token_leads_a_program_in_for_as_long_as_it_is_not_taken_back(): void
    {
        $this->shop();
        $key = $this->signIn('ola@marrowby.test');
        $given = $this->with($key)->postJson('/api/v1/account/tokens', ['name' => 'the till', 'scope' => 'look', 'days' => 7])->assertCreated();
        $token = (string) $given->json('token');
        self::assertStringContainsString('edge_', $token);
        self::assertStringNotContainsString(explode('|', $token)[1], PersonalAccessToken::query()->get()->toJson());
        $asks = fn (string $with) => $this->with(null)->withToken($with)->getJson('/api/v1/jobs')->getStatusCode();
        self::assertSame(200, $asks($token));
        $this->with($key)->withToken('9|wrong')->getJson('/api/v1/jobs')->assertStatus(401);
        $this->flushHeaders();
        // Beside a browser that is signed in nothing counts but the token, and no page's token is needed with it.
        config(['neat-edge.page_token' => true]);
        $this->with($key)->withToken($token)->deleteJson('/api/v1/jobs/1')->assertStatus(404);
        $job = ShopJob::query()->whereKey($this->flushHeaders()->with($key)->withoutMiddleware(\App\Http\Middleware\PageToken::class)
            ->postJson('/api/v1/jobs', ['process' => 'plain', 'width' => '9', 'height' => '9'])->json('id'))->firstOrFail();
        $this->with($key)->withToken($token)->deleteJson("/api/v1/jobs/{$job->id}")->assertForbidden();
        Person::query()->where('name', 'Ola Reed')->firstOrFail()->forceFill(['left_at' => now()])->save();
        self::assertSame(401, $asks($token), 'whose giver has left');
        Person::query()->where('name', 'Ola Reed')->firstOrFail()->forceFill(['left_at' => null])->save();
        self::assertSame([401, 401, 401], [$asks($token.'x'), $asks('1|'), $asks(str_repeat('9', 5000))]);
        $this->travel(8)->days();
        self::assertSame(401, $asks($token));
        $this->travelBack();
        self::assertSame(200, $asks($token));
        $this->flushHeaders();
        $isa = $this->signIn('isa@marrowby.test');
        $id = $this->with($key)->getJson('/api/v1/account/tokens')->json('0.id');
        $this->with($isa)->deleteJson("/api/v1/account/tokens/{$id}")->assertNotFound();
        $this->with($key)->deleteJson("/api/v1/account/tokens/{$id}")->assertNoContent();
        self::assertSame(401, $asks($token));
        // An operator gives no more away than they have.
        $this->flushHeaders();
        $this->somebody('Tam Vale', Role::Operator);
        $tam = $this->signIn('tam@marrowby.test');
        $this->with($tam)->postJson('/api/v1/account/tokens', ['name' => 'x', 'scope' => 'jobs'])->assertStatus(422);
    }

    #[Test]
    public function what_was_done_says_who_did_it(): void
    {
        $this->shop();
        $ola = $this->signIn('ola@marrowby.test');
        $job = $this->with($ola)->postJson('/api/v1/jobs', ['process' => 'plain', 'width' => '100', 'height' => '100'])->json('id');
        $isa = $this->signIn('isa@marrowby.test');
        $this->with($isa)->patchJson("/api/v1/jobs/{$job}", ['version' => 1, 'width' => '120'])->assertOk();
        $this->with($isa)->postJson("/api/v1/jobs/{$job}/versions", ['name' => 'for the printer'])->assertOk()->assertJsonPath('versions.0.by', 'Isa Quill');
        $acts = $this->with($ola)->getJson("/api/v1/jobs/{$job}/acts")->json('acts');
        self::assertSame(['Isa Quill', 'Ola Reed'], array_column($acts, 'by'));
        self::assertSame(['Isa Quill', 'Ola Reed'], array_column($this->with($ola)->getJson("/api/v1/jobs/{$job}/versions")->json('steps'), 'by'));
        // Who left stays in it.
        Person::query()->where('name', 'Isa Quill')->firstOrFail()->update(['left_at' => now()]);
        self::assertSame('Isa Quill', Revision::query()->latest('id')->firstOrFail()->person?->name);
    }

    #[Test]
    public function who_else_is_on_a_bench_is_seen_there_with_what_they_hold(): void
    {
        $this->shop();
        $ola = $this->signIn('ola@marrowby.test');
        $isa = $this->signIn('isa@marrowby.test');
        $job = $this->with($ola)->postJson('/api/v1/jobs', ['process' => 'plain', 'width' => '100', 'height' => '100'])->json('id');
        $here = fn (string $who, string $page, array $held) => $this->with($who)->putJson("/api/v1/jobs/{$job}/here", ['held' => $held], ['X-Page' => $page]);
        $here($ola, 'a', ['p1', 'p2'])->assertOk()->assertJsonPath('others', [])->assertJsonPath('version', 1);
        $here($ola, 'b', ['p3'])->assertJsonPath('others', []);
        $here($isa, 'c', [])->assertJsonPath('others', [['name' => 'Ola Reed', 'held' => ['p1', 'p2', 'p3']]]);
        $here($ola, 'b', [])->assertJsonPath('others', [['name' => 'Isa Quill', 'held' => []]]);
        $this->with($ola)->deleteJson("/api/v1/jobs/{$job}/here", [], ['X-Page' => 'a'])->assertNoContent();
        $here($isa, 'c', [])->assertJsonPath('others', [['name' => 'Ola Reed', 'held' => []]]);
        // One's page is ended by nobody else, and one that says nothing is there no more.
        $this->with($isa)->deleteJson("/api/v1/jobs/{$job}/here", [], ['X-Page' => 'b'])->assertNoContent();
        $here($isa, 'c', [])->assertJsonCount(1, 'others');
        Presence::query()->where('page', 'like', '% b')->update(['seen_at' => microtime(true) - Company::GONE - 1]);
        $here($isa, 'c', [])->assertJsonPath('others', []);
        Presence::query()->update(['seen_at' => microtime(true) - 100]);
        Artisan::call('neat-edge:prune');
        self::assertSame(0, Presence::query()->count());
    }

    #[Test]
    public function the_owner_is_told_of_a_way_in_that_no_server_of_mail_took(): void
    {
        $this->shop();
        $isa = $this->signIn('isa@marrowby.test');
        config(['mail.default' => 'smtp', 'mail.mailers.smtp' => ['transport' => 'smtp', 'host' => '127.0.0.1', 'port' => 1, 'timeout' => 1]]);
        // As a worker would have it, after its last try.
        try {
            SendPasswordLink::dispatch('ola@marrowby.test', 'en', 'http://shop.test');
            self::fail('No server takes it.');
        } catch (TransportException) {
        }
        $told = $this->with($isa)->getJson('/api/v1/letters')->assertOk()->assertJsonCount(1, 'letters')->json('letters.0');
        self::assertSame(['ola@marrowby.test', 'Your password at Neat Edge', ''], [$told['to'], $told['subject'], $told['words']]);
        self::assertStringContainsString('127.0.0.1:1', $told['unsent']);
        // Somebody who is nobody here is told of nowhere.
        SendPasswordLink::dispatch('nobody@marrowby.test', 'en', 'http://shop.test');
        $this->with($isa)->getJson('/api/v1/letters')->assertJsonCount(1, 'letters');
    }

    #[Test]
    public function one_person_takes_no_more_than_their_share_of_the_workers(): void
    {
        $this->shop();
        config(['neat-edge.works_a_person' => 2, 'queue.default' => 'null', 'queue.connections.null' => ['driver' => 'null']]);
        $ola = $this->signIn('ola@marrowby.test');
        $jobs = [];
        foreach (['a', 'b', 'c'] as $title) {
            $jobs[] = (int) $this->with($ola)->postJson('/api/v1/jobs', ['title' => $title, 'process' => 'plain', 'width' => '50', 'height' => '50'])->json('id');
        }
        $begun = static fn (int $job): string => "/api/v1/jobs/{$job}/preparations";
        $this->with($ola)->postJson($begun($jobs[0]))->assertSuccessful();
        $this->with($ola)->postJson($begun($jobs[1]))->assertSuccessful();
        $this->with($ola)->postJson($begun($jobs[2]))->assertStatus(422)
            ->assertJsonPath('message', 'You have 2 pieces of long work waiting or under way; let some of them end, or stop them.');
        self::assertSame(2, Work::query()->count(), 'nothing half begun');
        self::assertSame(2, Preparation::query()->count());
        // Of another it is theirs.
        $isa = $this->signIn('isa@marrowby.test');
        $this->with($isa)->postJson($begun($jobs[2]))->assertSuccessful();
        // What has ended counts no more.
        Work::query()->where('shop_job_id', $jobs[0])->update(['state' => 'done']);
        $this->with($ola)->postJson($begun($jobs[0]))->assertSuccessful();
    }

    #[Test]
    public function one_person_brings_no_more_in_a_day_than_one_may(): void
    {
        $this->shop();
        config(['neat-edge.bytes_a_day' => 100_000]);
        $ola = $this->signIn('ola@marrowby.test');
        $bring = function (string $as, int $bytes): TestResponse {
            $file = UploadedFile::fake()->createWithContent('a.svg', str_pad("<svg xmlns='http://www.w3.org/2000/svg' width='40mm' height='30mm'><rect width='9' height='9'/></svg>", $bytes));

            return $this->with($as)->postJson('/api/v1/jobs', ['process' => 'plain', 'file' => $file]);
        };
        $bring($ola, 60_000)->assertCreated();
        $job = (int) $bring($ola, 25_000)->assertCreated()->json('id');
        $bring($ola, 30_000)->assertStatus(422)
            ->assertJsonPath('message', 'You have brought 0 MB in a day, and one person may bring 0; go on tomorrow, or ask the owner of the shop.');
        self::assertSame(2, ShopJob::query()->count(), 'nothing of it was taken');
        // What was refused is not counted, what is brought at the bench is, and small acts go on.
        $this->with($ola)->postJson("/api/v1/jobs/{$job}/versions", ['name' => str_repeat('x', 20_000)])->assertStatus(422)->assertJsonMissingPath('fields');
        $this->with($ola)->postJson("/api/v1/jobs/{$job}/versions", ['name' => str_repeat('x', 9_900)])->assertStatus(422)->assertJsonStructure(['fields' => ['name']]);
        $this->with($ola)->postJson("/api/v1/jobs/{$job}/versions", ['name' => 'Mine'])->assertOk();
        $bring($ola, 10_000)->assertCreated();
        // Of another it is theirs, and a day later it begins anew.
        $isa = $this->signIn('isa@marrowby.test');
        $bring($isa, 60_000)->assertCreated();
        $this->travel(25)->hours();
        $bring($this->signIn('ola@marrowby.test'), 60_000)->assertCreated();
    }

    #[Test]
    public function nobody_does_anything_in_the_name_of_another_by_saying_so(): void
    {
        $owner = $this->shop();
        $ola = $this->signIn('ola@marrowby.test');
        $isa = $this->signIn('isa@marrowby.test');
        $as = ['person_id' => $owner->id, 'person' => $owner->id, 'by' => $owner->name, 'user_id' => $owner->id];
        $file = UploadedFile::fake()->createWithContent('a.svg', "<svg xmlns='http://www.w3.org/2000/svg' width='40mm' height='30mm'><rect width='9' height='9'/></svg>");
        $job = (int) $this->with($ola)->postJson('/api/v1/jobs', ['process' => 'plain', 'file' => $file, ...$as])->assertCreated()->json('id');
        $this->with($ola)->postJson("/api/v1/jobs/{$job}/versions", ['name' => 'Mine', ...$as])->assertOk();
        $this->with($ola)->postJson("/api/v1/jobs/{$job}/preparations", $as)->assertSuccessful();
        foreach (['revisions', 'versions', 'preparations', 'works'] as $table) {
            self::assertSame(['Ola Reed'], DB::table($table)->join('people', 'people.id', '=', "{$table}.person_id")->distinct()->pluck('people.name')->all(), $table);
        }
        // Nor is somebody's place taken by a page that calls itself as theirs does.
        $this->with($isa)->putJson("/api/v1/jobs/{$job}/here", ['held' => ['p1']], ['X-Page' => 'theirs'])->assertOk();
        $this->with($ola)->putJson("/api/v1/jobs/{$job}/here", ['held' => []], ['X-Page' => 'theirs'])->assertOk()
            ->assertJsonPath('others', [['name' => 'Isa Quill', 'held' => ['p1']]]);
        $this->with($ola)->deleteJson("/api/v1/jobs/{$job}/here", ['held' => []], ['X-Page' => 'theirs'])->assertNoContent();
        $this->with($ola)->putJson("/api/v1/jobs/{$job}/here", ['held' => []], ['X-Page' => 'mine'])->assertJsonPath('others.0.name', 'Isa Quill');
    }
}
