<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\ShopJob;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\Route;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** What holds of every address there is, also of one that is added tomorrow. */
final class EveryRouteTest extends TestCase
{
    use RefreshDatabase;

    /** @return list<array{string, string}> method and address, every part of it a number that nothing has */
    private static function all(): array
    {
        $out = [];
        foreach (Route::getRoutes()->getRoutes() as $route) {
            if (str_starts_with($route->uri(), 'api/')) {
                $address = '/'.str_replace('{file}', str_repeat('0', 32), $route->uri());
                $out[] = [$route->methods()[0], (string) preg_replace('/\{\w+\??\}/', '999999', $address)];
            }
        }

        return $out;
    }

    #[Test]
    public function nothing_is_changed_for_another_page_by_any_address(): void
    {
        $changing = array_values(array_filter(self::all(), static fn (array $one): bool => $one[0] !== 'GET'));
        self::assertGreaterThan(15, count($changing));
        foreach ($changing as [$method, $address]) {
            $this->json($method, $address, [], ['Origin' => 'https://elsewhere.test'])->assertForbidden();
        }
        config(['neat-edge.page_token' => true]);
        foreach ($changing as [$method, $address]) {
            $this->json($method, $address)->assertStatus(419);
        }
    }

    #[Test]
    public function what_is_not_there_is_answered_in_one_sentence_of_our_own(): void
    {
        foreach (self::all() as [$method, $address]) {
            if (! str_contains($address, '999999') && ! str_contains($address, '00000000')) {
                continue;
            }
            if (str_contains($address, '/account/')) {
                // Nobody's own: see RolesTest.
                $this->json($method, $address)->assertStatus(str_contains($address, 'sign-ins') ? 404 : 403);

                continue;
            }
            $answer = $this->json($method, $address)->assertNotFound();
            $said = $answer->json('message');
            self::assertIsString($said, $address);
            self::assertMatchesRegularExpression('/^[A-Z][^\n]*\.$/', $said, $address);
            self::assertDoesNotMatchRegularExpression('/query|model|exception|route|vendor|\.php|App\\\\/i', (string) $answer->getContent(), $address);
        }
    }

    #[Test]
    public function nonsense_in_a_body_is_refused_in_words_and_leaves_no_trace(): void
    {
        $job = $this->postJson('/api/v1/jobs', ['process' => 'plain', 'width' => '100', 'height' => '100'])->assertCreated()->json('id');
        // To prepare it needs no words: where it stands is otherwise then, and nothing else.
        $kept = static fn (): array => array_diff_key(
            ShopJob::query()->whereKey($job)->firstOrFail()->getAttributes(),
            ['preparation_id' => 1, 'standing' => 1],
        );
        $before = $kept();
        foreach (self::all() as [$method, $address]) {
            if (! in_array($method, ['POST', 'PATCH'], true)) {
                continue;
            }
            $address = (string) preg_replace('~^/api/v1/jobs/999999~', "/api/v1/jobs/{$job}", $address);
            foreach ([
                [
                    'version' => [],
                    'edit' => 'copy',
                    'pieces' => 7,
                    'name' => ['x'],
                    'width' => ['9'],
                    'text' => 4.5,
                    'process' => ['plain'],
                    'steps' => 'all',
                    'file' => 'no file',
                    'reason' => [],
                ],
                ['version' => true, 'edit' => ['kind' => ['x']], 'pieces' => [[]], 'steps' => [[]]],
            ] as $body) {
                $answer = $this->json($method, $address, $body);
                self::assertLessThan(500, $answer->getStatusCode(), "{$method} {$address}");
                if ($answer->getStatusCode() >= 400) {
                    self::assertMatchesRegularExpression('/^[^\n]+\.$/', (string) $answer->json('message'), "{$method} {$address}");
                    self::assertStringNotContainsString(' field must be', (string) $answer->getContent(), "{$method} {$address}");
                }
            }
        }
        self::assertSame($before, $kept());
    }
}
