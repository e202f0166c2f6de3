<?php

declare(strict_types=1);

namespace Tests\Support;

use App\Http\Description\Document;
use Illuminate\Http\Request;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Route as Routes;
use Illuminate\Testing\TestResponse;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Assert;
use stdClass;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;

/** Every answer of the interface is one that its description names, and what was taken is something that it describes. */
final class HeldToDescription
{
    private const ID = 'https://neat-edge.test/openapi.json';

    private static ?Validator $validator = null;

    private static ?stdClass $document = null;

    /** @var array<string, int> how often each operation answered with what was not refused */
    public static array $seen = [];

    /** @param  TestResponse<\Symfony\Component\HttpFoundation\Response>  $answer */
    public static function check(string $method, string $address, ?string $body, TestResponse $answer): void
    {
        $route = self::route($method, $address);
        if ($route === null || ! in_array($route, Document::routes(), true)) {
            return;
        }
        $operation = self::document()->paths->{substr($route->uri(), strlen('api/v1'))}->{strtolower($method)} ?? null;
        Assert::assertInstanceOf(stdClass::class, $operation, "{$method} {$address} is described");
        $status = (string) $answer->getStatusCode();
        $type = explode(';', (string) $answer->headers->get('Content-Type'))[0];
        $where = "{$method} {$address} {$status}";
        if (isset($operation->responses->{$status})) {
            $content = $operation->responses->{$status}->content ?? new stdClass;
            $types = array_keys(get_object_vars($content));
            if ($types === []) {
                Assert::assertSame('', (string) $answer->getContent(), "{$where} has no body");
            } elseif (! in_array('application/octet-stream', $types, true) || $type === 'application/json') {
                Assert::assertContains($type, $types, "{$where} is of a type that is described");
                if (isset($content->{'application/json'})) {
                    self::hold(json_decode((string) $answer->getContent()), $content->{'application/json'}->schema, $where);
                }
            }
            self::$seen[$operation->operationId] = 1 + (self::$seen[$operation->operationId] ?? 0);
        } else {
            Assert::assertGreaterThanOrEqual(400, $answer->getStatusCode(), "{$where} is a status that is described");
            self::hold(json_decode((string) $answer->getContent()), (object) ['$ref' => '#/components/schemas/Problem'], $where);
        }
        $takes = $operation->requestBody->content->{'application/json'}->schema ?? null;
        if ($answer->getStatusCode() < 300 && $takes !== null && $body !== null && $body !== '' && is_object($sent = json_decode($body))) {
            self::hold($sent, $takes, "what {$where} took");
        }
    }

    private static function route(string $method, string $address): ?Route
    {
        try {
            return Routes::getRoutes()->match(Request::create($address, $method));
        } catch (HttpExceptionInterface) {
            return null;
        }
    }

    private static function hold(mixed $data, stdClass $schema, string $where): void
    {
        $schema = json_decode(str_replace('"#\/components', '"'.str_replace('/', '\/', self::ID).'#\/components', (string) json_encode($schema)));
        $result = self::validator()->validate($data, $schema);
        $error = $result->error();
        Assert::assertNull($error, $error === null ? '' : $where.': '.json_encode((new ErrorFormatter)->format($error, true), JSON_UNESCAPED_SLASHES));
    }

    private static function validator(): Validator
    {
        if (self::$validator === null) {
            self::$validator = new Validator;
            self::$validator->resolver()?->registerRaw(self::document(), self::ID);
        }

        return self::$validator;
    }

    private static function document(): stdClass
    {
        return self::$document ??= json_decode((string) file_get_contents(base_path(Document::FILE)), flags: JSON_THROW_ON_ERROR);
    }
}
