<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\Description\Document;
use App\Http\Description\PresetSchema;
use App\Http\Description\Rules;
use App\Http\Requests\Asks;
use App\Models\JobTemplate;
use App\Models\Preparation;
use App\Models\ShopJob;
use App\Models\StockItem;
use App\Models\Version;
use App\Models\Work;
use Illuminate\Contracts\Auth\Authenticatable;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\Gate;
use NeatEdge\Core\Format\Json\PresetJson;
use NeatEdge\Core\Format\Json\PresetRefused;
use NeatEdge\Core\Line\Edits;
use NeatEdge\Core\Process\Processes;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** The HTTP interface as programs meet it; that every answer is as described is held in TestCase, for all tests. */
final class InterfaceTest extends TestCase
{
    use RefreshDatabase;

    /** What may be asked by whoever may ask at all. */
    private const OPEN = ['me', 'sign-in', 'sign-out', 'password.forgot', 'password.choose', 'token', 'openapi', 'choices', 'catalogue', 'length', 'guide.index', 'guide.show', 'guide.picture', 'shown.show', 'shown.picture', 'shown.answer'];

    #[Test]
    public function its_description_is_as_the_code_is(): void
    {
        self::assertSame(Document::text(), (string) file_get_contents(base_path(Document::FILE)), 'php artisan neat-edge:types');
        $this->getJson('/api/v1/openapi.json')->assertOk()->assertJsonPath('openapi', '3.1.0')->assertJsonPath('servers.0.url', '/api/v1');
    }

    #[Test]
    public function a_preset_is_written_as_its_steps_say_and_read_as_it_is_written(): void
    {
        self::assertSame(PresetSchema::text(), (string) file_get_contents(base_path(PresetSchema::FILE)), 'php artisan neat-edge:types');
        $taken = static fn (string $text): bool => (new Validator)->validate(
            json_decode($text),
            (string) json_encode(json_decode(PresetSchema::text())),
        )->isValid();
        $read = static function (string $text): bool {
            try {
                PresetJson::decode($text, Processes::keys());

                return true;
            } catch (PresetRefused) {
                return false;
            }
        };
        foreach (Processes::presets() as $preset) {
            $text = PresetJson::encode($preset);
            self::assertTrue($taken($text), $preset->name);
            self::assertTrue($read($text), $preset->name);
        }
        $one = static fn (array $with, array $step = []): string => json_encode(
            [...['neat_edge_preset' => 1, 'name' => 'Night sign', 'steps' => [[...['step' => 'thicken'], ...$step]]], ...$with],
            JSON_THROW_ON_ERROR,
        );
        self::assertTrue($taken($one([])) && $read($one([])));
        foreach ([
            $one(['name' => '']),
            $one(['name' => str_repeat('n', 81)]),
            $one(['version' => 0]),
            $one(['version' => 1_000_000]),
            $one(['note' => str_repeat('n', 501)]),
            $one(['for' => ['cloth']]),
            $one(['colour' => 'red']),
            $one(['neat_edge_preset' => 2]),
            $one([], ['step' => 'thin']),
            $one([], ['values' => ['wide' => 1]]),
            $one([], ['on' => 'yes']), $one(['steps' => array_fill(0, 61, ['step' => 'thicken'])]),
            $one([], ['step' => 'offset-all', 'values' => ['join' => 'soft']]),
        ] as $wrong) {
            self::assertFalse($taken($wrong), $wrong);
            self::assertFalse($read($wrong), $wrong);
        }
    }

    #[Test]
    public function every_route_has_a_name_of_its_own_asks_a_policy_and_is_counted(): void
    {
        $routes = Document::routes();
        self::assertGreaterThan(90, count($routes));
        $names = array_map(Document::name(...), $routes);
        self::assertSame($names, array_unique($names));
        foreach ($routes as $route) {
            $middleware = $route->gatherMiddleware();
            self::assertContains('throttle:asks', $middleware, $route->uri());
            $asks = array_filter(
                $middleware,
                static fn (string $one): bool => str_starts_with($one, 'Illuminate\Auth\Middleware\Authorize:') || str_starts_with($one, 'can:'),
            );
            self::assertSame(in_array(Document::name($route), self::OPEN, true), $asks === [], $route->uri());
            foreach ($asks as $one) {
                $wanted = match ($route->methods()[0]) {
                    'GET' => '/:(view|viewAny|account|delete),/',
                    'DELETE' => '/:(delete|create|account|view|update),/',
                    default => '/:(update|create|view|viewAny|account|produce|nameColours),/',
                };
                self::assertMatchesRegularExpression($wanted, $one, $route->uri());
            }
        }
    }

    #[Test]
    public function who_may_not_is_told_so_and_nothing_is_done(): void
    {
        $job = $this->postJson('/api/v1/jobs', ['process' => 'plain', 'width' => '100', 'height' => '100'])->assertCreated()->json('id');
        $this->postJson(
            "/api/v1/jobs/{$job}/edits",
            ['version' => 1, 'edit' => ['kind' => 'draw-shape', 'shape' => 'star', 'x' => 50, 'y' => 50, 'width' => 30, 'height' => 30, 'fill' => '#112233']],
        )->assertOk();
        $this->postJson("/api/v1/jobs/{$job}/preparations")->assertStatus(202);
        $this->postJson("/api/v1/jobs/{$job}/versions", ['name' => 'First'])->assertOk();
        $this->postJson('/api/v1/stock', ['kind' => 'material', 'name' => 'Trial'])->assertCreated();
        $this->postJson("/api/v1/jobs/{$job}/template", ['name' => 'Trial'])->assertCreated();
        $ids = [
            'job' => $job,
            'preparation' => Preparation::query()->value('id'),
            'version' => Version::query()->value('id'),
            'item' => StockItem::query()->value('id'),
            'work' => Work::query()->value('id'),
            'template' => JobTemplate::query()->value('id'),
        ];
        $state = static fn (): array => [
            ShopJob::query()->count(),
            ShopJob::query()->whereKey($job)->firstOrFail()->getAttributes(),
            Version::query()->count(),
            StockItem::query()->count(),
            Work::query()->get()->toArray(),
        ];
        $before = $state();
        Gate::before(static fn (?Authenticatable $person): bool => false);
        $refused = 0;
        foreach (Document::routes() as $route) {
            if (in_array(Document::name($route), self::OPEN, true) || array_diff(
                $route->parameterNames(),
                [...array_keys($ids), 'number', 'stage', 'notice', 'name', 'format', 'step', 'file'],
            ) !== []) {
                continue;
            }
            $places = ['number' => 1, 'stage' => 0, 'notice' => 0, 'name' => 'none', 'format' => 'svg', 'step' => 's1', 'file' => str_repeat('0', 32)] + $ids;
            $address = (string) preg_replace_callback('/\{(\w+)\}/', static fn (array $m): string => (string) $places[$m[1]], '/'.$route->uri());
            $this->json($route->methods()[0], $address, ['version' => 2])->assertForbidden()->assertJsonPath('message', 'You may not do that here.');
            $refused++;
        }
        self::assertGreaterThan(75, $refused);
        self::assertSame($before, $state());
    }

    #[Test]
    public function who_asks_too_often_waits(): void
    {
        config(['neat-edge.asks_a_minute' => 3]);
        for ($i = 0; $i < 3; $i++) {
            $this->getJson('/api/v1/colours')->assertOk();
        }
        $this->getJson('/api/v1/colours')->assertTooManyRequests()->assertJsonPath(
            'message',
            'Too many requests at once; wait a moment and try again.',
        )->assertHeader('Retry-After');
        $this->travel(61)->seconds();
        $this->getJson('/api/v1/colours')->assertOk();
        config(['neat-edge.asks_a_minute' => 6000, 'neat-edge.files_a_minute' => 1]);
        $this->postJson('/api/v1/look')->assertStatus(422);
        $this->postJson('/api/v1/look')->assertTooManyRequests();
        $this->getJson('/api/v1/colours')->assertOk();
    }

    #[Test]
    public function a_token_is_told_with_which_changes_are_made_by_hand(): void
    {
        config(['neat-edge.page_token' => true]);
        $this->postJson('/api/v1/length', ['text' => '3in'])->assertStatus(419);
        $told = $this->getJson('/api/v1/token')->assertOk();
        $cookies = array_map(
            static fn ($one): string => (string) $one->getValue(),
            array_filter($told->headers->getCookies(), static fn ($one): bool => $one->getName() === config('session.cookie')),
        );
        self::assertCount(1, $cookies);
        $by = $this->call(
            'POST',
            '/api/v1/length',
            ['text' => '3in'],
            [config('session.cookie') => array_values($cookies)[0]],
            [],
            ['HTTP_ACCEPT' => 'application/json', 'HTTP_X_CSRF_TOKEN' => $told->json('token')],
        );
        self::assertSame(200, $by->getStatusCode(), (string) $by->getContent());
    }

    #[Test]
    public function lists_that_can_be_long_come_in_pages(): void
    {
        for ($i = 0; $i < 203; $i++) {
            ShopJob::query()->create([
                'title' => "Old {$i}",
                'process' => 'plain',
                'width_mm' => 1,
                'height_mm' => 1,
                'source_name' => '',
                'notices' => [],
                'intake_width_mm' => 1,
                'revision' => 1,
                'version' => 1,
                'deleted_at' => now()->subMinutes($i),
            ]);
        }
        self::assertCount(
            200,
            $this->getJson('/api/v1/trash')->assertOk()->assertJsonPath('data.0.title', 'Old 0')->assertJsonPath('meta.current_page', 1)->json('data'),
        );
        self::assertSame(['Old 200', 'Old 201', 'Old 202'], array_column($this->getJson('/api/v1/trash?page=2')->assertOk()->json('data'), 'title'));
    }

    #[Test]
    public function what_an_edit_takes_is_described_with_all_of_its_fields(): void
    {
        $edits = json_decode((string) file_get_contents(base_path(Document::FILE)), true)['components']['schemas']['Edit']['oneOf'];
        self::assertSame(array_keys(Edits::catalogue()), array_map(static fn (array $one): string => $one['properties']['kind']['const'], $edits));
        $place = array_values(array_filter($edits, static fn (array $one): bool => $one['properties']['kind']['const'] === 'place'))[0];
        self::assertStringContainsString('mm', $place['properties']['width']['description']);
    }

    #[Test]
    public function rules_of_a_request_become_its_schema(): void
    {
        $schema = Rules::of(TrialRequest::class);
        self::assertSame(['name', 'rows'], $schema['required']);
        $validator = new Validator;
        $takes = static fn (array $data): bool => $validator->validate(
            json_decode((string) json_encode($data ?: new \stdClass)),
            json_decode((string) json_encode($schema)),
        )->isValid();
        self::assertTrue($takes(['name' => 'Ina', 'rows' => [['x' => 2]]]));
        self::assertTrue($takes(['name' => 'Ina', 'rows' => [], 'way' => 'up', 'count' => '3', 'note' => null]));
        foreach ([
            [],
            ['name' => 'Ina'],
            ['name' => '', 'rows' => []],
            ['name' => 'Too long a name', 'rows' => []],
            ['name' => 'Ina', 'rows' => [['x' => 'a', 'y' => []]]],
            ['name' => 'Ina', 'rows' => [], 'way' => 'left'],
            ['name' => 'Ina', 'rows' => [], 'count' => 11],
        ] as $wrong) {
            self::assertFalse($takes($wrong), (string) json_encode($wrong));
        }
    }
}

final class TrialRequest extends Asks
{
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'min:1', 'max:10'],
            'rows' => ['required', 'array', 'list'],
            'rows.*.x' => ['required', 'integer'],
            'rows.*.y' => ['numeric'],
            'way' => ['sometimes', 'in:up,down'], 'count' => ['integer', 'between:1,10'], 'note' => ['nullable', 'string'],
        ];
    }
}
