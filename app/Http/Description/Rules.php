<?php

declare(strict_types=1);

namespace App\Http\Description;

use App\Http\Requests\Asks;
use Illuminate\Validation\Rules\In;
use LogicException;

/**
 * What a request takes as JSON Schema, from its rules. What a rule says that JSON Schema cannot is left to the request: the schema never refuses what the
 * request takes.
 */
final class Rules
{
    /** Rules that say nothing of the shape of a value. */
    private const SILENT = ['sometimes', 'nullable', 'present', 'distinct', 'list', 'bail'];

    /**
     * @param  class-string<Asks>  $request
     * @return array<string, mixed> schema of an object
     */
    public static function of(string $request): array
    {
        $tree = [];
        foreach ((new $request)->rules() as $path => $rules) {
            $at = &$tree;
            foreach (explode('.', $path) as $name) {
                $at = &$at['in'][$name];
            }
            $at['rules'] = $rules;
            unset($at);
        }

        return self::object($tree);
    }

    /**
     * @param  array<string, mixed>  $node
     * @return array<string, mixed>
     */
    private static function object(array $node): array
    {
        $properties = $required = [];
        foreach ($node['in'] as $name => $inner) {
            $properties[$name] = self::value($inner) ?: (object) [];
            if (array_intersect(
                ['required', 'present'],
                array_filter($inner['rules'] ?? [], is_string(...)),
            ) !== [] && ! in_array('sometimes', $inner['rules'], true)) {
                $required[] = (string) $name;
            }
        }

        return ['type' => 'object', 'properties' => $properties, ...($required === [] ? [] : ['required' => $required])];
    }

    /**
     * @param  array<string, mixed>  $node
     * @return array<string, mixed>
     */
    private static function value(array $node): array
    {
        $rules = $node['rules'] ?? [];
        $schema = [];
        foreach ($rules as $rule) {
            $schema = [...$schema, ...self::rule($rule, $rules)];
        }
        if (isset($node['in']['*'])) {
            $items = self::value($node['in']['*']);
            // Told by names or in a row: the rules do not say which.
            $schema = in_array('list', $rules, true)
                ? [...$schema, 'type' => 'array', 'items' => $items ?: (object) []]
                : [...$schema, 'type' => ['object', 'array'], 'additionalProperties' => $items ?: true, 'items' => $items ?: (object) []];
        } elseif (isset($node['in'])) {
            $schema = self::object($node);
        } elseif (($schema['type'] ?? '') === 'array') {
            $schema['type'] = ['object', 'array'];
        }
        if (in_array('nullable', $rules, true) && isset($schema['type'])) {
            $schema['type'] = [...(array) $schema['type'], 'null'];
        }

        return $schema;
    }

    /** Rules that say of what kind a value is. A number in a form or an address is a word. */
    private const KINDS = [
        'string' => ['type' => 'string'],
        'integer' => ['type' => ['integer', 'string']],
        'numeric' => ['type' => ['number', 'string']],
        'boolean' => ['type' => ['boolean', 'integer', 'string']],
        'array' => ['type' => 'array'],
        'file' => ['type' => 'string', 'format' => 'binary'],
        'date_format' => ['type' => 'string', 'format' => 'date'],
        'email' => ['format' => 'email'],
    ];

    /**
     * @param  list<mixed>  $rules  all of the value
     * @return array<string, mixed>
     */
    private static function rule(mixed $rule, array $rules): array
    {
        if ($rule instanceof In) {
            return ['enum' => [...self::among((string) $rule), ...(in_array('nullable', $rules, true) ? [null] : [])]];
        }
        if (! is_string($rule)) {
            // Whether a name is free is known by the request alone.
            return [];
        }
        [$name, $says] = [...explode(':', $rule, 2), ''];
        $size = self::size($rules);

        return match (true) {
            in_array($name, self::SILENT, true) || str_starts_with($name, 'required') => [],
            isset(self::KINDS[$name]) => self::KINDS[$name],
            $name === 'regex' => ['type' => ['string', 'integer'], 'pattern' => trim(rtrim($says, 'D'), '/')],
            $name === 'in' => ['enum' => explode(',', $says)],
            $name === 'max' => $size === null ? [] : [$size[1] => (int) $says],
            $name === 'min' => $size === null ? [] : [$size[0] => (int) $says],
            $name === 'between' => self::between($says, $size),
            default => throw new LogicException("The rule {$rule} is not known to the description."),
        };
    }

    /** @return list<string> */
    private static function among(string $rule): array
    {
        return array_map(static fn (string $one): string => str_replace('""', '"', trim($one, '"')), explode(',', substr($rule, strlen('in:'))));
    }

    /**
     * @param  list<mixed>  $rules
     * @return array{string, string}|null what bounds are called of it; null of files, whose size a schema cannot say
     */
    private static function size(array $rules): ?array
    {
        return match (true) {
            in_array('file', $rules, true) => null,
            in_array('array', $rules, true) => ['minItems', 'maxItems'],
            in_array('integer', $rules, true), in_array('numeric', $rules, true) => ['minimum', 'maximum'],
            default => ['minLength', 'maxLength'],
        };
    }

    /**
     * @param  array{string, string}|null  $size
     * @return array<string, mixed>
     */
    private static function between(string $says, ?array $size): array
    {
        [$least, $most] = array_map(floatval(...), explode(',', $says));

        return $size === null ? [] : [$size[0] => $least + 0, $size[1] => $most + 0];
    }
}
