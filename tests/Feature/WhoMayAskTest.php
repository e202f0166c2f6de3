<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Person;
use App\Models\Role;
use App\Models\ShopJob;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use Tests\TestCase;

/** Only the shop's own page changes anything, under names that the shop gave the application. */
final class WhoMayAskTest extends TestCase
{
    use RefreshDatabase;

    private int $job;

    protected function setUp(): void
    {
        parent::setUp();
        $this->job = $this->postJson('/api/v1/jobs', ['process' => 'plain', 'width' => '100', 'height' => '100'])->json('id');
    }

    #[Test]
    public function no_other_page_is_told_that_it_may_read(): void
    {
        foreach ([['GET', '/api/v1/jobs'], ['OPTIONS', '/api/v1/jobs'], ['GET', "/api/v1/jobs/{$this->job}"]] as [$method, $path]) {
            $answer = $this->call(
                $method,
                $path,
                server: ['HTTP_ORIGIN' => 'https://elsewhere.test', 'HTTP_ACCESS_CONTROL_REQUEST_METHOD' => 'DELETE', 'HTTP_ACCEPT' => 'application/json'],
            );
            self::assertSame(
                [],
                array_filter(array_keys($answer->headers->all()), static fn (string $name): bool => str_starts_with($name, 'access-control')),
                "{$method} {$path}",
            );
        }
    }

    /** @param  array<string, string>  $headers */
    #[Test]
    #[TestWith([['Origin' => 'https://elsewhere.test']])]
    #[TestWith([['Origin' => 'null']])]
    #[TestWith([['Origin' => 'http://localhost:3000']])]
    #[TestWith([['Sec-Fetch-Site' => 'cross-site']])]
    #[TestWith([['Sec-Fetch-Site' => 'same-site']])]
    public function another_page_changes_nothing(array $headers): void
    {
        $before = ShopJob::query()->count();
        $this->deleteJson("/api/v1/jobs/{$this->job}", [], $headers)->assertForbidden()->assertJsonPath(
            'message',
            'Only the page of Neat Edge itself may change jobs.',
        );
        $this->post(
            '/api/v1/jobs',
            [
                'process' => 'plain',
                'file' => UploadedFile::fake()->createWithContent(
                    'a.svg',
                    '<svg xmlns="http://www.w3.org/2000/svg" width="9mm" height="9mm"><rect width="5" height="5"/></svg>',
                ),
            ],
            ['Accept' => 'application/json', ...$headers],
        )->assertForbidden();
        $this->postJson('/api/v1/fonts', [], $headers)->assertForbidden();
        self::assertSame($before, ShopJob::query()->count());
        // Reading by a link is no change.
        $this->getJson("/api/v1/jobs/{$this->job}", ['Sec-Fetch-Site' => 'cross-site'])->assertOk();
    }

    #[Test]
    public function our_own_page_changes_what_it_will(): void
    {
        $this->deleteJson(
            "/api/v1/jobs/{$this->job}",
            [],
            ['Origin' => rtrim((string) config('app.url'), '/'), 'Sec-Fetch-Site' => 'same-origin'],
        )->assertNoContent();
    }

    #[Test]
    #[TestWith(['elsewhere.test'])]
    #[TestWith(['127.0.0.1.elsewhere.test'])]
    #[TestWith(['neat-edge.test'])]
    public function a_name_that_is_not_ours_is_not_answered(string $host): void
    {
        $answer = $this->call('GET', "http://{$host}/api/v1/jobs", server: ['HTTP_ACCEPT' => 'application/json']);
        self::assertSame(421, $answer->getStatusCode());
        self::assertStringNotContainsString('"id"', (string) $answer->getContent());
        config(['neat-edge.hosts' => 'localhost, edge.shop.test']);
        Person::query()->create(['name' => 'Isa Quill', 'email' => 'isa@marrowby.test', 'role' => Role::Owner, 'password' => 'a lantern on the water']);
        self::assertSame(200, $this->call('GET', 'http://edge.shop.test:8080/api/v1/me', server: ['HTTP_ACCEPT' => 'application/json'])->getStatusCode());
    }

    #[Test]
    public function a_change_carries_the_token_that_the_page_was_given(): void
    {
        config(['neat-edge.page_token' => true]);
        $this->deleteJson("/api/v1/jobs/{$this->job}")->assertStatus(419)->assertJsonPath('message', 'The page lay open for too long; load it again.');
        self::assertNotNull(ShopJob::query()->find($this->job));
        // Some other page's token does not help.
        $this->deleteJson("/api/v1/jobs/{$this->job}", [], ['X-CSRF-TOKEN' => str_repeat('x', 40)])->assertStatus(419);
        $page = $this->get('/')->assertOk();
        $cookies = collect($page->headers->getCookies())->keyBy(static fn ($cookie): string => $cookie->getName());
        self::assertSame('strict', $cookies['XSRF-TOKEN']?->getSameSite());
        self::assertTrue($cookies['neat-edge-page']?->isHttpOnly());
        $this->withSession(['_token' => str_repeat('k', 40)]);
        $this->deleteJson("/api/v1/jobs/{$this->job}", [], ['X-CSRF-TOKEN' => str_repeat('k', 40)])->assertNoContent();
    }

    #[Test]
    public function the_page_and_every_answer_say_that_nothing_foreign_may_run(): void
    {
        foreach (['/', "/jobs/{$this->job}/draw", '/api/v1/jobs', '/api/v1/nowhere'] as $path) {
            $headers = $this->get($path)->headers;
            self::assertStringContainsString("default-src 'self'", (string) $headers->get('Content-Security-Policy'), $path);
            self::assertStringContainsString("object-src 'none'", (string) $headers->get('Content-Security-Policy'), $path);
            self::assertSame('nosniff', $headers->get('X-Content-Type-Options'), $path);
        }
    }

    #[Test]
    public function wrong_words_are_answered_in_our_own(): void
    {
        foreach ([
            ["/api/v1/jobs/{$this->job}/edits", ['version' => 1, 'edit' => ['kind' => ['x']]]],
            ["/api/v1/jobs/{$this->job}/edits", ['version' => 1, 'edit' => 'x']],
            ["/api/v1/jobs/{$this->job}/edits", ['version' => true, 'edit' => ['kind' => 'remove', 'pieces' => ['x']]]],
            ["/api/v1/jobs/{$this->job}/edits", ['edit' => ['kind' => 'remove', 'pieces' => ['x']]]],
            ["/api/v1/jobs/{$this->job}/edits", ['version' => 1, 'edit' => ['kind' => 'order', 'pieces' => ['x'], 'to' => 'nowhere']]],
            ["/api/v1/jobs/{$this->job}/edits", ['version' => 1, 'edit' => ['kind' => 'repeat', 'pieces' => ['x'], 'as' => 'spiral']]],
            ["/api/v1/jobs/{$this->job}/undo", ['version' => [1]]],
            ["/api/v1/jobs/{$this->job}/pieces", ['pieces' => 'x']],
            ["/api/v1/jobs/{$this->job}/pieces", []],
            ["/api/v1/jobs/{$this->job}/versions", ['name' => ['x']]],
            ["/api/v1/jobs/{$this->job}/edits", ['version' => 1, 'edit' => ['kind' => 'line-insert', 'what' => ['x']]]],
            [
                "/api/v1/jobs/{$this->job}/edits",
                ['version' => 1, 'edit' => ['kind' => 'line-set', 'step' => 'solid-colours', 'values' => ['ground' => 'white']]],
            ],
            ["/api/v1/jobs/{$this->job}/edits", ['version' => 1, 'edit' => ['kind' => 'mend', 'step' => 'knit']]],
            ["/api/v1/jobs/{$this->job}/presets", ['name' => ['x']]],
            ["/api/v1/jobs/{$this->job}/preset", ['version' => 1, 'preset' => ['x']]],
            ["/api/v1/jobs/{$this->job}/previews", ['lane' => 'step', 'version' => 1, 'what' => 'step', 'step' => 'x']],
            ['/api/v1/batches', ['preset' => ['x'], 'files' => 'x']],
            ['/api/v1/length', ['text' => ['x']]],
            ['/api/v1/length', ['text' => '5', 'unit' => 'furlong']],
            ['/api/v1/jobs', ['process' => ['x'], 'width' => ['x'], 'height' => ['x'], 'title' => ['x'], 'of' => 'moon']],
        ] as [$path, $body]) {
            $message = $this->postJson($path, $body)->assertStatus(422)->json('message');
            self::assertMatchesRegularExpression('/^[A-Z"][^\n]+\.$/u', $message, json_encode($body, JSON_THROW_ON_ERROR));
            self::assertDoesNotMatchRegularExpression('/field|must be a string|validation|edit\.kind|"(kind|to|as)"|required/', $message);
        }
        $this->patchJson(
            "/api/v1/jobs/{$this->job}",
            ['version' => 'one'],
        )->assertStatus(422)->assertJsonPath('message', 'The page did not say which state of the job it knows; load it again.');
    }

    #[Test]
    public function what_was_copied_elsewhere_is_looked_at_before_it_is_laid(): void
    {
        $piece = ['id' => 'x', 'rule' => 'nonzero', 'contours' => [[true, [0, 0, 0, 0, 9, 0, 9, 0, 9, 0, 9, 9, 9, 9]]], 'fill' => ['#ff0000', 1]];
        $paste = fn (mixed $art): string => (string) $this->postJson(
            "/api/v1/jobs/{$this->job}/edits",
            [
                'version' => ShopJob::query()->findOrFail($this->job)->version,
                'edit' => ['kind' => 'paste', 'art' => is_string($art) ? $art : json_encode($art)],
            ],
        )->json('message');
        self::assertSame('', $paste(['pieces' => [$piece]]));
        foreach ([
            'not json' => 'What was copied cannot be read; copy it again.',
            '{"pieces":{"a":1}}' => 'What was copied are no pieces, or more than 20000; copy them again.',
        ] as $art => $words) {
            self::assertSame($words, $paste($art));
        }
        foreach ([
            ['id' => 5],
            ['id' => 'x'],
            'x',
            null,
            [...$piece, 'contours' => 'x'],
            [...$piece, 'stroke' => []],
            [...$piece, 'recipe' => ['base' => ['is' => 'text']]],
            [...$piece, 'clip' => 7],
            [...$piece, 'fill' => 'red'],
        ] as $wrong) {
            self::assertMatchesRegularExpression('/^(What was sent is no piece|That cannot be kept)/', $paste(['pieces' => [$wrong]]));
        }
        self::assertStringContainsString('farther off', $paste(['pieces' => [[...$piece, 'contours' => [[true, [0, 0, 0, 0, 1e300, 0, 9, 9]]]]]]));
        self::assertStringContainsString(
            'outside the drawing',
            $paste(['pieces' => [[...$piece, 'fill' => ['#ff0000', 1, ['picture' => ['https://elsewhere.test/a.png', 9, 9, [1, 0, 0, 1, 0, 0], 'none']]]]]]),
        );
        self::assertStringContainsString(
            'fewer than two colours',
            $paste(['pieces' => [[
                ...$piece,
                'fill' => ['#ff0000', 1, ['gradient' => ['linear', 'pad', [0, 0, 9, 0], [1, 0, 0, 1, 0, 0], [[0, '#ff0000', 1]]]]],
            ]]]),
        );
        self::assertStringContainsString(
            'copies',
            $paste(['pieces' => [[
                ...$piece,
                'recipe' => [
                    'base' => ['is' => 'contours', 'shape' => ['rule' => 'nonzero', 'contours' => $piece['contours']]],
                    'matrix' => [1, 0, 0, 1, 0, 0],
                    'changes' => [['is' => 'repeat', 'values' => ['row', 10_000_000, 1, 5, 0, 0, 0, 360, true]]],
                ],
            ]]]),
        );
        self::assertSame(
            1,
            $this->getJson("/api/v1/jobs/{$this->job}")->json('art.pieces') === null
                ? 0
                : count($this->getJson("/api/v1/jobs/{$this->job}")->json('art.pieces')),
        );
        $this->get("/api/v1/jobs/{$this->job}/picture.svg")->assertOk();
    }

    #[Test]
    public function a_picture_that_claims_more_dots_than_a_browser_holds_is_refused_by_its_measure(): void
    {
        $chunk = static fn (string $type, string $data): string => pack('N', strlen($data)).$type.$data.pack('N', crc32($type.$data));
        $png = static fn (int $w, int $h): string => "\x89PNG\r\n\x1a\n".$chunk(
            'IHDR',
            pack('NNCCCCC', $w, $h, 8, 2, 0, 0, 0),
        ).$chunk('IDAT', (string) gzcompress('')).$chunk('IEND', '');
        $add = fn (string $bytes) => $this->post(
            "/api/v1/jobs/{$this->job}/reference",
            ['file' => UploadedFile::fake()->createWithContent('a.png', $bytes)],
            ['Accept' => 'application/json'],
        );
        $add($png(20_000, 20_000))->assertStatus(422)->assertJsonPath(
            'message',
            'The picture is 20000 by 20000 dots, 400 million in all; up to 100 million are taken.',
        );
        $add($png(30_000, 10))->assertStatus(422);
        $add($png(800, 600))->assertCreated();
    }

    #[Test]
    public function a_font_that_cannot_be_read_is_named_as_the_artist_knows_it_and_leaves_no_file(): void
    {
        $before = glob(storage_path('app/fonts/*')) ?: [];
        // Tables that claim more than the file has.
        $claims = "\x00\x01\x00\x00\x00\x02\x00\x20\x00\x01\x00\x00"."cmap\0\0\0\0".pack('NN', 44, 0x7FFFFFF0)."head\0\0\0\0".pack('NN', 0x7FFFFFF0, 54);
        foreach (['Wharf Roman.ttf' => 'hello', 'Claims.ttf' => $claims.str_repeat("\0", 40), 'Cut.woff' => "wOFF\x00"] as $name => $bytes) {
            $message = (string) $this->post(
                '/api/v1/fonts',
                ['file' => UploadedFile::fake()->createWithContent($name, $bytes)],
                ['Accept' => 'application/json'],
            )->assertStatus(422)->json('message');
            self::assertStringContainsString("\"{$name}\"", $message);
        }
        self::assertSame($before, glob(storage_path('app/fonts/*')) ?: []);
        self::assertLessThan(300_000_000, memory_get_peak_usage());
    }
}
