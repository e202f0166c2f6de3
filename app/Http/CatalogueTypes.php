<?php

declare(strict_types=1);

namespace App\Http;

use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Line\Edits;

/** The edits and their fields as TypeScript, made from their descriptions; a test holds the file in the page to it. */
final class CatalogueTypes
{
    public const FILE = 'resources/js/api/catalogue.ts';

    public static function text(): string
    {
        $text = "// Made by `php artisan neat-edge:types` from what the edits say of themselves. Not to be changed by hand: a test compares.\n\nexport"
            ." interface EditFields {\n";
        foreach (Edits::catalogue() as $kind => $about) {
            $text .= "  '{$kind}': ".self::object($about->fields)."\n";
        }

        return $text."}\n\nexport type EditKind = keyof EditFields\n\nexport type FieldType = ".implode(
            ' | ',
            array_map(static fn (string $type): string => "'{$type}'", Field::types()),
        )."\n";
    }

    /** @param  list<Field>  $fields */
    private static function object(array $fields): string
    {
        return $fields === [] ? 'Record<string, never>' : '{ '.implode(
            '; ',
            array_map(static fn (Field $field): string => $field->name.($field->needed ? ': ' : '?: ').self::type($field), $fields),
        ).' }';
    }

    private static function type(Field $field): string
    {
        return match ($field->type) {
            Field::LENGTH, Field::ANGLE, Field::NUMBER, Field::COUNT, Field::SHARE => 'number | string',
            Field::FLAG => 'boolean',
            Field::CHOICE => implode(' | ', array_map(static fn (string $one): string => "'{$one}'", array_map(strval(...), array_keys($field->options)))),
            Field::NODES => 'number[][]',
            Field::NUMBERS => 'number[]',
            Field::PIECES => 'string[]',
            Field::GROUP => self::object($field->parts),
            Field::ROWS => self::object($field->parts).'[] | unknown[][]',
            Field::DATA => 'unknown',
            default => 'string',
        };
    }
}
