<?php

declare(strict_types=1);

namespace App\Http\Description;

use App\Http\Requests\Asks;
use App\Http\Resources\ProblemResource;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Route as Routes;
use LogicException;
use ReflectionMethod;
use ReflectionNamedType;

/**
 * The HTTP interface as OpenAPI 3.1 (https://spec.openapis.org/oas/v3.1.1.html): its routes, what they take by their requests and by what is described, what
 * they answer with by their resources. It is written to a file by a command, which ships: a test compares.
 */
final class Document
{
    public const FILE = 'resources/openapi.json';

    private const PREFIX = 'api/v1';

    private Shapes $shapes;

    private function __construct()
    {
        $this->shapes = new Shapes;
    }

    public static function text(): string
    {
        return json_encode(
            self::make(),
            JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION,
        )."\n";
    }

    /** @return array<string, mixed> */
    public static function make(): array
    {
        $self = new self;
        $paths = [];
        foreach (self::routes() as $route) {
            $path = substr($route->uri(), strlen(self::PREFIX));
            $paths[$path][strtolower($route->methods()[0])] = $self->operation($route);
        }
        $problem = $self->shapes->add(ProblemResource::class);

        return [
            'openapi' => '3.1.0',
            'info' => [
                'title' => 'Neat Edge', 'version' => '1',
                'description' => 'Vector artwork made ready to cut, print and engrave. Lengths are mm. Changes are sent with the header X-CSRF-TOKEN,'
                    .' whose value /token tells, and with the cookie of that answer; docs/api.md goes through a job from end to end.',
            ],
            'servers' => [['url' => '/'.self::PREFIX]],
            'paths' => $paths,
            'components' => [
                'schemas' => [...$self->shapes->schemas(), ...Taken::schemas()],
                'responses' => ['Problem' => [
                    'description' => 'Why it was refused or did not work.',
                    'content' => ['application/json' => ['schema' => ['$ref' => "#/components/schemas/{$problem}"]]],
                ]],
                'securitySchemes' => ['token' => ['type' => 'apiKey', 'in' => 'header', 'name' => 'X-CSRF-TOKEN']],
            ],
        ];
    }

    /** @return list<Route> those of the interface */
    public static function routes(): array
    {
        return array_values(array_filter(Routes::getRoutes()->getRoutes(), static fn (Route $route): bool => str_starts_with($route->uri(), self::PREFIX.'/')));
    }

    public static function name(Route $route): string
    {
        return str_starts_with((string) $route->getName(), 'v1.')
            ? substr((string) $route->getName(), 3)
            : throw new LogicException("The route {$route->uri()} has no name.");
    }

    public static function action(Route $route): ReflectionMethod
    {
        $action = $route->getActionName();

        return str_contains($action, '@')
            ? new ReflectionMethod(...explode('@', $action))
            : throw new LogicException("The route {$route->uri()} leads to no controller.");
    }

    /** @return array<string, mixed> */
    private function operation(Route $route): array
    {
        $action = self::action($route);
        $request = self::request($action);
        $reads = $route->methods()[0] === 'GET';
        $summary = trim((string) preg_replace('/^\s*\/?\*+\/?|\*\/$/m', '', explode('@', (string) $action->getDocComment())[0]));
        if ($summary === '') {
            throw new LogicException("The action {$route->getActionName()} does not say what it does.");
        }
        $parameters = [...self::places($route), ...($reads && $request !== null ? self::query($request) : [])];

        return [
            'operationId' => self::name($route),
            'summary' => (string) preg_replace('/\s+/', ' ', $summary),
            ...($parameters === [] ? [] : ['parameters' => $parameters]),
            ...($reads || $request === null ? [] : ['requestBody' => self::body($request)]),
            'responses' => $this->responses($action),
            ...($reads ? [] : ['security' => [['token' => []]]]),
        ];
    }

    /** @return class-string<Asks>|null */
    private static function request(ReflectionMethod $action): ?string
    {
        foreach ($action->getParameters() as $parameter) {
            $type = $parameter->getType();
            if ($type instanceof ReflectionNamedType && is_subclass_of($type->getName(), Asks::class)) {
                return $type->getName();
            }
        }

        return null;
    }

    /** @return list<array<string, mixed>> what stands in the address */
    private static function places(Route $route): array
    {
        return array_values(array_map(static function (string $name) use ($route): array {
            $pattern = $route->wheres[$name] ?? null;
            $model = array_filter(
                $route->signatureParameters(),
                static fn ($one): bool => $one->getName() === $name && $one->getType() instanceof ReflectionNamedType && ! $one->getType()->isBuiltin(),
            ) !== [];
            $schema = $pattern === '[0-9]+' || $model ? ['type' => 'integer', 'minimum' => 0] : [
                'type' => 'string',
                ...($pattern === null ? [] : ['pattern' => "^{$pattern}$"]),
            ];

            return ['name' => $name, 'in' => 'path', 'required' => true, 'schema' => $schema];
        }, $route->parameterNames()));
    }

    /**
     * @param  class-string<Asks>  $request
     * @return list<array<string, mixed>>
     */
    private static function query(string $request): array
    {
        $schema = Rules::of($request);
        $parameters = [];
        foreach ($schema['properties'] as $name => $one) {
            $nested = in_array('object', (array) ($one['type'] ?? []), true);
            $parameters[] = [
                'name' => (string) $name,
                'in' => 'query',
                ...(in_array($name, $schema['required'] ?? [], true) ? ['required' => true] : []),
                ...($nested ? ['style' => 'deepObject', 'explode' => true] : []),
                'schema' => $one,
            ];
        }

        return $parameters;
    }

    /**
     * @param  class-string<Asks>  $request
     * @return array<string, mixed>
     */
    private static function body(string $request): array
    {
        $schema = Taken::of($request);
        $file = str_contains((string) json_encode($schema), '"format":"binary"');
        $needed = ($schema['required'] ?? []) !== [];

        return [
            'required' => $needed || $file,
            'content' => $file
                // Where no file is needed, words do as well.
                ? [
                    'multipart/form-data' => ['schema' => $schema],
                    ...(in_array('file', $schema['required'] ?? [], true)
                        || isset($schema['properties']['files']) ? [] : ['application/json' => ['schema' => $schema]]),
                ]
                : ['application/json' => ['schema' => $schema]],
        ];
    }

    /** @return array<int|string, array<string, mixed>> by status */
    private function responses(ReflectionMethod $action): array
    {
        $responses = [];
        foreach ($action->getAttributes(Answers::class) as $attribute) {
            $answer = $attribute->newInstance();
            $content = [];
            if ($answer->of !== null) {
                $content['application/json'] = ['schema' => $this->schema($answer)];
            }
            foreach (array_filter(explode('|', $answer->type)) as $type) {
                $content[$type] = $type === 'application/json' ? ['schema' => (object) []] : ['schema' => [
                    'type' => 'string',
                    ...(str_starts_with($type, 'image/svg') ? [] : ['format' => 'binary']),
                ]];
            }
            $responses[(string) $answer->status] = [
                'description' => $content === [] ? 'Done.' : 'The answer.',
                ...($content === [] ? [] : ['content' => $content]),
            ];
        }
        if ($responses === []) {
            throw new LogicException("The action {$action->class}::{$action->name} does not say what it answers with.");
        }
        $responses['default'] = ['$ref' => '#/components/responses/Problem'];

        return $responses;
    }

    /** @return array<string, mixed> */
    private function schema(Answers $answer): array
    {
        $many = is_array($answer->of);
        $one = ['$ref' => '#/components/schemas/'.$this->shapes->add(is_array($answer->of)
            ? $answer->of[0]
            : $answer->of ?? throw new LogicException('Nothing has no shape.'))];
        $all = $many ? ['type' => 'array', 'items' => $one] : $one;

        return ! $answer->paged ? $all : [
            'type' => 'object',
            'properties' => [
                'data' => $all,
                'links' => ['type' => 'object', 'additionalProperties' => ['type' => ['string', 'null']]],
                'meta' => [
                    'type' => 'object',
                    'properties' => ['current_page' => ['type' => 'integer'], 'per_page' => ['type' => 'integer']],
                    'required' => ['current_page', 'per_page'],
                ],
            ],
            'required' => ['data', 'links', 'meta'],
        ];
    }
}
