<?php

declare(strict_types=1);

namespace App\Http\Description;

use NeatEdge\Core\Described\Field;

/** Described values as JSON Schema. A number may be typed with its unit, so that it is a number or a word; which words are taken is said in words. */
final class Fields
{
    /**
     * @param  list<Field>  $fields
     * @param  string|null  $kind  what they are the fields of, where they are told apart by it
     * @return array<string, mixed>
     */
    public static function object(array $fields, ?string $kind = null, string $says = ''): array
    {
        $properties = $kind === null ? [] : ['kind' => ['const' => $kind]];
        foreach ($fields as $field) {
            $properties[$field->name] = self::value($field);
        }
        $required = [
            ...($kind === null ? [] : ['kind']),
            ...array_map(
                static fn (Field $field): string => $field->name,
                array_values(array_filter($fields, static fn (Field $field): bool => $field->needed)),
            ),
        ];

        return [
            'type' => 'object',
            ...($says === '' ? [] : ['description' => $says]),
            'properties' => $properties === [] ? (object) [] : $properties,
            ...($required === [] ? [] : ['required' => $required]),
        ];
    }

    /** @return array<string, mixed> */
    public static function value(Field $field): array
    {
        $numeric = in_array($field->type, Field::NUMERIC, true);
        $unit = match ($field->type) {
            Field::LENGTH => 'mm, or a length with its unit such as "1/4in"; ',
            Field::ANGLE => 'degrees; ',
            Field::SHARE => 'a share of 1, or a percentage such as "30%"; ',
            default => '',
        };
        $bounds = $numeric ? sprintf('%s%s to %s', $unit, self::plain($field->least), self::plain($field->most)) : '';
        $says = implode('. ', array_filter([$field->label, $field->help, $bounds]));

        return [
            'description' => $says,
            ...self::shape($field),
            ...($field->needed || is_bool($field->usual) && $field->type !== Field::FLAG ? [] : ['default' => $field->usual]),
        ];
    }

    /** @return array<string, mixed> */
    private static function shape(Field $field): array
    {
        return match ($field->type) {
            Field::LENGTH, Field::ANGLE, Field::NUMBER, Field::COUNT, Field::SHARE => ['type' => ['number', 'string']],
            Field::FLAG => ['type' => ['boolean', 'string', 'integer']],
            Field::CHOICE => ['enum' => array_map(strval(...), array_keys($field->options))],
            Field::NODES => ['type' => 'array', 'items' => ['type' => 'array', 'items' => ['type' => 'number']]],
            Field::NUMBERS => ['type' => 'array', 'items' => ['type' => 'number']],
            Field::PIECES => ['type' => 'array', 'items' => ['type' => 'string']],
            Field::GROUP => self::object($field->parts),
            Field::ROWS => ['type' => 'array', 'items' => ['anyOf' => [self::object($field->parts), ['type' => 'array']]]],
            Field::DATA => [],
            default => ['type' => 'string'],
        };
    }

    private static function plain(float $number): string
    {
        return rtrim(rtrim(sprintf('%.4F', $number), '0'), '.');
    }
}
